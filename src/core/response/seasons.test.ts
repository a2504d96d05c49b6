import { produce } from 'immer'
import { checkResponse } from '@/core/machine/check'
import { addSeason, changeOver } from '@/core/response/seasons'
import { demoInstallation } from '@/testing/examples'

const flat = demoInstallation('archive-flat').response
const weeks = (response: typeof flat) =>
  response.rules.flatMap((rule) => (rule.kind === 'week' ? [[rule.id, rule.off ?? false] as const] : []))

test('a week is kept for another season, resting, and changed over to; only one runs', () => {
  const both = produce(flat, (draft) => void addSeason(draft, 'evening'))
  expect(weeks(both)).toEqual([
    ['evening', false],
    ['evening-2', true],
  ])
  expect(checkResponse(both)).toEqual([])
  const over = produce(both, (draft) => changeOver(draft, 'evening-2'))
  expect(weeks(over)).toEqual([
    ['evening', true],
    ['evening-2', false],
  ])
  expect(weeks(produce(over, (draft) => changeOver(draft, 'evening')))).toEqual(weeks(both))
})

test('what is no week has no seasons', () => {
  const same = produce(flat, (draft) => void addSeason(draft, 'boost'))
  expect(same).toBe(flat)
})
