import type { Page } from '@playwright/test'
import { expect } from './test'

/** Notes a start and a stall by hand, without the guided tries. */
export async function noteStartAndStall(page: Page, startPct: number, stallPct: number): Promise<void> {
  await page.getByRole('tab', { name: 'Start and stall' }).click()
  for (const [region, pct] of [
    [/From rest/, startPct],
    [/From running/, stallPct],
  ] as const) {
    const part = page.getByRole('region', { name: region })
    await part.getByRole('textbox').fill(String(pct))
    await part.getByRole('button', { name: `Note ${pct} %` }).click()
  }
}

/** Takes readings where the page proposes them, from a fan that gives `flowOf` (l/s) at each setting. Returns the settings. */
export async function readMap(page: Page, flowOf: (settingPct: number) => number, readings = 4): Promise<number[]> {
  await page.getByRole('tab', { name: 'Speed map' }).click()
  const settings: number[] = []
  for (let reading = 0; reading < readings; reading++) {
    const next = page.getByRole('button', { name: /^Add a reading at/ })
    const settingPct = Number(/at (\d+) %/.exec((await next.textContent()) ?? '')?.[1])
    await next.click()
    const hand = page.getByRole('region', { name: 'The reading in hand' })
    await expect(hand.getByRole('textbox', { name: /^setting of the reading/ })).toHaveValue(String(settingPct))
    await hand.getByRole('textbox', { name: /^Flow now/ }).fill(String(flowOf(settingPct)))
    await hand.getByRole('button', { name: 'Save the reading' }).click()
    settings.push(settingPct)
  }
  return settings
}
