import { produce } from 'immer'
import { checkInstallation } from '@/core/document/checkInstallation'
import type { Installation } from '@/core/document/installation'
import { newInstallation } from '@/core/document/newInstallation'
import { readInstallation } from '@/core/document/read'
import { ruleSentence } from '@/core/response/words'
import { ruleTemplates } from '@/features/respond/ruleTemplates'
import { demoInstallation } from '@/testing/examples'

const bare = newInstallation('Shed', 'exhaust')
const add = (document: Installation, sentence: string): Installation =>
  produce(document, (draft) =>
    ruleTemplates(document)
      .find((template) => template.sentence === sentence)!
      .add(draft),
  )

test.each(ruleTemplates(bare).map(({ sentence }) => sentence))(
  '“%s” makes a good document, twice over too',
  (sentence) => {
    const once = add(bare, sentence)
    const twice = add(once, sentence)
    expect(readInstallation(twice)).toMatchObject({ ok: true })
    expect(checkInstallation(twice)).toEqual([])
    expect(twice.response.rules).toHaveLength(3)
    expect(new Set(twice.response.rules.map(({ id }) => id)).size).toBe(3)
    const rule = twice.response.rules[1]!
    expect(ruleSentence(twice.response, rule)).toMatch(/^[A-Z].*\.$/)
  },
)

test.each([
  { words: 'hum surge', sentence: 'When humidity rises quickly, run until it is back' },
  { words: 'boost overrun', sentence: 'When a switch is on, run at a set speed, and run on afterwards' },
  { words: 'temp ramp', sentence: 'As room temperature climbs, run faster' },
  { words: 'week timer', sentence: 'By the clock, run at a set speed on working days' },
])('a few words (“$words”) are enough to find it', ({ words, sentence }) => {
  const found = ruleTemplates(bare).filter((template) =>
    words.split(' ').every((word) => `${template.sentence} ${template.words}`.toLowerCase().includes(word)),
  )
  expect(found.map((template) => template.sentence)).toContain(sentence)
})

test('a fan that is not driven yet can follow; one that follows is not offered again', () => {
  const room = demoInstallation('fruiting-room')
  const offers = (document: Installation) =>
    ruleTemplates(document).filter(({ sentence }) => sentence.includes('follows the lead'))
  expect(offers(room)).toHaveLength(0)
  expect(offers({ ...room, response: { ...room.response, followers: [] } })).toHaveLength(1)
})
