'use client'

import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo, useState } from 'react'
import { runsWhen } from '@/core/look/runsWhen'
import { otherClockSpans } from '@/core/look/weekStrips'
import { copyDay } from '@/core/response/paintWeek'
import { addSeason, changeOver } from '@/core/response/seasons'
import type { Week } from '@/core/rules/week'
import { RunsWhenLine } from '@/features/respond/views/RunsWhenLine'
import type { ChangePeriods } from '@/features/respond/views/week/weekShape'
import { WeekStrips } from '@/features/respond/views/week/WeekStrips'
import { Choice } from '@/ui/Choice'
import { DAY_OPTIONS, DaysField } from '@/ui/DaysField'
import { QuantityField } from '@/ui/QuantityField'
import { useTryIt } from '@/ui/TryItValues'
import { useDerived, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** The week of a rule, painted a day a line. Under it what runs on one day, and the longest time without air. */
export function WeekView() {
  const response = usePart('response')
  const edit = useWorkingCopy((state) => state.edit)
  const endGesture = useWorkingCopy((state) => state.endGesture)
  const { machine } = useDerived().given
  const { values } = useTryIt()
  const later = useDeferredValue(values)
  const runs = useMemo(() => machine && runsWhen(machine, later), [machine, later])
  const others = useMemo(() => otherClockSpans(response), [response])
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
        <RunsWhenLine runs={runs} />
      </>
    )
  const speedPct = brushPct ?? week.periods.at(-1)?.speedPct ?? response.ceiling.speedPct
  const change: ChangePeriods = (label, next, gesture) =>
    edit(
      label,
      (draft) => {
        const rule = draft.response.rules.find(({ id }) => id === week.id)
        if (!rule || !('periods' in rule)) return
        const after = next(rule.periods)
        // A week keeps a period: to have none, remove or switch off the rule.
        if (after.length > 0) rule.periods = after
      },
      gesture,
    )
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
        : drag over empty hours; touch what is there to move, stretch or wipe it. <CopyDay onChange={change} />{' '}
        <Seasons week={week} />
      </Typography>
      <WeekStrips
        periods={week.periods}
        speedPct={speedPct}
        minutesPct={runs?.minutesPct ?? null}
        others={others}
        nowMin={values.clock === undefined ? null : values.clock / 60}
        onChange={change}
        onDone={endGesture}
      />
      <RunsWhenLine runs={runs} />
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
