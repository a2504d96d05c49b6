import { traverseEvidence, traverseVerdict } from '@/core/calculation/flow/traverseEvidence'
import { RECTANGULAR_LOG_TCHEBYCHEFF, sidePoints } from '@/core/calculation/flow/traversePoints'
import { defineCalculation, number, out, readings } from '@/core/calculation/calculation'

export const rectangularTraverse = defineCalculation({
  id: 'rectangular-traverse',
  name: 'Duct traverse, rectangular',
  group: 'flow',
  words: 'log tchebycheff velocity grid square probe points',
  inputs: {
    w: number('inside width', 'length', 0.6, [0.05, 10]),
    h: number('inside height', 'length', 0.4, [0.05, 10]),
    v: readings('velocities read', 'airSpeed', [3.1, 3.6, 3.9, 4, 3.7, 3.2, 3, 3.5, 3.9, 4.1, 3.8, 3.3]),
  },
  outputs: {
    mean: out('mean velocity', 'airSpeed'),
    q: out('flow', 'flow'),
    spread: out('spread of the readings', 'share'),
    first: out('first point from the side wall', 'length'),
    across: out('points across', 'count', 0),
    down: out('points down', 'count', 0),
  },
  formula:
    'q = mean of {v} · {w} · {h}; points at fixed fractions of {w} and {h}: 5 below 760 mm, 6 to 910 mm, 7 above',
  source: 'ISO 3966 and ASHRAE 111 (log-Tchebycheff), from memory',
  run({ w, h, v }) {
    if (v.length === 0) return 'Type at least one velocity.'
    const [across, down] = [sidePoints(w), sidePoints(h)]
    const { mean, spread } = traverseEvidence(v, across * down)
    return {
      mean,
      q: mean * w * h * 1000,
      spread: 100 * spread,
      first: RECTANGULAR_LOG_TCHEBYCHEFF[across][0] * w,
      across,
      down,
    }
  },
  verdict: ({ w, h, v }) => traverseVerdict(v, sidePoints(w) * sidePoints(h)),
})
