import { DUTIES, DUTY_NAMES, type Duty } from '../src/core/brief/duty'
import { DUTY_PLANS } from '../src/core/duty/table'
import { noteStartAndStall, readMap } from './setup/calibrate'
import { expect, expectKept, test } from './setup/test'

/** The controller of the demo made for each duty. */
const CONTROLLERS: Record<Duty, string> = {
  extract: 'Trickle-and-boost extract with coded plugs',
  exhaust: 'Twin-channel 0–10 V controller',
  'head-pressure': 'Fixed-law condenser control with trimmers',
  livestock: 'Staged house controller with a strip list',
  'grow-room': 'Twin-channel 0–10 V controller',
  'stove-flue': 'Six-level flue control with a rocker',
  balanced: 'Balanced unit with a scroll wheel',
  'door-curtain': 'Door-curtain control with a gear wheel',
  electronics: 'Two-pad PWM board',
}

for (const duty of DUTIES)
  test(`${duty}: from nothing through brief, kit and calibrate to a floor with reasons and a map`, async ({
    yard: page,
  }) => {
    await page.goto('/yard')
    await page.getByRole('button', { name: 'New installation' }).click()
    await page.getByRole('textbox', { name: 'Name' }).fill(`Trial of ${duty}`)
    await page.getByRole('combobox', { name: 'Site' }).fill('Trial yard')
    await page.keyboard.press('Tab')
    await page.getByRole('combobox', { name: 'Duty' }).click()
    await page.getByRole('option', { name: DUTY_NAMES[duty], exact: true }).click()
    await page.getByRole('button', { name: 'Create', exact: true }).click()
    await page.waitForURL('**/brief')

    await test.step('brief: a question stands at not known, with what that costs, and is answered', async () => {
      const question = DUTY_PLANS[duty].questions[0]!
      await page.getByRole('button', { name: `I do not know yet: ${question.ask}` }).click()
      await expect(page.getByText(question.unknown)).toBeVisible()
      await page.getByRole('button', { name: `Answer: ${question.ask}` }).click()
      await expect(page.getByText('Still to be measured')).toBeVisible()
      const take = page.getByRole('button', { name: 'Take it as the flow never to fall below' })
      if (await take.isVisible()) {
        await take.click()
        await expect(page.getByRole('textbox', { name: 'why this flow' })).not.toHaveValue('')
      }
      await expectKept(page)
    })
    await test.step('kit: the controller made for it', async () => {
      await page.getByRole('link', { name: /^Kit/ }).click()
      await page.getByRole('combobox', { name: 'controller' }).click()
      await page.getByRole('option', { name: CONTROLLERS[duty] }).click()
      await expect(page.getByText('Which controller?').first()).toBeVisible()
      await expectKept(page)
    })
    await test.step('calibrate: start, stall and a map', async () => {
      await page.getByRole('link', { name: /^Calibrate/ }).click()
      await noteStartAndStall(page, 12, 9)
      expect(await readMap(page, (pct) => 9 * pct)).toEqual(expect.arrayContaining([100, 17]))
      await expect(page.getByText('Restarts by itself').first()).toBeVisible()
      await expectKept(page)
    })
    await test.step('respond: its starting response runs', async () => {
      await page.getByRole('link', { name: /^Respond/ }).click()
      await expect(page.getByTestId('speed-now')).toHaveText(/^(\d+(\.\d)?%|off)$/)
    })
  })
