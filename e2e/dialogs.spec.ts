import type { Locator, Page } from '@playwright/test'
import { makeInstallation } from './setup/installation'
import { expect, expectCleanOver, openStage, test } from './setup/test'

/** Opens it, looks at it, ends it by Escape: the focus is then where it was. */
async function lookInto(page: Page, opener: Locator, opened: Locator): Promise<void> {
  await opener.focus()
  await page.keyboard.press('Enter')
  await expect(opened).toBeVisible()
  await expectCleanOver(page)
  // A list within it is ended first.
  for (let lists = await page.getByRole('listbox').count(); lists >= 0; lists--) await page.keyboard.press('Escape')
  await expect(opened).toBeHidden()
  await expect(opener).toBeFocused()
}

test('what opens over the yard is clean, and gives the focus back', async ({ yard }) => {
  await yard.goto('/yard')
  const dialog = yard.getByRole('dialog')
  await lookInto(yard, yard.getByRole('button', { name: /^Find or do/ }), dialog)
  await lookInto(yard, yard.getByRole('button', { name: 'Help on this page' }), dialog)
  await lookInto(yard, yard.getByRole('button', { name: 'New installation' }), dialog)
  await lookInto(yard, yard.getByRole('button', { name: /account, people, units/ }), yard.getByRole('menu'))
})

test('what opens over a response is clean, and gives the focus back', async ({ yard }) => {
  await openStage(yard, /Kiln room/, 'respond')
  await lookInto(yard, yard.getByRole('button', { name: 'Start from…' }), yard.getByRole('menu'))
  await lookInto(yard, yard.getByRole('button', { name: /: off, move, copy, remove$/ }).first(), yard.getByRole('menu'))
  await lookInto(yard, yard.getByRole('combobox', { name: 'what the chart shows' }), yard.getByRole('listbox'))
})

test('starting from elsewhere says what would change, and is clean', async ({ yard }) => {
  await makeInstallation(yard, 'To start from elsewhere', 'exhaust', 'Respond')
  await yard.getByRole('button', { name: 'Start from…' }).click()
  await yard.getByRole('menuitem', { name: 'From brief and calibration' }).click()
  await expect(yard.getByRole('dialog')).toBeVisible()
  await expectCleanOver(yard)
})

test('what opens over a phone is clean', async ({ yard }) => {
  await yard.setViewportSize({ width: 390, height: 844 })
  await openStage(yard, /Kiln room/, 'respond')
  await yard.getByRole('button', { name: 'Try it' }).click()
  await expect(yard.getByTestId('speed-now').last()).toBeVisible()
  await expectCleanOver(yard)
})
