import { signalLines } from '@/core/record/signalLines'
import { dialIn } from '@/core/controller/dialIn'
import { derive } from '@/core/derive/derive'
import { chooseController } from '@/core/installation/chooseController'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import { DUTIES } from '@/core/brief/duty'
import { afterOutage, byDanger, outageItems } from '@/core/record/afterOutage'
import { facts } from '@/core/record/facts'
import { lastOf, openText, stillOpen, type ReadVerdict } from '@/core/record/stillOpen'
import { a, clock, cycle, more, purge, response, switched } from '@/testing/corpus/build'
import { demoInstallation, demoModel } from '@/testing/examples'

const openOf = (document: ReturnType<typeof a>, results: readonly ReadVerdict[] = []) =>
  stillOpen(document, derive(document), results)

describe('what a seal leaves open', () => {
  test('questions of brief and kit without an answer; answered and looked at they are gone', () => {
    const document = a('extract', { openFlue: null })
    const keys = (of: typeof document) => openOf(of).flatMap(({ kind, key }) => (kind === 'question' ? [key] : []))
    expect(keys(document)).toEqual(expect.arrayContaining(['brief-openFlue', 'controller', 'mounting-isolator']))
    const looked = a('extract', { openFlue: false }, (draft) => {
      chooseController(draft, demoModel('coded-plug-extract'))
      draft.kit.mounting = { isolator: 'yes' }
    })
    expect(keys(looked)).not.toEqual(
      expect.arrayContaining([expect.stringMatching(/brief-openFlue|controller|mounting-isolator/)]),
    )
  })

  test('actions not marked; a mark counts only with the value of today', () => {
    const document = demoInstallation('fruiting-room')
    const { fit } = derive(document)
    const [action] = dialIn(document.kit.controller!, fit!, document.dial)
    const marked = (value: number | null) => ({
      ...document,
      dial: { ...document.dial, done: [{ action: action!.id, value }] },
    })
    const isOpen = (of: typeof document) => openOf(of).some(({ kind, key }) => kind === 'action' && key === action!.id)
    expect(isOpen(marked(action!.value))).toBe(false)
    expect(isOpen(marked((action!.value ?? 0) + 1))).toBe(true)
  })

  test('a check is closed by its last result for what is given now, and by no other', () => {
    const document = demoInstallation('fruiting-room')
    const derived = derive(document)
    const given = givenMark(derived.given.response)
    const { context, plan } = planFor(document, derived)!
    const [first, second] = [plan[0]!, plan[1]!]
    const { id: check } = first
    const isOpen = (...results: ReadVerdict[]) => openOf(document, results).find(({ key }) => key === check)?.detail
    expect(isOpen()).toBe('Not done.')
    expect(isOpen({ check, given, verdict: 'passes' })).toBeUndefined()
    expect(isOpen({ check, given: 'earlier', verdict: 'passes' })).toBe('Not done.')
    expect(isOpen({ check, given, verdict: 'passes' }, { check, given, verdict: 'fails' })).toBe('It failed.')
    expect(isOpen({ check, given, verdict: 'cannot-tell' })).toBe('It could not be told.')
    expect(lastOf([{ check, given, verdict: 'passes' }], context, second)).toBeUndefined()
  })

  test('in words', () => {
    const item = (kind: 'check' | 'danger', key: string) => ({ kind, key, title: '', detail: '' })
    expect(openText([])).toBe('')
    expect(openText([item('check', 'a'), item('check', 'b'), item('danger', 'c')])).toBe(
      '1 danger left, 2 checks not passed',
    )
  })
})

describe('after the power has been away', () => {
  const wording = (document: ReturnType<typeof a>) => afterOutage(document, derive(document)).join(' ')

  test.each([
    ['a cycle', a('livestock', {}, more(cycle(60, 300, 65))), /cycle begins anew/],
    [
      'a cycle that is kept',
      a('livestock', {}, more(cycle(60, 300, 65)), response({ keeps: ['cycle'] })),
      /goes on where/,
    ],
    ['an overrun', a('extract', {}, more(switched('live', 80, { kind: 'fixed', holdS: 900 }))), /overrun .* is over/],
    ['a week', a('exhaust', {}, more(clock(480, 1020, 50))), /Compare its clock/],
    ['a purge, its hours', a('exhaust', {}, more(purge('roomTemp', 20))), /Compare its clock/],
    ['a purge, whether it was on', a('exhaust', {}, more(purge('roomTemp', 20))), /between its two points/],
    ['no controller', a('exhaust'), /not known/],
  ])('%s', (_what, document, words) => expect(wording(document)).toMatch(words))

  test('only what it has', () => expect(wording(a('exhaust'))).not.toMatch(/cycle|clock|overrun/))
  test('settings that are lost are named', () => {
    const document = demoInstallation('fruiting-room')
    const setting = document.kit.controller!.settings[0]!
    setting.power = 'lost'
    expect(wording(document)).toContain(`Enter again, it is lost: ${setting.name}, `)
    setting.power = 'verify'
    expect(wording(document)).toContain(`Read back, it may be lost: ${setting.name} should show `)
  })
})

test('the answers of the brief are facts, with their units and words', () => {
  const wording = Object.fromEntries(
    facts(a('livestock', { animal: 'calf', mass: 80, backup: true, alarm: null })).map(({ key, wording: is }) => [
      key,
      is,
    ]),
  )
  expect(wording).toMatchObject({ 'answer-mass': '80.00 kg', 'answer-backup': 'yes', 'answer-alarm': 'not known' })
  const stove = facts(a('stove-flue', { moves: 'room' })).find(({ key }) => key === 'answer-moves')
  expect(stove?.wording).toMatch(/air/)
})

describe('the sheet of what to look at', () => {
  const of = (name: string) => {
    const document = demoInstallation(name)
    return outageItems(document, derive(document))
  }

  test.each([
    ['ticket-hall-door', 'clock', 'look', /Put its clock .* it is lost/],
    ['ticket-hall-door', 'kept', 'know', /^Surely kept: Room warmth, /],
    ['duckling-brooder', 'signal-0', 'look', /air lamp is dark/],
    ['kiln-room', 'turns', 'look', /See every fan turn/],
  ] as const)('%s: %s', (name, id, kind, words) => {
    const item = of(name).find((one) => one.id === id)!
    expect(item.kind).toBe(kind)
    expect(item.text).toMatch(words)
  })

  test('what is lost is entered again with presses from what its maker leaves it at', () => {
    const document = demoInstallation('fruiting-room')
    document.kit.controller!.settings.find(({ id }) => id === 'guard-mode')!.power = 'lost'
    const lost = outageItems(document, derive(document)).find(({ id }) => id === 'enter-guard-mode')!
    expect(lost).toMatchObject({ kind: 'enter' })
    expect(lost.text).toMatch(/Guard, kept\. Page 8, line “guard”\. .*\[?dial\]?/)
  })

  test('animals first', () => {
    const inOrder = [...DUTIES].sort(byDanger)
    expect(inOrder.slice(0, 3)).toEqual(['livestock', 'head-pressure', 'stove-flue'])
    expect(new Set(inOrder).size).toBe(DUTIES.length)
  })
})

test('lamps and codes stand on paper with the next look, what is urgent first', () => {
  const [first, ...others] = signalLines(demoModel('gear-wheel-curtain'))
  expect(first?.urgent).toBe(true)
  expect(others.some(({ urgent }) => !urgent)).toBe(true)
  expect(first?.text).toMatch(/^[A-Z“].*: .*\.$/)
})
