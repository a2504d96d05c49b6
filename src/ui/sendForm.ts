import type { KeyboardEvent } from 'react'

/** Enter does what it does in a field of one line, however high the field has grown: it sends the form, or goes on. */
export function sendForm(event: KeyboardEvent, onEnter?: () => void): void {
  if (event.key !== 'Enter') return
  event.preventDefault()
  if (onEnter) onEnter()
  else (event.target as HTMLInputElement).form?.requestSubmit()
}
