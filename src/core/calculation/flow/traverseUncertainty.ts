import { defineCalculation, number, out } from '@/core/calculation/calculation'

/** What the placing of the points by the log-Tchebycheff rule leaves (standard, share of the flow). Common practice, no source. */
const RULE_PCT = 1

export const traverseUncertainty = defineCalculation({
  id: 'traverse-uncertainty',
  name: 'Uncertainty of a duct traverse',
  group: 'flow',
  words: 'accuracy error tolerance instrument spread coverage confidence',
  inputs: {
    q: number('flow by the traverse', 'flow', 170, [0.01, 100000]),
    n: number('readings', 'count', 12, [2, 500]),
    s: number('spread of the readings, standard deviation over mean', 'share', 10, [0, 200]),
    a: number('accuracy of the instrument, ± of the reading', 'share', 3, [0, 50]),
    d: number('error of a side or of the diameter', 'share', 1, [0, 20]),
  },
  outputs: {
    u: out('uncertainty, ± (coverage factor 2)', 'share', 1),
    low: out('flow at the least', 'flow'),
    high: out('flow at the most', 'flow'),
  },
  formula:
    'u = 2 · √(({s} / √{n})² + ({a} / √3)² + (2 · {d} / √3)² + 1 %²), of {q}; accuracies count as even within their limits',
  source: 'JCGM 100 (GUM): root of the sum of squares, even distributions over √3, coverage factor 2',
  run({ q, n, s, a, d }) {
    const u = 2 * Math.hypot(s / Math.sqrt(n), a / Math.sqrt(3), (2 * d) / Math.sqrt(3), RULE_PCT)
    return { u, low: q * (1 - u / 100), high: q * (1 + u / 100) }
  },
  verdict: ({ s, n, a, d }, { u }) => {
    const parts = [
      ['the spread of the readings: more of them, or a straighter place', s / Math.sqrt(n)],
      ['the instrument', a / Math.sqrt(3)],
      ['the size of the duct: measure it inside, twice', (2 * d) / Math.sqrt(3)],
    ] as const
    const [most] = [...parts].sort((x, y) => y[1] - x[1])
    return u > 10
      ? `Too wide for a verdict on most rules. Most of it comes from ${most![0]}.`
      : `Most of it comes from ${most![0]}.`
  },
})
