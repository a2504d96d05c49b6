import { expect, openStage, test } from './setup/test'

// The browser enforces the policy: what a page needs runs, what somebody else writes into it does not.

test('nothing a page does is refused by its own policy', async ({ yard: page }) => {
  const refused: string[] = []
  page.on('console', (message) => {
    if (message.text().includes('Content Security Policy')) refused.push(message.text())
  })
  for (const path of ['/yard', '/controllers', '/sums', '/log', '/people', '/no-such-page']) {
    await page.goto(path)
    await expect(page.getByRole('heading').first()).toBeVisible()
  }
  await page.goto('/controllers')
  await page
    .getByRole('link', { name: /make one|own/i })
    .first()
    .click()
  await openStage(page, /Fruiting room/, 'respond')
  // The worker runs under it too.
  await openStage(page, /Fruiting room/, 'rehearse')
  await expect(page.getByRole('img', { name: /over time/ }).first()).toBeVisible()
  expect(refused).toEqual([])
})

test('a script that is written into a page does not run', async ({ yard: page }) => {
  await page.goto('/yard')
  const ran = await page.evaluate(() => {
    const script = document.createElement('script')
    script.textContent = 'window.ran = true'
    document.body.append(script)
    return 'ran' in window
  })
  expect(ran).toBe(false)
})

test('each answer has a mark of its own', async ({ request }) => {
  const marks = await Promise.all(
    [1, 2].map(async () => (await request.get('/sign-in')).headers()['content-security-policy']),
  )
  expect(marks[0]).toContain("'nonce-")
  expect(marks[0]).not.toBe(marks[1])
})
