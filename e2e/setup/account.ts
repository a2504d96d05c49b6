import { createHmac } from 'node:crypto'
import { expect, type Page } from '@playwright/test'

export const PASSWORD = 'three wet otters'

/** Makes an account and confirms its address by the letter of the mail stand-in; ends where its link leads. */
export async function signUp(page: Page, name: string, email: string): Promise<void> {
  await page.getByRole('button', { name: 'New here: make a workspace of your own' }).click()
  await page.getByRole('textbox', { name: 'Your name' }).fill(name)
  await page.getByRole('textbox', { name: 'E-mail' }).fill(email)
  await page.getByRole('textbox', { name: 'Password' }).fill(PASSWORD)
  await page.getByRole('button', { name: 'Make my workspace' }).click()
  await openLetter(page, email)
}

/** Opens the link of the newest letter to an address. */
export async function openLetter(page: Page, email: string): Promise<void> {
  await page.getByRole('link', { name: 'the mail stand-in shows them' }).click()
  await page.waitForURL('**/letters')
  await followLetter(page, email)
}

/** Follows the link of the newest letter to an address, on the page that shows them. */
export async function followLetter(page: Page, email: string): Promise<void> {
  await page
    .getByRole('article')
    .filter({ hasText: `To ${email},` })
    .first()
    .getByRole('link')
    .first()
    .click()
}

export async function signIn(page: Page, email: string, password = PASSWORD): Promise<void> {
  await page.goto('/sign-in')
  await page.getByRole('textbox', { name: 'E-mail' }).fill(email)
  await page.getByRole('textbox', { name: 'Password' }).fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
}

export const expectRefused = (page: Page, text: string | RegExp) =>
  expect(page.getByRole('alert').filter({ hasText: text })).toBeVisible()

const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'

/** The six digits an authenticator shows for a secret now. Source: RFC 6238 with the defaults of RFC 4226. */
export function totp(secret: string, nowMs = Date.now()): string {
  const bits = [...secret].map((sign) => BASE32.indexOf(sign).toString(2).padStart(5, '0')).join('')
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)))
  const counter = Buffer.alloc(8)
  counter.writeBigUInt64BE(BigInt(Math.floor(nowMs / 30_000)))
  const mac = createHmac('sha1', key).update(counter).digest()
  const number = mac.readUInt32BE(mac[19]! & 15) & 0x7fffffff
  return String(number % 1_000_000).padStart(6, '0')
}
