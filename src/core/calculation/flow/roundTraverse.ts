import { traverseEvidence, traverseVerdict } from '@/core/calculation/flow/traverseEvidence'
import { CIRCULAR_LOG_TCHEBYCHEFF } from '@/core/calculation/flow/traversePoints'
import { choice, defineCalculation, number, out, readings } from '@/core/calculation/calculation'

export const roundTraverse = defineCalculation({
  id: 'round-traverse',
  name: 'Duct traverse, round',
  group: 'flow',
  words: 'log tchebycheff velocity grid pitot anemometer probe points',
  inputs: {
    D: number('inside diameter', 'length', 0.25, [0.05, 5]),
    n: choice('points on each diameter', '6', [
      ['6', '6'],
      ['8', '8'],
      ['10', '10'],
    ]),
    v: readings(
      'velocities read, diameter by diameter',
      'airSpeed',
      [3.1, 3.6, 3.9, 4.0, 3.7, 3.2, 3.0, 3.5, 3.9, 4.1, 3.8, 3.3],
    ),
  },
  outputs: {
    mean: out('mean velocity', 'airSpeed'),
    q: out('flow', 'flow'),
    spread: out('spread of the readings', 'share'),
    first: out('first point from the wall', 'length'),
    points: out('readings wanted on two diameters', 'count', 0),
  },
  formula: 'q = mean of {v} · π · {D}² / 4; points at fixed fractions of {D}, {n} on each of two diameters at 90°',
  source:
    'ISO 3966 and ASHRAE 111 (log-Tchebycheff), from memory. Five diameters of straight duct before it, or the spread tells',
  run({ D, n, v }) {
    const fractions = CIRCULAR_LOG_TCHEBYCHEFF[n === '6' ? 6 : n === '8' ? 8 : 10]
    if (v.length === 0) return 'Type at least one velocity.'
    const { mean, spread } = traverseEvidence(v, 2 * fractions.length)
    return {
      mean,
      q: mean * ((Math.PI * D ** 2) / 4) * 1000,
      spread: 100 * spread,
      first: fractions[0] * D,
      points: 2 * fractions.length,
    }
  },
  verdict: ({ n, v }) => traverseVerdict(v, 2 * Number(n)),
})
