import fc from 'fast-check'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { DUTIES } from '@/core/brief/duty'
import type { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import { readDocument, readInstallation, readInstallationText } from '@/core/installation/read'
import { canonicalJson } from '@/core/json/canonical'
import { parseJson } from '@/core/json/parseJson'
import { changeText, compare } from '@/core/record/compare'
import { problemLine } from '@/core/words/problems'
import { demoInstallation, demoText } from '@/testing/examples'

const FILES = readdirSync(join(process.cwd(), 'demo/installations')).map((file) => file.replace('.json', ''))

test.each(FILES)('%s.json goes round byte for byte, whatever order a database gives its keys', (name) => {
  const text = demoText(`installations/${name}.json`)
  const document = demoInstallation(name)
  const shuffled = JSON.parse(
    JSON.stringify(document, Object.keys(flatKeys(document)).sort().reverse()),
  ) as Installation
  expect(canonicalJson(document)).toBe(text)
  expect(canonicalJson(shuffled)).toBe(text)
})

/** Every key that occurs anywhere, for a replacer that keeps all and reorders. */
function flatKeys(value: unknown, found: Record<string, true> = {}): Record<string, true> {
  if (Array.isArray(value)) value.forEach((item) => flatKeys(item, found))
  else if (value !== null && typeof value === 'object')
    for (const [key, held] of Object.entries(value)) {
      found[key] = true
      flatKeys(held, found)
    }
  return found
}

test.each(DUTIES)('a new installation for %s is good as it is', (duty) =>
  expect(readInstallation(newInstallation('Shed', duty))).toMatchObject({ ok: true }),
)

describe('what does not fit is named by its place, in plain words', () => {
  const broken = (change: (draft: Installation) => void): string[] => {
    const draft = demoInstallation('fruiting-room')
    change(draft)
    const outcome = readInstallation(draft)
    return outcome.ok ? [] : outcome.problems.map(problemLine)
  }
  test.each([
    {
      name: 'a speed of 120',
      change: (d: Installation) => void (d.response.floor.speedPct = 120),
      line: 'response.floor.speedPct: 120 must be <= 100.',
    },
    {
      name: 'a word for a number',
      change: (d: Installation) => void ((d.response.floor as unknown as Record<string, unknown>).speedPct = 'low'),
      line: 'response.floor.speedPct: this must be a number, not "low".',
    },
    {
      name: 'a kind nobody knows',
      change: (d: Installation) => void ((d.response.rules[0] as unknown as Record<string, unknown>).kind = 'guess'),
      line: 'response.rules.0.kind: "guess" does not fit; use one of: ramp, switch, differential, rapid-rise, week, cycle, hold-after-fall, purge, by-age.',
    },
    {
      name: 'a missing field of one branch',
      change: (d: Installation) => void delete (d.response.rules[0] as unknown as Record<string, unknown>).fullAt,
      line: 'response.rules.0: “fullAt” is missing.',
    },
    {
      name: 'a spelling',
      change: (d: Installation) => void ((d.response as unknown as Record<string, unknown>).cieling = 3),
      line: 'response: “cieling” is not known here; remove it or check its spelling.',
    },
    { name: 'an empty name', change: (d: Installation) => void (d.name = ' '), line: 'name: this must not be empty.' },
    {
      name: 'a span of nothing',
      change: (d: Installation) => void Object.assign(d.response.rules[0]!, { fullAt: 16 }),
      line: 'response.rules.0.fullAt: The ramp on room temperature starts and is full at the same point (16); give it a span, or use an on/off rule.',
    },
    {
      name: 'floor over ceiling',
      change: (d: Installation) => void (d.response.ceiling.speedPct = 20),
      line: 'response.floor.speedPct: The floor (22 %) is above the ceiling (20 %).',
    },
    {
      name: 'a band upside down',
      change: (d: Installation) => void (d.brief.targets[0]!.bandFrom = 19),
      line: 'brief.targets.0.bandFrom: The low end of the band (19 °C) is above its high end (18 °C).',
    },
    {
      name: 'a fan nobody has',
      change: (d: Installation) => void (d.response.followers[0]!.fan = 'ghost'),
      line: 'response.followers.0.fan: There is no fan “ghost”; known: exhaust, make-up.',
    },
  ])('$name', ({ change, line }) => expect(broken(change)).toContain(line))
})

test.each([
  { name: 'no schema', text: '{}', line: /schema: The line "schema" that says what this is/ },
  { name: 'a stranger', text: '{"schema":"acme/recipe@1"}', line: /does not know; it reads/ },
  { name: 'a newer one', text: '{"schema":"soft-gale/installation@9"}', line: /newer than this program/ },
  { name: 'a part alone', text: '{"schema":"soft-gale/brief@1"}', line: /it reads soft-gale\/installation@2/ },
  { name: 'no JSON', text: '{"schema": ', line: /not readable JSON/ },
])('$name is refused by name', ({ text, line }) => {
  const outcome = readInstallationText(text)
  expect(outcome.ok ? '' : outcome.problems.map(problemLine).join(' ')).toMatch(line)
})

test('any JSON thrown at the reader ends in a value with a message, never in an exception', () => {
  const schema = fc.constantFrom(
    'soft-gale/installation@2',
    'soft-gale/response@2',
    'soft-gale/controller-model@2',
    'soft-gale/brief@1',
  )
  fc.assert(
    fc.property(
      fc.oneof(
        fc.json().map((text) => parseJson(text)),
        fc
          .record({ schema, response: fc.jsonValue(), rules: fc.jsonValue(), settings: fc.jsonValue() })
          .map((value) => ({ ok: true as const, value })),
      ),
      (data) => {
        const outcome = data.ok ? readDocument(data.value) : data
        expect(outcome.ok ? ['good'] : outcome.problems.map(problemLine)).not.toHaveLength(0)
      },
    ),
    { seed: 41 },
  )
})

test('mutilating a good document never throws either', () => {
  const text = demoText('installations/fruiting-room.json')
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: text.length - 1 }),
      fc.constantFrom('9', '"', 'null', '{', '-', ''),
      (at, put) => {
        expect(readInstallationText(text.slice(0, at) + put + text.slice(at + 1))).toHaveProperty('ok')
      },
    ),
    { seed: 42, numRuns: 300 },
  )
})

test('two revisions are compared in words', () => {
  const changes = compare(demoInstallation('fruiting-room.rev1'), demoInstallation('fruiting-room')).map(changeText)
  expect(changes).toEqual([
    'Rule, room temperature ramp: As room temperature climbs from 17.0 °C to 21.0 °C, run 22 % → 90 %. → As room temperature climbs from 16.0 °C to 20.0 °C, run 22 % → 90 %.',
    'Rule, harvest switch: When harvest switch is on, run 90 %; afterwards keep going for a set time, 10 min. → When harvest switch is on, run 90 %; afterwards keep going as long as it was on, at least 0 s and at most 25 min.',
  ])
  const without = demoInstallation('fruiting-room')
  without.response.rules.pop()
  expect(compare(demoInstallation('fruiting-room'), without).map(changeText)).toEqual([
    expect.stringMatching(/^Rule, harvest switch: gone, was /),
  ])
  expect(compare(without, without)).toEqual([])
})
