'use client'

import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { paint, wipe } from '@/core/response/paintWeek'
import { DAY_NAMES } from '@/core/rules/localClock'
import type { Period } from '@/core/rules/week'
import type { ChangePeriods, Chosen, SetTimes } from '@/features/respond/views/week/weekShape'
import { ClockField } from '@/ui/ClockField'
import { QuantityField } from '@/ui/QuantityField'

type Props = {
  periods: readonly Period[]
  chosen: Chosen
  onSet: SetTimes
  onChange: ChangePeriods
  onDone: () => void
}

/** The period that is in one's hands, as a sentence. */
export function PeriodSentence({ periods, chosen, onSet, onChange, onDone }: Props) {
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
