'use client'

import '@fullcalendar/react/skeleton.css'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import FullCalendar from '@fullcalendar/react'
import classicTheme from '@fullcalendar/react/themes/classic'
import interactionPlugin from '@fullcalendar/react/interaction'
import timeGridPlugin from '@fullcalendar/react/timegrid'
import '@fullcalendar/react/themes/classic/theme.css'
import { useMemo, useState } from 'react'
import { formatPct } from '@/core/quantity/format'
import { copyDay, paint, painted, reshape, wipe, type PaintedSpan } from '@/core/response/paintWeek'
import { addSeason, changeOver } from '@/core/response/seasons'
import type { Period, Week } from '@/core/rules/week'
import { RunsWhenLine } from '@/features/respond/views/RunsWhenLine'
import { Choice } from '@/ui/Choice'
import { DAY_OPTIONS, DaysField } from '@/ui/DaysField'
import { QuantityField } from '@/ui/QuantityField'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** Any Monday: the grid shows days of the week, never dates. */
const MONDAY = new Date(2024, 0, 1)
const SNAP = '00:15:00'

const at = (day: number, minute: number): Date => new Date(2024, 0, 1 + day, 0, minute)
const dayOf = (date: Date): number => (date.getDay() + 6) % 7
const minuteOfDay = (date: Date): number => date.getHours() * 60 + date.getMinutes()

/** From what was dragged to a stroke; an end at midnight is 24:00 of its day. */
const spanOf = (start: Date, end: Date): PaintedSpan => ({
  day: dayOf(start),
  startMin: minuteOfDay(start),
  endMin: minuteOfDay(end) === 0 ? 1440 : minuteOfDay(end),
})

type ChangePeriods = (label: string, next: (periods: readonly Period[]) => Period[]) => void

/** The week of a rule, painted: drag over empty hours to paint, drag or stretch what is painted, press it to wipe it. Under it what runs
 *  when, and the longest time without air. */
export function WeekView() {
  const response = usePart('response')
  const edit = useWorkingCopy((state) => state.edit)
  const weeks = response.rules.filter((rule): rule is Week => 'periods' in rule)
  const [chosen, setChosen] = useState<string | null>(null)
  const [brushPct, setBrush] = useState<number | null>(null)
  const week = weeks.find(({ id }) => id === chosen) ?? weeks[0]
  if (!week)
    return (
      <>
        <Typography variant="body2">
          Nothing runs by a week of its own yet: add “By the clock” below. What runs when follows from the other rules:
        </Typography>
        <RunsWhenLine />
      </>
    )
  const speedPct = brushPct ?? week.periods.at(-1)?.speedPct ?? response.ceiling.speedPct
  const change: ChangePeriods = (label, next) =>
    edit(label, (draft) => {
      const rule = draft.response.rules.find(({ id }) => id === week.id)
      if (!rule || !('periods' in rule)) return
      const after = next(rule.periods)
      // A week keeps a period: to have none, remove or switch off the rule.
      if (after.length > 0) rule.periods = after
    })
  return (
    <>
      <Typography component="div" variant="body2" sx={{ mb: 0.5 }}>
        {weeks.length > 1 && (
          <>
            Week{' '}
            <Choice
              label="which week"
              value={week.id}
              options={weeks.map(({ id, note, off }) => [id, `${note ?? id}${off ? ', resting' : ''}`] as const)}
              onChange={setChosen}
            />
            .{' '}
          </>
        )}
        Paint with{' '}
        <QuantityField
          label="speed to paint with"
          quantity="speed"
          value={speedPct}
          onChange={setBrush}
          colour="cause.time"
        />
        : drag over empty hours; drag or stretch what is there; press it to wipe it. <CopyDay onChange={change} />{' '}
        <Seasons week={week} />
      </Typography>
      <PaintedWeek periods={week.periods} speedPct={speedPct} onChange={change} />
      <RunsWhenLine />
    </>
  )
}

