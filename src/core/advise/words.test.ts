import { judgeInstallation } from '@/core/advise/judge'
import { judgementText, says } from '@/core/advise/words'
import { derive } from '@/core/derive/derive'
import type { UnitPreference } from '@/core/quantity/format'
import { DANGEROUS } from '@/testing/corpus/dangerous'

const IMPERIAL: UnitPreference = { temperature: 'F', flow: 'cfm' }

const judged = DANGEROUS.flatMap(({ document }) => judgeInstallation(document, derive(document), 2))

/** Said in °C whoever reads it: that is what it is about. */
const IN_ITS_UNIT = /^wrong-unit/

test('the corpus says most of what can be said', () =>
  expect(new Set(judged.map((judgement) => judgement.says.code)).size).toBeGreaterThanOrEqual(35))

test('every judgement is said in the reader’s units', () => {
  const metric = judged.filter(
    (judgement) => !IN_ITS_UNIT.test(judgement.says.code) && /°C|\bK\b|l\/s/.test(judgementText(judgement).detail),
  )
  expect(metric.length).toBeGreaterThan(20)
  for (const judgement of metric) {
    const { title, detail, cure = '' } = judgementText(judgement, IMPERIAL)
    // A why of a brief is as its author wrote it.
    expect(`${title} ${detail.replace(/: [a-z][^:]*$/, '')} ${cure}`).not.toMatch(/°C|\d K\b|l\/s/)
  }
})

test('whatever has a cure says what a press on it does', () => {
  for (const judgement of judged) if (judgement.cure) expect(judgementText(judgement).cure).toMatch(/\w/)
})

describe('moments in words', () => {
  const wording = (facts: Parameters<typeof says<'not-full-when-hot'>>[1]['with']) =>
    judgementText({ says: says('not-full-when-hot', { share: 0.5, with: facts }) }).detail
  test.each([
    [[], 'At its hottest it gives 50 % of its full air . Heat comes first here.'],
    [[{ kind: 'switch' as const, name: 'door', isOn: true }], / with door on\./],
    [[{ kind: 'lost' as const, name: 'coil' }], / with coil lost\./],
    [[{ kind: 'clock' as const, minute: 2 * 1440 + 75 }], / with at Wed 01:15\./],
    [
      [
        { kind: 'reading' as const, name: 'outside', x: -5, quantity: 'temperature' as const },
        { kind: 'switch' as const, name: 'door', isOn: false },
        { kind: 'lost' as const, name: 'coil' },
      ],
      / with outside at −5\.0 °C, door off and coil lost\./,
    ],
  ])('%j', (facts, words) => expect(wording(facts)).toMatch(words))
})
