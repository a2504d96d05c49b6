import { checkModel } from '@/core/controller/checkModel'
import { makePanel } from '@/core/controller/makePanel'
import { wayTo } from '@/core/controller/panel'
import { readSettingsTable, withMeaning } from '@/core/controller/settingsTable'
import { ABILITY_QUESTIONS } from '@/core/controller/abilityQuestions'
import { demoModel } from '@/testing/examples'

const HEAD = 'Name\tStands for\tFrom\tTo\tStep\tDefault\tUnit\tPage'

test('a table pasted from a spreadsheet: figures, units, places, and ids that are free', () => {
  const { settings, problems } = readSettingsTable(
    [
      HEAD,
      'Ramp foot\tramp.startAt\t5\t40\t0,5\t20\t°C\tpage 3',
      'Ramp foot\t\t−10\t40\t1\t0\t\t',
      'Lock\tnothing\t0\t1\t1\t0\tcount\t',
    ].join('\n'),
    ['lock'],
  )
  expect(problems).toEqual([])
  expect(settings).toMatchObject([
    {
      id: 'ramp-foot',
      means: 'ramp.startAt',
      quantity: 'temperature',
      min: 5,
      max: 40,
      step: 0.5,
      default: 20,
      enter: { where: 'page 3' },
    },
    { id: 'ramp-foot-2', means: 'unknown', quantity: 'count', min: -10 },
    { id: 'lock-2', means: 'nothing', advice: { what: 'leave' } },
  ])
})

test.each([
  { name: 'semicolons', text: 'name;from;to;step;default\nLow;10;90;1;20' },
  { name: 'commas, and headings of another order', text: 'default,name,from,to,step\n20,Low,10,90,1' },
])('$name are read too', ({ text }) =>
  expect(readSettingsTable(text, []).settings).toMatchObject([{ name: 'Low', min: 10, max: 90, step: 1, default: 20 }]),
)

test('one bad line takes only itself down, and says where', () => {
  const { settings, problems } = readSettingsTable(
    [
      HEAD,
      'Low\tfloor\tten\t90\t1\t20\t%\t',
      '\tfloor\t10\t90\t1\t20\t%\t',
      'High\tsideways\t10\t90\t1\t20\t%\t',
      'Good\tceiling\t10\t90\t1\t90\t%\t',
    ].join('\n'),
    [],
  )
  expect(settings.map(({ name }) => name)).toEqual(['Good'])
  expect(problems.map(({ path, code }) => `${path}: ${code}`)).toEqual([
    'line 2: cell_not_a_number',
    'line 3: empty_cell',
    'line 4: not_one_of',
  ])
})

test('a table without its headings is said as a whole', () =>
  expect(readSettingsTable('Low 10 90', []).problems).toMatchObject([{ code: 'no_value_column', path: 'line 1' }]))

test('a setting that stands for nothing says what is to be done with it, and no longer when it stands for something', () => {
  const [setting] = readSettingsTable('name,from,to,step,default\nLow,10,90,1,20', []).settings
  const nothing = withMeaning(setting!, 'nothing')
  expect(nothing).toMatchObject({ purpose: expect.any(String) as string, advice: { what: 'leave' } })
  expect(withMeaning(nothing, 'floor').advice).toBeUndefined()
})

test('a panel made from settings leads to every one of them and back', () => {
  const model = demoModel('dial-pages-twin')
  const made = { ...model, keys: ['set', 'more', 'less'], panel: makePanel(model) }
  expect(checkModel(made)).toEqual([])
  for (const { id } of model.settings) expect(wayTo(made.panel, 'front', `set-${id}`)).not.toBeNull()
})

test('every ability that is yes, no or a number is asked for once', () => {
  const keys = ABILITY_QUESTIONS.map(({ key }) => key)
  expect(new Set(keys).size).toBe(keys.length)
})
