import type { Page } from '@playwright/test'

const KEY = 'touches-of-this-test'

/** Counts what a hand does on a page: a touch, or a field that is filled. Kept with the browser, so that it goes on over other pages. */
export const countTouches = (page: Page): Promise<unknown> =>
  page.addInitScript((key) => {
    const one = () => localStorage.setItem(key, String(Number(localStorage.getItem(key) ?? 0) + 1))
    let touchedAt = 0
    addEventListener(
      'click',
      (event) => {
        if (!event.isTrusted) return
        touchedAt = event.timeStamp
        one()
      },
      true,
    )
    // A field that is filled without a touch before it is one action too.
    addEventListener(
      'focusin',
      (event) => {
        const isField = event.target instanceof HTMLInputElement && /text|date|number/.test(event.target.type)
        if (isField && event.timeStamp - touchedAt > 500) one()
      },
      true,
    )
  }, KEY)

export const touchesOf = (page: Page): Promise<number> =>
  page.evaluate((key) => Number(localStorage.getItem(key) ?? 0), KEY)
