import { signUp } from './setup/account'
import { goByKeys } from './setup/byKeys'
import { doJob } from './setup/job'
import { test } from './setup/test'

test('by keys alone from an empty account to a proved and printed seal', async ({ page }) => {
  test.setTimeout(600_000)
  const end = goByKeys(page)
  try {
    await page.goto('/sign-in')
    await signUp(page, 'Keys Only', 'keys@jobs.example')
    await page.waitForURL('**/yard')
    const job = { name: 'stove', duty: 'stove-flue', controller: 'Six-level flue control with a rocker' } as const
    await doJob(page, job, (what, work) => test.step(what, work))
  } finally {
    end()
  }
})
