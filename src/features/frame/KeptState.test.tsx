/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { act, render, screen } from '@testing-library/react'
import { KeptState } from '@/features/frame/KeptState'
import { renderOverCopy, startBrowser } from '@/testing/workingCopy'
import { keepBarSlot } from '@/ui/barSlot'

// The bar and the page below it come alive in any order, and the browser may draw the bar anew when it takes it over from the server.

beforeEach(() => startBrowser())

const Bar = ({ is }: { is: string }) => <div key={is} data-testid={is} ref={keepBarSlot} />

test('a bar that comes alive after the page shows how the page stands', () => {
  renderOverCopy(<KeptState />)
  act(() => keepBarSlot(null))
  expect(screen.queryByText(/kept/)).toBeNull()
  render(<Bar is="late" />)
  expect(screen.getByTestId('late')).toHaveTextContent('kept')
})

test('a bar that is drawn anew shows it too', () => {
  renderOverCopy(<KeptState />)
  const { rerender } = render(<Bar is="first" />)
  expect(screen.getByTestId('first')).toHaveTextContent('kept')
  rerender(<Bar is="second" />)
  expect(screen.queryByTestId('first')).toBeNull()
  expect(screen.getByTestId('second')).toHaveTextContent('kept')
})
