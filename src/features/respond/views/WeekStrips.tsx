'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react'
import { clamp } from '@/core/json/clamp'
import { piecesOf, type OtherSpans, type Piece } from '@/core/look/weekStrips'
import { clockText } from '@/core/quantity/clock'
import { USUAL_DATES, weekInOrder } from '@/core/quantity/dateStyle'
import { formatPct } from '@/core/quantity/format'
import { movedTo, paint, reshape, stretched, wipe, type Times } from '@/core/response/paintWeek'
import { DAY_NAMES } from '@/core/rules/localClock'
import type { Period } from '@/core/rules/week'
import { ClockField } from '@/ui/ClockField'
import { PlacedLabels } from '@/ui/labels/PlacedLabels'
import { usePreference } from '@/ui/preference'
import { QuantityField } from '@/ui/QuantityField'
import { hatch } from '@/ui/rail/hatch'
import { useWidth } from '@/ui/useWidth'

/** `gesture`: changes under the same name are one step to be undone. */
export type ChangePeriods = (label: string, next: (periods: readonly Period[]) => Period[], gesture?: string) => void

/** A period on one of its days. */
type Chosen = { readonly index: number; readonly day: number }
type Stroke = { readonly fromMin: number; readonly toMin: number }

/** What a pointer holds: the week as it was when it took hold, and where that was. */
type Hold = {
  readonly what: 'body' | 'start' | 'end'
  readonly before: readonly Period[]
  readonly chosen: Chosen
  readonly times: Times
  readonly atMin: number
}

const DAY_MIN = 1440
const STEP_MIN = 15
const NAME_PX = 44
const STRIP_PX = 26
const LANE_PX = 12
/** A piece narrower than this has no room for its figure. */
const FIGURE_PX = 34
const TIMES_PX = 130

const share = (minutes: number): string => `${(minutes / DAY_MIN) * 100}%`
const stepped = (minutes: number): number => Math.round(minutes / STEP_MIN) * STEP_MIN

type Props = {
  periods: readonly Period[]
  /** What is painted with, percent. */
  speedPct: number
  /** Speed given at every minute of the week, with everything but the clock as it is tried. */
  minutesPct: Float64Array | null
  others: readonly OtherSpans[]
  /** Minute of the week that is tried; none where no clock is. */
  nowMin: number | null
  onChange: ChangePeriods
  onDone: () => void
}

/** The week, a day a line with its hours to the right: above what the week asks, below what runs. Drag over empty hours to paint; touch what is there to
 *  have it in your hands: its ends, its sentence below. */
export function WeekStrips({ periods, speedPct, minutesPct, others, nowMin, onChange, onDone }: Props) {
  const [width, ref] = useWidth<HTMLDivElement>(600)
  const { weekFrom } = usePreference().dates ?? USUAL_DATES
  const [held, setChosen] = useState<Chosen | null>(null)
  const chosen = held && periods[held.index]?.days.includes(held.day) ? held : null
  /** Gives a period of the week as it was other times; what it becomes may be joined with others of its kind, and is found again by what it is. */
  const set: SetTimes = (before, { index, day }, to) => {
    const after = reshape(before, index, day, { day, ...to })
    const at = after.findIndex(
      (one) => one.days.includes(day) && one.startMin === to.startMin && one.endMin === to.endMin,
    )
    setChosen(at < 0 ? null : { index: at, day })
    onChange('move a period', () => after, 'week-strip')
  }
  const strip: Omit<StripProps, 'day'> = {
    periods,
    width: Math.max(1, width - NAME_PX),
    chosen,
    onChoose: setChosen,
    onSet: set,
    onWipe: ({ index, day }) => onChange('wipe', (before) => wipe(before, index, day)),
    onPaint: (day, { fromMin, toMin }) =>
      onChange('paint', (before) =>
        paint(before, { day, startMin: fromMin, endMin: toMin }, { ...before[0]!, speedPct }),
      ),
    onDone,
  }
  return (
    <Box role="group" aria-label="Painted week" ref={ref} sx={{ userSelect: 'none', mb: 1 }}>
      <Hours width={width - NAME_PX} />
      {weekInOrder(
        DAY_NAMES.map((name, day) => ({ name, day })),
        weekFrom,
      ).map(({ name, day }) => (
        <Box key={name} sx={{ display: 'flex', mb: 0.5 }}>
          <Typography
            variant="body2"
            sx={{ width: NAME_PX, flexShrink: 0, fontWeight: 700, lineHeight: `${STRIP_PX}px` }}
          >
            {name}
          </Typography>
          <Box sx={{ flex: 1, minWidth: 0, position: 'relative' }}>
            <Strip day={day} {...strip} />
            {minutesPct && <Runs pct={minutesPct.subarray(day * DAY_MIN, (day + 1) * DAY_MIN)} />}
            <Others others={others} day={day} />
            {nowMin !== null && Math.floor(nowMin / DAY_MIN) === day && (
              <Box
                aria-hidden="true"
                sx={{
                  position: 'absolute',
                  left: share(nowMin % DAY_MIN),
                  top: -2,
                  bottom: 0,
                  width: 2,
                  bgcolor: 'text.primary',
                  pointerEvents: 'none',
                }}
              />
            )}
          </Box>
        </Box>
      ))}
      <Key others={others} hasRuns={minutesPct !== null} />
      {chosen && <Sentence periods={periods} chosen={chosen} onSet={set} onChange={onChange} onDone={onDone} />}
    </Box>
  )
}

