import { readDocument, readInstallation } from '@/core/installation/read'
import { unreasonable } from '@/core/json/reasonable'
import { problemLine } from '@/core/words/problems'
import { demoInstallation } from '@/testing/examples'

const withRules = (rules: unknown) => {
  const document = demoInstallation('fruiting-room')
  return { ...document, response: { ...document.response, rules } }
}
const linesOf = (data: unknown): string[] => {
  const read = readInstallation(data)
  return read.ok ? [] : read.problems.map(problemLine)
}

describe('lengths are refused before shapes', () => {
  test.each([3000, 20000, 200000])('%d rules are one problem, whatever they are', (count) => {
    const lines = linesOf(withRules(Array.from({ length: count }, () => 1)))
    expect(lines).toHaveLength(1)
    expect(lines[0]).toMatch(/^response\.rules: /)
  })
  test('of what is wrong inside, fifty places are named at most', () => {
    const rules = Array.from({ length: 40 }, () => ({ kind: 'ramp', a: 1, b: 2 }))
    expect(linesOf(withRules(rules))).toHaveLength(50)
  })
})

describe('data that no document comes near', () => {
  const nested = (depth: number) => {
    let inner: unknown = 1
    for (let level = 0; level < depth; level++) inner = [inner]
    return inner
  }
  test.each([5000, 100000])('nested %d deep', (depth) =>
    expect(unreasonable({ rules: nested(depth) })).toMatchObject({
      path: expect.stringMatching(/^rules\.0/) as string,
    }),
  )
  test('as deep as our own documents go', () => expect(unreasonable(nested(40))).toBeNull())
  test('more values than any holds', () =>
    expect(unreasonable(Array.from({ length: 500000 }, () => 0))).toMatchObject({ code: 'too_many_values' }))
})

describe('text that cannot be stored', () => {
  test.each([
    ['a NUL', 'fan\u0000 room'],
    ['the first half of a pair', 'fan \ud83d'],
    ['the second half of a pair', '\udca8 fan'],
    ['two halves the wrong way round', '\udca8\ud83d'],
  ])('%s is refused with its place', (_what, name) =>
    expect(linesOf({ ...demoInstallation('fruiting-room'), name })).toEqual([
      'name: This text holds a character that cannot be stored; type it again.',
    ]),
  )
  test('in the name of a field too', () =>
    expect(readDocument({ schema: 'soft-gale/installation@2', ['a\u0000']: 1 })).toMatchObject({ ok: false }))
  test.each(['💨 fan', 'größer als 20 °C', '扇'])('“%s” is fine', (name) =>
    expect(linesOf({ ...demoInstallation('fruiting-room'), name })).toEqual([]),
  )
})
