/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { act, fireEvent, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { PreferenceProvider } from '@/ui/preference'
import { QuantityField } from '@/ui/QuantityField'

type Start = {
  quantity?: Quantity
  value?: number | null
  limits?: readonly [number, number]
  step?: number
  canClear?: boolean
  preference?: UnitPreference
}

/** A field with the value it was given last behind it, as a page has it. */
function shown({ quantity = 'temperature', value = 20, preference = METRIC, canClear, ...rest }: Start = {}) {
  const changes: (number | null)[] = []
  const done = jest.fn()
  function Held() {
    const [held, setHeld] = useState<number | null>(value)
    const change = (next: number | null) => {
      changes.push(next)
      setHeld(next)
    }
    return (
      <PreferenceProvider value={preference}>
        <QuantityField
          label="start"
          {...{ quantity, value: held, ...rest }}
          onChange={change}
          onClear={canClear ? () => change(null) : undefined}
          onDone={done}
        />
      </PreferenceProvider>
    )
  }
  render(<Held />)
  return { field: screen.getByRole<HTMLInputElement>('textbox'), changes, done }
}

test.each<[string, Start, string, number]>([
  ['a bare figure', {}, '21.5', 21.5],
  ['a comma', {}, '21,5', 21.5],
  ['another unit', {}, '70 °F', 21.1111],
  ['a time in minutes', { quantity: 'time', value: 900 }, '2 min', 120],
  ['a time with its parts', { quantity: 'time', value: 900 }, '1 h', 3600],
  ['a percentage', { quantity: 'speed', value: 40 }, '55 %', 55],
])('%s is taken while it is typed', async (_, start, typed, wanted) => {
  const { field, changes } = shown(start)
  await userEvent.clear(field)
  await userEvent.type(field, typed)
  expect(changes.at(-1)).toBeCloseTo(wanted, 3)
  expect(field).toHaveValue(typed)
})

test('what cannot be read is refused with the reason, stays to be mended, and the last value stays in force', async () => {
  const { field, changes } = shown()
  await userEvent.clear(field)
  await userEvent.type(field, 'warm')
  fireEvent.blur(field)
  expect(field).toHaveValue('warm')
  expect(field).toHaveAttribute('aria-invalid', 'true')
  expect(screen.getByRole('alert')).toHaveTextContent(/is not a number.*20\.0 °C stays in force/)
  expect(changes).toEqual([])
})

test('what lies outside its limits is refused', async () => {
  const { field, changes } = shown({ quantity: 'speed', value: 40, limits: [0, 100] })
  await userEvent.clear(field)
  await userEvent.type(field, '140')
  expect(screen.getByRole('alert')).toHaveTextContent(/outside what a fan speed can be here/)
  expect(changes.at(-1) ?? 40).toBeLessThanOrEqual(100)
})

test('a field that may be empty tells so, and one that may not goes back', async () => {
  const emptied = shown({ canClear: true })
  await userEvent.clear(emptied.field)
  expect(emptied.changes).toEqual([null])
})

test('a field that may not be empty goes back to its value', async () => {
  const { field, changes } = shown()
  await userEvent.clear(field)
  fireEvent.blur(field)
  expect([field.value, changes]).toEqual(['20.0', []])
})

test.each<[string, Start, string, number]>([
  ['a tenth of a degree', {}, '{ArrowUp}', 20.1],
  ['downwards', {}, '{ArrowDown}', 19.9],
  ['a step of its own', { quantity: 'speed', value: 40, step: 5 }, '{ArrowUp}', 45],
  ['never past its limits', { quantity: 'speed', value: 99, step: 5, limits: [0, 100] }, '{ArrowUp}', 100],
])('arrow keys turn it: %s', async (_, start, keys, wanted) => {
  const { field, changes } = shown(start)
  act(() => field.focus())
  await userEvent.keyboard(keys)
  expect(changes).toEqual([wanted])
})

test('the wheel turns it only while it has the focus', () => {
  const { field, changes } = shown()
  fireEvent.wheel(field, { deltaY: -1 })
  expect(changes).toEqual([])
  act(() => field.focus())
  fireEvent.wheel(field, { deltaY: -1 })
  fireEvent.wheel(field, { deltaY: 1 })
  expect(changes).toEqual([20.1, 20])
})

test('Enter and leaving end the gesture; Escape takes back what was typed and not taken', async () => {
  const { field, done } = shown()
  await userEvent.type(field, '{Enter}')
  expect(done).toHaveBeenCalledTimes(1)
  await userEvent.clear(field)
  await userEvent.type(field, 'x{Escape}')
  expect(field).toHaveValue('20.0')
})

test('it shows the unit a person prefers, and says it to who cannot see it', () => {
  const { field } = shown({ preference: { temperature: 'F', flow: 'cfm' } })
  expect(field).toHaveAccessibleName('start, °F')
  expect(field).toHaveValue('68.0')
})
