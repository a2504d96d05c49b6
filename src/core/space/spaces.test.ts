import fc from 'fast-check'
import psychrolib from 'psychrolib'
import { quickHumidityPct, quickRatio, quickSaturationPa } from '@/core/physics/moistAir'
import { saturationKpa } from '@/core/physics/saturation'
import { houseSplit, animal, USUAL_FIGURES } from '@/core/physics/animals'
import { leakPressurePa } from '@/core/space/leak'
import { DRIVE_RANGES, DRIVES, FLOW, FLOWS, READ, READS, type Drive } from '@/core/space/model'
import type { Serves } from '@/core/space/schema'
import { startingSpace } from '@/core/space/starting'
import { stackPa } from '@/core/space/stove'
import { makeSpace } from '@/core/space/table'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'
import { referencePoints } from '@/testing/reference'

const row = (values: Partial<Record<Drive, number>>): Float64Array =>
  Float64Array.from(DRIVES, (drive) => values[drive] ?? DRIVE_RANGES[drive].rest)
const flow = (values: Partial<Record<keyof typeof FLOW, number>>): Float64Array => {
  const flows = new Float64Array(FLOWS.length)
  for (const [name, value] of Object.entries(values)) flows[FLOW[name as keyof typeof FLOW]] = value
  return flows
}

/** Runs a space with everything still. */
function run(
  serves: Serves,
  drives: Partial<Record<Drive, number>>,
  flows: Partial<Record<keyof typeof FLOW, number>>,
  seconds: number,
  stepS = 60,
  begin?: readonly [number, number],
) {
  const space = makeSpace(serves, { outputIds: [] })
  const [driven, moved] = [row(drives), flow(flows)]
  const state = space.start(driven)
  if (begin) space.begin(state, ...begin)
  const reads = new Float64Array(READS.length).fill(NaN)
  for (let at = 0; at < seconds; at += stepS) space.step(state, driven, moved, new Uint8Array(0), stepS, reads)
  return { space, state, reads, read: (name: keyof typeof READ) => reads[READ[name]]! }
}

const servesOf = (name: string): Serves => startingSpace(demoInstallation(name)).serves
const room = servesOf('kiln-room') as Extract<Serves, { kind: 'room' }>
/** A room of one store: nothing leaks, nothing is held by the fabric. */
const bare = {
  ...room,
  volumeM3: 40,
  airFactor: 1,
  fabricKjK: 1e-6,
  fabricWK: 1e-9,
  outerWK: 0,
  lossWK: 0,
  sunM2: 0,
  heatW: 0,
  bufferKg: 0,
  leakLsAt50: 0,
  inletM2: 1,
}

// reference-values `air.contaminant`: closed form, solve_ivp. Two people give 36 l/h.
test.each(
  referencePoints('air.contaminant').filter(
    ({ in: given }) => given.gen_l_h === 36 && given.C0_ppm === 420 && given.V_m3 === 40,
  ),
)('carbon dioxide of two people, $in.q_l_s l/s, $in.t_h h', ({ in: { q_l_s, t_h }, out }) => {
  const seconds = Number(t_h) * 3600
  if (seconds === 0) return
  const { read } = run(bare, { people: 2, windMs: 0 }, { outLs: Number(q_l_s) }, seconds)
  expect(Math.abs(read('co2Ppm') - Number(out.C_ppm))).toBeLessThan(0.05)
})

// reference-values `air.flueDraught`.
test.each(referencePoints('air.flueDraught'))(
  'draught of $in.h_m m, $in.t_out °C, $in.t_flue °C',
  ({ in: given, out }) =>
    expect(stackPa(Number(given.h_m), Number(given.t_out), Number(given.t_flue))).toBeCloseTo(Number(out.dp_Pa), 4),
)

test('the table of moist air is within five millionths of psychrolib', () => {
  psychrolib.SetUnitSystem(psychrolib.SI)
  for (let tempC = -40; tempC < 70; tempC += 0.0371) {
    const exact = psychrolib.GetSatVapPres(tempC)
    // Where ice goes over into water the curve has a corner between two places of the table.
    const share = Math.abs(tempC) < 0.06 ? 1e-4 : 5e-6
    expect(Math.abs(quickSaturationPa(tempC) / exact - 1)).toBeLessThan(share)
    const ratio = psychrolib.GetHumRatioFromRelHum(tempC, 0.5, 101325)
    expect(Math.abs(quickRatio(tempC, 50) - ratio)).toBeLessThan(share * ratio + 1e-7)
    expect(quickHumidityPct(tempC, quickRatio(tempC, 50))).toBeCloseTo(50, 6)
  }
})

