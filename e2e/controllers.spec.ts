import { expect, openStage, test } from './setup/test'

test('a controller of one’s own: from an example, checked as one types, played, kept, and chosen', async ({ yard }) => {
  await yard.goto('/controllers')
  await yard
    .getByRole('region', { name: 'Two-pad PWM board' })
    .getByRole('link', { name: 'Make one of your own like it' })
    .click()
  const keep = yard.getByRole('button', { name: 'Keep it' })
  await expect(keep).toBeEnabled()

  await test.step('a value that contradicts another is said, and it cannot be kept', async () => {
    await yard
      .getByRole('textbox', { name: 'base, from, %' })
      .or(yard.getByRole('textbox', { name: /, from, %/ }))
      .first()
      .fill('100')
    await expect(yard.getByText(/to mend before it can be kept/)).toBeVisible()
    await expect(keep).toBeDisabled()
    await yard
      .getByRole('textbox', { name: /, from, %/ })
      .first()
      .fill('8')
    await expect(keep).toBeEnabled()
  })
  await test.step('its panel is played', async () => {
    await yard.getByRole('button', { name: 'both pads: hold' }).click()
    await expect(yard.getByRole('status').filter({ hasText: 'blinks' })).toContainText('40 %')
    await yard.getByRole('button', { name: 'right pad: press' }).click()
    await expect(yard.getByRole('status').filter({ hasText: 'blinks' })).toContainText('44 %')
  })
  await test.step('what would be pressed for an installation follows', async () => {
    await yard.getByRole('combobox', { name: 'installation for the actions' }).click()
    await yard.getByRole('option', { name: 'Inverter cupboard' }).click()
    await expect(yard.getByRole('listitem').filter({ hasText: 'Base duty' })).toBeVisible()
  })
  await test.step('settings come from a spreadsheet, a bad line is said and stays', async () => {
    await yard
      .getByRole('textbox', { name: 'Paste settings from a spreadsheet' })
      .fill('name\tfrom\tto\tstep\tdefault\tunit\nBeeper\t0\t1\t1\t0\tcount\nTorn\tx\t1\t1\t0\tcount')
    await expect(yard.getByText(/line 3/)).toBeVisible()
    await yard.getByRole('button', { name: 'Add 1 setting' }).click()
    await expect(yard.getByRole('textbox', { name: 'name of beeper' })).toHaveValue('Beeper')
    await expect(yard.getByRole('textbox', { name: 'Paste settings from a spreadsheet' })).toHaveValue(/Torn/)
    // Nothing on its panel leads to it yet.
    await expect(yard.getByText(/to mend before it can be kept/)).toBeVisible()
    await yard.getByRole('button', { name: 'Begin it anew from the settings' }).click()
    const walk = yard.getByRole('group', { name: 'Walk the panel' })
    await walk.getByRole('button', { name: 'go to at-base' }).click()
    await expect(walk.getByRole('textbox', { name: 'what it shows here' })).toHaveValue(/Base/)
    await walk.getByRole('button', { name: 'Do it' }).click()
    await expect(walk.getByRole('textbox', { name: 'what it shows here' })).toHaveValue('…')
    // From there no way leads back yet.
    await expect(yard.getByText(/to mend before it can be kept/)).toBeVisible()
    await walk.getByRole('combobox', { name: 'where it leads' }).click()
    await yard.getByRole('option', { name: 'to front' }).click()
    await walk.getByRole('button', { name: 'Do it' }).click()
    await yard.getByRole('button', { name: 'Begin it anew from the settings' }).click()
    await yard.getByRole('switch', { name: 'Can the fan stand still while nothing asks?' }).check()
    await expect(keep).toBeEnabled()
  })
  await test.step('a draft outlives its page', async () => {
    await yard.getByRole('textbox', { name: 'name of the controller' }).fill('Jetty board')
    await yard.reload()
    await expect(yard.getByRole('textbox', { name: 'name of the controller' })).toHaveValue('Jetty board')
  })
  await keep.click()
  await expect(
    yard
      .getByText('Kept. It can be chosen under Kit.')
      .or(yard.getByRole('heading', { name: 'Jetty board' }))
      .first(),
  ).toBeVisible()
  await openStage(yard, /Inverter cupboard/, 'kit')
  await yard.getByRole('combobox', { name: 'controller' }).click()
  await expect(yard.getByRole('option', { name: 'Jetty board' })).toBeVisible()
  await test.step('a newer version is offered where the older one is used', async () => {
    await yard.getByRole('option', { name: 'Jetty board' }).click()
    await yard.goto('/controllers')
    await yard
      .getByRole('region', { name: 'Jetty board', exact: true })
      .getByRole('link', { name: 'Change it' })
      .click()
    await yard.getByRole('textbox', { name: 'about the controller' }).fill('A board on the jetty, as it is now.')
    await yard.getByRole('button', { name: 'Keep it' }).click()
    await expect(yard.getByText('Kept. It can be chosen under Kit.')).toBeVisible()
    await openStage(yard, /Inverter cupboard/, 'kit')
    await yard.getByRole('button', { name: 'Use version 2' }).click()
    await expect(yard.getByRole('button', { name: 'Use version 2' })).toBeHidden()
  })
  await test.step('deleted it leaves the list, and can be brought back', async () => {
    await yard.goto('/controllers')
    await yard.getByRole('button', { name: 'Delete: Jetty board' }).click()
    const away = yard.getByRole('region', { name: 'Out of the list' })
    await expect(away).toContainText('Jetty board, deleted; gone for good on')
    await away.getByRole('button', { name: 'Bring back: Jetty board' }).click()
    await expect(yard.getByRole('region', { name: 'Jetty board', exact: true })).toBeVisible()
  })
})
