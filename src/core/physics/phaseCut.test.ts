import { phaseCutAngleDeg, phaseCutShare } from '@/core/physics/phaseCut'
import { signalAt, speedFromSignal } from '@/core/physics/signal'
import { referencePoints } from '@/testing/reference'

/** RMS of a chopped sine by adding up many thin slices: knows nothing of the closed form. */
function integratedShare(angleDeg: number, slices = 200_000): number {
  let sum = 0
  for (let slice = 0; slice < slices; slice++) {
    const phase = ((slice + 0.5) / slices) * Math.PI
    if (phase >= (angleDeg * Math.PI) / 180) sum += Math.sin(phase) ** 2
  }
  return Math.sqrt((2 * sum) / slices)
}

test.each([0, 30, 45, 60, 90, 113.8, 135, 165, 180])(
  'cut at %d°: closed form and numerical integration agree',
  (angleDeg) => expect(phaseCutShare(angleDeg)).toBeCloseTo(integratedShare(angleDeg), 4),
)

test.each(
  referencePoints('sig.phaseCut').map(({ in: i, out }) => ({
    angle: Object.values(i)[0] as number,
    share: Object.values(out).find((x): x is number => typeof x === 'number' && x <= 1 + 1e-9) as number,
  })),
)('$angle° → $share of the supply (reference list)', ({ angle, share }) =>
  expect(phaseCutShare(angle)).toBeCloseTo(share, 6),
)

test.each([
  { share: 0.1, deg: 159.120651 },
  { share: 0.5, deg: 113.826771 },
  { share: 0.7, deg: 90.900074 },
  { share: 0.95, deg: 46.1738441 },
])('$share of the supply is cut at $deg° (reference-values sig.phaseCutInverse)', ({ share, deg }) =>
  expect(phaseCutAngleDeg(share)).toBeCloseTo(deg, 3),
)

test('a fan on phase cut reads volts at its terminals: 50 % of 230 V is 115 V', () => {
  const signal = { kind: 'phase-cut', supplyV: 230 } as const
  expect(signalAt(signal, 50)).toEqual({ kind: 'phase-cut', value: 115, unit: 'V' })
  expect(speedFromSignal(signal, 115)).toBe(50)
})

test.each([
  { pct: 0, volts: 0 },
  { pct: 1, volts: 80 },
  { pct: 50, volts: 130 },
  { pct: 51, volts: 160 },
  { pct: 100, volts: 190 },
])(
  'levels: $pct % takes the next level up, $volts V (80–190 V from 230 V is right: common practice, no source)',
  ({ pct, volts }) => {
    const signal = {
      kind: 'levels',
      levels: [
        { pct: 25, volts: 80 },
        { pct: 50, volts: 130 },
        { pct: 75, volts: 160 },
        { pct: 100, volts: 190 },
      ],
    } as const
    expect(signalAt(structuredClone(signal) as never, pct).value).toBe(volts)
  },
)

test('start trim: the signal at which it just turns is 1 %, full stays full, 0 stays 0', () => {
  const signal = { kind: 'volts', convention: 'ten', trimPct: 22 } as const
  expect([0, 1, 100].map((pct) => signalAt(signal, pct).value)).toEqual([0, 2.2, 10])
  expect(speedFromSignal(signal, signalAt(signal, 63).value)).toBeCloseTo(63, 9)
})
