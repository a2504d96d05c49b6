'use client'

import Box from '@mui/material/Box'
import { useMemo, useRef, useState, type PointerEvent } from 'react'
import { clamp } from '@/core/json/clamp'
import { piecesOf } from '@/core/look/weekStrips'
import { movedTo, stretched, type Times } from '@/core/response/paintWeek'
import type { Period } from '@/core/rules/week'
import { PaintedPiece } from '@/features/respond/views/week/PaintedPiece'
import {
  DAY_MIN,
  share,
  STEP_MIN,
  stepped,
  STRIP_PX,
  type Chosen,
  type Hold,
  type SetTimes,
  type Stroke,
} from '@/features/respond/views/week/weekShape'

export type StripProps = {
  day: number
  periods: readonly Period[]
  /** Of the strip, px. */
  width: number
  chosen: Chosen | null
  onChoose: (chosen: Chosen | null) => void
  onSet: SetTimes
  onWipe: (chosen: Chosen) => void
  onPaint: (day: number, stroke: Stroke) => void
  onDone: () => void
}

const heldTimes = ({ what, times, atMin }: Hold, nowMin: number): Times | null =>
  what === 'body' ? movedTo(times, times.startMin + nowMin - atMin, STEP_MIN) : stretched(times, what, nowMin, STEP_MIN)

/** The hours of one day as the week asks for them: painted over where they are empty, taken hold of where something is. */
export function Strip({ day, periods, width, chosen, onChoose, onSet, onWipe, onPaint, onDone }: StripProps) {
  const bar = useRef<HTMLDivElement>(null)
  const hold = useRef<Hold | null>(null)
  const [stroke, setStroke] = useState<Stroke | null>(null)
  const pieces = useMemo(
    () =>
      periods
        .flatMap((period, index) =>
          piecesOf(period)
            .filter((piece) => piece.day === day)
            .map((piece) => ({ ...piece, index, period })),
        )
        .sort((one, other) => one.fromMin - other.fromMin),
    [periods, day],
  )
  const minuteAt = (clientX: number): number => {
    const box = bar.current!.getBoundingClientRect()
    return clamp(stepped(((clientX - box.left) / box.width) * DAY_MIN), 0, DAY_MIN)
  }
  /** The strip keeps the pointer: what it moves may be drawn anew under it. */
  const take = (event: PointerEvent, held: Omit<Hold, 'atMin'> | null) => {
    event.stopPropagation()
    bar.current!.setPointerCapture(event.pointerId)
    const atMin = minuteAt(event.clientX)
    hold.current = held && { ...held, atMin }
    if (!held) setStroke({ fromMin: atMin, toMin: atMin })
  }
  const end = () => {
    if (stroke && stroke.fromMin !== stroke.toMin)
      onPaint(day, { fromMin: Math.min(stroke.fromMin, stroke.toMin), toMin: Math.max(stroke.fromMin, stroke.toMin) })
    if (hold.current) onDone()
    hold.current = null
    setStroke(null)
  }
  return (
    <Box
      ref={bar}
      sx={{
        position: 'relative',
        height: STRIP_PX,
        bgcolor: 'ground.wont',
        // A finger paints sideways, and moves the page up and down.
        touchAction: 'pan-y',
        cursor: 'crosshair',
        overflow: 'hidden',
        backgroundImage: `repeating-linear-gradient(90deg, var(--mui-palette-divider) 0 1px, transparent 1px ${100 / 8}%)`,
      }}
      onPointerDown={(event) => {
        onChoose(null)
        take(event, null)
      }}
      onPointerMove={(event) => {
        const atMin = minuteAt(event.clientX)
        if (stroke) setStroke({ ...stroke, toMin: atMin })
        const held = hold.current
        const to = held && atMin !== held.atMin ? heldTimes(held, atMin) : null
        if (held && to) onSet(held.before, held.chosen, to)
      }}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {pieces.map((piece, order) => (
        <PaintedPiece
          // By its order: it stays the same to the keys while it moves.
          key={order}
          piece={piece}
          width={width}
          isChosen={chosen?.index === piece.index && chosen.day === piece.ownDay}
          onTake={(event, what) => {
            const own = { index: piece.index, day: piece.ownDay }
            onChoose(own)
            take(event, { what, before: periods, chosen: own, times: piece.period })
          }}
          onChoose={() => onChoose({ index: piece.index, day: piece.ownDay })}
          onSet={(to) => onSet(periods, { index: piece.index, day: piece.ownDay }, to)}
          onWipe={() => onWipe({ index: piece.index, day: piece.ownDay })}
          onDone={onDone}
        />
      ))}
      {stroke && (
        <Box
          sx={{
            position: 'absolute',
            top: 0,
            bottom: 0,
            left: share(Math.min(stroke.fromMin, stroke.toMin)),
            width: share(Math.abs(stroke.toMin - stroke.fromMin)),
            border: 2,
            borderColor: 'cause.time',
            pointerEvents: 'none',
          }}
        />
      )}
    </Box>
  )
}