/** The hours above the strips. */
function Hours({ width }: { width: number }) {
  return (
    <svg
      width={Math.max(1, width)}
      height={18}
      aria-hidden="true"
      style={{ marginLeft: NAME_PX, display: 'block', overflow: 'visible' }}
    >
      <PlacedLabels
        area={{ x: -NAME_PX, y: 0, width: width + NAME_PX, height: 18 }}
        labels={[0, 24, 12, 6, 18, 3, 9, 15, 21].map((hour) => ({
          text: clockText(hour * 60),
          x: (hour / 24) * width,
          y: 9,
          sides: hour === 24 ? ['left'] : ['above'],
          stays: true,
        }))}
      />
    </svg>
  )
}

type SetTimes = (before: readonly Period[], chosen: Chosen, to: Times) => void

type StripProps = {
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

function Strip({ day, periods, width, chosen, onChoose, onSet, onWipe, onPaint, onDone }: StripProps) {
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

const timesOf = ({ startMin, endMin }: Times): string => `${clockText(startMin)}–${clockText(endMin)}`

/** Steps of a quarter of an hour that an arrow key means. */
const KEY_STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 4,
  PageDown: -4,
}

const onKeySteps = (move: (steps: number) => void) => (event: KeyboardEvent) => {
  const steps = KEY_STEPS[event.key]
  if (steps === undefined) return
  event.preventDefault()
  move(steps)
}

/** One painted piece: the darker the faster. Touched it is chosen, dragged it moves, its ends stretch it; keys do all of that. */
function PaintedPiece({ piece, width, isChosen, onTake, onChoose, onSet, onWipe, onDone }: PaintedPieceProps) {
  const { period, fromMin, toMin, ownDay } = piece
  const isRunOn = fromMin !== period.startMin
  const isCutAtMidnight = toMin === DAY_MIN && period.endMin > 0 && period.endMin < DAY_MIN
  const room = ((toMin - fromMin) / DAY_MIN) * width
  const name = `${DAY_NAMES[ownDay]} ${timesOf(period)}`
  return (
    <>
      <Box
        role="button"
        tabIndex={0}
        aria-pressed={isChosen}
        aria-label={`${name}, ${formatPct(period.speedPct)} %${isRunOn ? ', runs on from the day before' : ''}`}
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
        {room > TIMES_PX ? (
          <span>
            {timesOf(period)} <b>{formatPct(period.speedPct)}</b>
          </span>
        ) : room > FIGURE_PX ? (
          <b>{formatPct(period.speedPct)}</b>
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
    aria-valuetext={clockText(atMin)}
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

/** What runs on one day, 0 to 100 % high. */
function Runs({ pct }: { pct: Float64Array }) {
  const path = useMemo(() => {
    const at = (minute: number) => (LANE_PX * (1 - pct[minute]! / 100)).toFixed(1)
    let drawn = `M0 ${LANE_PX}V${at(0)}`
    for (let minute = 1; minute < pct.length; minute++)
      if (Math.abs(pct[minute]! - pct[minute - 1]!) > 0.5) drawn += `H${minute}V${at(minute)}`
    return `${drawn}H${DAY_MIN}V${LANE_PX}Z`
  }, [pct])
  return (
    <svg
      viewBox={`0 0 ${DAY_MIN} ${LANE_PX}`}
      width="100%"
      height={LANE_PX}
      preserveAspectRatio="none"
      aria-hidden="true"
      style={{ display: 'block', background: 'var(--mui-palette-ground-wont)', marginTop: 1 }}
    >
      <path
        d={path}
        fill="var(--mui-palette-ground-tint)"
        stroke="var(--mui-palette-cause-speed)"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  )
}

const LOOK = {
  runs: { height: 6, border: '1px solid var(--mui-palette-cause-time)', ...hatch },
  permitted: { height: 0, borderTop: '3px dashed var(--mui-palette-cause-temperature)' },
} as const

/** Hours of one day in which something else runs, or may. */
const Others = ({ others, day }: { others: readonly OtherSpans[]; day: number }) => (
  <Box sx={{ position: 'relative', height: others.length > 0 ? 8 : 0 }} aria-hidden="true">
    {others.flatMap(({ how, pieces }, index) =>
      pieces
        .filter((piece) => piece.day === day)
        .map(({ fromMin, toMin }) => (
          <Box
            key={`${index}:${fromMin}`}
            sx={{ position: 'absolute', top: 1, left: share(fromMin), width: share(toMin - fromMin), ...LOOK[how] }}
          />
        )),
    )}
  </Box>
)

const Swatch = ({ look, children }: { look: object; children: ReactNode }) => (
  <Box component="span" sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75, mr: 2 }}>
    <Box component="span" sx={{ width: 22, display: 'inline-block', ...look }} />
    {children}
  </Box>
)

/** What the lanes are, and in words for those who do not see them. */
const Key = ({ others, hasRuns }: { others: readonly OtherSpans[]; hasRuns: boolean }) => (
  <Typography variant="body2" component="div" sx={{ color: 'text.secondary', ml: `${NAME_PX}px` }}>
    <Swatch look={{ height: 12, bgcolor: 'cause.time', opacity: 0.35 }}>asked by the week</Swatch>
    {hasRuns && (
      <Swatch look={{ height: 10, bgcolor: 'ground.tint', borderTop: 2, borderColor: 'cause.speed' }}>
        what runs, 0–100 %
      </Swatch>
    )}
    {others.map(({ name, how }, index) => (
      <Swatch key={index} look={LOOK[how]}>
        {name}
        {how === 'permitted' ? ', its hours' : ''}
      </Swatch>
    ))}
  </Typography>
)

type SentenceProps = {
  periods: readonly Period[]
  chosen: Chosen
  onSet: SetTimes
  onChange: ChangePeriods
  onDone: () => void
}

/** The period that is in one's hands, as a sentence. */
function Sentence({ periods, chosen, onSet, onChange, onDone }: SentenceProps) {
  const { index, day } = chosen
  const period = periods[index]!
  const { startMin, endMin, speedPct } = period
  return (
    <Typography component="div" sx={{ mt: 1, pl: 1.5, borderLeft: 3, borderColor: 'cause.time' }}>
      On <b>{DAY_NAMES[day]}</b> from{' '}
      <ClockField
        label="start of this period"
        value={startMin}
        most={1439}
        onChange={(at) => at !== endMin && onSet(periods, chosen, { startMin: at, endMin })}
        onDone={onDone}
      />{' '}
      to{' '}
      <ClockField
        label="end of this period"
        value={endMin}
        most={1440}
        onChange={(at) => at !== startMin && onSet(periods, chosen, { startMin, endMin: at })}
        onDone={onDone}
      />{' '}
      run{' '}
      <QuantityField
        label="speed of this period"
        quantity="speed"
        value={speedPct}
        onChange={(pct) =>
          onChange('speed of a period', (before) =>
            paint(wipe(before, index, day), { day, startMin, endMin }, { ...period, speedPct: pct }),
          )
        }
        colour="cause.time"
      />
      .{' '}
      <Button size="small" onClick={() => onChange('wipe', (before) => wipe(before, index, day))}>
        Wipe it
      </Button>
    </Typography>
  )
}
