'use client'

import Select from '@mui/material/Select'
import MenuItem from '@mui/material/MenuItem'
import { DAY_NAMES } from '@/core/rules/localClock'
import { weekInOrder } from '@/core/quantity/dateStyle'
import { useDates } from '@/ui/preference'
import { daysText } from '@/core/rules/week'

/** The days as a choice of one. */
export const DAY_OPTIONS = DAY_NAMES.map((name, index) => [String(index), name] as const)

type Props = {
  label: string
  value: readonly number[]
  onChange: (days: number[]) => void
  colour?: string
}

/** Inline days of the week; at least one stays. */
export function DaysField({ label, value, onChange, colour = 'text.primary' }: Props) {
  const { weekFrom } = useDates()
  return (
    <Select<number[]>
      multiple
      variant="standard"
      value={[...value]}
      renderValue={daysText}
      onChange={({ target }) => {
        const days = typeof target.value === 'string' ? [] : [...target.value].sort((a, b) => a - b)
        if (days.length > 0) onChange(days)
      }}
      inputProps={{ 'aria-label': label }}
      sx={{ font: 'inherit', fontWeight: 600, color: colour, '& .MuiSelect-select': { py: 0.25, minHeight: 24 } }}
    >
      {weekInOrder(
        DAY_NAMES.map((day, index) => ({ day, index })),
        weekFrom,
      ).map(({ day, index }) => (
        <MenuItem key={day} value={index}>
          {value.includes(index) ? '✓ ' : ''}
          {day}
        </MenuItem>
      ))}
    </Select>
  )
}
