import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { findHunts, leastCalmBand } from '@/core/rehearse/hunting'
import { measure, measureContext } from '@/core/rehearse/measures'
import { beginRun, explainAt, makeStage, rehearse, warmUp } from '@/core/rehearse/run'
import { huntText, measureName, measureValue } from '@/core/rehearse/words'
import { builtInScenarios } from '@/core/scenario/builtIn'
import type { MeasureId } from '@/core/scenario/measureIds'
import type { Scenario } from '@/core/scenario/schema'
import { spaceOf } from '@/core/space/starting'
import type { Space } from '@/core/space/schema'
import { DEMO_NAMES, demoInstallation, exampleResponse, machineFor } from '@/testing/examples'
import { referencePoints } from '@/testing/reference'

const dayOf = (installation: Installation, space: Space, id: string, days = 1): Scenario =>
  builtInScenarios(
    { duty: installation.brief.duty, probe: space.probes[0]?.input ?? null, fan: installation.response.lead },
    days,
  ).find((one) => one.id === id)!

function demo(name: string, id: string, stepS = 10, days = 1) {
  const installation = demoInstallation(name)
  const space = spaceOf(installation)
  const machine = derive(installation).given.machine!
  const stage = makeStage(installation, space, dayOf(installation, space, id, days), stepS)
  return { installation, space, machine, stage }
}

/** One store of heat, one fan on a differential, all else still. Closed form: reference-values `sim.limitCycle`. */
function limitCycle(c: number, differenceK: number, flowLs: number, powerW: number) {
  const installation = demoInstallation('kiln-room')
  const response = exampleResponse({
    floor: { speedPct: 20, offAllowed: true, reasons: [] },
    rules: [
      {
        id: 'd',
        kind: 'differential',
        input: 'temp',
        action: 'direct',
        onAt: 25,
        offAt: 25 - differenceK,
        minOnS: 0,
        minOffS: 0,
        speedPct: 100,
      },
    ],
  })
  const start = spaceOf({ ...installation, response })
  if (start.serves.kind !== 'room') throw new Error('a room was wanted')
  const space: Space = {
    ...start,
    serves: {
      ...start.serves,
      volumeM3: c / 1.2 / 1006,
      airFactor: 1,
      fabricKjK: 1e-6,
      fabricWK: 1e-9,
      outerWK: 0,
      lossWK: 50,
      sunM2: 0,
      heatW: powerW,
      bufferKg: 0,
      leakLsAt50: 0,
      inletM2: 1,
    },
    fans: [{ fan: 'fan', way: 'out', fullLs: flowLs, runUpS: 0 }],
    probes: [{ input: 'temp', lagS: 0, offset: 0, resolution: 0, sunK: 0, draught: 0, ownAir: 0 }],
  }
  const scenario: Scenario = {
    schema: 'soft-gale/scenario@1',
    id: 'still',
    name: 'still',
    tries: '',
    days: 1,
    startsOn: '2026-07-06',
    seed: 1,
    lines: [
      { drive: 'outdoorC', how: 'straight', daily: false, points: [{ atS: 0, value: 15 }] },
      { drive: 'load', how: 'straight', daily: false, points: [{ atS: 0, value: 1 }] },
      { drive: 'windMs', how: 'straight', daily: false, points: [{ atS: 0, value: 0 }] },
    ],
    events: [],
  }
  const stage = makeStage({ ...installation, response }, space, scenario, 1)
  return { trace: rehearse(stage, machineFor(response)), stage, response }
}

