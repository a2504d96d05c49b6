/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { fireEvent, render, screen } from '@testing-library/react'
import { dragHandle, onKeySteps } from '@/ui/dragHandle'

function shown(hasUp: boolean) {
  const calls: (readonly unknown[])[] = []
  render(
    <div
      role="slider"
      tabIndex={0}
      aria-valuenow={1}
      {...dragHandle({
        hasUp,
        onDrag: (...to) => calls.push(['to', ...to]),
        onStep: (...by) => calls.push(['by', ...by]),
        onEnd: () => calls.push(['end']),
      })}
    />,
  )
  const handle = screen.getByRole('slider')
  // jsdom captures no pointers.
  const held = new Set<number>()
  Object.assign(handle, {
    setPointerCapture: (id: number) => held.add(id),
    hasPointerCapture: (id: number) => held.has(id),
  })
  return { handle, calls }
}

test.each([
  ['ArrowRight', true, [1, 0]],
  ['ArrowLeft', true, [-1, 0]],
  ['ArrowUp', true, [0, 1]],
  ['ArrowDown', true, [0, -1]],
  ['PageUp', true, [5, 0]],
  ['ArrowUp', false, [1, 0]],
  ['ArrowDown', false, [-1, 0]],
  ['PageDown', false, [-5, 0]],
])('%s with a direction upwards: %s moves by %j steps', (key, hasUp, by) => {
  const { handle, calls } = shown(hasUp)
  expect(fireEvent.keyDown(handle, { key })).toBe(false)
  fireEvent.keyDown(handle, { key, altKey: true })
  expect(calls).toEqual([
    ['by', ...by, false],
    ['by', ...by, true],
  ])
})

test('other keys are the page’s', () => {
  const { handle, calls } = shown(true)
  expect(fireEvent.keyDown(handle, { key: 'Tab' })).toBe(true)
  expect(calls).toEqual([])
})

test('it follows a pointer only while it holds it, and the gesture ends when it is lifted or left', () => {
  const { handle, calls } = shown(true)
  const pointer = (type: string) =>
    fireEvent(handle, Object.assign(new MouseEvent(type, { bubbles: true, clientX: 4, clientY: 7 }), { pointerId: 1 }))
  pointer('pointermove')
  expect(calls).toEqual([])
  pointer('pointerdown')
  expect(handle).toHaveFocus()
  pointer('pointermove')
  pointer('pointerup')
  fireEvent.blur(handle)
  expect(calls).toEqual([['to', 4, 7, false], ['end'], ['end']])
})

test.each([
  ['ArrowRight', 1],
  ['ArrowUp', 1],
  ['ArrowLeft', -1],
  ['ArrowDown', -1],
  ['PageUp', 5],
  ['PageDown', -5],
  ['Tab', null],
])('%s on what goes one way is %p steps', (key, steps) => {
  const taken: number[] = []
  render(<button onKeyDown={onKeySteps((by) => taken.push(by))}>grip</button>)
  fireEvent.keyDown(screen.getByRole('button'), { key })
  expect(taken).toEqual(steps === null ? [] : [steps])
})
