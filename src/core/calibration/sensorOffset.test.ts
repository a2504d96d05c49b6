import fc from 'fast-check'
import { floorReasons } from '@/core/calibration/floorReasons'
import { sensorOffset } from '@/core/calibration/sensorOffset'

const at = (...pairs: readonly (readonly [reference: number, read: number])[]) =>
  pairs.map(([reference, read]) => ({ reference, read }))

test.each([
  { name: 'none read', readings: at(), expected: null },
  { name: 'reads 0.4 high at both', readings: at([20, 20.4], [30, 30.4]), expected: { offset: -0.4, verdict: 'good' } },
  { name: 'one point', readings: at([20, 20.4]), expected: { offset: -0.4, verdict: 'one-point' } },
  { name: 'two readings of one point', readings: at([20, 20.4], [20.3, 20.7]), expected: { verdict: 'one-point' } },
  {
    name: 'within two steps',
    readings: at([20, 20.4], [30, 30.6]),
    expected: { offset: -0.5, spread: 0.2, verdict: 'good' },
  },
  { name: 'just over two steps', readings: at([20, 20.4], [30, 30.61]), expected: { verdict: 'bent' } },
])('$name', ({ readings, expected }) => {
  const found = sensorOffset(readings, 0.1)
  if (expected === null) expect(found).toBeNull()
  else expect(found).toMatchObject(expected)
})

test('a probe that is off by one figure everywhere is mended by it, whatever the figure', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -50, max: 50 }),
      fc.array(fc.integer({ min: -10, max: 60 }), { minLength: 1, maxLength: 6 }),
      (tenths, temps) => {
        const found = sensorOffset(
          temps.map((reference) => ({ reference, read: reference - tenths / 10 })),
          0.1,
        )!
        expect(found.offset).toBeCloseTo(tenths / 10, 3)
        expect(found.verdict).not.toBe('bent')
      },
    ),
    { seed: 51 },
  )
})

test('shutters that stay open from 65 % are a reason of the floor', () =>
  expect(
    floorReasons({
      calibration: {
        fan: 'fan',
        startsPct: [14],
        stallsPct: [],
        restartMarginPct: 5,
        shutters: { opensInS: [8], openFromPct: 65 },
        areaM2: null,
        map: [],
      },
      flow: null,
      coolingFloorPct: null,
      requiredFlowLs: null,
    })[0],
  ).toMatchObject({ kind: 'shutters', speedPct: 65 }))
