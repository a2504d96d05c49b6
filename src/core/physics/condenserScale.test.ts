import { scaleMark } from '@/core/physics/condenserScale'

const KPA_PER_PSI = 6.894757293
const atF = (f: number) => ((f - 32) * 5) / 9

// refr.fahrenheitPsig: psig at 70 and 100 °F, where head-pressure controls start and are full; 0.5 %, blends 1 %.
test.each([
  ['R-134a', 71.11, 124.14, 0.005],
  ['R-22', 121.42, 195.9, 0.005],
  ['R-32', 205.84, 325.68, 0.005],
  ['R-410A', 201.74, 318.53, 0.01],
  ['R-404A', 149.31, 236.78, 0.01],
] as const)('%s: %p psig at 70 °F, %p at 100 °F', (fluid, at70, at100, tolerance) => {
  const psig = (f: number) => scaleMark(fluid, atF(f), 0).gaugeKpa! / KPA_PER_PSI
  expect(Math.abs(psig(70) / at70 - 1)).toBeLessThan(tolerance)
  expect(Math.abs(psig(100) / at100 - 1)).toBeLessThan(tolerance)
})

test('a probe that reads colder than the refrigerant condenses shifts the scale', () => {
  expect(scaleMark('R-134a', 35, 3)).toMatchObject({ probeC: 35, saturationC: 38 })
  expect(scaleMark('R-134a', 35, 3).gaugeKpa).toBeCloseTo(scaleMark('R-134a', 38, 0).gaugeKpa!, 9)
})

test('past the critical point there is no pressure', () => expect(scaleMark('R-744', 35, 0).gaugeKpa).toBeNull())
