/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'
import { METRIC } from '@/core/quantity/format'
import { ClockField } from '@/ui/ClockField'
import { PreferenceProvider } from '@/ui/preference'

const AMERICAN: DateStyle = { order: 'month', clock: '12', weekFrom: 'sun' }

function Held({ from, most, onTold }: { from: number; most: number; onTold: (minutes: number) => void }) {
  const [minutes, setMinutes] = useState(from)
  return (
    <ClockField
      label="ends"
      value={minutes}
      most={most}
      onChange={(next) => {
        setMinutes(next)
        onTold(next)
      }}
    />
  )
}

/** A field that was drawn, and what it has told so far. */
function drawn(from: number, most: number, dates: DateStyle) {
  const told: number[] = []
  render(
    <PreferenceProvider value={{ ...METRIC, dates }}>
      <Held from={from} most={most} onTold={(minutes) => told.push(minutes)} />
    </PreferenceProvider>,
  )
  return { told, field: screen.getByRole('textbox', { name: 'ends' }) }
}

test.each([
  { dates: USUAL_DATES, shows: '17:30', typed: '6.15', minutes: 375, then: '06:15' },
  { dates: USUAL_DATES, shows: '17:30', typed: '6:15 pm', minutes: 1095, then: '18:15' },
  { dates: AMERICAN, shows: '5:30 PM', typed: '6:15 pm', minutes: 1095, then: '6:15 PM' },
  { dates: AMERICAN, shows: '5:30 PM', typed: '18:15', minutes: 1095, then: '6:15 PM' },
  { dates: AMERICAN, shows: '5:30 PM', typed: '12 am', minutes: 1440, then: '12:00 AM' },
  { dates: AMERICAN, shows: '5:30 PM', typed: '24:00', minutes: 1440, then: '12:00 AM' },
])('“$typed” into $shows is $then', ({ dates, shows, typed, minutes, then }) => {
  const { told, field } = drawn(1050, 1440, dates)
  expect(field).toHaveValue(shows)
  fireEvent.change(field, { target: { value: typed } })
  fireEvent.blur(field)
  expect(told).toEqual([minutes])
  expect(field).toHaveValue(then)
})

test.each(['25:00', '13 pm', 'noon', '8:75'])(
  '“%s” is no time: it is marked, nothing is kept, and the old one comes back',
  (typed) => {
    const { told, field } = drawn(1050, 1440, USUAL_DATES)
    fireEvent.change(field, { target: { value: typed } })
    expect(field).toHaveAttribute('aria-invalid', 'true')
    fireEvent.keyDown(field, { key: 'Escape' })
    expect(told).toEqual([])
    expect(field).toHaveValue('17:30')
    expect(field).toHaveAttribute('aria-invalid', 'false')
  },
)

test('arrows turn it by a quarter of an hour and stop at the ends of the day', () => {
  const { told, field } = drawn(1435, 1440, AMERICAN)
  fireEvent.keyDown(field, { key: 'ArrowUp' })
  fireEvent.keyDown(field, { key: 'ArrowUp' })
  fireEvent.keyDown(field, { key: 'ArrowDown' })
  expect(told).toEqual([1440, 1440, 1425])
  expect(field).toHaveValue('11:45 PM')
})
