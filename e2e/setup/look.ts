import type { Page } from '@playwright/test'

/** One text as it lies on the page. */
type Lying = {
  readonly text: string
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  /** Which layer it lies on: what stays in place while the page moves is another one than the page. */
  readonly layer: number
}

/** Everything wrong with where texts lie, in words: what is crossed, cut or outside. Runs in the page; only what is shown is looked at. */
const findCrossed = (): string[] => {
  const found = new Set<string>()
  const lying: Lying[] = []
  const layers: Element[] = []
  const LEAST_RING_PX = 14
  const short = (text: string) => (text.length > 50 ? `${text.slice(0, 50)}…` : text)
  const wide = document.documentElement.clientWidth

  /** Said to a reader of the screen only. */
  const isForEarsOnly = (one: Element): boolean => {
    for (let at: Element | null = one; at; at = at.parentElement) {
      const style = getComputedStyle(at)
      if (style.position === 'absolute' && (at as HTMLElement).offsetWidth <= 1) return true
      if (style.clipPath === 'inset(50%)' || style.opacity === '0') return true
    }
    return false
  }

  const layerOf = (one: Element): number => {
    for (let at: Element | null = one; at; at = at.parentElement) {
      const { position } = getComputedStyle(at)
      if (position !== 'fixed' && position !== 'sticky') continue
      if (!layers.includes(at)) layers.push(at)
      return layers.indexOf(at)
    }
    return -1
  }

  /** The part of a line of text that shows within the boxes around it; a box that does not scroll and cuts it is told. */
  const shownPart = (one: Element, text: string, rect: DOMRect) => {
    let { left, right, top, bottom } = rect
    let scrolls = false
    for (let at: Element | null = one; at && at !== document.body; at = at.parentElement) {
      const style = getComputedStyle(at)
      if (style.position === 'fixed') break
      const box = at.getBoundingClientRect()
      for (const [how, from, to] of [
        [style.overflowX, Math.max(0, box.left - left), Math.max(0, right - box.right)],
        [
          style.overflowY,
          Math.max(0, box.top - top) - rect.height * 0.2,
          Math.max(0, bottom - box.bottom) - rect.height * 0.2,
        ],
      ] as const) {
        const over = Math.max(from, to)
        if (how === 'auto' || how === 'scroll') scrolls = true
        else if ((how === 'hidden' || how === 'clip') && over > 1.5 && !scrolls)
          found.add(`cut by ${Math.round(over)} px: “${short(text)}”`)
      }
      if (style.overflowX !== 'visible') [left, right] = [Math.max(left, box.left), Math.min(right, box.right)]
      if (style.overflowY !== 'visible') [top, bottom] = [Math.max(top, box.top), Math.min(bottom, box.bottom)]
    }
    if (!scrolls && (right > wide + 1 || left < -1)) found.add(`outside the screen: “${short(text)}”`)
    return { left, right, top, bottom }
  }

  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const text = node.textContent!.trim()
    const parent = node.parentElement!
    if (!text || parent.closest('script, style, noscript, option, textarea, [aria-busy=true]')) continue
    if (!parent.checkVisibility({ opacityProperty: true, visibilityProperty: true }) || isForEarsOnly(parent)) continue
    const size = parseFloat(getComputedStyle(parent).fontSize)
    const layer = layerOf(parent)
    const range = document.createRange()
    range.selectNodeContents(node)
    for (const rect of range.getClientRects()) {
      if (rect.width < 1 || rect.right < 0) continue
      const { left, right, top, bottom } = shownPart(parent, text, rect)
      if (right - left < 1 || bottom - top < 1) continue
      // The line of a text is higher than its letters.
      const letters = Math.min(bottom - top, size * 0.7)
      const middle = (top + bottom) / 2
      lying.push({ text, x: left, y: middle - letters / 2, width: right - left, height: letters, layer })
    }
  }

  for (const field of document.querySelectorAll('input')) {
    const isText = ['text', 'search', 'email', 'url', 'tel', 'password'].includes(field.type)
    if (isText && field.checkVisibility() && !isForEarsOnly(field) && field.scrollWidth > field.clientWidth + 1)
      found.add(`cut in its field: “${short(field.value || field.placeholder)}”`)
  }

  // Handles lie over what is written: a ring that a finger takes, not the mark of a reading.
  for (const ring of document.querySelectorAll('circle')) {
    const { left, top, width, height } = ring.getBoundingClientRect()
    if (width < LEAST_RING_PX || !ring.checkVisibility({ visibilityProperty: true })) continue
    const ringLayer = layerOf(ring)
    for (const { text, x, y, width: long, height: high, layer } of lying) {
      const across = Math.min(left + width * 0.85, x + long) - Math.max(left + width * 0.15, x)
      const down = Math.min(top + height * 0.85, y + high) - Math.max(top + height * 0.15, y)
      if (layer === ringLayer && across > 1 && down > 1.5) found.add(`under a handle: “${short(text)}”`)
    }
  }

  for (const [index, one] of lying.entries())
    for (const other of lying.slice(index + 1)) {
      if (one.layer !== other.layer) continue
      const across = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x)
      const down = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y)
      if (across > 1 && down > 1.5) found.add(`crossed: “${short(one.text)}” and “${short(other.text)}”`)
    }
  if (document.documentElement.scrollWidth > wide + 1)
    found.add(`the page is ${document.documentElement.scrollWidth - wide} px wider than the screen`)
  return [...found]
}

/** What is wrong on this page once it has come to rest: the same twice in a row, a frame apart. */
export async function crossedOn(page: Page): Promise<readonly string[]> {
  let last: readonly string[] | null = null
  for (let look = 0; look < 20; look++) {
    const now = await page.evaluate(findCrossed)
    if (now.length === 0 || (last && now.join() === last.join())) return now
    last = now
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
  }
  return last ?? []
}
