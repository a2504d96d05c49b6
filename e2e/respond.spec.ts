import { edit, expect, expectKept, openStage, test } from './setup/test'

test.beforeEach(async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'respond')
})

test('a handle is dragged by mouse, snaps to the controller, and is one step of undo', async ({ yard }) => {
  const handle = yard.getByRole('slider', { name: 'room temperature ramp, start' })
  const start = yard.getByRole('textbox', { name: /room temperature, start/ })
  const before = await start.inputValue()
  const box = (await handle.boundingBox())!
  await yard.mouse.move(box.x + 9, box.y + 9)
  await yard.mouse.down()
  for (let step = 1; step <= 12; step++) await yard.mouse.move(box.x + 9 - step * 8, box.y + 9)
  await yard.mouse.up()
  const after = Number(await start.inputValue())
  expect(after).toBeLessThan(Number(before))
  expect((after * 2) % 1).toBe(0)
  await yard.getByRole('button', { name: 'Undo' }).click()
  await expect(start).toHaveValue(before)
  await yard.getByRole('button', { name: 'Redo' }).click()
  await expect(start).toHaveValue(after.toFixed(1))
  await yard.getByRole('button', { name: 'Undo' }).click()
  await expectKept(yard)
})

test('everything by keys: handles, rail, fields, stages, undo', async ({ yard }) => {
  const full = yard.getByRole('textbox', { name: /room temperature, full/ })
  await yard.getByRole('slider', { name: 'room temperature ramp, full' }).press('ArrowRight')
  await expect(full).toHaveValue('20.5')
  await yard.keyboard.press('Control+z')
  await expect(full).toHaveValue('20.0')
  const floor = yard.getByRole('slider', { name: 'floor' })
  await floor.press('ArrowRight')
  await expect(floor).toHaveAttribute('aria-valuetext', '25 %')
  for (let press = 0; press < 10; press++) await floor.press('ArrowRight')
  await expect(yard.getByText('The floor cannot lie above the start kick, 60 %.')).toBeVisible()
  await floor.blur()
  for (let press = 0; press < 3; press++) await yard.keyboard.press('Control+z')
  await yard.getByRole('textbox', { name: /^floor/ }).fill('22')
  await yard.keyboard.press('Escape')
  await yard.getByRole('heading', { level: 1 }).click()
  await yard.keyboard.press(']')
  await yard.waitForURL('**/rehearse')
  await yard.keyboard.press('[')
  await yard.waitForURL('**/respond')
  await expectKept(yard)
})

test('a bad figure is refused in place with the way out, and the last good one stays', async ({ yard }) => {
  const start = yard.getByRole('textbox', { name: /room temperature, start/ })
  await start.fill('20 V')
  await expect(yard.getByRole('alert').filter({ hasText: 'is not a unit of temperature; use °C, °F' })).toBeVisible()
  await start.fill('61F')
  await expect(yard.getByRole('alert').filter({ hasText: 'unit' })).toBeHidden()
  await start.press('Enter')
  await expect(start).toHaveValue('16.1')
  await edit(yard, /room temperature, start/, '20')
  await expect(yard.getByText(/starts and is full at the same point/).first()).toBeVisible()
  await edit(yard, /room temperature, start/, '16')
  await expectKept(yard)
})

test('rules are added by a few words, switched off and removed', async ({ yard }) => {
  const rules = yard.getByRole('list', { name: 'Rules' }).getByRole('listitem')
  const before = await rules.count()
  await yard.getByRole('combobox', { name: 'Add a rule' }).fill('boost overrun')
  await expect(yard.getByRole('option')).toHaveText(['When a switch is on, run at a set speed, and run on afterwards'])
  await yard.keyboard.press('Enter')
  await expect(rules).toHaveCount(before + 1)
  const added = rules.filter({ hasText: 'boost switch' })
  await added.getByRole('button', { name: /boost switch: off/ }).click()
  await yard.getByRole('menuitem', { name: 'Switch off, keep it here' }).click()
  await expect(added).toContainText('switched off')
  await added.getByRole('button', { name: /boost switch: off/ }).click()
  await yard.getByRole('menuitem', { name: 'Remove' }).click()
  await expect(rules).toHaveCount(before)
  await expectKept(yard)
})

test('the same figures stand in a table', async ({ yard }) => {
  await yard.getByRole('button', { name: 'Table' }).click()
  await expect(yard.getByRole('row').filter({ hasText: '20.0' })).toContainText('90')
})