test.each(
  referencePoints('sim.limitCycle').filter(({ out }) => Number(out.period_s) > 0 && Number(out.period_s) < 20000),
)('a differential on one store: C $in.C_J_K, d $in.d_K K, $in.q_l_s l/s, $in.P_W W', ({ in: given, out }) => {
  const { trace } = limitCycle(Number(given.C_J_K), Number(given.d_K), Number(given.q_l_s), Number(given.P_W))
  const lead = trace.fansPct[0]!
  const starts: number[] = []
  for (let row = 1; row < trace.steps; row++) if (lead[row - 1] === 0 && lead[row]! > 0) starts.push(row)
  const period = (starts.at(-1)! - starts[0]!) / (starts.length - 1)
  // Steps of a second are late by a second at each end.
  expect(Math.abs(period / Number(out.period_s) - 1)).toBeLessThan(0.012)
  const on =
    lead.slice(starts[0], starts.at(-1)).reduce((sum, pct) => sum + pct / 100, 0) / (starts.at(-1)! - starts[0]!)
  expect(Math.abs(on - Number(out.duty))).toBeLessThan(0.01)
})

test('one that never starts and one that never stops go on without a word of hunting', () => {
  for (const [flowLs, powerW, always] of [
    [100, 400, 0],
    [20, 1000, 100],
  ] as const) {
    const { trace, stage, response } = limitCycle(5e5, 1, flowLs, powerW)
    expect(new Set(trace.fansPct[0]!.slice(40_000))).toEqual(new Set([always]))
    expect(findHunts(trace, machineFor(response), stage)).toEqual([])
  }
})

test('short cycling is found with its period, its starts an hour and its cause', () => {
  const { trace, stage, response } = limitCycle(1e5, 0.5, 100, 1000)
  const [hunt] = findHunts(trace, machineFor(response), stage)
  // 4.1636 starts an hour at 5e5 J/K, five times as many at a fifth.
  expect(hunt!.startsAnHour).toBeGreaterThan(19)
  expect(hunt!.startsAnHour).toBeLessThan(21.5)
  expect(hunt).toMatchObject({ rule: 0, cause: 'band' })
  expect(huntText(response, hunt!, null, '2026-07-06').title).toMatch(/^It starts too often, Mon /)
})

test('a hunt of one digit of a coarse probe is called that, and a wider band that calms it is found by trying', () => {
  const { installation, machine, space } = demo('fruiting-room', 'mild')
  const coarse: Space = {
    ...space,
    probes: space.probes.map((probe) => ({
      ...probe,
      resolution: probe.input === 'roomTemp' ? 0.5 : probe.resolution,
    })),
  }
  const stage = makeStage(installation, coarse, dayOf(installation, coarse, 'hot-spell'), 10)
  const warm = warmUp(stage, machine)
  const [hunt] = findHunts(rehearse(stage, machine, warm), machine, stage)
  expect(hunt).toMatchObject({ cause: 'digit', digit: 0.5 })
  const calm = leastCalmBand(installation, stage, hunt!)
  if (!calm) return
  const rules = installation.response.rules.map((rule, index) =>
    index === calm.rule ? { ...rule, [calm.key]: calm.value } : rule,
  )
  const wider = derive({
    ...installation,
    response: { ...installation.response, rules: rules },
  }).given.machine!
  expect(findHunts(rehearse(stage, wider), wider, stage)).toEqual([])
})

/** One finding worth showing for each demo, which the readings alone could not tell. */
const FINDINGS: readonly (readonly [name: string, day: string, measure: MeasureId, verdict: string])[] = [
  ['archive-flat', 'muggy-evening', 'damp-past-limit', 'fail'],
  ['bakehouse-flue', 'fire-lit-and-left', 'hottest', 'pass'],
  ['changing-rooms', 'shower-rush', 'damp-past-limit', 'fail'],
  ['creamery-condenser', 'cold-snap', 'head-low', 'fail'],
  ['duckling-brooder', 'power-cut', 'past-limit', 'fail'],
  ['fruiting-room', 'power-cut', 'past-limit', 'fail'],
  ['inverter-cupboard', 'probe-off', 'past-limit', 'fail'],
  ['kiln-room', 'hot-spell', 'past-limit', 'fail'],
  ['ticket-hall-door', 'market-day', 'starts', 'wear'],
]
test.each(FINDINGS)('%s, %s: %s', (name, day, id, verdict) => {
  const { stage, machine } = demo(name, day)
  const measures = measure(rehearse(stage, machine), measureContext(stage, machine.response))
  const found = measures.find((one) => one.id === id)!
  expect(found.verdict).toBe(verdict)
  expect(measureName(found)).not.toMatch(/undefined|NaN/)
  expect(measureValue(found)).not.toMatch(/undefined|NaN|–/)
})

