import { DUTIES } from '@/core/brief/duty'
import { dialIn } from '@/core/controller/dialIn'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import { stillOpen, type ReadVerdict } from '@/core/record/stillOpen'
import { standings } from '@/features/frame/standings'
import { demoInstallation } from '@/testing/examples'

const of = (document: Installation, results: ReadVerdict[] = [], seal: Parameters<typeof standings>[3] = null) => {
  const derived = derive(document)
  return standings(document, derived, stillOpen(document, derived, results), seal)
}

test('a new installation says what is missing', () => {
  const lines = of(newInstallation('Shed', 'exhaust'))
  expect(Object.values(lines).map(({ line, isDone }) => `${isDone ? '✓' : '–'} ${line}`)).toEqual([
    '– 1 target, 4 open',
    '– no controller yet',
    '– start not read',
    '– 1 rule',
    '– no day kept yet',
    '– needs a controller',
    '– 0 of 7 checks',
    '– never sealed',
  ])
})

test.each(DUTIES)('nothing of a new %s installation begins ticked', (duty) => {
  const lines = of(newInstallation('New', duty))
  expect(Object.entries(lines).filter(([, { isDone }]) => isDone)).toEqual([])
})

test('the fruiting room has its brief, kit, calibration and response', () => {
  const lines = of(demoInstallation('fruiting-room'), [], {
    number: 4,
    sealedAt: '2026-11-19T10:00:00Z',
    isCurrent: false,
  })
  expect(Object.values(lines).map(({ line }) => line)).toEqual([
    '2 targets',
    '2 fans, 2 probes, 2 open',
    'turns from 14 %',
    '3 rules',
    'no day kept yet',
    '0 of 19 actions',
    '0 of 13 checks',
    'rev 4, changed since',
  ])
})

test('ticks and results count while they speak of the setting as it is', () => {
  const document = demoInstallation('fruiting-room')
  const derived = derive(document)
  const actions = dialIn(document.kit.controller!, derived.fit!)
  const dialled = { ...document, dial: { present: [], done: actions.map(({ id, value }) => ({ action: id, value })) } }
  const results = planFor(document, derived)!.plan.map(({ id }): ReadVerdict => ({
    check: id,
    given: givenMark(derived.given.response),
    verdict: 'passes',
  }))
  const done = of(dialled, results, { number: 1, sealedAt: '', isCurrent: true })
  expect([done['dial-in'], done.prove]).toEqual([
    { line: '19 of 19 actions', isDone: true },
    { line: '13 of 13 checks', isDone: true },
  ])
  // Sealed as it is, but nobody there was shown how it works.
  expect(done['hand-over'].isDone).toBe(false)
  const told = { ...dialled, upkeep: { told: { who: 'the tenant', on: '2026-11-02' } } }
  expect(of(told, results, { number: 1, sealedAt: '', isCurrent: true })['hand-over'].isDone).toBe(true)
  const changed = structuredClone(dialled)
  Object.assign(changed.response.rules[0]!, { startAt: 15 })
  const after = of(changed, results)
  expect([after['dial-in'].line, after.prove.line]).toEqual(['17 of 19 actions', '0 of 13 checks'])
})

test('the newest result of a check counts', () => {
  const document = demoInstallation('fruiting-room')
  const given = givenMark(derive(document).given.response)
  const results: ReadVerdict[] = [
    { check: 'floor', given, verdict: 'passes' },
    { check: 'floor', given, verdict: 'fails' },
    { check: 'power', given, verdict: 'fails' },
    { check: 'power', given, verdict: 'passes' },
  ]
  expect(of(document, results).prove.line).toBe('1 of 13 checks')
})
