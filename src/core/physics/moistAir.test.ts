import fc from 'fast-check'
import psychrolib from 'psychrolib'
import { airState, pressureAt, saturationPa } from '@/core/physics/moistAir'

// An independent library, live: psychrolib, by the same ASHRAE handbook chapter.
beforeAll(() => psychrolib.SetUnitSystem(psychrolib.SI))

const near = (ours: number, theirs: number, share: number, least = 0) =>
  expect(Math.abs(ours - theirs)).toBeLessThanOrEqual(Math.max(least, share * Math.abs(theirs)))

test('saturation pressure agrees with psychrolib from −60 to 90 °C', () => {
  for (let tempC = -60; tempC <= 90; tempC += 0.5) near(saturationPa(tempC), psychrolib.GetSatVapPres(tempC), 1e-6)
})

test('pressure at altitude agrees with psychrolib', () => {
  for (let altitudeM = -400; altitudeM <= 5000; altitudeM += 100)
    near(pressureAt(altitudeM), psychrolib.GetStandardAtmPressure(altitudeM), 1e-5)
})

test('moist air agrees with psychrolib, anywhere in the range of a building', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -20, max: 60, noNaN: true }),
      fc.double({ min: 5, max: 99, noNaN: true }),
      fc.integer({ min: 0, max: 3000 }),
      (tempC, rhPct, altitudeM) => {
        const pressurePa = pressureAt(altitudeM)
        const state = airState(tempC, rhPct, pressurePa)
        const ratio = psychrolib.GetHumRatioFromRelHum(tempC, rhPct / 100, pressurePa)
        near(state.ratio, ratio, 1e-5, 1e-7)
        near(state.enthalpyKjKg * 1000, psychrolib.GetMoistAirEnthalpy(tempC, ratio), 1e-5, 1)
        near(state.densityKgM3, psychrolib.GetMoistAirDensity(tempC, ratio, pressurePa), 1e-5)
        near(state.dewPointC, psychrolib.GetTDewPointFromRelHum(tempC, rhPct / 100), 0, 0.01)
        // Near 0 °C a wick may be iced or wet, and the two choose differently.
        const wet = psychrolib.GetTWetBulbFromRelHum(tempC, rhPct / 100, pressurePa)
        if (Math.abs(wet) > 1) near(state.wetBulbC, wet, 0, 0.02)
      },
    ),
    { seed: 81, numRuns: 400 },
  )
})
