import { expect, type Locator, type Page } from '@playwright/test'

/** Makes an installation from nothing and ends on the stage asked for. */
export async function makeInstallation(page: Page, name: string, duty: string, stage: string): Promise<void> {
  await page.goto('/yard')
  await page.getByRole('button', { name: 'New installation' }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill(name)
  await page.getByRole('combobox', { name: 'Site' }).fill('Trial quay')
  await page.keyboard.press('Tab')
  await page.getByRole('combobox', { name: 'Duty' }).click()
  await page.getByRole('option', { name: duty, exact: true }).click()
  await page.getByRole('button', { name: 'Create', exact: true }).click()
  await page.waitForURL('**/brief')
  await goToStage(page, stage)
}

export async function goToStage(page: Page, stage: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: new RegExp(`^${stage}`) })
    .click()
  await page.waitForURL(`**/${stage.toLowerCase().replace(' ', '-')}`)
}

/** Adds a behaviour by typing words of it. */
export async function addByWords(page: Page, words: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Add a rule' }).fill(words)
  await page.keyboard.press('Enter')
}

/** Takes the starting response of the duty. */
export async function startFromBrief(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Start from…' }).click()
  await page.getByRole('menuitem', { name: 'From brief and calibration' }).click()
  await page.getByRole('button', { name: 'Start with this' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
}

/** Chooses what the chart of Respond shows. */
export async function lookAt(page: Page, view: string): Promise<void> {
  await page.getByRole('combobox', { name: 'what the chart shows' }).click()
  await page.getByRole('option', { name: view }).click()
}

/** Each danger that is open asks for its reason before a seal. */
async function sayWhyDangersStay(page: Page): Promise<void> {
  for (const why of await page.getByRole('textbox', { name: /^Why this stays/ }).all())
    await why.fill('Known here, and on the list for spring')
}

export async function seal(page: Page, reason: string, number: number): Promise<void> {
  await goToStage(page, 'Hand over')
  await sayWhyDangersStay(page)
  await page.getByRole('textbox', { name: 'Reason for this seal' }).fill(reason)
  await page.getByRole('button', { name: new RegExp(`^Seal revision ${number}:`) }).click()
  await expect(page.getByText(`Nothing has changed since revision ${number} was sealed.`)).toBeVisible()
}

const MOST_TABS = 250

/** Goes to something by the Tab key alone. */
export async function tabTo(page: Page, target: Locator): Promise<void> {
  for (let tabs = 0; tabs < MOST_TABS; tabs++) {
    if (await target.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error('the Tab key does not reach it')
}
