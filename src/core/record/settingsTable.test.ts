import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { SETTING_HEADS, settingsTable } from '@/core/record/settingsTable'
import { newInstallation } from '@/core/installation/newInstallation'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'

const FAHRENHEIT: UnitPreference = { ...METRIC, temperature: 'F' }

test('one that has no controller has no settings', () =>
  expect(settingsTable(newInstallation('New', 'exhaust'))).toBeNull())

test.each(DEMO_NAMES)(
  '%s: a row for each setting of its controller, with something under every head that needs it',
  (name) => {
    const installation = demoInstallation(name)
    const { controller } = installation.kit
    const rows = settingsTable(installation)
    expect(rows?.map(([setting]) => setting)).toEqual(controller?.settings.map((setting) => setting.name))
    for (const row of rows ?? []) {
      expect(row).toHaveLength(SETTING_HEADS.length)
      const cell = (head: (typeof SETTING_HEADS)[number]) => row[SETTING_HEADS.indexOf(head)]!
      for (const head of ['purpose', 'maker’s', 'task', 'why', 'who', 'written', 'power'] as const)
        expect(cell(head)).toMatch(/[\p{L}\d]/u)
      expect(row.join(' ')).not.toMatch(/undefined|NaN/)
      // What is changed says to what.
      if (cell('task') === 'Change') expect(cell('wanted')).not.toBe('')
    }
  },
)

test('a temperature is said as its reader reads it', () => {
  const wanted = (preference: UnitPreference) =>
    settingsTable(demoInstallation('fruiting-room'), preference)!.find(([name]) => name === 'Ramp foot')![
      SETTING_HEADS.indexOf('wanted')
    ]
  expect(wanted(METRIC)).toMatch(/^\d+\.\d °C$/)
  expect(wanted(FAHRENHEIT)).toMatch(/^\d+\.\d °F$/)
})
