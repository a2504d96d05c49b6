import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'

/** Carbon dioxide of one person (l/s). ASTM D6245 and ASHRAE 62.1 (0.31 l/min at 1.2 met), from memory; the others by their met. */
const GIVES = { sleeping: 0.0036, sitting: 0.0052, standing: 0.0069, working: 0.0129 } as const

export const peopleCo2 = defineCalculation({
  id: 'people-co2',
  name: 'Carbon dioxide by people',
  group: 'air',
  words: 'co2 ppm occupancy meeting room bedroom fresh air persons',
  inputs: {
    N: number('people', 'count', 2, [0, 10000]),
    act: choice('what they do', 'sleeping', [
      ['sleeping', 'sleep'],
      ['sitting', 'sit'],
      ['standing', 'stand, light work'],
      ['working', 'work hard'],
    ]),
    q: number('outdoor air', 'flow', 8, [0.01, 100000]),
    V: number('volume', 'volume', 30, [1, 100000]),
    C0: number('at the start', 'concentration', 600, [300, 20000]),
    Co: number('outside', 'concentration', 420, [300, 2000]),
    t: number('after', 'time', 8 * 3600, [0, 604800]),
    limit: number('wanted at most', 'concentration', 1000, [400, 20000]),
  },
  outputs: {
    C: out('after that time', 'concentration'),
    end: out('at last', 'concentration'),
    need: out('flow for what is wanted', 'flow', 1),
  },
  formula:
    'C = C∞ + ({C0} − C∞) · e^(−{q}·{t}/{V}); C∞ = {Co} + {N} · G({act}) / {q}; need = {N} · G / ({limit} − {Co})',
  source: 'Mass balance of a mixed room; G by ASTM D6245 and ASHRAE 62.1, from memory, ± 20 %',
  run({ N, act, q, V, C0, Co, t, limit }) {
    if (limit <= Co) return 'What is wanted must lie above the outside air.'
    const given = N * GIVES[act] * 1e6
    const end = Co + given / q
    return { C: end + (C0 - end) * Math.exp((-q * t) / 1000 / V), end, need: given / (limit - Co) }
  },
})
