import { devices } from '@playwright/test'
import { readMap } from './setup/calibrate'
import { expect, expectKept, expectNoAxeFindings, test } from './setup/test'

test.use({
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 7'].userAgent,
})

/** A fan that turns from 13 % and keeps on down to 10 %. */
const STARTS_PCT = 13
const STOPS_PCT = 10

test('calibrating with a thumb: guided tries, a map where it tells most, a noise passed over', async ({
  yard: page,
}) => {
  await page.goto('/yard')
  await page.getByRole('button', { name: 'New installation' }).tap()
  await page.getByRole('textbox', { name: 'Name' }).fill('Trial on a ladder')
  await page.getByRole('combobox', { name: 'Site' }).fill('Trial yard')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Create', exact: true }).tap()
  await page.waitForURL('**/brief')
  await page.goto(page.url().replace(/brief$/, 'calibrate'))
  await expect(page.locator('#standing')).not.toBeEmpty()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)

  await test.step('start and stall by two buttons', async () => {
    for (const { region, turned, stood, thresholdPct, found } of [
      {
        region: /From rest/,
        turned: 'It turns',
        stood: 'Stands still',
        thresholdPct: STARTS_PCT,
        found: `${STARTS_PCT} %`,
      },
      {
        region: /From running/,
        turned: 'Keeps on',
        stood: 'Stops',
        thresholdPct: STOPS_PCT + 1,
        found: `${STOPS_PCT} %`,
      },
    ]) {
      const part = page.getByRole('region', { name: region })
      const setting = part.getByRole('textbox')
      for (const name of [turned, stood]) {
        const { width, height } = (await part.getByRole('button', { name }).boundingBox())!
        expect(Math.min(width, height)).toBeGreaterThanOrEqual(56)
      }
      for (let tries = 0; tries < 12 && !(await part.getByText(found, { exact: true }).isVisible()); tries++)
        await part
          .getByRole('button', { name: Number(await setting.inputValue()) >= thresholdPct ? turned : stood })
          .tap()
      await expect(part.getByText(found, { exact: true })).toBeVisible()
    }
  })

  await test.step('a map: the ends first, then the gaps; what cannot be is questioned', async () => {
    expect(await readMap(page, (pct) => 2 * pct, 3)).toEqual([100, 18, 60])
    await page.getByRole('button', { name: 'Add a reading at 40 %' }).tap()
    const hand = page.getByRole('region', { name: 'The reading in hand' })
    await hand.getByRole('textbox', { name: /^Flow now/ }).fill('288')
    await hand.getByRole('button', { name: 'Save the reading' }).tap()
    await page.getByRole('button', { name: 'Use 80 l/s' }).tap()
    await expect(page.getByRole('button', { name: 'Use 80 l/s' })).toBeHidden()
    await expect(page.getByRole('img', { name: /Flow of the .* against its setting/ })).toBeVisible()
    await expect(page.getByText('Restarts by itself, start + 5 ◂')).toBeVisible()
  })

  await test.step('a peak that is gone above it is passed over', async () => {
    for (const [pct, dB] of [
      [18, 24],
      [40, 40],
      [60, 57],
      [80, 55],
      [100, 60],
    ]) {
      const row = page.getByRole('textbox', { name: `sound at ${pct} %, dB` })
      if (!(await row.isVisible())) {
        await page.getByRole('button', { name: /^Add a reading at/ }).tap()
        const hand = page.getByRole('region', { name: 'The reading in hand' })
        await hand.getByRole('textbox', { name: /^setting of the reading/ }).fill(String(pct))
        await hand.getByRole('textbox', { name: /^Sound now/ }).fill(String(dB))
        await hand.getByRole('button', { name: 'Save the reading' }).tap()
      } else await row.fill(String(dB))
    }
    await page.getByRole('tab', { name: 'Noise' }).tap()
    await page.getByRole('button', { name: 'Pass over 50 to 70 %' }).tap()
    await expect(page.getByText('Passed over now: 50 to 70 %')).toBeVisible()
  })
  await expectKept(page)
  await expectNoAxeFindings(page)
})