test('a leak alone is a power law, an opening alone a square law, both pass what they pass together', () => {
  expect(leakPressurePa(100, { leakC: 10, exponent: 0.65, openM2: 0 })).toBeCloseTo(10 ** (1 / 0.65), 9)
  expect(leakPressurePa(774.597, { leakC: 0, exponent: 0.65, openM2: 1 })).toBeCloseTo(1, 4)
  expect(leakPressurePa(0, { leakC: 0, exponent: 0.65, openM2: 0 })).toBe(0)
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 5000, noNaN: true }),
      fc.double({ min: 0.01, max: 500, noNaN: true }),
      fc.double({ min: 0.5, max: 1, noNaN: true }),
      fc.double({ min: 1e-4, max: 2, noNaN: true }),
      (flowLs, leakC, exponent, openM2) => {
        const pa = leakPressurePa(flowLs, { leakC, exponent, openM2 })
        const through = leakC * pa ** exponent + 0.6 * Math.sqrt(2 / 1.2) * 1000 * openM2 * Math.sqrt(pa)
        expect(through / flowLs).toBeCloseTo(1, 4)
      },
    ),
    { seed: 3 },
  )
})

describe('what a steady space comes to, by its balance', () => {
  test('a condenser: rejected heat over its conductance at that air', () => {
    const serves = {
      ...(servesOf('creamery-condenser') as Extract<Serves, { kind: 'condenser' }>),
      recirculation: 0,
      uneven: 0,
    }
    const share = 0.5
    const { read } = run(serves, { outdoorC: 20, load: 0.8, windMs: 0 }, { overShare: share }, 6 * 3600)
    const coilC = 20 + (0.8 * serves.rejectedW) / (serves.fullWK * share ** serves.flowExponent)
    expect(read('coil1C')).toBeCloseTo(coilC - serves.probeBelowK, 3)
    expect(read('headKpa')).toBeCloseTo(saturationKpa(serves.fluid, 'bubble', coilC) - 101.325, 1)
  })

  test('a condenser trips where it must, and comes back', () => {
    const serves = servesOf('creamery-condenser') as Extract<Serves, { kind: 'condenser' }>
    const { space, state, reads } = run(serves, { outdoorC: 35, load: 1, windMs: 0 }, {}, 60)
    let [hottest, coldestAfter] = [-Infinity, Infinity]
    for (let step = 0; step < 600; step++) {
      space.step(state, row({ outdoorC: 35, load: 1, windMs: 0 }), flow({}), new Uint8Array(0), 10, reads)
      hottest = Math.max(hottest, reads[READ.coil1C]!)
      if (hottest > serves.tripC - 2) coldestAfter = Math.min(coldestAfter, reads[READ.coil1C]!)
    }
    expect(hottest).toBeLessThan(serves.tripC + 3)
    expect(coldestAfter).toBeLessThan(serves.tripC - 10)
  })

  test('electronics: two resistances one behind the other', () => {
    const serves = {
      ...(servesOf('inverter-cupboard') as Extract<Serves, { kind: 'electronics' }>),
      dustPctMonth: 0,
      sunM2: 0,
    }
    const { read } = run(serves, { outdoorC: 22, load: 1 }, { overShare: 0.5, overLs: 15 }, 24 * 3600)
    const airC = 22 + serves.heatW / (serves.wallWK + 1.2072 * 15)
    expect(read('airC')).toBeCloseTo(airC, 3)
    const sinkC = airC + serves.heatW / (serves.stillWK + serves.fullWK * 0.5 ** serves.flowExponent)
    expect(read('componentC')).toBeCloseTo(sinkC + serves.heatW * serves.junctionKW, 3)
  })

  test('a house: what the animals give is what air and walls take', () => {
    const serves = {
      ...(servesOf('duckling-brooder') as Extract<Serves, { kind: 'house' }>),
      heating: null,
      sunM2: 0,
      leakLsAt50: 0,
      gainKgDay: 0,
    }
    const { read } = run(serves, { outdoorC: 8, load: 1, windMs: 0 }, { outLs: 900 }, 20 * 86400, 300)
    const units = (serves.count * animal(serves.animal).heatW(serves.massKg, USUAL_FIGURES)) / 1000
    const given = houseSplit(animal(serves.animal).like, units, read('airC')).sensibleW
    const walls = serves.lossWK + 1 / (1 / serves.fabricWK + 1 / serves.outerWK)
    expect(given / ((1.2072 * 900 + walls) * (read('airC') - 8))).toBeCloseTo(1, 4)
  })

  test('dust takes air and heat away over the months', () => {
    const serves = servesOf('inverter-cupboard') as Extract<Serves, { kind: 'electronics' }>
    const hot = (dustPctMonth: number) =>
      run({ ...serves, dustPctMonth }, { outdoorC: 25, load: 1 }, { overShare: 1, overLs: 30 }, 120 * 86400, 3600).read(
        'componentC',
      )
    expect(hot(5)).toBeGreaterThan(hot(0) + 1)
  })

  test('a curtain that reaches the floor holds the hall warmer than one that does not', () => {
    const serves = { ...(servesOf('ticket-hall-door') as Extract<Serves, { kind: 'hall' }>), heaterW: 0, heating: null }
    const air = (overShare: number) =>
      run(serves, { outdoorC: 0, doorOpen: 0.5 }, { overShare }, 4 * 3600, 60, [18, 18]).read('airC')
    expect(air(0.7)).toBeGreaterThan(air(0.3) + 0.5)
    expect(air(0.3)).toBeGreaterThan(air(0))
  })

  test('another extract spills a flue that draws too little, a fan in the flue mends it', () => {
    const serves = { ...(servesOf('bakehouse-flue') as Extract<Serves, { kind: 'stove' }>), flueM: 3 }
    const draught = (otherExtractLs: number, flueShare: number) =>
      run(serves, { outdoorC: 12, fuelKgH: 1, otherExtractLs }, { flueShare }, 3600, 30).read('draughtPa')
    expect(draught(0, 0)).toBeGreaterThan(0)
    expect(draught(60, 0)).toBeLessThan(0)
    expect(draught(60, 1)).toBeGreaterThan(0)
  })

  test('frost takes the heat recovery away, and it comes back when it thaws', () => {
    const flat = servesOf('archive-flat') as Extract<Serves, { kind: 'room' }>
    const { space, state, reads } = run(flat, { outdoorC: -20 }, { outLs: 40, inLs: 40 }, 4 * 3600)
    const iced = (reads[READ.supplyC]! + 20) / (reads[READ.airC]! + 20)
    expect(iced).toBeLessThan(0.6)
    for (let step = 0; step < 240; step++)
      space.step(state, row({ outdoorC: 12 }), flow({ outLs: 40, inLs: 40 }), new Uint8Array(0), 60, reads)
    expect((reads[READ.supplyC]! - 12) / (reads[READ.airC]! - 12)).toBeCloseTo(0.82, 2)
  })
})

