import type { Page } from '@playwright/test'
import { derive } from '@/core/derive/derive'
import { readInstallationText } from '@/core/installation/read'
import { fanName, measuredOf } from '@/core/prove/context'
import { expectStep } from '@/core/prove/expect'
import { inGroups } from '@/core/prove/order'
import { planFor, type Planned } from '@/core/prove/plan'
import { formatNumber, formatPct } from '@/core/quantity/format'
import { documentHere } from './signal'
import { expect } from './test'

/** What there is to prove of an installation, worked out as the page does. */
function planIn(text: string): Planned {
  const read = readInstallationText(text)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return planFor(read.value, derive(read.value))!
}

/** Of the working copy as the server has it. */
const planThere = async (page: Page, installationId: string): Promise<Planned> =>
  planIn(await (await page.request.get(`/api/installation/${installationId}/export`)).text())

/** Of the working copy as it lies in the browser. */
export const planHere = async (page: Page, installationId: string): Promise<Planned> =>
  planIn(JSON.stringify(await documentHere(page, installationId)))

/** Carries the open check out at a site that does right: everything is read as it was asked for and as it should be.
 *  @param byEnter goes on by the key in the last field, where there is one; else by the buttons */
async function readOpenCheck(page: Page, { context, plan }: Planned, id: string, byEnter = false): Promise<void> {
  const check = plan.find((candidate) => candidate.id === id)!
  if (check.kind === 'seen') {
    await page.getByRole('button', { name: 'Seen, next' }).click()
    return
  }
  if (check.kind === 'time') {
    await page.getByRole('textbox', { name: /^Time read/ }).fill(`${check.expectS} s`)
  } else
    for (const [step, { reads, stage }] of check.steps.entries()) {
      const values = check.stages[stage]!.values
      const inputs = Object.fromEntries(
        reads.flatMap((input) => (Number.isFinite(values[input]) ? [[input, Number(values[input]!.toFixed(1))]] : [])),
      )
      for (const [input, x] of Object.entries(inputs))
        await page
          .getByRole('textbox', { name: `${measuredOf(context, input)!.name} read` })
          .fill(formatNumber(x, 1).replace('−', '-'))
      let isTypedLast = false
      for (const { fan, expectPct } of expectStep(context, check, step)) {
        isTypedLast = !context.response.stages?.fixed.some(({ fan: fixed }) => fixed === fan)
        if (context.response.stages?.fixed.some(({ fan: fixed }) => fixed === fan))
          await page
            .getByRole('button', { name: `${fanName(context, fan)} ${expectPct > 0 ? 'runs' : 'stands'}` })
            .click()
        else await page.getByRole('textbox', { name: `${fanName(context, fan)} read` }).fill(formatPct(expectPct))
      }
      if (step === check.steps.length - 1) continue
      if (byEnter && isTypedLast) await page.keyboard.press('Enter')
      else await page.getByRole('button', { name: 'Next step' }).click()
      await expect(
        page
          .getByRole('region', { name: `Step ${step + 2}` })
          .getByRole('textbox')
          .first(),
      ).toBeVisible()
    }
  await expect(page.getByText('Passes.')).toBeVisible()
  const isInField = await page.evaluate(() => document.activeElement instanceof HTMLInputElement)
  if (byEnter && isInField) await page.keyboard.press('Enter')
  else await page.getByRole('button', { name: 'Keep and next' }).click()
}

/** Carries out every check of the list.
 *  @param plan what there is to prove; the server’s where none is given */
export async function proveAll(page: Page, installationId: string, plan?: Planned): Promise<number> {
  const planned = plan ?? (await planThere(page, installationId))
  const checks = page.getByRole('complementary', { name: 'All checks' }).getByRole('listitem')
  const inOrder = inGroups(planned.context, planned.plan).flatMap(({ checks: group }) => group)
  for (const [index, { id }] of inOrder.entries()) {
    await checks.nth(index).getByRole('button').click()
    await readOpenCheck(page, planned, id)
    await expect(checks.nth(index)).toContainText('passes')
  }
  return planned.plan.length
}

/** Carries the checks out as they come, each opened by the one before; at a site that does right. */
export async function proveInOrder(page: Page, installationId: string): Promise<void> {
  const planned = await planThere(page, installationId)
  const inOrder = inGroups(planned.context, planned.plan).flatMap(({ checks: group }) => group)
  for (const [index, { id }] of inOrder.entries()) {
    await expect(page.getByText(`Check ${index + 1} of ${inOrder.length}`)).toBeVisible()
    await readOpenCheck(page, planned, id, true)
    await expect(
      page.getByRole('complementary', { name: 'All checks' }).getByRole('listitem').nth(index),
    ).toContainText('passes')
  }
}
