import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { powerRatio, soundChangeDb } from '@/core/physics/fanLaw'

export const fanLaws = defineCalculation({
  id: 'fan-laws',
  name: 'Fan laws',
  group: 'fans',
  words: 'speed rpm flow pressure power cube affinity',
  inputs: {
    N1: number('speed now', 'rotation', 900, [1, 30000]),
    N2: number('other speed', 'rotation', 720, [0, 30000]),
    q: number('flow now', 'flow', 1000),
    p: number('pressure now', 'pressure', 250),
    P: number('power now', 'power', 500),
    L: number('sound power now', 'sound', 60),
  },
  outputs: {
    q2: out('flow', 'flow'),
    p2: out('pressure', 'pressure', 1),
    P2: out('shaft power', 'power', 1),
    L2: out('sound power', 'sound', 1),
  },
  formula: 'r = {N2} / {N1}; flow {q} · r; pressure {p} · r²; power {P} · r³; sound {L} + 50 · log₁₀ r',
  source: 'ASHRAE Systems and Equipment (Fans); sound: AMCA 301, from memory',
  caution:
    'Same fan, same system, same air, no fixed pressure. The cube is shaft power; a phase-cut motor wastes more. Percent of voltage is not percent of speed.',
  run({ N1, N2, q, p, P, L }) {
    const r = N2 / N1
    return { q2: q * r, p2: p * r ** 2, P2: P * powerRatio(r), L2: r > 0 ? L + soundChangeDb(r) : NaN }
  },
})