test('find or do goes to a stage of an installation', async ({ yard }) => {
  await yard.keyboard.press('Control+k')
  await yard.getByRole('combobox', { name: 'Find or do' }).fill('Inverter cupboard: Kit')
  await yard.keyboard.press('Enter')
  await yard.waitForURL('**/kit')
  await expect(yard.getByRole('heading', { level: 1 })).toHaveText('Inverter cupboard')
})

test('Enter pressed before the server has answered chooses what it then finds', async ({ yard }) => {
  let release = () => {}
  const released = new Promise<void>((resolve) => {
    release = resolve
  })
  await yard.route('**/api/find?holds=Inverter*', async (route) => {
    await released
    await route.continue()
  })
  const asked = yard.waitForRequest('**/api/find?holds=Inverter*')
  await yard.keyboard.press('Control+k')
  await yard.getByRole('combobox', { name: 'Find or do' }).fill('Inverter cupboard: Kit')
  await yard.keyboard.press('Enter')
  await asked
  await yard.keyboard.press('Enter')
  release()
  await yard.waitForURL('**/kit')
})

test('a person of °F reads points with 32 and differences without', async ({ yard }) => {
  const choose = async (unit: string) => {
    await yard.getByRole('button', { name: /Imke Marsh/ }).click()
    await yard.getByRole('menuitem', { name: `Temperatures in °${unit}` }).click()
    await yard.keyboard.press('Escape')
  }
  await choose('F')
  await expect(yard.getByRole('textbox', { name: 'room temperature, start, °F' })).toHaveValue('60.8')
  await expect(yard.getByTestId('reason')).toContainText('up a 7.2 F° ramp')
  await choose('C')
  await expect(yard.getByRole('textbox', { name: 'room temperature, start, °C' })).toHaveValue('16.0')
})

test('a judgement is left as it is, with a reason that stands on the record, and is said again when asked', async ({
  yard,
}) => {
  await openStage(yard, /Kiln room/, 'respond')
  const judgements = yard.getByRole('region', { name: 'Judgements' })
  await judgements.getByRole('button', { name: /Leave it, with a reason: Less air than/ }).click()
  const confirm = judgements.getByRole('button', { name: 'Leave it so' })
  await expect(confirm).toBeDisabled()
  await judgements
    .getByRole('textbox', { name: /reason to leave it/ })
    .fill('Fumes go through the hood; this fan only cools.')
  await confirm.click()
  await expect(judgements.getByText('Left as they are:')).toContainText('Fumes go through the hood')
  await expectKept(yard)
  await judgements.getByRole('button', { name: /^Say it again/ }).click()
  await expect(judgements.getByRole('button', { name: /Leave it, with a reason: Less air than/ })).toBeVisible()
})

test('a word of the trade finds its rule from anywhere, and what is not to be had is answered', async ({ yard }) => {
  await yard.keyboard.press('Control+k')
  await yard.getByRole('combobox', { name: 'Find or do' }).fill('proportional band')
  await yard.getByRole('option', { name: /^ramp:/ }).click()
  await expect(yard.getByRole('option', { name: 'As humidity climbs, run faster' })).toBeVisible()
  const add = yard.getByRole('combobox', { name: 'Add a rule' })
  await add.fill('PID')
  await expect(yard.getByText(/^No PID here/)).toBeVisible()
  await add.fill('trickle')
  await expect(yard.getByText(/^Floor: the speed below which/)).toBeVisible()
  await add.press('Escape')
  await expect(yard.getByText('(proportional band 4.0 K)')).toBeVisible()
})

test('Try it goes where the chart is pressed, and the chart is had as a picture', async ({ yard }) => {
  const box = (await yard.locator('[data-try-field]').boundingBox())!
  await yard.mouse.click(box.x + box.width * 0.75, box.y + 12)
  await expect(yard.getByText('now 21.0')).toBeVisible()
  await yard.mouse.move(box.x + box.width * 0.75, box.y + 12)
  await yard.mouse.down()
  await yard.mouse.move(box.x + box.width * 0.5, box.y + 12)
  await yard.mouse.up()
  await expect(yard.getByText('now 18.0')).toBeVisible()

  await yard.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  await yard.getByRole('button', { name: 'Speed against room temperature: copy as picture' }).click()
  await expect(yard.getByText('Copied as a picture.')).toBeVisible()
  const size = await yard.evaluate(async () => {
    const [item] = await navigator.clipboard.read()
    const picture = await createImageBitmap(await item!.getType('image/png'))
    return [picture.width, picture.height]
  })
  expect(Math.min(...size)).toBeGreaterThan(200)
})
