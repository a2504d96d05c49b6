import { readFileSync } from 'node:fs'
import { addByWords, lookAt, makeInstallation, tabTo } from './setup/installation'
import { edit, expect, expectKept, expectNoAxeFindings, openStage, test } from './setup/test'

test('by keys alone: a ramp, a rapid rise, a week and a follower', async ({ yard }) => {
  await makeInstallation(yard, 'Keys only', 'grow room', 'Kit')
  const press = async (...keys: string[]) => {
    for (const key of keys) await yard.keyboard.press(key)
  }
  await tabTo(yard, yard.getByRole('button', { name: 'Add a fan' }))
  await press('Enter')
  await expect(yard.getByRole('textbox', { name: 'name of fan 2' })).toBeVisible()
  await yard.keyboard.press('Escape')
  await press(']')
  await yard.waitForURL('**/calibrate')
  await press(']')
  await yard.waitForURL('**/respond')
  const sentences = yard.getByRole('list', { name: 'Rules' }).getByRole('listitem')
  const add = async (words: string, output: RegExp) => {
    await press('a')
    await expect(yard.getByRole('combobox', { name: 'Add a rule' })).toBeFocused()
    await yard.keyboard.type(words)
    await press('Enter')
    await expect(sentences.filter({ hasText: output }).first()).toBeVisible()
    await press('Escape')
    await yard.keyboard.press('Tab')
  }
  const leaveField = () => yard.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await add('hum ramp', /As humidity climbs/)
  await leaveField()
  await add('hum surge 12', /When humidity rises by/)
  await leaveField()
  await add('week', /By the clock/)
  await leaveField()
  await add('follow 75', /follows at/)
  const ratio = yard.getByRole('textbox', { name: /share of the lead/ })
  await expect(ratio).toHaveValue('75')
  await leaveField()
  await tabTo(yard, ratio)
  await press('ArrowUp')
  await expect(ratio).toHaveValue('76')
  await tabTo(yard, yard.getByRole('textbox', { name: 'from', exact: true }))
  await press('ArrowUp')
  await expect(yard.getByRole('textbox', { name: 'from', exact: true })).toHaveValue('08:15')
  await tabTo(yard, yard.getByRole('slider', { name: 'room temperature ramp, start' }))
  const before = await yard.getByRole('textbox', { name: /room temperature, start/ }).inputValue()
  await press('ArrowRight')
  await expect(yard.getByRole('textbox', { name: /room temperature, start/ })).not.toHaveValue(before)
  await expectKept(yard)
})

test('a sentence is switched off without being lost, noted, copied, moved, and brought back', async ({ yard }) => {
  await openStage(yard, /Archive flat/, 'respond')
  const sentences = yard.getByRole('list', { name: 'Rules' }).getByRole('listitem')
  const cold = sentences.filter({ hasText: 'less, never under the floor' })
  const menu = async (line: typeof cold, item: string) => {
    await line.getByRole('button', { name: /off, move, copy, remove/ }).click()
    await yard.getByRole('menuitem', { name: item, exact: true }).click()
  }
  await menu(cold, 'Switch off, keep it here')
  await expect(cold).toContainText('switched off')
  await expectKept(yard)
  await yard.reload()
  await expect(cold).toContainText('switched off')
  await edit(yard, /^reduction/, '15')
  await menu(cold, 'Switch on')
  await expect(cold).not.toContainText('switched off')
  await expect(yard.getByRole('textbox', { name: /^reduction/ })).toHaveValue('15')
  await menu(cold, 'Note…')
  await yard.getByRole('combobox', { name: /what the note on/ }).click()
  await yard.getByRole('option', { name: 'reduction', exact: true }).click()
  await yard.getByRole('textbox', { name: /^note on/ }).fill('The neighbour hears it at 20')
  await yard.getByRole('button', { name: 'Keep the note' }).click()
  await expect(cold).toContainText('The neighbour hears it at 20')
  await menu(cold, 'Copy')
  await expect(cold).toHaveCount(2)
  await yard.keyboard.press('Control+z')
  await expect(cold).toHaveCount(1)
  // Behind what every response has, the seasons and the target.
  const [first, second] = [sentences.nth(3), sentences.nth(4)]
  const [was, then] = [await first.innerText(), await second.innerText()]
  await menu(second, 'Move up')
  await expect(first).toContainText(then.slice(0, 12))
  await expect(second).toContainText(was.slice(0, 12))
  await expectKept(yard)
})

