import { checkResponse } from '@/core/machine/check'
import { takeGrowthAway, takeSeasonsAway, takeTargetAway } from '@/core/response/takeAway'
import type { Response } from '@/core/response/schema'
import { demoInstallation } from '@/testing/examples'

const flat = demoInstallation('archive-flat').response
const after = (change: (draft: Response) => void, response: Response = flat): Response => {
  const draft = structuredClone(response)
  change(draft)
  return draft
}

test('a target that goes leaves its points where they stand', () => {
  const gone = after((draft) => takeTargetAway(draft, 'home'))
  expect(gone.targets).toBeUndefined()
  expect(gone.otherOutputs?.[0]?.onWhen[0]).toMatchObject({ at: 24.5 })
  expect(JSON.stringify(gone)).not.toContain('"target":"home"')
  expect(checkResponse(gone)).toEqual([])
})

test('seasons that go take with them what counts in one alone', () => {
  const seasonal: Response = {
    ...flat,
    rules: flat.rules.map((rule) => ({ ...rule, onlyWhile: [{ kind: 'season', season: 'cool' }] })),
    otherOutputs: [
      ...(flat.otherOutputs ?? []),
      { id: 'x', kind: 'lamp', name: 'x', onWhen: [{ kind: 'season', season: 'warm' }], notWhile: [], delayS: 0 },
    ],
  }
  const gone = after(takeSeasonsAway, seasonal)
  expect(gone.targets?.[0]?.changes).toBeUndefined()
  expect(gone.rules.every(({ onlyWhile }) => onlyWhile === undefined)).toBe(true)
  expect(gone.otherOutputs?.map(({ id }) => id)).toEqual(flat.otherOutputs?.map(({ id }) => id))
  expect(checkResponse(gone)).toEqual([])
})

test('without days of growth nothing goes by them', () => {
  const growing: Response = {
    ...flat,
    placedOn: '2026-11-01',
    rules: [
      ...flat.rules,
      {
        id: 'age',
        kind: 'by-age',
        rows: [
          { day: 0, speedPct: 5 },
          { day: 9, speedPct: 9 },
        ],
      },
    ],
  }
  expect(after(takeGrowthAway, growing).rules).toEqual(flat.rules)
})
