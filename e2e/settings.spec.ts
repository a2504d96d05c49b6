import { expect, expectKept, expectNoAxeFindings, openStage, test } from './setup/test'

test('every setting of a panel: found, decided, read back, with a reason, and entered', async ({ yard }) => {
  await openStage(yard, /Ticket-hall door/, 'dial-in')
  await yard.getByRole('tab', { name: 'All settings' }).click()
  const settings = yard.getByRole('list', { name: 'Settings' }).getByRole('listitem')
  await expect(settings).toHaveCount(13)
  const contact = settings.filter({ hasText: 'Door contact' })
  await expect(contact).toContainText('Decide.')
  await contact.getByRole('combobox', { name: 'decided: Door contact' }).click()
  await yard.getByRole('option', { name: 'opens when open' }).click()
  await expect(contact).toContainText('Not entered yet')
  await contact.getByRole('textbox', { name: 'reason: Door contact' }).fill('The reed that is fitted opens.')
  await contact.getByRole('combobox', { name: 'read back: Door contact' }).click()
  await yard.getByRole('option', { name: 'closes when open' }).click()
  await expect(contact).toContainText('not as wanted')
  await expectKept(yard)
  await yard.reload()
  await yard.getByRole('tab', { name: 'All settings' }).click()
  await yard.getByRole('button', { name: /^Open/ }).click()
  await expect(settings.filter({ hasText: 'Door contact' })).toContainText('not as wanted')
  await expect(settings.filter({ hasText: 'Room warmth' })).toHaveCount(0)
  await expectNoAxeFindings(yard)

  await test.step('what a change would do is said', async () => {
    await yard.getByRole('button', { name: /^All 13/ }).click()
    await settings.filter({ hasText: 'Gear 1' }).getByRole('button', { name: 'More of Gear 1' }).click()
    await yard.getByRole('textbox', { name: 'try another value: Gear 1' }).fill('55')
    await expect(settings.filter({ hasText: 'Gear 1' })).toContainText('15 points of speed apart')
  })
  await test.step('the calendar is told what the panel means', async () => {
    await yard.getByRole('tab', { name: 'All actions' }).click()
    await expect(yard.getByText('Door contact: ')).toBeVisible()
    // On at 18 °C on a wheel that goes off at its set point, a degree wide.
    await expect(yard.getByRole('listitem').filter({ hasText: 'Period 1, ' })).toContainText('19.0 °C')
  })
  await test.step('lamps and codes, each with the next look', async () => {
    await yard.getByRole('tab', { name: 'Lamps and codes' }).click()
    await expect(yard.getByRole('region', { name: 'Codes' })).toContainText('Isolate. Look for a blocked intake')
  })
})

test('after an outage: the gravest first, ticked, kept in the log', async ({ yard }) => {
  await yard.goto('/yard')
  await yard.getByRole('region', { name: 'Wherry Lane Yard' }).getByRole('link', { name: 'After an outage' }).click()
  await yard.waitForURL('**/outage?**')
  const first = yard.getByRole('main').getByRole('region').first()
  await expect(first).toHaveAccessibleName('Duckling brooder')
  await yard.getByRole('textbox', { name: 'Power was away from' }).fill('03:10')
  await first.getByRole('checkbox', { name: /See every fan turn/ }).check()
  await yard.reload()
  await expect(first.getByRole('checkbox', { name: /See every fan turn/ })).toBeChecked()
  await expectNoAxeFindings(yard)
  await first.getByRole('button', { name: 'Keep in the log' }).click()
  await expect(first.getByRole('status')).toHaveText('In the log.')
  await yard.goto('/log')
  await expect(yard.getByText(/The power was away from 03:10 to \?\. 1 of 4 looked at/).first()).toBeVisible()
})

test('controllers are found by what they are to do, and two are compared', async ({ yard }) => {
  await yard.goto('/controllers')
  const found = yard.getByRole('main').getByRole('status')
  // Another test may have left one of its own beside the ten of the demo.
  await expect(found).toHaveText(/^(10 of 10|11 of 11)$/)
  await yard.getByRole('button', { name: 'On and off by a reading' }).click()
  await yard.getByRole('button', { name: 'A calendar' }).click()
  await expect(found).toHaveText(/^2 of/)
  for (const name of ['Door-curtain control with a gear wheel', 'Balanced unit with a scroll wheel'])
    await yard.getByRole('region', { name }).getByRole('button', { name: 'Compare' }).click()
  await expect(yard.getByRole('region', { name: 'Compared' })).toContainText('A bypass damper')
  await yard.getByRole('combobox', { name: 'duty' }).click()
  await yard.getByRole('option', { name: 'door curtain' }).click()
  await expect(yard.getByRole('region', { name: 'Door-curtain control with a gear wheel' })).toContainText(
    'Does everything this duty starts with.',
  )
  await yard.getByRole('textbox', { name: 'Find a controller' }).fill('nothing like it')
  await expect(yard.getByText(/None does all of that/)).toBeVisible()
})

test('a rule hangs on the hours of the week, and its sentence says so', async ({ yard }) => {
  await openStage(yard, /Archive flat/, 'respond')
  const warm = yard
    .getByRole('list', { name: 'Rules' })
    .getByRole('listitem')
    .filter({ hasText: 'room temperature less' })
  await expect(warm).toContainText('Only while')
  await warm.getByRole('button', { name: /: off, move, copy, remove$/ }).click()
  await yard.getByRole('menuitem', { name: 'Only while it is some hours of the week' }).click()
  await expect(warm).toContainText('and it is')
  await expectKept(yard)
})
