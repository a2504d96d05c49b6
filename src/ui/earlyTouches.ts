/** What was done to a page before it answered, in its order: the text of a field, whether a box was ticked, null for a press. */
type Early = Map<HTMLElement, string | boolean | null>

declare global {
  interface Window {
    /** Null once the page answers. */
    earlyTouches?: Early | null
  }
}

/**
 * Notes what is pressed and typed while the page is only drawn. It stands in the page as text and runs before any of our files is here: it may use
 * nothing from outside itself. Links, and forms the server answers, work without us and are let be.
 */
function noteEarlyTouches(): void {
  const early: Early = new Map()
  window.earlyTouches = early
  const note = (element: HTMLElement, what: string | boolean | null) => {
    early.delete(element)
    early.set(element, what)
  }
  // Heard last: what the page has answered meanwhile is not noted. What is typed is heard first, as React takes a text that stands there when it comes
  // for an old one; typed a second time it changes nothing.
  window.addEventListener('click', ({ target }) => {
    if (!window.earlyTouches || !(target instanceof Element)) return
    const button = target.closest<HTMLElement>('a[href], label, button, [role="button"], [role="combobox"]')
    if (button && !button.matches('a, label, [type="submit"]')) note(button, null)
  })
  const noteTyped = ({ target }: Event) => {
    if (!window.earlyTouches) return
    if (target instanceof HTMLInputElement && /^(checkbox|radio)$/.test(target.type)) note(target, target.checked)
    else if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) note(target, target.value)
  }
  window.addEventListener('input', noteTyped, { capture: true })
}

/** The script of every page’s head. */
export const EARLY_TOUCHES_SCRIPT = `(${noteEarlyTouches.toString()})()`

function pressAgain(button: HTMLElement): void {
  // A choice opens as it is pressed down.
  button.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }))
  button.click()
}

/** Types as the browser does. React hears what a script sets, and takes the event for news if it last heard something else. */
function typeAgain(field: HTMLElement, text: string): void {
  if ('value' in field) field.value = `${text} `
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set?.call(field, text)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}

function tickAgain(box: HTMLElement, isTicked: boolean): void {
  if (box instanceof HTMLInputElement) box.checked = !isTicked
  box.click()
}

/** Does what was asked of the page before it answered, once; to be called when it does. */
export function doEarlyTouches(): void {
  const early = window.earlyTouches
  window.earlyTouches = null
  // Once what is being drawn stands there: parts may have asked to be drawn a second time.
  setTimeout(() => {
    for (const [element, what] of early ?? []) {
      if (!element.isConnected) continue
      if (what === null) pressAgain(element)
      else if (typeof what === 'string') typeAgain(element, what)
      else tickAgain(element, what)
    }
  })
}
