import { derive } from '@/core/derive/derive'
import { CUSTOMARY, METRIC } from '@/core/quantity/format'
import { measure, measureContext } from '@/core/rehearse/measures'
import { makeStage, rehearse } from '@/core/rehearse/run'
import { checkAims } from '@/core/scenario/aims'
import { builtInScenarios } from '@/core/scenario/builtIn'
import { spaceOf } from '@/core/space/starting'
import { defaultAims } from '@/features/rehearse/defaultAims'
import { laneFigures } from '@/features/rehearse/laneFigures'
import { lanesOf } from '@/features/rehearse/lanes'
import { wholeHours } from '@/features/rehearse/timeAxis'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'

/** A day of the demo in steps of five minutes. */
function dayOf(name: string) {
  const installation = demoInstallation(name)
  const space = spaceOf(installation)
  const { brief, kit, response } = installation
  const [scenario] = builtInScenarios(
    { duty: brief.duty, probe: space.probes[0]?.input ?? null, fan: response.lead },
    1,
  )
  const machine = derive(installation).given.machine!
  const stage = makeStage(installation, space, scenario!, 300)
  const trace = rehearse(stage, machine)
  return {
    brief,
    kit,
    trace,
    measures: measure(trace, measureContext(stage, machine.response)),
    lanes: lanesOf(trace, { brief, kit, space }),
  }
}

const DAYS = Object.fromEntries(DEMO_NAMES.map((name) => [name, dayOf(name)]))

test.each(DEMO_NAMES)(
  '%s: what the space did comes first, then how the fan ran; every curve is as long as the day',
  (name) => {
    const { lanes, trace, kit, brief } = DAYS[name]!
    const ids = lanes.map(({ id }) => id)
    expect(ids[0]).toBe('primary')
    expect(new Set(ids).size).toBe(ids.length)
    const speed = lanes.find(({ id }) => id === 'speed')!
    expect(speed.name).toBe(kit.fans.find(({ id }) => id === trace.fanIds[0])?.name)
    expect(speed.curves.slice(0, 2).map((curve) => curve.name)).toEqual(['given', 'as asked'])
    for (const { curves } of lanes) {
      expect(curves.length).toBeGreaterThan(0)
      for (const { values } of curves) expect(values).toHaveLength(trace.steps)
    }
    // What the brief wants stands in the lane of its quantity.
    for (const { quantity } of brief.targets)
      expect(lanes.find((lane) => lane.quantity === quantity && lane.target !== null)?.target?.quantity).toBe(quantity)
  },
)

test.each([
  ['creamery-condenser', ['primary', 'speed', 'headKpa'], 'Coil'],
  ['fruiting-room', ['primary', 'humidity', 'speed', 'flow', 'pressurePa'], 'Room'],
  ['duckling-brooder', ['primary', 'speed', 'flow'], 'House'],
  ['bakehouse-flue', ['primary', 'speed', 'draughtPa'], 'Fire'],
  ['inverter-cupboard', ['primary', 'speed'], 'Part'],
  ['ticket-hall-door', ['primary', 'speed', 'flow'], 'Hall'],
])('%s has lanes of its own', (name, ids, primary) => {
  const { lanes } = DAYS[name]!
  expect(lanes.map(({ id }) => id)).toEqual(expect.arrayContaining(ids))
  expect(lanes[0]!.name).toBe(primary)
})

test('figures of lanes: a column for each curve in the reader’s unit, by their clock, over the span that is shown', () => {
  const { lanes, trace } = DAYS['fruiting-room']!
  const metric = laneFigures(lanes, { fromRow: 0, toRow: trace.steps }, trace, METRIC)
  expect(metric.head[0]).toBe('time')
  expect(metric.head).toEqual(
    expect.arrayContaining(['Room inside, °C', 'Room outside, °C', 'Humidity air, %RH', 'Flow out, l/s']),
  )
  // Every so many, and the last.
  expect(metric.rows.length).toBeLessThanOrEqual(97)
  for (const row of metric.rows) expect(row).toHaveLength(metric.head.length)
  const american = laneFigures(lanes, { fromRow: 144, toRow: 156 }, trace, {
    ...CUSTOMARY,
    dates: { order: 'month', clock: '12', weekFrom: 'sun' },
  })
  expect(american.head).toEqual(expect.arrayContaining(['Room inside, °F', 'Flow out, cfm']))
  expect(american.rows).toHaveLength(12)
  expect(american.rows.map(([time]) => time)).toEqual(
    Array.from({ length: 12 }, () => expect.stringMatching(/ 12:\d\d PM$/) as string),
  )
})

test.each(DEMO_NAMES)(
  '%s: aims to begin with are sound, of what was measured, and no limit is broken from the start',
  (name) => {
    const { brief, measures } = DAYS[name]!
    const aims = defaultAims(brief, measures, ['hot-spell'])
    expect(checkAims(aims)).toEqual([])
    const measured = measures.map(({ id }) => id)
    for (const { measure: id } of [...aims.hard, ...aims.then]) expect(measured).toContain(id)
    for (const { measure: id, atMost } of aims.hard.filter((one) => one.measure === 'short-of-air'))
      expect(measures.find((one) => one.id === id)?.value).toBeLessThanOrEqual(atMost ?? 0)
    expect(aims.then.length).toBeGreaterThan(0)
  },
)

test.each([
  [0, 86400, 9, 3 * 3600],
  [0, 3600, 2, 3600],
  [0, 7 * 86400, 8, 86400],
  [5 * 3600 + 1, 9 * 3600, 4, 3600],
  [0, 365 * 86400, 5, 2160 * 3600],
])('between %i and %i s there are %i ticks at whole hours', (fromS, toS, count, everyS) => {
  const ticks = wholeHours(fromS, toS)
  expect(ticks).toHaveLength(count)
  expect(ticks.every((tick) => tick >= fromS && tick <= toS && tick % everyS === 0)).toBe(true)
})
