import { addByWords, makeInstallation, seal, startFromBrief } from './setup/installation'
import { edit, expect, expectKept, test } from './setup/test'

/** From the starting response of each duty, with what is usual beside it, to a sealed revision. `says` must then stand among the sentences. */
const DUTIES = [
  {
    duty: 'extract',
    adds: ['run on 10', 'start kick'],
    says: [/When humidity rises by/, /When everything stops asking, run on/, /From rest, start with/],
    sets: { label: /^run-on/, text: '12 min' },
  },
  {
    duty: 'exhaust',
    adds: ['alarm too hot 45c', 'cycle timer 5'],
    says: [/Alarm contact is raised when/, /Run .* for .* in every/],
    sets: { label: /^time on in each period/, text: '6 min' },
  },
  {
    duty: 'head pressure',
    adds: ['skip band', 'rate slow 5%'],
    says: [/climbs from/, /Never stay between/, /Move no faster than/],
    sets: { label: /^upper edge of the skip band/, text: '52' },
  },
  {
    duty: 'livestock',
    adds: ['alarm too hot', 'cycle'],
    says: [/house climbs from/, /Alarm contact is raised/],
    sets: { label: /, full, °C/, text: '17' },
  },
  {
    duty: 'grow room',
    adds: ['night by light', 'hum ramp'],
    says: [/It is day while/, /As humidity climbs/],
    sets: { label: /^level of day/, text: '60' },
  },
  {
    duty: 'stove and flue',
    adds: ['scan 10', 'overheat'],
    says: [/Read the inputs every/, /run full and stop what follows/],
    sets: { label: /^scan interval/, text: '20' },
  },
  {
    duty: 'balanced',
    adds: ['bypass', 'reduce frost', 'week 55%'],
    says: [/Bypass is open when/, /less, never under the floor/, /By the clock/],
    sets: { label: /^reduction/, text: '25' },
  },
  {
    duty: 'door curtain',
    adds: ['isolate', 'alarm too hot 28c'],
    says: [/gives heat/, /is open, nothing turns/, /Alarm contact is raised/],
    sets: { label: /^heater purge/, text: '90 s' },
  },
  {
    duty: 'electronics cooling',
    adds: ['test 80%', 'heat permission 40%'],
    says: [/Test switch is on|While test switch is on/, /Heat is permitted when/],
    sets: { label: /^speed of the test/, text: '70' },
  },
] as const

for (const { duty, adds, says, sets } of DUTIES)
  test(`${duty}: from the starting response to a sealed revision`, async ({ yard }) => {
    await makeInstallation(yard, `Trial ${duty}`, duty, 'Respond')
    await startFromBrief(yard)
    const sentences = yard.getByRole('list', { name: 'Rules' }).getByRole('listitem')
    const atFirst = await sentences.count()
    for (const [index, words] of adds.entries()) {
      await addByWords(yard, words)
      await expect(sentences).toHaveCount(atFirst + index + 1)
    }
    for (const output of says) await expect(sentences.filter({ hasText: output }).first()).toBeVisible()
    await edit(yard, sets.label, sets.text)
    // Everything stands in the answer beside it, and nothing contradicts itself.
    await expect(yard.getByTestId('speed-now')).toHaveText(/^\d+(\.\d)?%$/)
    await expect(yard.getByRole('group', { name: /^Speed against/ }).first()).toBeVisible()
    await expectKept(yard)
    await seal(yard, 'Begun by duty, set by hand', 1)
  })