test('every demo has its own space, and no day of any throws or reads nonsense', () => {
  for (const name of DEMO_NAMES) {
    const installation = demoInstallation(name)
    expect(installation.space).toBeDefined()
    const space = spaceOf(installation)
    const machine = derive(installation).given.machine!
    for (const scenario of builtInScenarios(
      { duty: installation.brief.duty, probe: space.probes[0]?.input ?? null, fan: installation.response.lead },
      1,
    )) {
      const stage = makeStage(installation, space, scenario, 120)
      const trace = rehearse(stage, machine)
      for (const column of [...trace.reads, ...trace.fansPct, trace.soundDb, trace.powerW])
        expect(column.every(Number.isFinite)).toBe(true)
      for (const { value, atS } of measure(trace, measureContext(stage, machine.response))) {
        expect(Number.isFinite(value)).toBe(true)
        expect(atS === null || (atS > 0 && atS <= 86400)).toBe(true)
      }
    }
  }
})

test('the same run twice is the same to the last bit, whole or in parts', () => {
  const { stage, machine } = demo('duckling-brooder', 'hot-spell', 60)
  const warm = warmUp(stage, machine)
  const [one, two] = [rehearse(stage, machine, warm), beginRun(stage, machine, warm)]
  for (let step = 7; !two.goTo(step); step += 113);
  expect(two.trace.fansPct.map((column) => Array.from(column))).toEqual(one.fansPct.map((column) => Array.from(column)))
  expect(Array.from(two.trace.reads[0]!)).toEqual(Array.from(one.reads[0]!))
})

test('heat and water of a whole day with fans and rules are kept to a millionth of what passed', () => {
  for (const name of DEMO_NAMES) {
    const { stage, machine } = demo(name, 'storm', 60)
    const run = beginRun(stage, machine, warmUp(stage, machine))
    const [before, from] = [run.running.stored(run.spaceState), run.running.passed(run.spaceState)]
    run.goTo(Infinity)
    const [after, to] = [run.running.stored(run.spaceState), run.running.passed(run.spaceState)]
    expect(Math.abs(after.heatJ - before.heatJ - (to.heatJ - from.heatJ))).toBeLessThan(
      1e-6 * (to.allHeatJ - from.allHeatJ),
    )
    expect(Math.abs(after.waterKg - before.waterKg - (to.waterKg - from.waterKg))).toBeLessThanOrEqual(
      1e-6 * (to.allWaterKg - from.allWaterKg),
    )
  }
})

test('why it ran at a step is the chain of that step', () => {
  const { stage, machine } = demo('fruiting-room', 'power-cut')
  const warm = warmUp(stage, machine)
  const trace = rehearse(stage, machine, warm)
  for (const row of [600, 5400, 7000]) {
    const explanation = explainAt(stage, machine, row, warm)
    expect(explanation.givenPct).toBe(trace.fansPct[0]![row])
    expect(explanation.asksPct).toBe(trace.askedPct[row])
  }
})

test('a power cut stops the fan for as long as it lasts, and a lost lead is read as none', () => {
  const cut = demo('fruiting-room', 'power-cut')
  const trace = rehearse(cut.stage, cut.machine)
  const [from, to] = [(14.75 * 3600) / 10, (15.25 * 3600) / 10]
  expect(trace.fansPct[0]!.slice(from, to).every((pct) => pct === 0)).toBe(true)
  expect(trace.fansPct[0]![to + 20]).toBeGreaterThan(0)
  const off = demo('fruiting-room', 'probe-off')
  const lost = rehearse(off.stage, off.machine)
  expect(lost.inputs[0]!.slice(13 * 360, 15 * 360).every(Number.isNaN)).toBe(true)
  expect(Number.isFinite(lost.inputs[0]![13 * 360 - 1])).toBe(true)
})
