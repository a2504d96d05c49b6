import type { Page } from '@playwright/test'
import { DUTY_NAMES, type Duty } from '@/core/brief/duty'
import { isAssumed } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { mountingQuestions } from '@/core/kit/checklist'
import { goToStage } from './installation'
import { proveInOrder } from './prove'
import { expect, expectKept } from './test'

export type Job = { readonly name: string; readonly duty: Duty; readonly controller: string }

/** Does a job of a first week from an empty yard to a proved and printed seal, as somebody does who is told nothing.
 *  @param part does one part of it under its name */
export async function doJob(
  page: Page,
  { name, duty, controller }: Job,
  part: (what: string, work: () => Promise<void>) => Promise<void>,
): Promise<void> {
  const way = page.getByRole('region', { name: 'The way on' }).getByRole('link')

  await part('yard', async () => {
    await page.getByRole('link', { name: DUTY_NAMES[duty], exact: true }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByRole('textbox', { name: 'Name' }).fill(`My ${name}`)
    await page.keyboard.press('Enter')
    await page.waitForURL('**/brief')
  })
  const id = page.url().split('/').at(-2)!
  await part('brief', async () => {
    await page.getByRole('button', { name: /are right as they stand/ }).click()
    const { questions } = DUTY_PLANS[duty]
    for (const question of questions.filter(({ isSafety }) => isSafety === true)) {
      if (isAssumed(question, {})) await page.getByRole('button', { name: `It is so: ${question.ask}` }).click()
      else await page.getByRole('button', { name: `Answer: ${question.ask}` }).click()
    }
    await expect(page.getByText('Nothing is open here.')).toBeVisible()
  })
  await part('kit', async () => {
    await way.click()
    await page.waitForURL('**/kit*')
    await page.getByRole('button', { name: `Choose ${controller}` }).click()
    const looks = mountingQuestions({ duty, answers: {} })
    await page.getByRole('button', { name: 'these are as they should be' }).click()
    for (const { ask, good } of looks.filter(({ severity }) => severity === 'hurts'))
      await page.getByRole('group', { name: ask }).getByRole('button', { name: good, exact: true }).click()
    await expect(page.getByText('Nothing is open here.')).toBeVisible()
  })
  await part('calibrate', async () => {
    await way.click()
    await page.waitForURL('**/calibrate*')
    const start = page.getByRole('region', { name: /From rest/ })
    await start.getByRole('textbox').fill('12')
    await page.keyboard.press('Enter')
    // Where the duty's own floor is high enough it may stay.
    await expect(page.getByRole('link', { name: /^Calibrate/ })).toContainText('turns from 12 %')
    if (/warning/.test((await page.getByRole('link', { name: /^Respond/ }).textContent()) ?? ''))
      await page.getByRole('button', { name: /^Use floor/ }).click()
    await expectKept(page)
  })
  await part('dial in', async () => {
    await goToStage(page, 'Dial in')
    const boxes = page.getByRole('checkbox', { name: /Action \d+ done/ })
    await expect(boxes.first()).toBeVisible()
    for (let index = 0, count = await boxes.count(); index < count; index++) await boxes.nth(index).click()
    await expectKept(page)
  })
  await part('prove', async () => {
    await goToStage(page, 'Prove')
    await proveInOrder(page, id)
  })
  await part('hand over', async () => {
    await goToStage(page, 'Hand over')
    for (const why of await page.getByRole('textbox', { name: /^Why this stays/ }).all()) await why.fill('Known here')
    await page.getByRole('textbox', { name: 'Who was shown how it works' }).fill('the owner')
    await page.keyboard.press('Enter')
    const reason = page.getByRole('textbox', { name: 'Reason for this seal' })
    await expect(reason).toBeFocused()
    await expect(reason).toHaveValue('First setting')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Nothing has changed since revision 1 was sealed.')).toBeVisible()
  })
  await part('print', async () => {
    await page.getByRole('link', { name: 'Revision 1', exact: true }).click()
    await page.waitForURL('**/record/**')
    await expect(page.getByText(/Sealed and proved/).first()).toBeVisible()
  })
}
