import { DUTIES } from '@/core/brief/duty'
import { derive } from '@/core/derive/derive'
import { DUTY_PLANS } from '@/core/duty/table'
import { isAssumed } from '@/core/duty/plan'
import { newInstallation } from '@/core/installation/newInstallation'
import { gate, GATE_PARTS, partOf } from '@/core/record/gate'
import { stillOpen, type OpenItem } from '@/core/record/stillOpen'
import { nextOpen } from '@/core/record/wayOn'

const item = (kind: OpenItem['kind'], key: string): OpenItem => ({ kind, key, title: key, detail: '' })
const OPEN = [
  item('warning', 'narrow'),
  item('danger', 'stops'),
  item('action', 'one'),
  item('check', 'power'),
  item('question', 'brief-room'),
  item('question', 'mounting-air'),
  item('question', 'calibrate-start'),
  item('told', 'told'),
]
const keyOf = (...args: Parameters<typeof nextOpen>) => nextOpen(...args)?.item.key ?? null

test.each([
  [null, false, 'brief-room'],
  ['brief', false, 'brief-room'],
  ['brief', true, 'mounting-air'],
  ['kit', true, 'calibrate-start'],
  // A danger before a warning, wherever it stands in the list.
  ['calibrate', true, 'stops'],
  ['respond', true, 'one'],
  ['dial-in', true, 'power'],
  ['prove', true, 'told'],
  // From the end it begins again with what was passed over.
  ['people', true, 'brief-room'],
] as const)('from %s, leaving it: %s, the way goes to %s', (from, isLeaving, key) => {
  expect(keyOf(OPEN, from, isLeaving)).toBe(key)
})

test('what is open in one part alone is come back to, and nothing open is no way', () => {
  const only = [item('question', 'brief-room')]
  for (const part of GATE_PARTS) expect(keyOf(only, part, true)).toBe('brief-room')
  expect(keyOf([], null)).toBeNull()
})

test.each(DUTIES)('the way through a new %s installation goes by everything that is open, once', (duty) => {
  const document = newInstallation('New', duty)
  let open: readonly OpenItem[] = stillOpen(document, derive(document), [])
  const gone: string[] = []
  for (let next = nextOpen(open, null); next; next = nextOpen(open, next.part)) {
    const { item: met } = next
    gone.push(met.key)
    open = open.filter((other) => other !== met)
  }
  expect(gone.toSorted()).toEqual(
    stillOpen(document, derive(document), [])
      .map(({ key }) => key)
      .toSorted(),
  )
  expect(gate(document, open).every((row) => row.open.length === 0)).toBe(true)
})

test.each(DUTIES)('an assumed answer of %s counts as open until it is given, and says so', (duty) => {
  const document = newInstallation('New', duty)
  const asked = (doc: typeof document) => stillOpen(doc, derive(doc), []).filter((open) => partOf(open) === 'brief')
  const { questions } = DUTY_PLANS[duty]
  expect(asked(document)).toHaveLength(questions.length)
  const assumed = questions.filter((question) => isAssumed(question, document.brief))
  expect(asked(document).filter(({ detail }) => detail.includes('assumed'))).toHaveLength(assumed.length)
  const answers = Object.fromEntries(assumed.map(({ id, start }) => [id, start!]))
  const given = { ...document, brief: { ...document.brief, answers } }
  expect(asked(given)).toHaveLength(questions.length - assumed.length)
  expect(derive(given).asked).toEqual(derive(document).asked)
})
