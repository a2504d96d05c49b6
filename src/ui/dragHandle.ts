import type { KeyboardEvent, PointerEvent } from 'react'

type Options = {
  /** Where the pointer is, in the page; `free`: not to be snapped (Alt is held). */
  onDrag: (clientX: number, clientY: number, free: boolean) => void
  /** How many steps a key moves it, to the right and upwards. */
  onStep: (right: number, up: number, free: boolean) => void
  /** The finger is lifted, or the handle left: what was moved is one gesture. */
  onEnd: () => void
  /** Whether up and down are a direction of their own; they mean right and left otherwise. */
  hasUp: boolean
}

type Handlers = {
  readonly onPointerDown: (event: PointerEvent) => void
  readonly onPointerMove: (event: PointerEvent) => void
  readonly onPointerUp: () => void
  readonly onKeyDown: (event: KeyboardEvent) => void
  readonly onBlur: () => void
}

/** One press of a page key is so many steps. */
const PAGE_STEPS = 5

const KEYS: Readonly<Record<string, readonly [right: number, up: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
  PageUp: [PAGE_STEPS, 0],
  PageDown: [-PAGE_STEPS, 0],
}

/** Takes a key for the steps it means on something that goes one way: right and up are more. */
export const onKeySteps =
  (move: (steps: number) => void) =>
  (event: KeyboardEvent): void => {
    const by = KEYS[event.key]
    if (!by) return
    event.preventDefault()
    move(by[0] + by[1])
  }

/** What makes an element a handle: mouse, touch and keys, alike on charts and on the rail. */
export function dragHandle({ onDrag, onStep, onEnd, hasUp }: Options): Handlers {
  return {
    onPointerDown(event) {
      event.currentTarget.setPointerCapture(event.pointerId)
      ;(event.currentTarget as HTMLElement).focus()
      event.preventDefault()
    },
    onPointerMove(event) {
      if (event.currentTarget.hasPointerCapture(event.pointerId)) onDrag(event.clientX, event.clientY, event.altKey)
    },
    onPointerUp: onEnd,
    onBlur: onEnd,
    onKeyDown(event) {
      const by = KEYS[event.key]
      if (!by) return
      event.preventDefault()
      const [right, up] = hasUp ? by : [by[0] + by[1], 0]
      onStep(right, up, event.altKey)
    },
  }
}
