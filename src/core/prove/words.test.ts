import { derive } from '@/core/derive/derive'
import { planFor } from '@/core/prove/plan'
import { checkText } from '@/core/prove/words'
import type { UnitPreference } from '@/core/quantity/format'
import { anyInstallation } from '@/testing/anyInstallation'
import { SANE } from '@/testing/corpus/sane'

const IMPERIAL: UnitPreference = { temperature: 'F', flow: 'cfm' }

const documents = [
  ...SANE.map(({ document }) => document),
  ...Array.from({ length: 20 }, (_, seed) => anyInstallation(900 + seed)),
]
const planned = (preference?: UnitPreference) =>
  documents.flatMap((document) => {
    const found = planFor(document, derive(document), preference)
    return found ? found.plan.map((check) => ({ check, text: checkText(found.context, check) })) : []
  })

test('most checks that can be made are made here', () =>
  expect(new Set(planned().map(({ check }) => check.says.code)).size).toBeGreaterThanOrEqual(30))

test('every check says what to do, how, with what, and what it means where it fails', () => {
  for (const { check, text } of planned()) {
    for (const words of [text.title, text.how, text.ifFails, text.measureWith])
      expect(words).toMatch(/^(?!.*(?:undefined|NaN|\[object)).*\w/)
    expect(text.steps).toHaveLength(check.kind === 'speed' ? check.steps.length : 0)
    if (check.kind === 'seen') expect(text.expect).toMatch(/\.$/)
  }
})

test('and all of it in the reader’s units', () => {
  for (const { text } of planned(IMPERIAL))
    // Ice water stands near 0 °C for everybody.
    expect([text.title, text.expect, ...text.steps].join(' ')).not.toMatch(/°C|\d K\b/)
})
