import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const rectangularDuct = defineCalculation({
  id: 'rectangular-duct',
  name: 'Flow in a rectangular duct',
  group: 'flow',
  words: 'square hydraulic diameter',
  inputs: {
    w: number('inside width', 'length', 0.6, [0.02, 10]),
    h: number('inside height', 'length', 0.4, [0.02, 10]),
    v: number('mean velocity', 'airSpeed', 3),
  },
  outputs: { A: out('area', 'area'), q: out('flow', 'flow'), Dh: out('hydraulic diameter', 'length') },
  formula: 'A = {w} · {h}; q = {v} · A; Dh = 2 · {w} · {h} / ({w} + {h})',
  source: 'Definition',
  run: ({ w, h, v }) => ({ A: w * h, q: v * w * h * 1000, Dh: (2 * w * h) / (w + h) }),
})
