import { devices, type Page } from '@playwright/test'
import { noteStartAndStall, readMap } from './setup/calibrate'
import { goToStage, makeInstallation, startFromBrief } from './setup/installation'
import { planHere, proveAll } from './setup/prove'
import { findSignal, idIn, loseSignal, readyForNoSignal } from './setup/signal'
import { expect, expectKept, expectNoAxeFindings, openDemo, openStage, test } from './setup/test'
import { countTouches, touchesOf } from './setup/touches'

const PHONE = {
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 7'].userAgent,
  serviceWorkers: 'allow',
} as const
test.use(PHONE)

const noSignal = (page: Page) => expect(page.getByText('No signal: this is what was taken along.')).toBeVisible()

test('a job from the first turn of the fan to its card is done without signal, and another phone sees all of it', async ({
  yard,
  browser,
  baseURL,
}) => {
  test.setTimeout(240_000)
  await countTouches(yard)
  await makeInstallation(yard, 'Landing bathroom', 'extract', 'Kit')
  const id = idIn(yard.url())
  await yard.getByRole('combobox', { name: 'controller' }).click()
  await yard.getByRole('option', { name: /Trickle-and-boost/ }).click()
  await goToStage(yard, 'Respond')
  await startFromBrief(yard)
  await expectKept(yard)
  await readyForNoSignal(yard, id)
  await loseSignal(yard)

  await test.step('calibrate', async () => {
    await goToStage(yard, 'Calibrate')
    await noteStartAndStall(yard, 12, 9)
    await readMap(yard, (pct) => 0.6 * pct)
  })
  await test.step('dial in', async () => {
    await goToStage(yard, 'Dial in')
    const next = yard.getByRole('button', { name: 'Done, next' })
    await expect(next).toBeVisible()
    while (await next.isVisible()) await next.tap()
    await expect(yard.getByText(/(\d+) of \1 done/)).toBeVisible()
  })
  await test.step('prove', async () => {
    await goToStage(yard, 'Prove')
    await noSignal(yard)
    await proveAll(yard, id, await planHere(yard, id))
    await expect(yard.getByText('Everything passes.')).toBeVisible()
  })
  await test.step('sign', async () => {
    await goToStage(yard, 'Hand over')
    await yard.getByRole('textbox', { name: 'Who was shown how it works' }).fill('The tenant')
    for (const why of await yard.getByRole('textbox', { name: /^Why this stays/ }).all())
      await why.fill('Known here, and on the list for spring')
    await yard.getByRole('textbox', { name: 'Reason for this seal' }).fill('First setting')
    await yard.getByRole('button', { name: 'Seal revision 1: proved' }).tap()
    await expect(yard.getByText('Signed, waiting.')).toBeVisible()
    await yard.getByRole('link', { name: 'see' }).first().tap()
    await expect(yard.getByText(/Signed, not sealed yet; sealed and proved/)).toBeVisible()
    await expect(yard.getByRole('img', { name: /Code with the address/ })).toBeVisible()
  })
  console.log(`touches and fields of a bathroom extract, to a proved seal and its card: ${await touchesOf(yard)}`)
  await findSignal(yard)
  await yard.goto(`/installation/${id}/hand-over`)
  await expect(yard.getByText(/Revision 1/).first()).toBeVisible({ timeout: 30_000 })
  await expect(yard.getByText('sealed and proved', { exact: true })).toBeVisible()

  const other = await (await browser.newContext({ ...PHONE, baseURL })).newPage()
  await openDemo(other)
  await other.goto(`/installation/${id}/hand-over`)
  await expect(other.getByText('sealed and proved', { exact: true })).toBeVisible()
  await other.goto(`/installation/${id}/prove`)
  await expect(other.getByText('Everything passes.')).toBeVisible()
  await other.context().close()
})

test('what is typed and not handed in survives another check, another page and a closed tab', async ({
  yard,
  context,
}) => {
  const path = await openStage(yard, /Fruiting room/, 'prove')
  await expectKept(yard)
  await readyForNoSignal(yard, idIn(path))
  await loseSignal(yard)
  await yard.getByRole('button', { name: /^Read the speed at two places/ }).tap()
  await yard.getByRole('textbox', { name: /^room temperature read/ }).fill('17.4')
  await yard.getByRole('button', { name: /^Let everything rest/ }).tap()
  await goToStage(yard, 'Dial in')
  await noSignal(yard)
  await yard.close()
  const again = await context.newPage()
  await again.goto(path)
  await noSignal(again)
  await again.getByRole('button', { name: /^Read the speed at two places/ }).tap()
  await expect(again.getByRole('textbox', { name: /^room temperature read/ })).toHaveValue('17.4')
  await expectNoAxeFindings(again)
})
