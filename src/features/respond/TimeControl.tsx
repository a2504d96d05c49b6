'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { formatTime } from '@/core/quantity/format'
import { remembered } from '@/core/sentences/standing'
import { weekClockText } from '@/core/rules/localClock'
import type { TracePoint } from '@/core/look/playTime'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { NOON_ON_TUESDAY, useInstant, useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { usePart } from '@/ui/workingCopy/context'

const STRETCHES = [
  ['minute', 60],
  ['hour', 3600],
  ['day', 86400],
] as const
const NONE = 'none'
const [WIDTH, HEIGHT] = [262, 46]

/** Lets a minute, an hour or a day pass at these inputs, with a switch thrown for a while, and shows what the machine then remembers. */
export function TimeControl() {
  const response = usePart('response')
  const { values, stretches, letPass, settle } = useTryIt()
  const { given, trace, passedS } = useInstant()
  const preference = usePreference()
  const [pulsed, setPulsed] = useState(NONE)
  const [onForS, setOnFor] = useState(600)
  const switches = response.inputs.filter(({ kind }) => kind === 'switch')
  const lines = given ? remembered(response, given.explanation, preference) : []
  const endS = (values.clock ?? NOON_ON_TUESDAY) + passedS
  return (
    <Box component="section" aria-label="Time" sx={{ borderTop: 1, borderColor: 'divider', mt: 0.75, pt: 0.5 }}>
      <Typography variant="body2" component="div" sx={{ color: 'cause.time' }}>
        Advance time by{' '}
        {STRETCHES.map(([name, lastsS]) => (
          <Button
            key={name}
            size="small"
            sx={{ minWidth: 0, px: 0.75, color: 'cause.time' }}
            aria-label={`Advance time by a ${name === 'hour' ? 'whole hour' : name}`}
            onClick={() => letPass(lastsS, pulsed === NONE ? null : { input: pulsed, onForS })}
          >
            a{name === 'hour' ? 'n' : ''} {name}
          </Button>
        ))}
      </Typography>
      {switches.length > 0 && (
        <Typography variant="body2" component="div">
          with{' '}
          <Choice
            label="switch to throw"
            value={pulsed}
            options={[[NONE, 'no switch'], ...switches.map(({ id, name }) => [id, name] as const)]}
            onChange={setPulsed}
          />
          {pulsed !== NONE && (
            <>
              {' '}
              on for{' '}
              <QuantityField label="how long the switch is on" quantity="time" value={onForS} onChange={setOnFor} />
            </>
          )}
        </Typography>
      )}
      {stretches.length > 0 && (
        <>
          <Trace trace={trace} passedS={passedS} />
          <Typography variant="body2" component="div" data-testid="passed">
            {formatTime(passedS, preference)} have passed; it is {weekClockText(endS % 604800, preference.dates)}.{' '}
            <TextButton onClick={settle}>As if settled again</TextButton>
          </Typography>
        </>
      )}
      {lines.length > 0 && (
        <Box component="ul" aria-label="What it remembers" sx={{ m: 0, pl: 2, fontSize: '0.8125rem' }}>
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
      )}
    </Box>
  )
}

/** The speed over the time that passed, a small line from 0 to 100 %. */
function Trace({ trace, passedS }: { trace: readonly TracePoint[]; passedS: number }) {
  const points = trace.map(
    ({ atS, pct }) =>
      `${((atS / Math.max(passedS, 1)) * WIDTH).toFixed(1)},${(HEIGHT - 2 - (pct / 100) * (HEIGHT - 4)).toFixed(1)}`,
  )
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label="Speed over the time that passed"
      style={{ display: 'block' }}
    >
      <rect width={WIDTH} height={HEIGHT} fill="var(--mui-palette-ground-sheet)" stroke="var(--mui-palette-divider)" />
      <polyline points={points.join(' ')} fill="none" stroke="var(--mui-palette-cause-speed)" strokeWidth={2} />
    </svg>
  )
}
