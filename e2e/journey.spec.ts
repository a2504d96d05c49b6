import { runningOf, startGale, type Gale } from './setup/gale'
import { edit, expect, expectKept, openDemo, openStage, test } from './setup/test'

/** The whole road, on a Soft Gale of its own that is killed and started again at the end. */
test('sign in, change the ramp, dial in, prove, seal, kill everything, find it again', async ({ browser }) => {
  test.setTimeout(180_000)
  let gale: Gale = await startGale()
  const page = await (await browser.newContext({ baseURL: gale.url })).newPage()
  await openDemo(page)
  await page
    .getByRole('link', { name: /Fruiting room 2/ })
    .first()
    .click()

  await test.step('change the ramp and see speed and reason', async () => {
    await edit(page, /room temperature, start/, '15.5')
    await page.getByRole('slider', { name: 'Room temperature', exact: true }).fill('18.3')
    await expect(page.getByTestId('speed-now')).toHaveText('65%')
    await expect(page.getByTestId('reason')).toContainText('Room temperature is 2.8 K up a 4.5 K ramp')
    await expect(page.getByRole('listitem').filter({ hasText: '◂ active' })).toContainText('room temperature')
    await expectKept(page)
  })

  await test.step('the list of what to press counts from what the panel shows', async () => {
    await page.getByRole('link', { name: /Dial in/ }).click()
    await expect(page.getByText('What this controller cannot do')).toBeVisible()
    await page.getByRole('checkbox', { name: 'Action 1 done' }).click()
    await page.getByRole('checkbox', { name: 'Action 2 done' }).click()
    await expect(page.getByText('turn back 9 clicks (0.5 K each), press and hold 2 s to keep')).toBeVisible()
    await page.getByRole('checkbox', { name: 'Action 3 done' }).click()
    await expect(page.getByText('3 of 19 done')).toBeVisible()
    await expectKept(page)
  })

  await test.step('prove the floor with a reading', async () => {
    await page.getByRole('link', { name: /Prove/ }).first().click()
    await expect(page.getByText('Check 1 of 13')).toBeVisible()
    await page.getByRole('textbox', { name: /^room temperature read/ }).fill('14')
    await page.getByRole('textbox', { name: /^humidity read/ }).fill('84')
    await page.getByRole('textbox', { name: /^make-up read/ }).fill('20')
    const exhaust = page.getByRole('textbox', { name: /^exhaust read/ })
    await exhaust.fill('150')
    await expect(page.getByRole('alert').filter({ hasText: '150' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Keep and next' })).toBeDisabled()
    await exhaust.fill('26')
    await expect(page.getByText('Passes. exhaust 1 percentage points off; 23 to 27 % allowed.')).toBeVisible()
    await page.getByRole('button', { name: 'Keep and next' }).click()
    await expect(page.getByText('Check 2 of 13')).toBeVisible()
    await expect(page.getByRole('link', { name: /Prove/ }).first()).toContainText('1 of 13 checks')
  })

  await test.step('seal it with a reason', async () => {
    await page.getByRole('link', { name: /Hand over/ }).click()
    await expect(page.getByRole('list', { name: 'Changes' })).toContainText('climbs from 15.5 °C to 20.0 °C')
    await page.getByRole('textbox', { name: 'Reason for this seal' }).fill('Starts earlier, as the grower asked')
    await page.getByRole('button', { name: /^Seal revision 2:/ }).click()
    await expect(page.getByText('Nothing has changed since revision 2 was sealed.')).toBeVisible()
  })

  await test.step('kill server, database and start command at once; start again', async () => {
    const { gale: pid, postgres, web } = runningOf(gale.folder)
    for (const one of [pid, web, postgres]) process.kill(one, 'SIGKILL')
    gale = await startGale({ folder: gale.folder })
  })

  await test.step('find it again as it was', async () => {
    const again = await (await browser.newContext({ baseURL: gale.url })).newPage()
    await openDemo(again)
    await expect(again.getByRole('main')).toContainText('Rev 2, sealed')
    await openStage(again, /Fruiting room 2/, 'respond')
    await expect(again.getByRole('textbox', { name: /room temperature, start/ })).toHaveValue('15.5')
    await openStage(again, /Fruiting room 2/, 'dial-in')
    await expect(again.getByText('3 of 19 done')).toBeVisible()
    await openStage(again, /Fruiting room 2/, 'hand-over')
    await expect(again.getByText('Starts earlier, as the grower asked').first()).toBeVisible()
    await again.getByRole('link', { name: 'Revision 2', exact: true }).click()
    await expect(again.getByText('As room temperature climbs from 15.5 °C to 20.0 °C, run 22 % → 90 %.')).toBeVisible()
    await expect(again.getByText(/exhaust 1 percentage points off/)).toBeVisible()
  })
  await gale.stop()
})
