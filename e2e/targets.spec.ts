import { devices, type Page } from '@playwright/test'
import { expect, openStage, test } from './setup/test'

test.use({
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 7'].userAgent,
})

/** What a finger is to hit and cannot: anything that is touched and is lower than 44 px, by its name. What hangs in a line of text counts by the
 *  line. A field counts by the box around it, a chart’s own handle by what it draws. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const LEAST = 43.5
    const touched =
      'button, a[href], summary, select, textarea, input:not([type=hidden]), [role=button], [role=tab], [role=combobox], [role=checkbox], [role=switch], [role=option]'
    const name = (one: Element) =>
      one.getAttribute('aria-label') ?? (one.textContent || one.getAttribute('name') || one.id || one.tagName)
    return [...document.querySelectorAll<HTMLElement>(touched)].flatMap((one) => {
      if (one.closest('[aria-hidden=true]') || one.getAttribute('type') === 'file' || one.matches(':disabled'))
        return []
      // A tick counts by the whole line that ticks it.
      const line = one.matches('[type=checkbox]') ? one.closest('label') : null
      const field = line ?? one.closest('.MuiInputBase-root, .MuiSwitch-root, .MuiCheckbox-root, .MuiSlider-root')
      const { width, height } = (field ?? one).getBoundingClientRect()
      if (width === 0 || height === 0 || getComputedStyle(one).visibility === 'hidden') return []
      return height < LEAST ? [`${name(one).trim().slice(0, 60)}: ${Math.round(height)} px`] : []
    })
  })

const STAGES = ['brief', 'kit', 'calibrate', 'respond', 'rehearse', 'dial-in', 'prove', 'hand-over']
for (const stage of STAGES)
  test(`${stage}: a thumb hits everything`, async ({ yard }) => {
    await openStage(yard, /Fruiting room/, stage)
    await expect(yard.getByRole('main').first()).toBeVisible()
    expect(await tooSmall(yard)).toEqual([])
  })

test('what stands above the work is 120 px high, and names where one is', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'respond')
  const stages = (await yard.getByRole('navigation', { name: 'Stages' }).boundingBox())!
  expect(Math.round(stages.y + stages.height)).toBeLessThanOrEqual(120)
  const places = (await yard.getByRole('navigation', { name: 'Places' }).boundingBox())!
  expect(Math.round(places.y + places.height)).toBe(844)
  const frame = yard.getByRole('region', { name: 'Installation' })
  await expect(frame).toContainText('Fruiting room 2, exhaust and make-up Wherry Lane Yard')
  await expect(frame).toContainText('Twin-channel 0–10 V controller')
})

for (const path of [
  '/yard',
  '/controllers',
  '/sums',
  '/log',
  '/outage?site=Wherry+Lane+Yard',
  '/people',
  '/rules',
  '/account',
])
  test(`${path}: a thumb hits everything`, async ({ yard }) => {
    await yard.goto(path)
    await expect(yard.getByRole('heading', { level: 1 }).first()).toBeVisible()
    expect(await tooSmall(yard)).toEqual([])
  })

test('a field that may be below zero brings the figures, and its minus stands beside it', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'brief')
  const field = yard.getByRole('textbox', { name: 'Temperature of the air coming in, °C' })
  await field.tap()
  expect(await field.getAttribute('inputmode')).toBe('decimal')
  await field.fill('4')
  await yard.getByRole('button', { name: 'Temperature of the air coming in: change the sign' }).tap()
  await expect(field).toHaveValue('−4')
  await expect(field).toBeFocused()
})
