'use client'

import Box from '@mui/material/Box'
import type { PointerEvent } from 'react'
import { clamp } from '@/core/json/clamp'
import type { Piece } from '@/core/look/weekStrips'
import { clockText } from '@/core/quantity/clock'
import type { DateStyle } from '@/core/quantity/dateStyle'
import { formatPct } from '@/core/quantity/format'
import { movedTo, stretched, type Times } from '@/core/response/paintWeek'
import { DAY_NAMES } from '@/core/rules/localClock'
import type { Period } from '@/core/rules/week'
import { DAY_MIN, share, STEP_MIN, type Hold } from '@/features/respond/views/week/weekShape'
import { useDates, usePreference } from '@/ui/preference'
import { onKeySteps } from '@/ui/dragHandle'

/** A piece narrower than this has no room for its figure, or for its times. */
const FIGURE_PX = 34
const TIMES_PX = { '24': 130, '12': 170 } as const

type PaintedPieceProps = {
  piece: Piece & { readonly period: Period }
  width: number
  isChosen: boolean
  onTake: (event: PointerEvent, what: Hold['what']) => void
  onChoose: () => void
  onSet: (to: Times) => void
  onWipe: () => void
  onDone: () => void
}

const timesOf = ({ startMin, endMin }: Times, dates: DateStyle): string =>
  `${clockText(startMin, dates)}–${clockText(endMin, dates)}`

/** One painted piece: the darker the faster. Touched it is chosen, dragged it moves, its ends stretch it; keys do all of that. */
export function PaintedPiece({ piece, width, isChosen, onTake, onChoose, onSet, onWipe, onDone }: PaintedPieceProps) {
  const preference = usePreference()
  const { period, fromMin, toMin, ownDay } = piece
  const dates = useDates()
  const isRunOn = fromMin !== period.startMin
  const isCutAtMidnight = toMin === DAY_MIN && period.endMin > 0 && period.endMin < DAY_MIN
  const room = ((toMin - fromMin) / DAY_MIN) * width
  const name = `${DAY_NAMES[ownDay]} ${timesOf(period, dates)}`
  return (
    <>
      <Box
        role="button"
        tabIndex={0}
        aria-pressed={isChosen}
        aria-label={`${name}, ${formatPct(period.speedPct, preference)} %${isRunOn ? ', runs on from the day before' : ''}`}
        onPointerDown={(event) => onTake(event, 'body')}
        onBlur={onDone}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === ' ') onChoose()
          else if (event.key === 'Delete' || event.key === 'Backspace') onWipe()
          else onKeySteps((steps) => onSet(movedTo(period, period.startMin + steps * STEP_MIN, STEP_MIN)))(event)
        }}
        sx={{
          position: 'absolute',
          top: 0,
          bottom: 0,
          left: share(fromMin),
          width: share(toMin - fromMin),
          borderLeft: '3px solid',
          borderColor: 'cause.time',
          bgcolor: `color-mix(in srgb, var(--mui-palette-cause-time) ${Math.round(12 + period.speedPct * 0.3)}%, var(--mui-palette-ground-sheet))`,
          cursor: 'grab',
          touchAction: 'none',
          display: 'flex',
          alignItems: 'center',
          whiteSpace: 'nowrap',
          fontSize: '0.75rem',
          px: 0.5,
          ...(isChosen && { boxShadow: 'inset 0 0 0 2px var(--mui-palette-text-primary)' }),
          '&:focus-visible': { outline: '2px solid', outlineColor: 'text.primary', outlineOffset: -3 },
        }}
      >
        {room > TIMES_PX[dates.clock] ? (
          <span>
            {timesOf(period, dates)} <b>{formatPct(period.speedPct, preference)}</b>
          </span>
        ) : room > FIGURE_PX ? (
          <b>{formatPct(period.speedPct, preference)}</b>
        ) : null}
      </Box>
      {isChosen &&
        (['start', 'end'] as const)
          .filter((end) => (end === 'start' ? !isRunOn : !isCutAtMidnight))
          .map((end) => (
            <Grip
              key={end}
              name={`${name}, ${end}`}
              atMin={end === 'start' ? fromMin : toMin}
              onTake={(event) => onTake(event, end)}
              onStep={(steps) => {
                const at = (end === 'start' ? fromMin : toMin) + steps * STEP_MIN
                const to = stretched(period, end, clamp(at, 0, DAY_MIN), STEP_MIN)
                if (to) onSet(to)
              }}
              onDone={onDone}
            />
          ))}
    </>
  )
}

type GripProps = {
  name: string
  atMin: number
  onTake: (event: PointerEvent) => void
  onStep: (steps: number) => void
  onDone: () => void
}

/** As wide as a finger needs; what is seen of it is half of that. */
const GRIP_PX = 24

const Grip = ({ name, atMin, onTake, onStep, onDone }: GripProps) => (
  <Box
    role="slider"
    tabIndex={0}
    aria-label={name}
    aria-valuemin={0}
    aria-valuemax={DAY_MIN}
    aria-valuenow={atMin}
    aria-valuetext={clockText(atMin, useDates())}
    onPointerDown={onTake}
    onKeyDown={onKeySteps(onStep)}
    onBlur={onDone}
    sx={{
      position: 'absolute',
      top: 0,
      bottom: 0,
      left: `clamp(0px, calc(${share(atMin)} - ${GRIP_PX / 2}px), calc(100% - ${GRIP_PX}px))`,
      width: GRIP_PX,
      cursor: 'ew-resize',
      touchAction: 'none',
      zIndex: 1,
      '&::before': {
        content: '""',
        position: 'absolute',
        inset: '0 6px',
        border: '2px solid var(--mui-palette-cause-time)',
        backgroundColor: 'var(--mui-palette-ground-sheet)',
      },
      '&:focus-visible': { outline: '2px solid', outlineColor: 'text.primary' },
    }}
  />
)
