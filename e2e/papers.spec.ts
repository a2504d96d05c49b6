import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import ICAL from 'ical.js'
import jsQR from 'jsqr'
import Papa from 'papaparse'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { idIn } from './setup/signal'
import { edit, expect, expectKept, openStage, test } from './setup/test'

/** The text of a PDF, a page each, and its outline. */
async function readPdf(bytes: Uint8Array): Promise<{ pages: string[]; outline: string[]; title: string }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, index) => {
      const { items } = await (await pdf.getPage(index + 1)).getTextContent()
      return items.map((item) => ('str' in item ? item.str : '')).join(' ')
    }),
  )
  const outline = ((await pdf.getOutline()) ?? []).map(({ title }) => title)
  const { info } = await pdf.getMetadata()
  return { pages, outline, title: (info as { Title?: string }).Title ?? '' }
}

/** A paper of an installation’s last seal, with the name of its file. */
async function paper(page: Page, id: string, name: string, more = ''): Promise<{ bytes: Buffer; file: string }> {
  const answer = await page.request.get(`/api/installation/${id}/papers/${name}?rev=1${more}`)
  expect(answer.status()).toBe(200)
  const file = /filename="([^"]+)"/.exec(answer.headers()['content-disposition'] ?? '')?.[1] ?? ''
  return { bytes: await answer.body(), file }
}

const words = (text: string) => text.replace(/\s+/g, ' ')

test('each paper of a seal is opened and says what was sealed', async ({ yard }) => {
  test.setTimeout(180_000)
  const id = idIn(await openStage(yard, /Fruiting room/, 'hand-over'))
  const fingerprint = /proved \(\d+ open\)\s*, ([0-9a-f]{4}(?: [0-9a-f]{4}){3})/.exec(
    words((await yard.getByRole('main').textContent()) ?? ''),
  )?.[1]
  expect(fingerprint).toBeDefined()

  await test.step('the record', async () => {
    const { bytes, file } = await paper(yard, id, 'record')
    expect(file).toMatch(/^fruiting-room-2-exhaust-and-make-up-record-rev-1-\d{4}-\d\d-\d\d\.pdf$/)
    const { pages, outline, title } = await readPdf(bytes)
    expect(title).toContain('Fruiting room 2')
    const [first = ''] = pages
    expect(words(first)).toMatch(/Sealed, not proved \(\d+ open\)/)
    expect(words(first)).toContain('Imke Marsh')
    expect(words(first)).toContain('Ramp foot')
    expect(outline).toEqual(expect.arrayContaining(['What was proved', 'What was read', 'Care']))
    pages.forEach((text, index) => {
      expect(words(text)).toContain(`page ${index + 1} of ${pages.length}`)
      expect(words(text)).toContain(fingerprint)
    })
    expect(words(pages.join(' '))).toContain('not that an installation is safe')
  })
  await test.step('the card', async () => {
    const { pages } = await readPdf((await paper(yard, id, 'card')).bytes)
    expect(pages).toHaveLength(1)
    // Made after the record in the same process: every figure must still be whole.
    for (const said of [
      'Set on the controller',
      'After an outage',
      'Ramp foot 17.0 °C',
      'Ramp rise 4.0 K',
      fingerprint!,
    ])
      expect(words(pages[0]!)).toContain(said)
  })
  await test.step('the sheet for the people there has no word of the trade', async () => {
    const { pages } = await readPdf((await paper(yard, id, 'sheet')).bytes)
    expect(pages).toHaveLength(1)
    expect(words(pages[0]!)).toContain('What is normal')
    expect(pages[0]).not.toMatch(/ramp|set point|differential|controller|%/i)
  })
  await test.step('labels', async () => {
    const tape = await readPdf((await paper(yard, id, 'label', '&mm=62')).bytes)
    expect(tape.pages).toHaveLength(1)
    expect(words(tape.pages[0]!)).toContain('Fruiting room 2')
    expect(words(tape.pages[0]!)).toMatch(/not proved \(\d+ open\)/)
    const sheet = await readPdf((await paper(yard, id, 'label')).bytes)
    expect(sheet.pages[0]!.match(/not proved/g)).toHaveLength(14)
  })
  await test.step('the calendar', async () => {
    const { bytes } = await paper(yard, id, 'calendar')
    const calendar = new ICAL.Component(ICAL.parse(bytes.toString('utf8')) as unknown[] as never)
    const events = calendar.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event))
    expect(events.map(({ summary }) => summary)).toEqual(
      expect.arrayContaining([expect.stringMatching(/^Calibrate the instrument/)]),
    )
    expect(events.every(({ startDate }) => startDate.isDate)).toBe(true)
  })
  await test.step('the settings', async () => {
    const { data } = Papa.parse<Record<string, string>>((await paper(yard, id, 'settings')).bytes.toString('utf8'), {
      header: true,
    })
    expect(data.find(({ setting }) => setting === 'Ramp foot')).toMatchObject({ wanted: '17.0 °C' })
  })
  await test.step('the code on the card leads to the record', async () => {
    await yard.goto(`/card/${id}?rev=1`)
    const code = yard.getByRole('img', { name: /^Code with the address/ })
    await expect(code).toBeVisible()
    const read = await code.evaluate(async (svg) => {
      const text = new XMLSerializer().serializeToString(svg)
      const image = new Image()
      image.src = `data:image/svg+xml;base64,${btoa(unescape(encodeURIComponent(text)))}`
      await image.decode()
      const canvas = document.createElement('canvas')
      canvas.width = canvas.height = 400
      const context = canvas.getContext('2d')!
      context.drawImage(image, 0, 0, 400, 400)
      return Array.from(context.getImageData(0, 0, 400, 400).data)
    })
    expect(jsQR(Uint8ClampedArray.from(read), 400, 400)?.data).toMatch(new RegExp(`/record/${id}\\?rev=1$`))
  })
})

