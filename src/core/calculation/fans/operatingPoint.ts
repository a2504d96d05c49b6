import { defineCalculation, number, out, readings } from '@/core/calculation/calculation'

type Point = { readonly q: number; readonly p: number }

/** Where a fan curve, straight between its points, meets a system curve p = p₀ + k·q²; the highest flow where it does so more than once. Null
 *  where it does not. */
export function meetingPoint(curve: readonly Point[], restPa: number, k: number): Point | null {
  const over = ({ q, p }: Point): number => p - restPa - k * q ** 2
  for (let index = curve.length - 1; index > 0; index--) {
    const [a, b] = [curve[index - 1]!, curve[index]!]
    if (over(a) < 0 || over(b) > 0) continue
    let [low, high] = [0, 1]
    for (let step = 0; step < 60; step++) {
      const middle = (low + high) / 2
      const at = { q: a.q + (b.q - a.q) * middle, p: a.p + (b.p - a.p) * middle }
      if (over(at) >= 0) low = middle
      else high = middle
    }
    return { q: a.q + (b.q - a.q) * low, p: a.p + (b.p - a.p) * low }
  }
  return null
}

export const operatingPoint = defineCalculation({
  id: 'operating-point',
  name: 'Operating point of a fan on a system',
  group: 'fans',
  words: 'fan curve system curve intersection pressure flow resistance speed',
  inputs: {
    qs: readings('flows of the fan curve, rising', 'flow', [0, 40, 80, 120]),
    ps: readings('pressures at those flows', 'pressure', [180, 170, 130, 40]),
    q1: number('flow at which the system was read', 'flow', 60, [0.01, 100000]),
    p1: number('loss of the system there', 'pressure', 90, [0, 20000]),
    p0: number('pressure that is there without flow', 'pressure', 0, [-500, 5000]),
    N: number('speed', 'speed', 100, [1, 100]),
  },
  outputs: { q: out('flow', 'flow'), p: out('pressure', 'pressure', 1) },
  formula:
    'fan curve {qs}, {ps} moved by the fan laws to {N}: q · N, p · N²; met by p = {p0} + ({p1} − {p0}) · (q / {q1})²',
  source: 'Fan laws and the square law of turbulent loss; straight lines between the points of the leaflet',
  run({ qs, ps, q1, p1, p0, N }) {
    if (qs.length !== ps.length || qs.length < 2) return 'Type as many pressures as flows, two of each at least.'
    if (qs.some((q, index) => index > 0 && q <= qs[index - 1]!)) return 'The flows of the curve must rise.'
    const curve = qs.map((q, index) => ({ q: (q * N) / 100, p: ps[index]! * (N / 100) ** 2 }))
    const met = meetingPoint(curve, p0, (p1 - p0) / q1 ** 2)
    return met ?? 'The two do not meet: the system wants more pressure than the fan has, or the curve ends before it.'
  },
  verdict: ({ qs, ps, N }, { q }) => {
    const peak = ps.indexOf(Math.max(...ps))
    return peak > 0 && q < (qs[peak]! * N) / 100
      ? 'Left of the peak of the curve: flow hunts and the fan roars. Open the system, or take another fan.'
      : 'On the falling side of the curve, where a fan runs steadily.'
  },
})
