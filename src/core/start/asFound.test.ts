import { fit } from '@/core/controller/fit'
import { checkResponse } from '@/core/machine/check'
import { ruleSentence } from '@/core/sentences/words'
import { asFound } from '@/core/start/asFound'
import { demoInstallation, demoModel } from '@/testing/examples'

const PAIRS = [
  ['changing-rooms', 'coded-plug-extract'],
  ['kiln-room', 'slide-lever-box'],
  ['creamery-condenser', 'trimmer-condenser'],
  ['duckling-brooder', 'strip-list-house'],
  ['fruiting-room', 'dial-pages-twin'],
  ['bakehouse-flue', 'six-level-rocker'],
  ['archive-flat', 'scroll-wheel-balanced'],
  ['ticket-hall-door', 'gear-wheel-curtain'],
  ['inverter-cupboard', 'two-pad-pwm'],
] as const

test.each(PAIRS)('%s: what is read off its panel means what was set', (name, modelName) => {
  const installation = demoInstallation(name)
  const model = demoModel(modelName)
  const { duty } = installation.brief
  const set = fit(installation.response, model, { duty })
  const found = asFound({ ...installation, dial: { present: [...set.settings], done: [] } }, model)
  expect(checkResponse(found)).toEqual([])
  // Read and set once more, nothing moves.
  expect(fit(found, model, { duty }).settings).toEqual(set.settings)
})

test('the ramp that the panel shows is said in its real points', () => {
  const room = demoInstallation('fruiting-room')
  const model = demoModel('dial-pages-twin')
  const settings = fit(room.response, model, { duty: 'grow-room' }).settings
  const found = asFound({ ...room, dial: { present: [...settings], done: [] } }, model)
  const [ramp] = found.rules
  expect(ruleSentence(found, ramp!)).toMatch(/^As room temperature climbs from 16\.0 °C to 20\.0 °C/)
})

test('what was not read stands at the default, and a rule whose setting says off is left out', () => {
  const cupboard = demoInstallation('changing-rooms')
  const model = demoModel('coded-plug-extract')
  const off = model.settings.filter((setting) => setting.off !== undefined)
  expect(off.length).toBeGreaterThan(0)
  const found = asFound(
    { ...cupboard, dial: { present: off.map(({ id, off: value }) => ({ setting: id, value: value! })), done: [] } },
    model,
  )
  const asDefault = asFound({ ...cupboard, dial: { present: [], done: [] } }, model)
  expect(found.rules.length).toBeLessThanOrEqual(asDefault.rules.length)
  expect(checkResponse(found)).toEqual([])
})