test('start from the controller as found: what the panel shows is said in sentences, with what is odd', async ({
  yard,
}) => {
  await openStage(yard, /Fruiting room/, 'respond')
  await yard.getByRole('button', { name: 'Start from…' }).click()
  await yard.getByRole('menuitem', { name: 'From the controller as found' }).click()
  const meaning = yard.getByRole('region', { name: 'What it means' })
  await edit(yard, /^Lowest speed/, '10')
  await expect(meaning.getByText(/Always run at least 10 %/)).toBeVisible()
  await expect(meaning.getByText('What is odd about it')).toBeVisible()
  await yard.getByRole('button', { name: 'Close' }).click()
  await yard.keyboard.press('Control+z')
  await expectKept(yard)
})

test('a sentence is copied from another installation, with the input it needs', async ({ yard }) => {
  await makeInstallation(yard, 'Copies a rule', 'exhaust', 'Respond')
  await yard.getByRole('button', { name: 'Start from…' }).click()
  await yard.getByRole('menuitem', { name: 'From another installation' }).click()
  await yard.getByRole('combobox', { name: 'installation to take from' }).click()
  await yard
    .getByRole('option', { name: /Changing rooms|changing rooms/ })
    .first()
    .click()
  await yard.getByRole('listitem').filter({ hasText: 'rises by' }).getByRole('button', { name: 'Copy this' }).click()
  await expect(yard.getByText('Copied. It stands with the others')).toBeVisible()
  await yard.getByRole('button', { name: 'Close' }).click()
  await expect(yard.getByRole('list', { name: 'Rules' })).toContainText('rises by')
  await expectKept(yard)
})

test('a sealed revision lies beside: sentences and a dotted curve', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'respond')
  await yard.getByRole('combobox', { name: 'revision to compare with' }).click()
  await yard.getByRole('option', { name: /^rev 1,/ }).click()
  await expect(yard.getByText('dotted in the chart')).toBeVisible()
  await expect(yard.getByRole('list', { name: 'Changes' }).getByRole('listitem').first()).toBeVisible()
})

test('controllers are compared, and what moves is shown before one is taken', async ({ yard }) => {
  await openStage(yard, /Inverter cupboard/, 'respond')
  await lookAt(yard, 'controllers compared')
  const table = yard.getByRole('table', { name: 'Controllers compared' })
  // The nine examples under the heading; models of one’s own may stand among them.
  await expect(table.getByRole('row').nth(9)).toBeVisible()
  await expect(table).toContainText('◂ chosen')
  await table
    .getByRole('button', { name: /What moves with/ })
    .last()
    .click()
  await expect(yard.getByRole('region', { name: 'What moves' })).toBeVisible()
  await expectNoAxeFindings(yard)
})

