'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { OtherSpans } from '@/core/look/weekStrips'
import { clockText } from '@/core/quantity/clock'
import { weekInOrder } from '@/core/quantity/dateStyle'
import { paint, reshape, wipe } from '@/core/response/paintWeek'
import { DAY_NAMES } from '@/core/rules/localClock'
import type { Period } from '@/core/rules/week'
import { PeriodSentence } from '@/features/respond/views/week/PeriodSentence'
import { Strip, type StripProps } from '@/features/respond/views/week/Strip'
import { Key, Others, Runs } from '@/features/respond/views/week/WeekLanes'
import {
  DAY_MIN,
  NAME_PX,
  share,
  STRIP_PX,
  type ChangePeriods,
  type Chosen,
  type SetTimes,
} from '@/features/respond/views/week/weekShape'
import { PlacedLabels } from '@/ui/labels/PlacedLabels'
import { useDates } from '@/ui/preference'
import { seenIf, useWidth } from '@/ui/useWidth'

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
  const [width, ref, isMeasured] = useWidth<HTMLDivElement>(600)
  const { weekFrom } = useDates()
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
    <Box role="group" aria-label="Painted week" ref={ref} sx={{ userSelect: 'none', mb: 1, ...seenIf(isMeasured) }}>
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
      {chosen && <PeriodSentence periods={periods} chosen={chosen} onSet={set} onChange={onChange} onDone={onDone} />}
    </Box>
  )
}

/** The hours above the strips. */
function Hours({ width }: { width: number }) {
  const dates = useDates()
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
          text: clockText(hour * 60, dates),
          x: (hour / 24) * width,
          y: 9,
          sides: hour === 24 ? ['left'] : ['above'],
          stays: true,
        }))}
      />
    </svg>
  )
}
