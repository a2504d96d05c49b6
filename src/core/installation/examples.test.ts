import { readdirSync, readFileSync } from 'node:fs'
import { judgeInstallation } from '@/core/advise/judge'
import { purposeOf } from '@/core/controller/purposes'
import { dialIn } from '@/core/controller/dialIn'
import { derive } from '@/core/derive/derive'
import { DUTIES } from '@/core/brief/duty'
import { readInstallationText } from '@/core/installation/read'
import { settingsList } from '@/core/installation/settingsList'
import { planFor } from '@/core/prove/plan'
import { outageItems } from '@/core/record/afterOutage'
import { ruleSentence } from '@/core/sentences/words'

// The examples of docs/formats go the whole road: checked, fitted, dialled in, proved, on the card and the sheet for after an outage.
const FOLDER = 'docs/formats/examples'
const read = (file: string) => {
  const outcome = readInstallationText(readFileSync(`${FOLDER}/${file}`, 'utf8'))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const files = readdirSync(FOLDER)

test('there is one for each duty', () =>
  expect(files.map((file) => read(file).brief.duty).sort()).toEqual([...DUTIES].sort()))

describe.each(files)('%s', (file) => {
  const installation = read(file)
  const derived = derive(installation)

  test('its controller does all that it asks', () => {
    expect(derived.given.machine).not.toBeNull()
    expect(derived.fit?.losses).toEqual([])
  })

  test('every setting of its panel has something to press or to leave, and says what it is for', () => {
    const { controller, dial } = { ...installation.kit, dial: installation.dial }
    expect(dialIn(controller!, derived.fit!, dial).length).toBeGreaterThan(controller!.settings.length)
    expect(settingsList(controller!, derived.fit!, dial)).toHaveLength(controller!.settings.length)
    for (const setting of controller!.settings) expect(purposeOf(setting)).toMatch(/\.$/)
  })

  test('there is something to prove for each of its rules, and its sentences can be said', () => {
    const ids = planFor(installation, derived)!.plan.map(({ id }) => id)
    for (const rule of installation.response.rules) {
      expect(ids.some((id) => id.startsWith(rule.id) || id.startsWith('stage'))).toBe(true)
      expect(ruleSentence(installation.response, rule)).toMatch(/\.$/)
    }
  })

  test('nothing dangerous is said of it, and after an outage there is a list', () => {
    expect(judgeInstallation(installation, derived).filter(({ severity }) => severity === 'hurts')).toEqual([])
    expect(outageItems(installation, derived).length).toBeGreaterThan(0)
  })
})
