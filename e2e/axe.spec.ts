import { STAGES } from '../src/ui/stages'
import { expectNoAxeFindings, openStage, test } from './setup/test'

test('sign-in', async ({ page }) => {
  await page.goto('/sign-in')
  await expectNoAxeFindings(page)
})

for (const path of ['/yard', '/controllers', '/controllers/two-pad-pwm', '/sums', '/log'])
  test(path, async ({ yard }) => {
    await yard.goto(path)
    await expectNoAxeFindings(yard)
  })

for (const { id } of STAGES)
  test(`${id}, light; dark, on a phone`, async ({ yard }) => {
    await openStage(yard, /Fruiting room/, id)
    await expectNoAxeFindings(yard)
    await yard.setViewportSize({ width: 390, height: 844 })
    await yard.emulateMedia({ colorScheme: 'dark' })
    await expectNoAxeFindings(yard)
  })

test('every part of calibrate', async ({ yard }) => {
  await openStage(yard, /Archive flat/, 'calibrate')
  for (const part of ['Start and stall', 'Noise', 'Probes', 'Balance', 'Instruments']) {
    await yard.getByRole('tab', { name: part }).click()
    await expectNoAxeFindings(yard)
  }
})

test('readings', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'readings')
  await yard.getByRole('img', { name: /temperature.* over time/ }).waitFor()
  await expectNoAxeFindings(yard)
})

test('the record', async ({ yard }) => {
  const path = await openStage(yard, /Fruiting room/, 'hand-over')
  await yard.goto(path.replace('/installation/', '/record/').replace('/hand-over', '?rev=1'))
  await expectNoAxeFindings(yard)
})
