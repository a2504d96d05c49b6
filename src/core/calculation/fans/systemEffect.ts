import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'

/** Loss coefficients of what stands too near a fan. AMCA 201 gives families of curves; these are round figures of them, from memory. */
const PLACES = [
  ['inlet-elbow', 'elbow right at the inlet', 1.2],
  ['inlet-elbow-2d', 'elbow two diameters before the inlet', 0.7],
  ['inlet-wall', 'inlet half a diameter from a wall', 0.4],
  ['no-outlet', 'no duct on the outlet', 0.8],
  ['outlet-elbow', 'elbow right at the outlet', 0.6],
  ['flexible', 'slack flexible piece at the inlet', 0.5],
] as const

export const systemEffect = defineCalculation({
  id: 'system-effect',
  name: 'Fan too near an elbow or a wall',
  group: 'fans',
  words: 'system effect inlet outlet connection loss amca',
  inputs: {
    place: choice(
      'what stands too near',
      'inlet-elbow',
      PLACES.map(([id, name]) => [id, name] as const),
    ),
    q: number('flow', 'flow', 90, [0.01, 100000]),
    D: number('diameter of the opening', 'length', 0.2, [0.03, 5]),
    p: number('pressure of the fan there', 'pressure', 120, [1, 20000]),
  },
  outputs: {
    v: out('velocity in the opening', 'airSpeed'),
    dp: out('pressure lost', 'pressure', 1),
    share: out('of the fan’s pressure', 'share', 0),
    less: out('flow lost, roughly', 'share', 0),
  },
  formula: 'Δp = C({place}) · 0.6 · v²; v = {q} / (π {D}² / 4); flow lost ≈ 1 − √(1 − Δp / {p})',
  source: 'Form of AMCA 201; coefficients are round figures from memory, good to a half',
  caution: 'A figure of how bad it is, not of what is left. It cannot be measured away: move the fitting, or turn it.',
  run({ place, q, D, p }) {
    const v = q / 1000 / ((Math.PI * D ** 2) / 4)
    const dp = PLACES.find(([id]) => id === place)![2] * 0.6 * v ** 2
    return { v, dp, share: (100 * dp) / p, less: 100 * (1 - Math.sqrt(Math.max(0, 1 - dp / p))) }
  },
  verdict: (_given, { share }) =>
    share >= 100
      ? 'More than the fan has: it will not work so.'
      : share > 20
        ? 'A great deal: no setting of speed makes up for it.'
        : 'To be borne, where it cannot be moved.',
})
