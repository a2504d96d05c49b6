/** @jest-environment jsdom */
import MenuItem from '@mui/material/MenuItem'
import Switch from '@mui/material/Switch'
import TextField from '@mui/material/TextField'
import { act, cleanup, fireEvent, screen } from '@testing-library/react'
import { useLayoutEffect, useState } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { renderToString } from 'react-dom/server'
import { doEarlyTouches, EARLY_TOUCHES_SCRIPT } from '@/ui/earlyTouches'

function Page() {
  const [count, setCount] = useState(0)
  const [text, setText] = useState('')
  const [isOn, setOn] = useState(false)
  const [sent, setSent] = useState(0)
  useLayoutEffect(doEarlyTouches, [])
  return (
    <form onSubmit={(event) => (event.preventDefault(), setSent(sent + 1))}>
      <button type="button" onClick={() => setCount(count + 1)}>
        Count
      </button>
      <button type="submit">Send</button>
      <a href="#away">Away</a>
      <input aria-label="Name" value={text} onChange={({ target }) => setText(target.value)} />
      <Switch checked={isOn} onChange={(_event, next) => setOn(next)} />
      <TextField select label="Kind" value="a">
        <MenuItem value="a">first</MenuItem>
        <MenuItem value="b">second</MenuItem>
      </TextField>
      <output>{`${count} ${text} ${isOn} ${sent}`}</output>
    </form>
  )
}

/** Draws the page as the server does, does something to it, and lets it come alive. */
function afterComingAlive(early: () => void): void {
  document.body.innerHTML = `<div>${renderToString(<Page />)}</div>`
  window.eval(EARLY_TOUCHES_SCRIPT)
  early()
  act(() => void hydrateRoot(document.body.firstElementChild!, <Page />))
  act(() => jest.runAllTimers())
}

beforeEach(() => jest.useFakeTimers())
afterEach(cleanup)

test.each<[what: string, early: () => void, after: string]>([
  ['nothing', () => {}, '0  false 0'],
  ['a press', () => fireEvent.click(screen.getByText('Count')), '1  false 0'],
  [
    'presses of one that does not answer are one',
    () => [1, 2, 3].forEach(() => fireEvent.click(screen.getByText('Count'))),
    '1  false 0',
  ],
  [
    'what was typed',
    () => fireEvent.input(screen.getByLabelText('Name'), { target: { value: 'Staithe' } }),
    '0 Staithe false 0',
  ],
  ['a switch', () => fireEvent.click(screen.getByRole('switch')), '0  true 0'],
  ['what the browser does itself', () => fireEvent.click(screen.getByText('Away')), '0  false 0'],
])('%s before the page answers', (_what, early, after) => {
  afterComingAlive(early)
  expect(screen.getByRole('status').textContent).toBe(after)
})

test('a choice opens', () => {
  afterComingAlive(() => fireEvent.click(screen.getByRole('combobox')))
  expect(screen.getByRole('option', { name: 'second' })).toBeTruthy()
})

test('once the page answers nothing is done twice', () => {
  afterComingAlive(() => fireEvent.click(screen.getByText('Count')))
  fireEvent.click(screen.getByText('Count'))
  act(() => (doEarlyTouches(), jest.runAllTimers()))
  expect(screen.getByRole('status').textContent).toBe('2  false 0')
})
