/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { act, fireEvent, render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { Choice } from '@/ui/Choice'
import { ClockField } from '@/ui/ClockField'
import { DaysField } from '@/ui/DaysField'
import { Stopwatch } from '@/ui/Stopwatch'

describe('a time of the day', () => {
  const shown = (value = 480, most = 1440) => {
    const change = jest.fn()
    render(<ClockField label="from" value={value} most={most} onChange={change} />)
    return { field: screen.getByRole<HTMLInputElement>('textbox', { name: 'from' }), change }
  }
  test.each([
    ['8:30', 510],
    ['08:30', 510],
    ['24:00', 1440],
    ['7', 420],
  ])('“%s” is taken', async (typed, minutes) => {
    const { field, change } = shown()
    await userEvent.clear(field)
    await userEvent.type(field, typed)
    expect(change).toHaveBeenLastCalledWith(minutes)
  })
  test('what is no time is marked, and the last one stands again when it is left', async () => {
    const { field } = shown()
    await userEvent.clear(field)
    await userEvent.type(field, 'noon')
    expect(field).toHaveAttribute('aria-invalid', 'true')
    fireEvent.blur(field)
    expect(field).toHaveValue('08:00')
  })
  test('arrow keys turn a quarter of an hour, within the day', async () => {
    const { field, change } = shown(1435, 1439)
    act(() => field.focus())
    await userEvent.keyboard('{ArrowUp}{ArrowDown}')
    expect(change.mock.calls).toEqual([[1439], [1420]])
  })
})

describe('days of the week', () => {
  test('are said as people say them, and at least one stays', async () => {
    const change = jest.fn()
    render(<DaysField label="days" value={[0]} onChange={change} />)
    await userEvent.click(screen.getByRole('combobox'))
    const list = within(screen.getByRole('listbox'))
    await userEvent.click(list.getByRole('option', { name: /Mon/ }))
    expect(change).not.toHaveBeenCalled()
    await userEvent.click(list.getByRole('option', { name: /Wed/ }))
    expect(change).toHaveBeenCalledWith([0, 2])
  })
})

test('an inline choice gives the value, not the words', async () => {
  const change = jest.fn()
  render(
    <Choice
      label="before the start"
      value="from"
      options={[
        ['from', 'hold the first speed'],
        ['nothing', 'ask for nothing'],
      ]}
      onChange={change}
    />,
  )
  await userEvent.click(screen.getByRole('combobox'))
  await userEvent.click(screen.getByRole('option', { name: 'ask for nothing' }))
  expect(change).toHaveBeenCalledWith('nothing')
})

describe('a stopwatch', () => {
  beforeEach(() => jest.useFakeTimers())
  afterEach(() => jest.useRealTimers())
  test('counts from its start to its stop, to a tenth of a second', () => {
    const stop = jest.fn()
    render(<Stopwatch onStop={stop} />)
    fireEvent.click(screen.getByRole('button', { name: 'Start the stopwatch' }))
    act(() => void jest.advanceTimersByTime(65_200))
    expect(screen.getByRole('timer')).toHaveTextContent('01:05')
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }))
    expect(stop).toHaveBeenCalledWith(65.2)
  })
  test('starts anew each time', () => {
    const stop = jest.fn()
    render(<Stopwatch onStop={stop} />)
    for (const ms of [3000, 1000]) {
      fireEvent.click(screen.getByRole('button', { name: 'Start the stopwatch' }))
      act(() => void jest.advanceTimersByTime(ms))
      fireEvent.click(screen.getByRole('button', { name: 'Stop' }))
    }
    expect(stop.mock.calls).toEqual([[3], [1]])
  })
})
