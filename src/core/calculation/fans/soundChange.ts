import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { soundChangeDb } from '@/core/physics/fanLaw'

export const soundChange = defineCalculation({
  id: 'sound-change',
  name: 'Change of sound with speed',
  group: 'fans',
  words: 'noise db quieter louder',
  inputs: {
    N1: number('speed now', 'speed', 100, [1, 100]),
    N2: number('other speed', 'speed', 80, [1, 100]),
  },
  outputs: { dL: out('change', 'sound', 1) },
  formula: 'ΔL = 50 · log₁₀({N2} / {N1})',
  source: 'AMCA 301, from memory; ± 3 dB, and it misses the hum of phase cut, tones and grilles',
  run: ({ N1, N2 }) => ({ dL: soundChangeDb(N2 / N1) }),
})
