import { derive } from '@/core/derive/derive'
import { likelyCauses } from '@/core/prove/causes'
import type { CheckOf } from '@/core/prove/check'
import { deadFanLooks } from '@/core/prove/deadFan'
import { expectStep } from '@/core/prove/expect'
import { planFor } from '@/core/prove/plan'
import type { StepReading } from '@/core/prove/reading'
import { METRIC } from '@/core/quantity/format'
import { demoInstallation } from '@/testing/examples'

const room = demoInstallation('fruiting-room')
const { context, plan } = planFor(room, derive(room))!
const ramp = plan.find(
  (check): check is CheckOf<'speed'> =>
    check.kind === 'speed' && check.steps.length >= 2 && check.steps[0]!.reads.includes('roomTemp'),
)!

/** Every step read as it should be, with the lead’s figure at the first one changed. */
function readings(change: (expectPct: number) => number): StepReading[] {
  return ramp.steps.map((step, index) => {
    const values = ramp.stages[step.stage]!.values
    const inputs = Object.fromEntries(step.reads.map((id) => [id, Number(values[id])]))
    const fansPct = Object.fromEntries(
      expectStep(context, ramp, index).map(({ fan, expectPct }) => [
        fan,
        index === 0 && fan === context.response.lead ? change(expectPct) : expectPct,
      ]),
    )
    return { inputs, fansPct }
  })
}
const causes = (change: (expectPct: number) => number) => likelyCauses(context, ramp, readings(change), METRIC)

test('readings that are right have no cause', () => expect(causes((pct) => pct)).toEqual([]))

test('a speed that belongs to another temperature within reason is the probe’s first', () => {
  const [first] = causes((pct) => pct + 25)
  expect(first).toMatchObject({ code: 'probe' })
  expect(first!.title).toMatch(/reads \d\.\d K high/)
})

test('a fan that stands is looked at as one that does not run', () =>
  expect(causes(() => 0)[0]).toMatchObject({ code: 'fan' }))

test('whatever it is, settings and wiring are named last, each with a next look', () => {
  const found = causes((pct) => Math.min(100, pct + 60))
  expect(found.slice(-2).map(({ code }) => code)).toEqual(['setting', 'wiring'])
  for (const { look } of found) expect(look).not.toBe('')
})

describe('a fan that does not run', () => {
  const looks = (name: string) => {
    const { kit, response } = demoInstallation(name)
    return deadFanLooks(kit.fans[0]!, response, 50)
  }
  test.each(['fruiting-room', 'kiln-room', 'inverter-cupboard'])(
    '%s: each look says who may and what first',
    (name) => {
      const ids = looks(name).map(({ id }) => id)
      expect(ids[0]).toBe('supply')
      expect(ids.at(-1)).toBe('motor')
      for (const { first, who } of looks(name)) expect([first.length > 10, who !== 'anyone']).toEqual([true, true])
    },
  )
  test('a cut output is right below the supply', () =>
    expect(looks('kiln-room').find(({ id }) => id === 'output')?.expect).toContain('Less than the supply is right'))
  test('a signal is told in the volts of the level', () =>
    expect(looks('fruiting-room').find(({ id }) => id === 'signal')?.expect).toContain('5.00 V ± 0.3 V'))
})
