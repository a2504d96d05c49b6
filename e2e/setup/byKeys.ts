import type { Locator, Page } from '@playwright/test'

/** More stops than any page has. */
const MOST_TABS = 600
const MOST_IN_GROUP = 12

const isFocused = (target: Locator): Promise<boolean> =>
  target.evaluate((element) => element === document.activeElement)

/** The role of what is to be touched: what the arrow keys lead to, what a space ticks, or what Enter presses. */
const kindOf = (target: Locator): Promise<string> =>
  target.evaluate(
    (element) => element.getAttribute('role') ?? (element instanceof HTMLInputElement ? element.type : ''),
  )

/** Walks to it as somebody does who has no pointer: by Tab, inside a list or menu by the arrow keys. */
async function walkTo(page: Page, target: Locator): Promise<void> {
  await target.waitFor()
  const key = ['option', 'menuitem', 'tab'].includes(await kindOf(target)) ? 'ArrowDown' : 'Tab'
  const isInGroup = key === 'Tab' && (await target.getAttribute('tabindex')) === '-1'
  for (let stop = 0; !isInGroup && stop < MOST_TABS; stop++) {
    if (await isFocused(target)) return
    await page.keyboard.press(key)
  }
  // One of a group of which Tab reaches only one: the arrow keys go on from there.
  if (isInGroup) {
    await walkTo(page, target.locator('xpath=..').locator('[tabindex="0"]'))
    for (let stop = 0; stop < MOST_IN_GROUP; stop++) {
      if (await isFocused(target)) return
      await page.keyboard.press('ArrowRight')
    }
  }
  throw new Error(`the ${key} key does not reach ${String(target)}`)
}

/** From now on everything this page’s tests touch or fill is reached and done by keys alone; where a key cannot go, the test fails.
 *  @returns ends it */
export function goByKeys(page: Page): () => void {
  const kind = Object.getPrototypeOf(page.locator('body')) as Record<'click' | 'fill', unknown>
  const { click, fill } = kind
  kind.click = async function clickByKeys(this: Locator) {
    await walkTo(page, this)
    await page.keyboard.press((await kindOf(this)) === 'checkbox' ? 'Space' : 'Enter')
  }
  kind.fill = async function fillByKeys(this: Locator, text: string) {
    await walkTo(page, this)
    await page.keyboard.press('Control+a')
    await page.keyboard.type(text)
  }
  return () => void Object.assign(kind, { click, fill })
}
