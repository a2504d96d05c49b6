import type { Page } from '@playwright/test'

/** How many actions a hand has made on a page since: a touch, or one field filled. */
export type Counted = { readonly total: () => number; readonly since: () => number }

/** Counts what a hand does, on every page that follows. */
export async function countActions(page: Page): Promise<Counted> {
  let total = 0
  let told = 0
  await page.exposeFunction('countedAction', () => {
    total++
  })
  await page.addInitScript(() => {
    const counted = (window as unknown as { countedAction: () => void }).countedAction
    let typedIn: EventTarget | null = null
    const touched = (event: Event) => {
      // Enter in a form clicks its button without a hand: it belongs to the field that was filled.
      if (!event.isTrusted || (event as MouseEvent).detail === 0) return
      typedIn = null
      counted()
    }
    const typed = (event: Event) => {
      const isText = event.target instanceof HTMLInputElement ? event.target.type !== 'range' : true
      if (!isText || event.target === typedIn) return
      typedIn = event.target
      counted()
    }
    window.addEventListener('click', touched, true)
    window.addEventListener('input', typed, true)
    window.addEventListener('focusin', ({ target }) => target !== typedIn && (typedIn = null), true)
  })
  return {
    total: () => total,
    since: () => {
      const more = total - told
      told = total
      return more
    },
  }
}
