'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { afterTry, nextTry, type Bracket } from '@/core/calibration/nextTry'
import type { FanCalibration } from '@/core/calibration/schema'
import type { Fan } from '@/core/kit/schema'
import { signalAt } from '@/core/motor/signal'
import { formatNumber, formatPct } from '@/core/quantity/format'
import type { ChangeCalibration } from '@/features/calibrate/CalibrateStage'
import { QuantityField } from '@/ui/QuantityField'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { calibration: FanCalibration; fan: Fan; onChange: ChangeCalibration }

/** Start and stall: from rest until it turns, from running until it stops, three times each; the highest counts. */
export function Trials({ calibration, fan, onChange }: Props) {
  const onDone = useWorkingCopy((state) => state.endGesture)
  const lastOf = (list: readonly number[]) => list[list.length - 1] ?? null
  const lastStart = lastOf(calibration.startsPct)
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 3 }}>
        <Trial
          title="From rest: does it turn?"
          turned="It turns"
          stood="Stands still"
          how="Let it come to rest before each try."
          list={calibration.startsPct}
          fan={fan}
          lastPct={lastStart}
          firstPct={lastStart ?? 12}
          onChange={(change) => onChange('start', (held) => change(held.startsPct))}
        />
        <Trial
          title="From running: does it keep on?"
          turned="Keeps on"
          stood="Stops"
          how="Bring it down from a speed at which it surely runs."
          list={calibration.stallsPct}
          fan={fan}
          lastPct={lastOf(calibration.stallsPct) ?? (lastStart === null ? null : lastStart - 1)}
          firstPct={lastOf(calibration.stallsPct) ?? Math.max(0, (lastStart ?? 3) - 3)}
          isStall
          onChange={(change) => onChange('stall', (held) => change(held.stallsPct))}
        />
      </Box>
      <Typography component="div" variant="body2" sx={{ mt: 1.5 }}>
        Added so that it restarts by itself:{' '}
        <QuantityField
          label="restart margin"
          quantity="speed"
          limits={[0, 30]}
          value={calibration.restartMarginPct}
          onDone={onDone}
          onChange={(pct) => onChange('restart margin', (held) => void (held.restartMarginPct = pct), 'margin')}
        />
      </Typography>
    </>
  )
}

type TrialProps = {
  title: string
  turned: string
  stood: string
  how: string
  list: readonly number[]
  fan: Fan
  lastPct: number | null
  firstPct: number
  isStall?: boolean
  onChange: (change: (list: number[]) => void) => void
}

const NOTHING: Bracket = { standsPct: null, turnsPct: null }

function Trial({ title, turned, stood, how, list, fan, lastPct, firstPct, isStall = false, onChange }: TrialProps) {
  const { kit } = useDocument()
  const stepPct = kit.controller?.outputs.find(({ id }) => id === fan.output)?.stepPct || 1
  const [bracket, setBracket] = useState(NOTHING)
  // Until it is turned it stands where the next trial is most likely.
  const [turnedTo, setPct] = useState<number | null>(null)
  const pct = turnedTo ?? firstPct
  const signal = signalAt(fan.signal, pct)

  function note(atPct: number): void {
    onChange((held) => void held.push(atPct))
    setBracket(NOTHING)
    setPct(null)
  }

  function answer(didTurn: boolean): void {
    const after = afterTry(bracket, pct, didTurn)
    const next = nextTry(after, stepPct, lastPct)
    // The start is the lowest that turned; the stall is the highest at which it stood.
    const found = isStall ? after.standsPct : after.turnsPct
    if (next === null && found !== null) note(found)
    else {
      setBracket(after)
      setPct(next)
    }
  }

  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h2">{title}</Typography>
      <Typography variant="body2">
        {how} Now <b>{formatNumber(signal.value, signal.unit === 'V' ? 2 : 0)}</b> {signal.unit}.
      </Typography>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap', my: 1 }}>
        <Button
          variant="outlined"
          onClick={() => setPct(Math.max(0, pct - stepPct))}
          aria-label={`${title} One less`}
          sx={{ minWidth: { xs: 60, sm: 40 }, minHeight: { xs: 60, sm: 36 } }}
        >
          −
        </Button>
        <QuantityField label={title} quantity="speed" value={pct} onChange={setPct} large />
        <Button
          variant="outlined"
          onClick={() => setPct(Math.min(100, pct + stepPct))}
          aria-label={`${title} One more`}
          sx={{ minWidth: { xs: 60, sm: 40 }, minHeight: { xs: 60, sm: 36 } }}
        >
          +
        </Button>
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1, '& button': { minHeight: { xs: 60, sm: 36 } } }}>
        <Button variant="contained" onClick={() => answer(false)} sx={{ flex: { xs: 1, sm: 'none' } }}>
          {stood}
        </Button>
        <Button variant="contained" onClick={() => answer(true)} sx={{ flex: { xs: 1, sm: 'none' } }}>
          {turned}
        </Button>
        <Button variant="outlined" onClick={() => note(pct)} disabled={list.length >= 20}>
          Note {formatPct(pct)} %
        </Button>
      </Box>
      <Typography variant="body2" role="status">
        {bracket.standsPct !== null && `${stood} at ${formatPct(bracket.standsPct)} %. `}
        {bracket.turnsPct !== null && `${turned} at ${formatPct(bracket.turnsPct)} %. `}
      </Typography>
      {list.map((read, index) => (
        <Chip
          key={index}
          size="small"
          label={`${formatPct(read)} %`}
          onDelete={() => onChange((held) => void held.splice(index, 1))}
          sx={{ mr: 0.5 }}
        />
      ))}
      {list.length > 0 && list.length < 3 && (
        <Typography variant="body2">
          {list.length} of 3: bearings and dust make it differ; the highest counts.
        </Typography>
      )}
    </Box>
  )
}
