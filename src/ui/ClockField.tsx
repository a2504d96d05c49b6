'use client'

import InputBase from '@mui/material/InputBase'
import { useState } from 'react'
import { clamp } from '@/core/json/clamp'
import { clockText } from '@/core/quantity/clock'
import { parseClock } from '@/core/quantity/parseClock'
import { useDates } from '@/ui/preference'
import { MONO } from '@/ui/theme'

const STEP_MIN = 15

type Props = {
  label: string
  /** Minutes from midnight. */
  value: number
  /** 1439, or 1440 for an end. */
  most: number
  onChange: (minutes: number) => void
  onDone?: () => void
  colour?: string
}

/** An inline time of the day: typed as people do, or turned by arrow keys a quarter of an hour at a time. */
export function ClockField({ label, value, most, onChange, onDone, colour = 'text.primary' }: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  const dates = useDates()
  const isWrong = typed !== null && parseClock(typed, most) === null
  return (
    <InputBase
      value={typed ?? clockText(value, dates)}
      error={isWrong}
      onFocus={(event) => event.target.select()}
      onChange={(event) => {
        setTyped(event.target.value)
        const minutes = parseClock(event.target.value, most)
        if (minutes !== null && minutes !== value) onChange(minutes)
      }}
      onBlur={() => {
        setTyped(null)
        onDone?.()
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') (event.target as HTMLElement).blur()
        if (event.key === 'Escape') setTyped(null)
        if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
        event.preventDefault()
        setTyped(null)
        onChange(clamp(value + (event.key === 'ArrowUp' ? STEP_MIN : -STEP_MIN), 0, most))
      }}
      inputProps={{
        'aria-label': label,
        'aria-invalid': isWrong,
        autoComplete: 'off',
        title: dates.clock === '12' ? '8 am, 8:30 pm or 24:00' : '8, 8:30 or 24:00',
      }}
      sx={{
        width: `calc(${dates.clock === '12' ? 8 : 5}ch + 12px)`,
        color: colour,
        borderBottom: '2px solid',
        borderColor: isWrong ? 'error.main' : colour,
        '&.Mui-focused': { bgcolor: 'ground.side' },
        '& input': {
          p: '0 3px',
          fontFamily: MONO,
          fontWeight: 600,
          fontSize: '0.9375rem',
          textAlign: 'center',
          height: '1.6rem',
        },
        '@media (max-width: 600px)': { '& input': { minHeight: 40 } },
      }}
    />
  )
}
