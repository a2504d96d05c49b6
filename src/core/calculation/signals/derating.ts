import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const derating = defineCalculation({
  id: 'derating',
  name: 'What a controller still carries in a warm place',
  group: 'signals',
  words: 'derating ambient current rating heat enclosure cupboard temperature amps',
  inputs: {
    I: number('rated current', 'current', 3, [0.05, 200]),
    tr: number('up to an ambient of', 'temperature', 35, [0, 60]),
    pct: number('less for each kelvin above', 'share', 2.5, [0, 20]),
    ta: number('air of the room', 'temperature', 30, [-20, 70]),
    P: number('heat of everything in its enclosure', 'power', 0, [0, 2000]),
    kA: number('heat the enclosure passes for each kelvin (W/K)', 'count', 1.5, [0.05, 100]),
    I1: number('current of the fans on it', 'current', 2.2, [0, 200]),
  },
  outputs: {
    ti: out('air around it', 'temperature'),
    max: out('it may carry', 'current', 2),
    load: out('it carries, of that', 'share', 0),
  },
  formula: 'ti = {ta} + {P} / {kA}; may carry {I} · (1 − {pct} · (ti − {tr})); {I1} of that',
  source:
    'Straight derating as leaflets give it: type the figures of yours. Closed steel box: about 5.5 W/K for each m², from memory',
  caution: 'Running current, not that of starting. Where the leaflet ends, it must not hang.',
  run({ I, tr, pct, ta, P, kA, I1 }) {
    const ti = ta + P / kA
    const max = I * Math.max(0, 1 - (pct / 100) * Math.max(0, ti - tr))
    return { ti, max, load: max > 0 ? (100 * I1) / max : NaN }
  },
  verdict: (_given, { max, load }) =>
    max === 0 || load > 100
      ? 'Too much for it here: another place, air, or a larger one.'
      : load > 80
        ? 'Little is left for a dirty filter and a hot day.'
        : 'It carries that here.',
})
