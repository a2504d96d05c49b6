import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const contaminant = defineCalculation({
  id: 'contaminant',
  name: 'Concentration after a time',
  group: 'flow',
  words: 'co2 carbon dioxide gas dilution build-up',
  inputs: {
    G: number('given off (l/h)', 'count', 36),
    V: number('volume of the room', 'volume', 40),
    q: number('flow of fresh air', 'flow', 20),
    C0: number('at the beginning', 'concentration', 420),
    Cb: number('outside', 'concentration', 420),
    t: number('time', 'time', 3600),
  },
  outputs: { C: out('after that time', 'concentration'), end: out('in the end', 'concentration') },
  formula: 'C = {Cb} + {G}/{q} · (1 − e^(−n·{t})) + ({C0} − {Cb}) · e^(−n·{t}), n = {q} / {V}',
  source: 'Mass balance with perfect mixing',
  run({ G, V, q, C0, Cb, t }) {
    if (!(q > 0 && V > 0)) return 'Flow and volume must be above 0: without air nothing settles.'
    const rise = (G / (q * 3600)) * 1e6
    const left = Math.exp((-q * t) / (V * 1000))
    return { C: Cb + rise * (1 - left) + (C0 - Cb) * left, end: Cb + rise }
  },
})
