import type { KeyboardEvent } from 'react'

/** Enter does what it does in a field of one line, however high the field has grown. */
export function sendForm(event: KeyboardEvent): void {
  if (event.key !== 'Enter') return
  event.preventDefault()
  ;(event.target as HTMLInputElement).form?.requestSubmit()
}
