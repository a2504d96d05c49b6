import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const roundDuct = defineCalculation({
  id: 'round-duct',
  name: 'Flow in a round duct',
  group: 'flow',
  words: 'diameter pipe spiral',
  inputs: { D: number('inside diameter', 'length', 0.2, [0.02, 5]), v: number('mean velocity', 'airSpeed', 3) },
  outputs: { A: out('area', 'area'), q: out('flow', 'flow') },
  formula: 'A = π · {D}² / 4; q = {v} · A',
  source: 'Definition',
  run({ D, v }) {
    const A = (Math.PI * D ** 2) / 4
    return { A, q: v * A * 1000 }
  },
})
