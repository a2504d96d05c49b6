import { dialIn } from '@/core/controller/dialIn'
import { fit } from '@/core/controller/fit'
import { purposeOf } from '@/core/controller/purposes'
import { settingValueText } from '@/core/controller/settingText'
import type { Setting } from '@/core/controller/schema'
import type { DialState } from '@/core/installation/installation'
import { inFilter, settingsList, SETTING_FILTERS, type SettingLine } from '@/core/installation/settingsList'
import { demoModels } from '@/testing/anyInstallation'
import { demoModel, responseTo } from '@/testing/examples'

const model = demoModel('gear-wheel-curtain')
const fitted = fit(responseTo([]), model, { duty: 'door-curtain' })
const fresh: DialState = { present: [], done: [] }
const line = (id: string, dial: Partial<DialState> = {}): SettingLine =>
  settingsList(model, fitted, { ...fresh, ...dial }).find(({ setting }) => setting.id === id)!

test('every setting of every controller stands in the list, with a purpose', () => {
  for (const each of demoModels) {
    const lines = settingsList(each, fit(responseTo([]), each, { duty: 'exhaust' }), fresh)
    expect(lines.map(({ setting }) => setting.id)).toEqual(each.settings.map(({ id }) => id))
    for (const { setting } of lines) expect(purposeOf(setting)).toMatch(/^[A-Z].*\.$/)
  }
})

test.each<[string, string, Partial<DialState>, Partial<SettingLine>]>([
  ['a clock is left, and says why', 'clock', {}, { task: 'leave', wanted: null, isOpen: false }],
  ['a lock is set', 'lock', {}, { task: 'change', wanted: 1, isOpen: true }],
  [
    'a lock that is entered is done',
    'lock',
    { done: [{ action: 'set-lock', value: 1 }] },
    { isEntered: true, isOpen: false },
  ],
  [
    'a lock found locked is left',
    'lock',
    { present: [{ setting: 'lock', value: 1 }] },
    { task: 'leave', isOpen: false },
  ],
  ['what is open is to be decided', 'pole', {}, { task: 'decide', wanted: null, isOpen: true }],
  [
    'decided as it is found: nothing to do',
    'pole',
    { decided: [{ setting: 'pole', value: 0 }] },
    { task: 'leave', wanted: 0, isOpen: false },
  ],
  [
    'a commissioned value that is changed asks for a reason',
    'pole',
    { decided: [{ setting: 'pole', value: 1 }], done: [{ action: 'set-pole', value: 1 }] },
    { task: 'change', isEntered: true, isOpen: true, reason: null },
  ],
  [
    'with a reason it is done',
    'pole',
    {
      decided: [{ setting: 'pole', value: 1 }],
      done: [{ action: 'set-pole', value: 1 }],
      reasons: [{ setting: 'pole', reason: 'A reed that opens.' }],
    },
    { isOpen: false, reason: 'A reed that opens.' },
  ],
  [
    'read back as another value it is open again',
    'lock',
    { done: [{ action: 'set-lock', value: 1 }], readBack: [{ setting: 'lock', value: 0 }] },
    { readBack: 0, isOpen: true },
  ],
])('%s', (_what, id, dial, says) => expect(line(id, dial)).toMatchObject(says))

test('what nobody knows is noted, never guessed; what only the maker may touch is never entered', () => {
  const twin = demoModel('dial-pages-twin')
  const lines = settingsList(twin, fit(responseTo([]), twin, { duty: 'exhaust' }), fresh)
  expect(lines.find(({ setting }) => setting.id === 'w-four')).toMatchObject({
    task: 'note',
    wanted: null,
    isOpen: true,
  })
  const noted = settingsList(twin, fitted, { ...fresh, present: [{ setting: 'w-four', value: 5 }] })
  expect(noted.find(({ setting }) => setting.id === 'w-four')).toMatchObject({ found: 5, isOpen: false })

  const unit = demoModel('scroll-wheel-balanced')
  const actions = dialIn(unit, fit(responseTo([]), unit, { duty: 'balanced' }), {
    present: [],
    decided: [
      { setting: 'coil-limit', value: 50 },
      { setting: 'mesh-days', value: 200 },
    ],
  })
  const entered = actions.flatMap(({ setting }) => (setting ? [setting.id] : []))
  expect(entered).toContain('mesh-days')
  expect(entered).not.toContain('coil-limit')
})

test.each(SETTING_FILTERS)('the filter “%s” shows those it names', (filter) => {
  const lines = settingsList(model, fitted, fresh)
  const shown = lines.filter((each) => inFilter(each, filter)).map(({ setting }) => setting.id)
  expect(shown.length).toBeGreaterThan(0)
  if (filter === 'commissioned') expect(shown).toEqual(['cool-speed', 'cool-time', 'pole'])
  if (filter === 'unsaved') expect(shown).not.toContain('clock')
})

// A leaflet's figures of the same values; arithmetic of the units, no source needed.
test.each<[string, Partial<Setting>, number, string]>([
  ['half a width', { figure: { times: 0.5, plus: 0, unit: 'K', decimals: 1 } }, 3, '1.5 K'],
  ['a ratio of 70 said as −30 %', { figure: { times: 1, plus: -100, unit: '%', decimals: 0 } }, 70, '−30 %'],
  ['whole degrees Fahrenheit', { figure: { times: 1.8, plus: 32, unit: '°F', decimals: 0 } }, 20, '68 °F'],
  ['percent as volts', { figure: { times: 0.1, plus: 0, unit: 'V', decimals: 1 } }, 45, '4.5 V'],
  [
    'a choice that is no figure',
    {
      means: 'nothing',
      choices: [
        { value: 0, shown: 'open' },
        { value: 1, shown: 'kept' },
      ],
    },
    1,
    'kept',
  ],
])('%s', (_what, changes, value, text) =>
  expect(settingValueText({ ...model.settings[0]!, ...changes }, value)).toBe(text),
)