test('time passes: a thrown switch, what is remembered, and a moment that is shared by its address', async ({
  yard,
}) => {
  const path = await openStage(yard, /Fruiting room/, 'respond')
  const side = yard.getByRole('complementary', { name: 'Try it' })
  await side.getByRole('combobox', { name: 'switch to throw' }).click()
  await yard.getByRole('option', { name: 'harvest switch' }).click()
  await edit(yard, /how long the switch is on/, '10 min')
  await side.getByRole('button', { name: 'Advance time by a minute' }).click()
  await expect(side.getByTestId('passed')).toContainText('60 s have passed')
  await side.getByRole('button', { name: 'As if settled again' }).click()
  await edit(yard, /how long the switch is on/, '59 min')
  await side.getByRole('button', { name: 'Advance time by a whole hour' }).click()
  await expect(side.getByRole('list', { name: 'What it remembers' })).toContainText(
    'Harvest switch is off and runs on for',
  )
  await side.getByRole('button', { name: 'As if settled again' }).click()
  await side.getByRole('slider', { name: 'Room temperature', exact: true }).fill('20')
  await side.getByRole('button', { name: 'Try Humidity without a reading' }).click()
  await expect(side.getByText('no reading').first()).toBeVisible()
  const now = await side.getByTestId('speed-now').innerText()
  await side.getByRole('button', { name: 'Save this state' }).click()
  const address = await side.getByRole('textbox', { name: 'address of this moment' }).inputValue()
  expect(address).toContain(path)
  await yard.goto('/yard')
  await yard.goto(address)
  await expect(side.getByTestId('speed-now')).toHaveText(now)
  await expect(side.getByText('no reading').first()).toBeVisible()
})