test('an installation goes to another place as it was, and a copy claims nothing', async ({ yard }) => {
  const id = idIn(await openStage(yard, /Fruiting room/, 'hand-over'))
  const zip = await (await yard.request.get(`/api/installation/${id}/zip`)).body()
  const send = async (query: string) =>
    (await (
      await yard.request.post(`/api/installation${query}`, {
        data: zip,
        headers: { origin: new URL(yard.url()).origin, 'content-type': 'application/zip' },
      })
    ).json()) as { kind: string; makes: { id: string; as: string; revisions: number; checks: number } }
  expect(await send('?trial')).toMatchObject({ kind: 'done', makes: { as: 'copy', revisions: 0, checks: 0 } })
  const { makes } = await send('')
  expect(makes.id).not.toBe(id)
  await yard.goto(`/installation/${makes.id}/hand-over`)
  await expect(yard.getByText('Nothing is sealed yet.')).toBeVisible()
  // Other tests look for the one of the demo by its name.
  await yard.goto(`/installation/${makes.id}/brief`)
  await edit(yard, /^name$/, 'Brought in again')
  await expect(yard.getByRole('heading', { name: 'Brought in again' })).toBeVisible()
  await expectKept(yard)

  await test.step('on the command line, papers and seals of the zip', () => {
    const folder = mkdtempSync(join(tmpdir(), 'gale-papers-'))
    const file = join(folder, 'whole.zip')
    writeFileSync(file, zip)
    const gale = (...args: string[]) => spawnSync('./gale', args, { encoding: 'utf8' })
    const seals = gale('check', '--seal', file)
    expect([seals.status, seals.stdout]).toEqual([0, expect.stringContaining('as it was sealed')])
    const out = join(folder, 'card.pdf')
    expect(gale('card', file, '--out', out).status).toBe(0)
    expect(readFileSync(out).subarray(0, 5).toString()).toBe('%PDF-')
  })
})
