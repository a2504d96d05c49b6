import { randomUUID } from 'node:crypto'
import { mkdir, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createTransport } from 'nodemailer'
import { isMailStandIn } from '@/server/settings'

export type Letter = { readonly to: string; readonly subject: string; readonly text: string }
export type KeptLetter = Letter & { readonly at: string }

const folder = (): string => join(process.env.GALE_DATA_DIR ?? tmpdir(), 'mail')
const FROM = 'Soft Gale <no-reply@soft-gale.invalid>'
const MOST_KEPT = 200

/** Sends a letter by the configured mail server; without one the stand-in writes it into the data folder, for its owner only. */
export async function sendLetter(letter: Letter): Promise<void> {
  const { to, subject, text } = letter
  const envelope = { from: process.env.GALE_MAIL_FROM ?? FROM, to, subject, text }
  if (!isMailStandIn()) {
    await createTransport(process.env.GALE_SMTP_URL).sendMail(envelope)
    return
  }
  await mkdir(folder(), { recursive: true, mode: 0o700 })
  const at = new Date().toISOString()
  const name = `${at.replace(/[:.]/g, '-')}-${randomUUID().slice(0, 8)}`
  const { message } = await createTransport({ streamTransport: true, buffer: true }).sendMail(envelope)
  await writeFile(join(folder(), `${name}.eml`), message as Buffer, { mode: 0o600 })
  const kept: KeptLetter = { to, subject, text, at }
  await writeFile(join(folder(), `${name}.json`), JSON.stringify(kept), { mode: 0o600 })
  const old = (await readdir(folder())).sort().slice(0, -2 * MOST_KEPT)
  await Promise.all(old.map((file) => rm(join(folder(), file), { force: true })))
}

/** What the stand-in wrote, the newest first. */
export async function listLetters(): Promise<KeptLetter[]> {
  const files = await readdir(folder()).catch(() => [])
  const newest = files
    .filter((file) => file.endsWith('.json'))
    .sort()
    .reverse()
    .slice(0, 30)
  return Promise.all(newest.map(async (file) => JSON.parse(await readFile(join(folder(), file), 'utf8')) as KeptLetter))
}
