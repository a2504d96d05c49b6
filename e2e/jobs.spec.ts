import { signUp } from './setup/account'
import { countActions } from './setup/counted'
import { doJob, type Job } from './setup/job'
import { expect, test } from './setup/test'

type Counted = Job & { readonly aim: number }

/** The jobs of a first week, each from an empty account to a proved and printed seal, and how many actions are wanted at the most. */
const JOBS: readonly Counted[] = [
  { name: 'bathroom', duty: 'extract', controller: 'Trickle-and-boost extract with coded plugs', aim: 45 },
  { name: 'tent', duty: 'grow-room', controller: 'Twin-channel 0–10 V controller', aim: 55 },
  {
    name: 'condenser',
    duty: 'head-pressure',
    controller: 'Fixed-law condenser control with trimmers',
    aim: 40,
  },
  { name: 'calf house', duty: 'livestock', controller: 'Staged house controller with a strip list', aim: 65 },
  { name: 'stove', duty: 'stove-flue', controller: 'Six-level flue control with a rocker', aim: 35 },
]

for (const { aim, ...job } of JOBS)
  test(`${job.name}: from an empty account to a proved and printed seal`, async ({ page }) => {
    test.setTimeout(240_000)
    await page.goto('/sign-in')
    await signUp(page, 'New Hand', `${job.name.replace(' ', '-')}@jobs.example`)
    await page.waitForURL('**/yard')
    const counted = await countActions(page)
    await page.reload()
    const parts: string[] = []
    const part = async (what: string, work: () => Promise<void>) => {
      await test.step(what, work)
      parts.push(`${what} ${counted.since()}`)
    }
    await doJob(page, job, part)
    console.log(`${job.name}: ${counted.total()} actions, at most ${aim} wanted (${parts.join(', ')})`)
    expect(counted.total()).toBeLessThanOrEqual(aim)
  })
