import { useRef, type KeyboardEvent, type RefObject } from 'react'

type Enter = {
  /** Of the button that goes on; without one, Enter goes from field to field only. */
  readonly goesOn: RefObject<HTMLButtonElement | null>
  readonly onKeyDown: (event: KeyboardEvent<HTMLElement>) => void
}

const firstEmpty = (card: HTMLElement): HTMLInputElement | undefined =>
  [...card.querySelectorAll('input')].find((input) => input.value === '' && input.offsetParent !== null)

/** Enter in a field of a card: to the next one that is empty, and after the last by the button that goes on, as if it were touched. */
export function useEnter(): Enter {
  const goesOn = useRef<HTMLButtonElement>(null)
  const onKeyDown = ({ key, target, currentTarget: card }: KeyboardEvent<HTMLElement>): void => {
    if (key !== 'Enter' || !(target instanceof HTMLInputElement)) return
    // Once what was typed is taken and drawn.
    requestAnimationFrame(() => {
      goesOn.current?.click()
      requestAnimationFrame(() => firstEmpty(card)?.focus())
    })
  }
  return { goesOn, onKeyDown }
}
