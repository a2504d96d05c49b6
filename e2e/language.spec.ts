import { expect, expectKept, expectNoAxeFindings, openStage, test } from './setup/test'

test('a target takes with it what is tied to it', async ({ yard }) => {
  await openStage(yard, /Archive flat/, 'respond')
  const bypass = yard.getByRole('textbox', { name: 'room temperature, point, °C' })
  await expect(bypass).toHaveValue('24.5')
  const home = yard.getByRole('textbox', { name: 'home, °C', exact: true })
  await home.fill('21')
  await home.press('Enter')
  await expect(bypass).toHaveValue('23.5')
  await expect(yard.getByRole('textbox', { name: 'outdoor temperature, point, °C' })).toHaveValue('14.0')
  await expectKept(yard)
  await yard.reload()
  await expect(bypass).toHaveValue('23.5')
  await expectNoAxeFindings(yard)
  // Other tests look at the same flat.
  await home.fill('22')
  await home.press('Enter')
  await expect(bypass).toHaveValue('24.5')
  await expectKept(yard)
})

test('the season of the date moves it, and its other value stands in the list of settings', async ({ yard }) => {
  await openStage(yard, /Archive flat/, 'respond')
  const date = yard.getByRole('slider', { name: 'Date' })
  await expect(date).toBeVisible()
  // A year from end to end: it passes through both seasons, whatever today is.
  const now = yard.getByRole('listitem').filter({ hasText: 'Points tied to it move with it' })
  await date.press('Home')
  const seen = new Set<string>()
  for (let page = 0; page < 37; page++) {
    await date.press('PageUp')
    const text = (await now.textContent()) ?? ''
    for (const value of ['21.2', '22.0']) if (new RegExp(`${value}\\s°C`).test(text)) seen.add(value)
  }
  expect([...seen].sort()).toEqual(['21.2', '22.0'])
})

test('one gear more while the door is open, and the top in reach', async ({ yard }) => {
  await openStage(yard, /Ticket-hall door/, 'respond')
  await yard.getByRole('switch', { name: 'Door contact' }).check()
  await expect(yard.getByTestId('speed-now')).toHaveText('100%')
  const more = yard.getByRole('textbox', { name: 'speeds more' })
  await expect(more).toHaveValue('1')
  const second = yard.getByRole('textbox', { name: 'gear 2, curtain, %' })
  await second.fill('75')
  await second.press('Enter')
  // What the door asks is under the second gear now: one more than the first is the second.
  await expect(yard.getByTestId('speed-now')).toHaveText('75%')
  await second.fill('70')
  await second.press('Enter')
  await expectKept(yard)
})
