import { edit, expect, expectKept, test } from './setup/test'
import { proveAll } from './setup/prove'
import { signUp } from './setup/account'
import { noteStartAndStall, readMap } from './setup/calibrate'

test('a person signs up, makes an installation from nothing, and takes it all the way to a seal', async ({ page }) => {
  test.setTimeout(120_000)
  await page.goto('/sign-in')
  await signUp(page, 'Ada Fenn', 'ada@fenn.example')
  await page.waitForURL('**/yard')
  await expect(page.getByText('Nothing here yet.')).toBeVisible()

  await page.getByRole('button', { name: 'New installation' }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill('Kiln room')
  await page.getByRole('combobox', { name: 'Site' }).fill('Old Boathouse')
  await page.getByRole('combobox', { name: 'Duty' }).click()
  await page.getByRole('option', { name: 'exhaust' }).click()
  await page.getByRole('button', { name: 'Create', exact: true }).click()
  await page.waitForURL('**/brief')

  await test.step('brief', async () => {
    await edit(page, /^heat load/, '1 kW')
    await edit(page, /^allowed rise/, '5 K')
    await expect(page.getByRole('button', { name: 'Why: Flow that carries heat away' }).first()).toHaveText('166 l/s')
    await edit(page, /^required flow/, '30')
    await expectKept(page)
  })
  await test.step('kit', async () => {
    await page.getByRole('link', { name: /^Kit/ }).click()
    await page.getByRole('combobox', { name: 'controller' }).click()
    await page.getByRole('option', { name: 'Twin-channel 0–10 V controller' }).click()
    await edit(page, /probe, survives to/, '80')
    await expectKept(page)
  })
  await test.step('calibrate: start, stall and a map give the floor', async () => {
    await page.getByRole('link', { name: /^Calibrate/ }).click()
    await noteStartAndStall(page, 12, 9)
    await readMap(page, (pct) => 1.7 * pct)
    await expect(page.getByRole('button', { name: 'Use floor 18' })).toBeVisible()
    await page.getByRole('button', { name: 'Use floor 18' }).click()
    await expectKept(page)
  })
  await test.step('respond: the ramp starts at the floor', async () => {
    await page.getByRole('link', { name: /^Respond/ }).click()
    await edit(page, /speed at the start/, '18')
    await edit(page, /room temperature, start/, '25')
    await page.getByRole('slider', { name: 'Room temperature', exact: true }).fill('34')
    await expect(page.getByTestId('speed-now')).toHaveText('100%')
    await expectKept(page)
  })
  await test.step('rehearse a made-up day', async () => {
    await page.getByRole('link', { name: /^Rehearse/ }).click()
    await expect(page.getByText('Speed changes an hour')).toBeVisible()
  })
  await test.step('dial in everything', async () => {
    await page.getByRole('link', { name: /^Dial in/ }).click()
    await expect(page.getByText(/^0 of \d+ done/)).toBeVisible()
    const boxes = page.getByRole('checkbox', { name: /Action \d+ done/ })
    const count = await boxes.count()
    for (let index = 0; index < count; index++) await boxes.nth(index).click()
    await expect(page.getByText(`${count} of ${count} done`)).toBeVisible()
    await expectKept(page)
    await page.getByRole('link', { name: 'All entered, go prove' }).click()
  })
  await test.step('prove every check', async () => {
    await page.waitForURL('**/prove')
    const count = await proveAll(page, page.url().split('/').at(-2)!)
    await expect(page.getByRole('link', { name: /^Prove/ }).first()).toContainText(`${count} of ${count} checks`)
  })
  await test.step('seal', async () => {
    await page
      .getByRole('link', { name: /^Hand over/ })
      .first()
      .click()
    await page.getByRole('textbox', { name: 'Reason for this seal' }).fill('First setting')
    await page.getByRole('button', { name: /^Seal revision 1:/ }).click()
    await expect(page.getByText('Nothing has changed since revision 1 was sealed.')).toBeVisible()
    await page.getByRole('textbox', { name: 'Write into the log' }).fill('Key is with the harbour office.')
    await page.getByRole('button', { name: 'Write', exact: true }).click()
    await expect(page.getByText('Key is with the harbour office.')).toBeVisible()
  })
  await page.goto('/yard')
  await expect(page.getByRole('link', { name: /Kiln room/ })).toContainText('Rev 1, sealed')
})

test('an export is imported again as another installation', async ({ yard }) => {
  await yard.goto('/yard')
  const href = await yard
    .getByRole('main')
    .getByRole('link', { name: /Fruiting room/ })
    .first()
    .getAttribute('href')
  const exported = await yard.request.get(`/api/installation/${href!.split('/')[2]}/export`)
  const buffer = await exported.body()
  await yard.getByRole('button', { name: 'New installation' }).click()
  await yard.getByLabel('Installation file').setInputFiles({
    name: 'spoiled.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"schema":"soft-gale/installation@9"}'),
  })
  await expect(yard.getByRole('alert').filter({ hasText: 'newer than this program' })).toBeVisible()
  await yard.getByRole('combobox', { name: 'Site' }).fill('Copies')
  await yard
    .getByLabel('Installation file')
    .setInputFiles({ name: 'fruiting.json', mimeType: 'application/json', buffer })
  await yard.waitForURL('**/brief')
  const again = await yard.request.get(`/api/installation/${yard.url().split('/')[4]}/export`)
  expect(await again.text()).toBe(buffer.toString())
})
