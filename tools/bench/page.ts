import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { chromium } from '@playwright/test'
import { startGale } from '../../e2e/setup/gale'
import { CHROMIUM } from '../debian'

type Measured = { lcpMs: number; jsBytes: number; inpMs: number; frames: number[] }

/** Watches largest paint, interactions and frames from inside the page. */
const WATCH = `
  window.gale = { lcpMs: 0, inpMs: 0, frames: [] }
  new PerformanceObserver((list) => { for (const entry of list.getEntries()) window.gale.lcpMs = entry.startTime }).observe({ type: 'largest-contentful-paint', buffered: true })
  new PerformanceObserver((list) => { for (const entry of list.getEntries()) window.gale.inpMs = Math.max(window.gale.inpMs, entry.duration) }).observe({ type: 'event', durationThreshold: 16, buffered: true })
  window.galeFrames = () => { let last = performance.now(); const tick = (now) => { window.gale.frames.push(now - last); last = now; requestAnimationFrame(tick) }; requestAnimationFrame(tick) }
`

/** First load and interaction of the installation page in Chromium: LCP, INP, JavaScript sent, and frames while a handle is dragged. */
export async function pageFigures(): Promise<string[]> {
  const folder = mkdtempSync(`${tmpdir()}/gale-bench-`)
  const gale = await startGale({ folder })
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  try {
    const page = await (
      await browser.newContext({ baseURL: gale.url, viewport: { width: 1280, height: 800 } })
    ).newPage()
    await page.goto('/sign-in')
    await page.getByRole('button', { name: 'Open the demo yard' }).click()
    await page.waitForURL('**/yard')
    const path = await page
      .getByRole('link', { name: /Fruiting room/ })
      .first()
      .getAttribute('href')
    const cold = await (
      await browser.newContext({
        baseURL: gale.url,
        viewport: { width: 1280, height: 800 },
        storageState: await page.context().storageState(),
      })
    ).newPage()
    await cold.addInitScript(WATCH)
    await cold.goto(path ?? '')
    await cold.waitForLoadState('networkidle')
    const jsBytes = await cold.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .reduce(
          (sum, entry) =>
            entry.name.endsWith('.js') ? sum + (entry as PerformanceResourceTiming).encodedBodySize : sum,
          0,
        ),
    )
    const field = cold.getByRole('textbox', { name: /room temperature, start/ })
    for (const text of ['15.5', '16', '15', '16.5']) await field.fill(text)
    const handle = (await cold.getByRole('slider', { name: 'room temperature ramp, start' }).boundingBox())!
    await cold.mouse.move(handle.x + 9, handle.y + 9)
    await cold.mouse.down()
    await cold.evaluate('window.galeFrames()')
    for (let step = 0; step < 120; step++)
      await cold.mouse.move(handle.x + 9 + 60 * Math.sin(step / 12), handle.y + 9 - step / 2)
    await cold.mouse.up()
    const { lcpMs, inpMs, frames } = await cold.evaluate<Measured>('window.gale')
    const sorted = [...frames].sort((a, b) => a - b)
    const at = (share: number) => sorted[Math.floor((sorted.length - 1) * share)] ?? 0
    return [
      `installation page: LCP ${lcpMs.toFixed(0)} ms (aim 1000), worst interaction ${inpMs.toFixed(0)} ms (aim 100), JavaScript ${(jsBytes / 1000).toFixed(0)} kB compressed (aim 300; charts, react and next alone are more than 200)`,
      `  dragging a handle: median frame ${at(0.5).toFixed(1)} ms, 95 % of frames under ${at(0.95).toFixed(1)} ms (aim 16, drawn in software here), ${(1000 / (frames.reduce((sum, ms) => sum + ms, 0) / frames.length)).toFixed(0)} frames a second`,
    ]
  } finally {
    await browser.close()
    await gale.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
