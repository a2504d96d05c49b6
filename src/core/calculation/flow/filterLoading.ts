import { defineCalculation, number, out } from '@/core/calculation/calculation'

/** Loss of a filter goes with flow by about this exponent. Common practice, no source. */
const EXPONENT = 1.2

export const filterLoading = defineCalculation({
  id: 'filter-loading',
  name: 'Filter: how full, how long yet',
  group: 'flow',
  words: 'dirty pressure drop change final dust life days',
  inputs: {
    p0: number('loss when it was clean', 'pressure', 45, [1, 2000]),
    q0: number('flow then', 'flow', 80, [0.01, 100000]),
    p1: number('loss now', 'pressure', 62, [0, 5000]),
    q1: number('flow now', 'flow', 74, [0.01, 100000]),
    pf: number('loss at which it is changed', 'pressure', 120, [1, 5000]),
    d: number('days since it was clean', 'count', 90, [1, 5000]),
  },
  outputs: {
    now: out('loss now, at the flow of then', 'pressure', 0),
    used: out('used up', 'share', 0),
    left: out('days left', 'count', 0),
  },
  formula: 'now = {p1} · ({q0} / {q1})^1.2; used = (now − {p0}) / ({pf} − {p0}); left = {d} · (1 / used − 1)',
  source:
    'Straight growth from clean to full; exponent and growth are common practice, no source. Near the end it grows faster',
  run({ p0, q0, p1, q1, pf, d }) {
    if (pf <= p0) return 'The loss at which it is changed must lie above the clean one.'
    const now = p1 * (q0 / q1) ** EXPONENT
    const used = (now - p0) / (pf - p0)
    return { now, used: 100 * used, left: used > 0 ? Math.max(0, d * (1 / used - 1)) : NaN }
  },
  verdict: (_given, { used }) =>
    used < 0
      ? 'Less than when it was clean: it is torn, not seated, or the taps are elsewhere.'
      : used >= 100
        ? 'It is due.'
        : 'Read again at half of the days left.',
})
