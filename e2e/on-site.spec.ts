import { devices } from '@playwright/test'
import { expect, expectKept, expectNoAxeFindings, openStage, test } from './setup/test'

test.describe('with a thumb', () => {
  test.use({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    userAgent: devices['Pixel 7'].userAgent,
  })

  test('dialling in goes one action at a time: the panel as it is, lost and found again, not possible, read back', async ({
    yard,
  }) => {
    await openStage(yard, /Fruiting room/, 'dial-in')
    await yard.getByRole('tab', { name: 'One at a time' }).tap()
    const action = yard.getByRole('region', { name: /^Action \d+ of \d+/ })
    const hand = yard.getByRole('list', { name: 'For the hand' })
    // Past what is prepared, to the first setting.
    while (!(await hand.isVisible())) await yard.getByRole('button', { name: 'Done, next' }).first().tap()
    await expect(hand.getByRole('listitem').first()).toContainText('dial')
    const steps = await hand.getByRole('listitem').allTextContents()
    await test.step('it shows something else: the way goes on from there', async () => {
      await yard.getByRole('button', { name: 'It shows something else' }).tap()
      await yard.getByRole('combobox', { name: 'what the panel shows' }).tap()
      await yard.getByRole('option', { name: /^rise \d.* K$/ }).tap()
      await expect(yard.getByRole('img', { name: /showing “rise / })).toBeVisible()
      expect(await hand.getByRole('listitem').allTextContents()).not.toEqual(steps)
    })
    await test.step('done, it can be read back, and be not done after all', async () => {
      await yard.getByRole('button', { name: 'Done, next' }).first().tap()
      await yard.getByRole('button', { name: '← Before' }).tap()
      await yard.getByRole('button', { name: /^it shows / }).tap()
      await expect(action).toContainText('saved and read back')
      await yard.getByRole('button', { name: 'Not done after all' }).first().tap()
      await expect(yard.getByRole('button', { name: 'Done, next' }).first()).toBeVisible()
    })
    await test.step('what cannot be done stays open everywhere, with its reason', async () => {
      await yard.getByRole('button', { name: 'Cannot be done here, because…' }).tap()
      await yard.getByRole('textbox', { name: 'Why it cannot be done here' }).fill('the dial is broken off')
      await yard.getByRole('button', { name: 'Keep it open, with that' }).tap()
      await expectKept(yard)
      await openStage(yard, /Fruiting room/, 'hand-over')
      await yard.locator('summary', { hasText: 'actions not entered' }).tap()
      await expect(yard.getByText('Cannot be done here: the dial is broken off')).toBeVisible()
    })
    await expectNoAxeFindings(yard)
  })

  test('two waits run beside each other, and go on while the page is away', async ({ yard }) => {
    await openStage(yard, /Fruiting room/, 'prove')
    await yard.getByRole('button', { name: /^Switch the harvest switch off and time/ }).tap()
    await yard.getByRole('button', { name: 'Start the stopwatch' }).tap()
    await yard.getByRole('button', { name: /^Let everything rest/ }).tap()
    await yard.getByRole('button', { name: 'Start settling' }).tap()
    const running = yard.getByRole('region', { name: 'Running together' })
    await expect(running.getByRole('timer')).toHaveCount(2)
    await yard.reload()
    await expect(running.getByRole('timer')).toHaveCount(2)
    await yard.getByRole('button', { name: /^Switch the harvest switch off and time/ }).tap()
    await expect(yard.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
    await yard.getByRole('button', { name: 'Stop', exact: true }).tap()
    await expect(running.getByRole('timer')).toHaveCount(1)
    await expect(yard.getByRole('textbox', { name: /^Time read/ })).not.toHaveValue('')
  })

  test('everything is read back as a quick list', async ({ yard }) => {
    await openStage(yard, /Kiln room/i, 'prove')
    await yard.getByRole('button', { name: /^Read every setting back/ }).tap()
    const list = yard.getByRole('region', { name: 'Read back' })
    const lines = list.getByRole('listitem')
    const first = lines.first().getByRole('button', { name: /: as wanted$/ })
    await first.tap()
    await expect(first).toHaveAttribute('aria-pressed', 'true')
    await expect(list).toContainText(/1 of \d+ as wanted/)
    await lines
      .nth(1)
      .getByRole('button', { name: /: shows something else$/ })
      .tap()
    // What is to be read is never there before it was.
    const field = lines.nth(1).getByRole('textbox').or(lines.nth(1).getByRole('combobox')).first()
    await expect(field).toBeVisible()
  })
})

test('what was proved of one thing stays proved when another is changed', async ({ yard }) => {
  await openStage(yard, /Fruiting room/, 'prove')
  const floor = yard.getByRole('button', { name: /^Let everything rest/ })
  await floor.click()
  await yard.getByRole('textbox', { name: /^exhaust read/ }).fill('25')
  for (const input of ['room temperature', 'humidity']) {
    const field = yard.getByRole('textbox', { name: `${input} read` })
    if (await field.isVisible()) await field.fill(input === 'humidity' ? '80' : '14')
  }
  await yard.getByRole('textbox', { name: /^make-up read/ }).fill('20')
  await expect(yard.getByText(/^(Passes|Fails|Cannot)/).first()).toBeVisible()
  await yard.getByRole('button', { name: /^Keep/ }).last().click()
  await expect(floor).toContainText(/passes|fails|not told/)
  const verdict = await floor.textContent()
  await openStage(yard, /Fruiting room/, 'respond')
  const boost = yard.getByRole('list', { name: 'Rules' }).getByRole('listitem').filter({ hasText: 'harvest' })
  const speed = boost.getByRole('textbox', { name: /speed/i }).first()
  await speed.fill('85')
  await speed.press('Enter')
  await expectKept(yard)
  await openStage(yard, /Fruiting room/, 'prove')
  await expect(floor).toHaveText(verdict ?? '')
})

test('a visit, a rule of one’s own, the log found in, and a link to read by', async ({ yard, browser }) => {
  await test.step('a rule of the workspace stands where the cautions stand', async () => {
    await yard.goto('/rules')
    await yard.getByRole('button', { name: 'Add a rule' }).click()
    await yard
      .getByRole('textbox', { name: 'Rule 1', exact: true })
      .fill('Two people on every roof of the Ferry Trust.')
    await yard.getByRole('textbox', { name: 'rule 1: taken from, edition' }).fill('house rules, 4th')
    await yard.getByRole('button', { name: 'Save these rules' }).click()
    await expect(yard.getByRole('button', { name: 'Save these rules' })).toBeDisabled()
    await expectNoAxeFindings(yard)
    for (const stage of ['brief', 'dial-in', 'prove']) {
      await openStage(yard, /Inverter cupboard/, stage)
      await expect(yard.getByText('Two people on every roof of the Ferry Trust.')).toBeVisible()
    }
  })
  await openStage(yard, /Inverter cupboard/, 'hand-over')
  await test.step('a visit gathers what is read, as found and as left', async () => {
    const visit = yard.getByRole('region', { name: 'Visit' })
    await visit.getByRole('button', { name: 'Begin a visit' }).click()
    await visit.getByRole('textbox', { name: 'Why this visit' }).fill('whistling at night')
    await visit.getByRole('textbox', { name: 'Weather at this visit' }).fill('2 °C, wind from the east')
    await visit.getByRole('textbox', { name: 'reading 1: where' }).fill('at the cupboard door')
    await visit.getByRole('textbox', { name: 'reading 1, as found' }).fill('41')
    await visit.getByRole('textbox', { name: 'reading 1, as left' }).fill('33')
    await yard.reload()
    await expect(visit.getByRole('textbox', { name: 'Why this visit' })).toHaveValue('whistling at night')
    await visit.getByRole('button', { name: 'End and save the visit' }).click()
    await expect(visit.getByRole('button', { name: 'Begin a visit' })).toBeVisible()
    await expect(yard.getByText(/Visit: whistling at night\..*found 41\.0.°C, left 33\.0.°C/)).toBeVisible()
  })
  const link = await test.step('a link is made for somebody', async () => {
    const links = yard.getByRole('region', { name: 'Links to the record' })
    await links.getByRole('textbox', { name: 'Who the link is for' }).fill('the harbour office')
    await links.getByRole('button', { name: 'Make a link' }).click()
    const made = links.getByRole('textbox', { name: 'Link of the record' })
    await expect(made).toHaveValue(/\/shared\//)
    return made.inputValue()
  })
  await expectNoAxeFindings(yard)
  const path = new URL(link).pathname
  const stranger = await browser.newContext()
  const page = await stranger.newPage()
  const there = new URL(path, yard.url()).toString()
  await test.step('whoever has it reads the record, and nothing else', async () => {
    await page.goto(there)
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/Inverter cupboard|Nothing is sealed/)
    await expect(page.getByRole('textbox')).toHaveCount(0)
    await expect(page.getByRole('link', { name: 'Yard' })).toHaveCount(0)
    await page.goto(new URL('/yard', yard.url()).toString())
    await page.waitForURL('**/sign-in**')
  })
  await test.step('ended, it opens no more', async () => {
    await yard.getByRole('button', { name: 'End the link for the harbour office' }).click()
    await expect(yard.getByRole('button', { name: 'End the link for the harbour office' })).toBeHidden()
    await page.goto(there)
    await expect(page.getByRole('heading', { name: 'This link does not open' })).toBeVisible()
  })
  await stranger.close()
  await test.step('the log is found in, and taken out', async () => {
    await yard.getByRole('link', { name: 'Search it, or take it as CSV' }).click()
    await yard.getByRole('combobox', { name: 'Kind' }).click()
    await yard.getByRole('option', { name: 'visits' }).click()
    await yard.getByRole('button', { name: 'Search', exact: true }).click()
    await yard.waitForURL(/kind=visit/)
    await expect(yard.getByRole('main').getByRole('listitem')).toHaveCount(1)
    const href = await yard.getByRole('link', { name: 'As CSV, all that is asked for' }).getAttribute('href')
    const csv = await (await yard.request.get(href ?? '')).text()
    expect(csv.split('\r\n')[0]).toBe('when,who,kind,installation,text,id,puts right')
    expect(csv).toContain('whistling at night')
    await expectNoAxeFindings(yard)
  })
})