test('a join of the ladder is dragged by keys, and the step at it is told', async ({ yard }) => {
  await openStage(yard, /Duckling brooder/, 'respond')
  // It begins with the ladder, in air, against what the fans answer to.
  const choose = async (what: string, option: string) => {
    await yard.getByRole('combobox', { name: what }).click()
    await yard.getByRole('option', { name: option, exact: true }).click()
  }
  await expect(yard.getByRole('combobox', { name: 'what the ladder is drawn against' })).toHaveText('house')
  await choose('what the ladder is drawn against', 'demand')
  await choose('what the ladder measures', 'fans’ worth of air')
  await expect(yard.getByText('steps from 1.00 to 1.60')).toBeVisible()
  const join = yard.getByRole('slider', { name: 'fixed fan 1 joins at' })
  const before = Number(await join.getAttribute('aria-valuenow'))
  await join.press('ArrowRight')
  await expect.poll(async () => Number(await join.getAttribute('aria-valuenow'))).toBeGreaterThan(before)
  await expectNoAxeFindings(yard)
  await yard.keyboard.press('Control+z')
  await yard.getByRole('button', { name: 'Table', exact: true }).click()
  await expect(yard.getByRole('table', { name: 'Staging ladder' }).getByRole('row').nth(1)).toContainText('fans’ worth')
  const [file] = await Promise.all([
    yard.waitForEvent('download'),
    yard.getByRole('button', { name: 'Save as CSV' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('Staging ladder.csv')
  expect(readFileSync(await file.path(), 'utf8')).toMatch(/^"demand, %","variable, %",fixed,climbing,falling\n0,/)
})

test('the week is painted: a day copied, a period wiped, what runs when told', async ({ yard }) => {
  await openStage(yard, /Archive flat/, 'respond')
  await lookAt(yard, 'week, and what runs when')
  const week = yard.getByRole('group', { name: 'Painted week' })
  const evenings = week.getByRole('button', { name: /17:30–22:30/ })
  await expect(evenings).toHaveCount(5)
  await yard.getByRole('button', { name: 'Copy the day' }).click()
  await yard.getByRole('combobox', { name: 'day to copy' }).click()
  await yard.getByRole('option', { name: 'Sun' }).click()
  await yard.getByRole('button', { name: 'Copy the day' }).click()
  await expect(evenings).toHaveCount(1)
  await evenings.press('Delete')
  await expect(evenings).toHaveCount(0)
  await yard.getByRole('combobox', { name: 'kind of day' }).click()
  await yard.getByRole('option', { name: /forward/ }).click()
  await expect(yard.getByRole('region', { name: 'What runs when' })).toContainText('23 h')
  await expectNoAxeFindings(yard)
  for (let undo = 0; undo < 2; undo++) await yard.keyboard.press('Control+z')
  await expect(evenings).toHaveCount(5)
  await yard.getByRole('button', { name: 'Keep another season' }).click()
  await yard.getByRole('combobox', { name: 'which week' }).click()
  await yard.getByRole('option', { name: 'another season, resting' }).click()
  await yard.getByRole('button', { name: 'Let this one run, the other weeks rest' }).click()
  await expect(yard.getByRole('list', { name: 'Rules' }).getByText('switched off')).toHaveCount(1)
  for (let undo = 0; undo < 2; undo++) await yard.keyboard.press('Control+z')
  await expectKept(yard)
})

test('the week is painted, moved and stretched with the pointer and by keys, each one step to undo', async ({
  yard,
}) => {
  await openStage(yard, /Archive flat/, 'respond')
  await lookAt(yard, 'week, and what runs when')
  const week = yard.getByRole('group', { name: 'Painted week' })
  const friday = week.getByRole('button', { name: /^Fri 17:30–22:30/ })
  const box = (await friday.boundingBox())!
  const hour = box.width / 5
  const drag = async (fromX: number, toX: number) => {
    await yard.mouse.move(fromX, box.y + box.height / 2)
    await yard.mouse.down()
    await yard.mouse.move((fromX + toX) / 2, box.y + box.height / 2)
    await yard.mouse.move(toX, box.y + box.height / 2)
    await yard.mouse.up()
  }
  await drag(box.x + hour, box.x)
  await expect(week.getByRole('button', { name: /^Fri 16:30–21:30/ })).toHaveAttribute('aria-pressed', 'true')
  await expect(week.getByRole('textbox', { name: 'start of this period' })).toHaveValue('16:30')
  await yard.keyboard.press('Control+z')
  await expect(friday).toBeVisible()
  await friday.press('ArrowRight')
  await week.getByRole('slider', { name: 'Fri 17:45–22:45, end' }).press('ArrowLeft')
  await expect(week.getByRole('button', { name: /^Fri 17:45–22:30/ })).toBeVisible()
  await expectNoAxeFindings(yard)
  for (let undo = 0; undo < 2; undo++) await yard.keyboard.press('Control+z')
  const before = await week.getByRole('button', { name: /^Fri/ }).count()
  await drag(box.x - hour, box.x - 3 * hour)
  await expect(week.getByRole('button', { name: /^Fri/ })).toHaveCount(before + 1)
  await yard.keyboard.press('Control+z')
  await expect(week.getByRole('button', { name: /^Fri/ })).toHaveCount(before)
  await expectKept(yard)
})

for (const { name, installation, view, shows } of [
  {
    name: 'bypass map',
    installation: /Archive flat/,
    view: 'two inputs at once',
    shows: 'Over outdoor temperature and room temperature',
  },
  {
    name: 'followers in flow',
    installation: /Fruiting room/,
    view: 'followers in flow',
    shows: 'exhaust and make-up in flow',
  },
])
  test(`${name} is drawn and clean`, async ({ yard }) => {
    await openStage(yard, installation, 'respond')
    await lookAt(yard, view)
    await expect(yard.getByRole('group', { name: shows })).toBeVisible()
    await expectNoAxeFindings(yard)
    await yard.getByRole('button', { name: 'Table', exact: true }).click()
    await expect(yard.getByRole('table', { name: shows })).toBeVisible()
  })

test('the condenser scale puts probe, saturation and pressure beside each other', async ({ yard }) => {
  await openStage(yard, /Creamery condenser/, 'respond')
  await lookAt(yard, 'probe, saturation and pressure')
  await expect(yard.getByRole('img', { name: /Probe, condensing temperature, pressure and speed of/ })).toBeVisible()
  await expectNoAxeFindings(yard)
})

test('day and night stand side by side', async ({ yard }) => {
  await makeInstallation(yard, 'By day and night', 'grow room', 'Respond')
  await addByWords(yard, 'night by light')
  await lookAt(yard, 'day and night side by side')
  await expect(yard.getByRole('group', { name: /^By day, against/ })).toBeVisible()
  await expect(yard.getByRole('group', { name: /^By night, against/ })).toBeVisible()
})