function CopyDay({ onChange }: { onChange: ChangePeriods }) {
  const [fromDay, setFromDay] = useState('0')
  const [toDays, setToDays] = useState<readonly number[]>([1, 2, 3, 4])
  return (
    <>
      Copy <Choice label="day to copy" value={fromDay} options={DAY_OPTIONS} onChange={setFromDay} /> to{' '}
      <DaysField label="days to copy to" value={toDays} onChange={setToDays} />{' '}
      <Button size="small" onClick={() => onChange('copy a day', (before) => copyDay(before, Number(fromDay), toDays))}>
        Copy the day
      </Button>
    </>
  )
}

function Seasons({ week }: { week: Week }) {
  const edit = useWorkingCopy((state) => state.edit)
  return (
    <>
      <Button
        size="small"
        onClick={() => edit('keep another season', ({ response: draft }) => void addSeason(draft, week.id))}
      >
        Keep another season
      </Button>
      {week.off && (
        <Button
          size="small"
          onClick={() => edit('change over to another season', ({ response: draft }) => changeOver(draft, week.id))}
        >
          Let this one run, the other weeks rest
        </Button>
      )}
    </>
  )
}

type PaintedProps = { periods: readonly Period[]; speedPct: number; onChange: ChangePeriods }

const placeOf = (id: string) => id.split(':').map(Number) as [index: number, day: number]

const eventsOf = (periods: readonly Period[]) =>
  painted(periods).map(({ index, day, of }) => ({
    id: `${index}:${day}`,
    title: `${formatPct(of.speedPct)} %`,
    start: at(day, of.startMin),
    end: at(of.endMin <= of.startMin ? day + 1 : day, of.endMin),
  }))

function PaintedWeek({ periods, speedPct, onChange }: PaintedProps) {
  const events = useMemo(() => eventsOf(periods), [periods])
  function move(event: { id: string; start: Date | null; end: Date | null }, revert: () => void): void {
    const { start, end } = event
    const [index, day] = placeOf(event.id)
    revert()
    if (start && end) onChange('move a period', (before) => reshape(before, index, day, spanOf(start, end)))
  }
  return (
    <Box sx={WEEK_LOOK} aria-label="Painted week" role="group">
      <FullCalendar
        plugins={[timeGridPlugin, interactionPlugin, classicTheme]}
        initialView="timeGridWeek"
        initialDate={MONDAY}
        firstDay={1}
        headerToolbar={false}
        allDaySlot={false}
        nowIndicator={false}
        height={340}
        slotDuration="02:00:00"
        slotHeaderFormat={{ hour: '2-digit', minute: '2-digit', hour12: false }}
        snapDuration={SNAP}
        dayHeaderFormat={{ weekday: 'short' }}
        eventTimeFormat={{ hour: '2-digit', minute: '2-digit', hour12: false }}
        scrollTime="00:00:00"
        editable
        selectable
        selectMirror
        longPressDelay={300}
        events={events}
        select={({ start, end }) =>
          onChange('paint', (before) => paint(before, spanOf(start, end), { ...before[0]!, speedPct }))
        }
        eventDrop={({ event, revert }) => move(event, revert)}
        eventResize={({ event, revert }) => move(event, revert)}
        eventClick={({ event }) => {
          const [index, day] = placeOf(event.id)
          onChange('wipe', (before) => wipe(before, index, day))
        }}
      />
    </Box>
  )
}

const WEEK_LOOK = {
  border: 1,
  borderColor: 'divider',
  fontSize: '0.8125rem',
  mb: 1,
  overflowX: 'auto',
  '& > *': { minWidth: 560 },
  '--fc-classic-event': 'color-mix(in srgb, var(--mui-palette-cause-time) 22%, var(--mui-palette-ground-sheet))',
  '--fc-classic-event-contrast': 'var(--mui-palette-text-primary)',
  '--fc-classic-background': 'var(--mui-palette-ground-sheet)',
  '--fc-classic-border': 'var(--mui-palette-divider)',
  '--fc-classic-muted': 'var(--mui-palette-ground-side)',
  '--fc-classic-faint': 'var(--mui-palette-ground-side)',
  '--fc-classic-today': 'transparent',
} as const
