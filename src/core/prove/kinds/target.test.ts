import { produce } from 'immer'
import { derive } from '@/core/derive/derive'
import type { Check } from '@/core/prove/check'
import { planFor, type Planned } from '@/core/prove/plan'
import { checkText } from '@/core/prove/words'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { Target } from '@/core/response/target'
import { weekClockText } from '@/core/rules/localClock'
import { demoInstallation } from '@/testing/examples'

const AMERICAN: UnitPreference = { ...METRIC, dates: { order: 'month', clock: '12', weekFrom: 'sun' } }
const SEASONS = [
  { id: 'warm', name: 'warm season', from: '05-01', to: '09-30' },
  { id: 'cool', name: 'cool season', from: '10-01', to: '04-30' },
]
const NIGHTS = { days: [0, 1, 2, 3, 4], startMin: 22 * 60, endMin: 24 * 60 }

/** The fruiting room without a controller, its ramp tied to a target of 16 °C that changes. */
function planWith(changes: NonNullable<Target['changes']>, more: Partial<Response> = {}, preference = METRIC): Planned {
  const installation = produce(demoInstallation('fruiting-room'), (draft) => {
    draft.kit.controller = null
    Object.assign(draft.response, more)
    draft.response.targets = [{ id: 'home', name: 'home', kind: 'temperature', at: 16, changes }]
    const ramp = draft.response.rules.find(({ id }) => id === 'temp')
    if (ramp?.kind === 'ramp') ramp.target = 'home'
  })
  return planFor(installation, derive(installation), preference)!
}
const moved = ({ plan }: Planned): Check[] => plan.filter(({ id }) => id.includes('-target-'))

test('a target that never changes is proved at its own points alone', () => {
  const { plan, context } = planWith([{ spans: [NIGHTS], at: 16 }])
  expect(plan.some(({ id }) => id === 'temp-start')).toBe(true)
  expect(context.response.targets).toHaveLength(1)
})

test('at other hours the moved start is proved, with the clock put into them', () => {
  const site = planWith([{ spans: [NIGHTS], at: 14 }])
  const [check, ...others] = moved(site)
  expect(others).toEqual([])
  expect(weekClockText(check!.atClock!)).toBe('Mon 22:02')
  const { title, how } = checkText(site.context, check!)
  expect(title).toMatch(/^With the clock at Mon 22:02: bring room temperature .*1[34]\.\d °C/)
  expect(how).toContain('Put the right time back afterwards.')
})

test('in another season, with the date put into it; said by the clock and in the order of who reads', () => {
  const site = planWith([{ season: 'cool', at: 18 }], { seasons: SEASONS }, AMERICAN)
  const [check] = moved(site)
  expect(check?.atDate).toBeDefined()
  expect(checkText(site.context, check!).title).toMatch(/^With the date at (?:Oct|Nov|Dec|Jan|Feb|Mar|Apr) \d+: bring /)
})

test('by night alone, where night can be brought about', () => {
  const byWeek = { dayByWeek: [{ days: [0, 1, 2, 3, 4, 5, 6], startMin: 6 * 60, endMin: 22 * 60 }] }
  const site = planWith([{ mode: 'night', at: 14 }], byWeek)
  const [check] = moved(site)
  expect(check?.inMode).toBe('night')
  expect(checkText(site.context, check!).title).toMatch(/^By night/)
})

test('of many changes four are proved, each once', () => {
  const changes = [13, 14, 17, 18, 19, 20].map((at, index) => ({
    spans: [{ days: [index], startMin: 600, endMin: 660 }],
    at,
  }))
  const ids = moved(planWith(changes)).map(({ id }) => id)
  expect(ids).toHaveLength(4)
  expect(new Set(ids).size).toBe(4)
})