// Conservation of heat and water to a millionth of what passed, over a day of anything.
describe.each(DEMO_NAMES)('%s', (name) => {
  const { serves } = startingSpace(demoInstallation(name))
  const anyRow = fc.record({
    outdoorC: fc.double({ min: -15, max: 35, noNaN: true }),
    outdoorRhPct: fc.double({ min: 20, max: 100, noNaN: true }),
    sunWM2: fc.double({ min: 0, max: 900, noNaN: true }),
    windMs: fc.double({ min: 0, max: 15, noNaN: true }),
    load: fc.double({ min: 0, max: 1.2, noNaN: true }),
    people: fc.integer({ min: 0, max: 5 }),
    waterGH: fc.double({ min: 0, max: 4000, noNaN: true }),
    doorOpen: fc.double({ min: 0, max: 1, noNaN: true }),
    fuelKgH: fc.double({ min: 0, max: 3, noNaN: true }),
    supplyPct: fc.constantFrom(100, 100, 100, 0),
  })
  const anyFlow = fc.record({
    outLs: fc.double({ min: 0, max: 500, noNaN: true }),
    inLs: fc.double({ min: 0, max: 400, noNaN: true }),
    overLs: fc.double({ min: 0, max: 500, noNaN: true }),
    overShare: fc.double({ min: 0, max: 1, noNaN: true }),
    flueShare: fc.double({ min: 0, max: 1, noNaN: true }),
  })

  test('keeps heat and water, and never reads nonsense', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(anyRow, anyFlow), { minLength: 2, maxLength: 24 }), (hours) => {
        const space = makeSpace(serves, { outputIds: [] })
        const state = space.start(row(hours[0]![0]))
        const reads = new Float64Array(READS.length).fill(NaN)
        const before = space.stored(state)
        for (const [drives, flows] of hours)
          for (let step = 0; step < 60; step++)
            space.step(state, row(drives), flow(flows), new Uint8Array(0), 60, reads)
        const [after, passed] = [space.stored(state), space.passed(state)]
        expect(Math.abs(after.heatJ - before.heatJ - passed.heatJ)).toBeLessThan(1e-6 * passed.allHeatJ + 1e-3)
        expect(Math.abs(after.waterKg - before.waterKg - passed.waterKg)).toBeLessThan(1e-6 * passed.allWaterKg + 1e-9)
        expect(space.reads.filter((read) => !Number.isFinite(reads[READ[read]]))).toEqual([])
      }),
      { seed: 6, numRuns: 25 },
    )
  })

  test('steps of ten seconds and of a minute agree', () => {
    const ends = [10, 60].map((stepS) => {
      const space = makeSpace(serves, { outputIds: [] })
      const drives = row({ outdoorC: 6, load: 0.8, people: 2, waterGH: 400, sunWM2: 200, fuelKgH: 0.5, windMs: 3 })
      const flows = flow({ outLs: 60, inLs: 40, overLs: 60, overShare: 0.5, flueShare: 0.4 })
      const state = space.start(drives)
      const reads = new Float64Array(READS.length).fill(NaN)
      for (let at = 0; at < 6 * 3600; at += stepS) space.step(state, drives, flows, new Uint8Array(0), stepS, reads)
      // Watts swing with a thermostat; what they come to is in the temperatures.
      return space.reads.filter((read) => !read.endsWith('W') && read !== 'heatOn').map((read) => reads[READ[read]]!)
    })
    ends[0]!.forEach((value, index) =>
      expect(Math.abs(value - ends[1]![index]!)).toBeLessThan(0.02 * Math.max(5, Math.abs(value))),
    )
  })
})
