'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { bracketOf, dropTrial, foundPct, keepTry, nextTry, trialsOf } from '@/core/calibration/nextTry'
import type { FanCalibration, Try } from '@/core/calibration/schema'
import type { Fan } from '@/core/kit/schema'
import { signalAt } from '@/core/physics/signal'
import { signalText } from '@/core/physics/signalText'
import { formatPct } from '@/core/quantity/format'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { QuantityField } from '@/ui/QuantityField'
import { useEnter } from '@/ui/useEnter'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'
import { usePreference } from '@/ui/preference'

type Props = { calibration: FanCalibration; fan: Fan; onChange: ChangeCalibration }

/** Start and stall: from rest until it turns, from running until it stops, three times each; the highest counts. Every try is kept as it is made. */
export function Trials({ calibration, fan, onChange }: Props) {
  const onDone = useWorkingCopy((state) => state.endGesture)
  const lastOf = (list: readonly number[]) => list[list.length - 1] ?? null
  const lastStart = lastOf(calibration.startsPct)
  const common = { calibration, fan, onChange }
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 3 }}>
        <Trial
          {...common}
          of="start"
          title="From rest: does it turn?"
          turned="It turns"
          stood="Stands still"
          how="Let it come to rest before each try."
          lastPct={lastStart}
          firstPct={lastStart ?? 12}
        />
        <Trial
          {...common}
          of="stall"
          title="From running: does it keep on?"
          turned="Keeps on"
          stood="Stops"
          how="Bring it down from a speed at which it surely runs."
          lastPct={lastOf(calibration.stallsPct) ?? (lastStart === null ? null : lastStart - 1)}
          firstPct={lastOf(calibration.stallsPct) ?? Math.max(0, (lastStart ?? 3) - 3)}
        />
      </Box>
      <Typography component="div" variant="body2" sx={{ mt: 1.5 }}>
        Added to the start, so that it restarts by itself, and to the stall:{' '}
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

type TrialProps = Props & {
  of: Try['of']
  title: string
  turned: string
  stood: string
  how: string
  lastPct: number | null
  firstPct: number
}

function Trial({ calibration, fan, onChange, of, title, turned, stood, how, lastPct, firstPct }: TrialProps) {
  const preference = usePreference()
  const kit = usePart('kit')
  const { goesOn, onKeyDown } = useEnter()
  const list = trialsOf(calibration, of)
  const stepPct = kit.controller?.outputs.find(({ id }) => id === fan.output)?.stepPct || 1
  const bracket = bracketOf(calibration, of)
  const isUnderWay = bracket.standsPct !== null || bracket.turnsPct !== null
  // Until it is turned it stands where the next try tells most.
  const [turnedTo, setPct] = useState<number | null>(null)
  const pct = turnedTo ?? (isUnderWay ? (nextTry(bracket, stepPct, lastPct) ?? firstPct) : firstPct)
  const signal = signalAt(fan.signal, pct)
  // What was seen counts, not what stands in the field; without a try the person says what was seen.
  const seenPct = isUnderWay ? foundPct(bracket, of) : pct

  function note(atPct: number): void {
    onChange(of, (held) => void trialsOf(held, of).push(atPct))
    setPct(null)
  }

  function answer(didTurn: boolean): void {
    onChange(of, (held) => keepTry(held, of, pct, didTurn, stepPct))
    setPct(null)
  }

  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h2">{title}</Typography>
      <Typography variant="body2">
        {how} Now <b>{signalText(signal, preference)}</b>.
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
        {/* A setting that is typed and entered is one that was seen. */}
        <Box onKeyDown={onKeyDown}>
          <QuantityField label={title} quantity="speed" value={pct} onChange={setPct} large />
        </Box>
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
        <Button
          ref={goesOn}
          variant="outlined"
          onClick={() => seenPct !== null && note(seenPct)}
          disabled={list.length >= 20 || seenPct === null}
        >
          {seenPct === null ? `Not seen yet` : `Note ${formatPct(seenPct, preference)} %`}
        </Button>
      </Box>
      <Typography variant="body2" role="status">
        {bracket.standsPct !== null && `${stood} at ${formatPct(bracket.standsPct, preference)} %. `}
        {bracket.turnsPct !== null && `${turned} at ${formatPct(bracket.turnsPct, preference)} %. `}
      </Typography>
      {list.map((read, index) => (
        <Chip
          key={index}
          size="small"
          label={`${formatPct(read, preference)} %`}
          onDelete={() => onChange(of, (held) => dropTrial(held, of, index))}
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
