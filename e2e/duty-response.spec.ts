import { addByWords, makeInstallation, seal, startFromBrief } from './setup/installation'
import { edit, expect, expectKept, test } from './setup/test'

/** From the starting response of each duty, with what is usual beside it, to a sealed revision. `says` must then stand among the sentences. */
const DUTIES = [
  {
    duty: 'extract',
    adds: ['run on 10', 'start kick', 'contact normally closed'],
    says: [
      /comes on when its contact/,
      /When humidity rises by/,
      /When everything stops asking, run on/,
      /From rest, start with/,
    ],
    sets: { label: /^run-on/, text: '12 min' },
  },
  {
    duty: 'exhaust',
    adds: ['alarm too hot 45c', 'cycle timer 5', 'follow signal nothing all'],
    says: [
      /As signal climbs from/,
      /Below .* counts as lost/,
      /Alarm contact is raised when/,
      /Run .* for .* in every/,
    ],
    sets: { label: /^time on in each period/, text: '6 min' },
  },
  {
    duty: 'head pressure',
    adds: ['skip band', 'rate slow 5%', 'cut-out low speed 30%'],
    says: [/the fan stands; it comes back when/, /climbs from/, /Never stay between/, /Move no faster than/],
    sets: { label: /^upper edge of the skip band/, text: '52' },
  },
  {
    duty: 'livestock',
    adds: ['alarm too hot', 'cycle', 'least age growth 12%'],
    says: [
      /Not less than .* of growth, counted from/,
      /Growth is counted from/,
      /house climbs from/,
      /Alarm contact is raised/,
    ],
    sets: { label: /, full, °C/, text: '17' },
  },
  {
    duty: 'grow room',
    adds: ['night by light', 'hum ramp', 'power return staggered 12'],
    says: [/When the supply comes back, stand for/, /It is day while/, /As humidity climbs/],
    sets: { label: /^level of day/, text: '60' },
  },
  {
    duty: 'stove and flue',
    adds: ['scan 10', 'overheat', 'start trim 22%'],
    says: [/The lowest speed is given as/, /Read the inputs every/, /run full and stop what follows/],
    sets: { label: /^scan interval/, text: '20' },
  },
  {
    duty: 'balanced',
    adds: ['bypass', 'reduce frost', 'week 55%', 'season year', 'target tied 21c'],
    says: [
      /The year: warm season from/,
      /Points tied to it move with it/,
      /Bypass is open when/,
      /less, never under the floor/,
      /By the clock/,
    ],
    sets: { label: /^reduction/, text: '25' },
  },
  {
    duty: 'door curtain',
    adds: ['isolate', 'alarm too hot 28c', 'gear named speed', 'gear more door'],
    says: [
      /Run .* named speed more while/,
      /^High: /,
      /gives heat/,
      /is open, nothing turns/,
      /Alarm contact is raised/,
    ],
    sets: { label: /^heater purge/, text: '90 s' },
  },
  {
    duty: 'electronics cooling',
    adds: ['test 80%', 'heat permission 40%', 'filter stop days'],
    says: [/While it is, every fan stands/, /Test switch is on|While test switch is on/, /Heat is permitted when/],
    sets: { label: /^speed of the test/, text: '70' },
  },
] as const

/** What brings more than one sentence with it. */
const BRINGS: Readonly<Record<string, number>> = {
  'follow signal nothing all': 2,
  'least age growth 12%': 2,
  'gear named speed': 3,
}

for (const { duty, adds, says, sets } of DUTIES)
  test(`${duty}: from the starting response to a sealed revision`, async ({ yard }) => {
    await makeInstallation(yard, `Trial ${duty}`, duty, 'Respond')
    await startFromBrief(yard)
    const sentences = yard.getByRole('list', { name: 'Rules' }).getByRole('listitem')
    let count = await sentences.count()
    for (const words of adds) {
      await addByWords(yard, words)
      count += BRINGS[words] ?? 1
      await expect(sentences).toHaveCount(count)
    }
    for (const output of says) await expect(sentences.filter({ hasText: output }).first()).toBeVisible()
    await edit(yard, sets.label, sets.text)
    // Everything stands in the answer beside it, and nothing contradicts itself.
    await expect(yard.getByTestId('speed-now')).toHaveText(/^\d+(\.\d)?%$/)
    await expect(yard.getByRole('group', { name: /^Speed against/ }).first()).toBeVisible()
    await expectKept(yard)
    await seal(yard, 'Begun by duty, set by hand', 1)
  })
