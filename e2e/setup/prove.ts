import type { Page } from '@playwright/test'
import { derive } from '@/core/derive/derive'
import { readInstallationText } from '@/core/installation/read'
import { fanName, measuredOf } from '@/core/prove/context'
import { expectStep } from '@/core/prove/expect'
import { planFor, type Planned } from '@/core/prove/plan'
import { formatNumber, formatPct } from '@/core/quantity/format'
import { expect } from './test'

/** What there is to prove of an installation, worked out as the page does. */
async function planOf(page: Page, installationId: string): Promise<Planned> {
  const exported = await page.request.get(`/api/installation/${installationId}/export`)
  const read = readInstallationText(await exported.text())
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return planFor(read.value, derive(read.value))!
}

/** Carries the open check out at a site that does right: everything is read as it was asked for and as it should be. */
async function readOpenCheck(page: Page, { context, plan }: Planned, id: string): Promise<void> {
  const check = plan.find((candidate) => candidate.id === id)!
  if (check.kind === 'seen') {
    await page.getByRole('button', { name: 'Seen, next' }).click()
    return
  }
  if (check.kind === 'time') await page.getByRole('textbox', { name: /^Time read/ }).fill(`${check.expectS} s`)
  else
    for (const [step, { reads, stage }] of check.steps.entries()) {
      const values = check.stages[stage]!.values
      const inputs = Object.fromEntries(
        reads.flatMap((input) => (Number.isFinite(values[input]) ? [[input, Number(values[input]!.toFixed(1))]] : [])),
      )
      for (const [input, x] of Object.entries(inputs))
        await page
          .getByRole('textbox', { name: `${measuredOf(context, input)!.name} read` })
          .fill(formatNumber(x, 1).replace('−', '-'))
      for (const { fan, expectPct } of expectStep(context, check, step))
        if (context.response.stages?.fixed.some(({ fan: fixed }) => fixed === fan))
          await page
            .getByRole('button', { name: `${fanName(context, fan)} ${expectPct > 0 ? 'runs' : 'stands'}` })
            .click()
        else await page.getByRole('textbox', { name: `${fanName(context, fan)} read` }).fill(formatPct(expectPct))
      if (step < check.steps.length - 1) await page.getByRole('button', { name: 'Next step' }).click()
    }
  await expect(page.getByText('Passes.')).toBeVisible()
  await page.getByRole('button', { name: 'Keep and next' }).click()
}

/** Carries out every check of the list. */
export async function proveAll(page: Page, installationId: string): Promise<number> {
  const planned = await planOf(page, installationId)
  const checks = page.getByRole('complementary', { name: 'All checks' }).getByRole('listitem')
  for (const [index, { id }] of planned.plan.entries()) {
    await checks.nth(index).getByRole('button').click()
    await readOpenCheck(page, planned, id)
    await expect(checks.nth(index)).toContainText('passes')
  }
  return planned.plan.length
}
