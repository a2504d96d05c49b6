'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { CartesianGrid, ComposedChart, Line, ReferenceArea, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts'
import { noiseVerdict, type NoiseVerdict } from '@/core/calibration/noise'
import type { FanCalibration } from '@/core/calibration/schema'
import type { Fan } from '@/core/kit/schema'
import { soundChangeDb } from '@/core/physics/fanLaw'
import { formatNumber, formatPct } from '@/core/quantity/format'
import { Notice } from '@/ui/Notice'
import { chartFont, settingAxis } from '@/ui/chart'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const HEIGHT = 220

function words(verdict: NoiseVerdict): string {
  switch (verdict.kind) {
    case 'too-few':
      return `${verdict.got} of ${verdict.needed} sound readings: without them there is no verdict. Type them in the speed map, at settings from the floor to full.`
    case 'as-law':
      return 'It grows with speed as a sound fan does. Nothing stands out.'
    case 'resonance':
      return `About ${formatNumber(verdict.overDb, 0)} dB too loud around ${formatPct(verdict.fromPct)} to ${formatPct(verdict.toPct)} %, and quiet again above: something rings there. Find what (grille, bracket, blade) before passing it over.`
    case 'again':
      return `About ${formatNumber(verdict.overDb, 0)} dB too loud in places, which one sweep alone does not prove. Read it once more at ${verdict.settingsPct.map(formatPct).join(', ')} %; the mean of two tells.`
    case 'steep':
      return 'It grows faster than speed alone explains, and is loudest at full: a bearing, a blade, or air at an edge. Stop it, lock it off, turn it by hand and listen.'
  }
}

/** Sound against speed: what it says, and a skip band where something rings. */
export function Noise({ calibration, fan }: { calibration: FanCalibration; fan: Fan }) {
  const { response } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const verdict = useMemo(() => noiseVerdict(calibration.map), [calibration.map])
  const { read, law } = useMemo(() => {
    const heard = calibration.map
      .flatMap(({ settingPct, soundDb, setAside }) =>
        setAside || soundDb === null ? [] : [{ pct: settingPct, dB: soundDb }],
      )
      .sort((a, b) => a.pct - b.pct)
    const top = heard[heard.length - 1]
    return {
      read: heard,
      law: top
        ? Array.from({ length: Math.max(2, 101 - Math.ceil(heard[0]!.pct)) }, (_, index) => {
            const pct = Math.max(1, Math.ceil(heard[0]!.pct)) + index
            return { pct, law: top.dB + soundChangeDb(pct / top.pct) }
          })
        : [],
    }
  }, [calibration.map])
  const bands = response.skipBands ?? []
  const isLead = fan.id === response.lead
  const isPassedOver =
    verdict.kind === 'resonance' &&
    bands.some(({ fromPct, toPct }) => fromPct <= verdict.fromPct && toPct >= verdict.toPct)
  return (
    <Box sx={{ maxWidth: 780 }}>
      <Typography>{words(verdict)}</Typography>
      {read.length > 1 && (
        <Box
          role="img"
          aria-label={`Sound of the ${fan.name} against its setting; the readings are in the speed map`}
          sx={{ height: HEIGHT, my: 1 }}
        >
          <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 780, height: HEIGHT }}>
            <ComposedChart data={law} margin={{ top: 8, right: 20, bottom: 4, left: -10 }} accessibilityLayer={false}>
              <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
              <XAxis {...settingAxis} />
              <YAxis type="number" domain={['auto', 'auto']} tick={chartFont} stroke="none" unit=" dB" width={70} />
              {verdict.kind === 'resonance' && (
                <ReferenceArea
                  x1={verdict.fromPct}
                  x2={verdict.toPct}
                  fill="var(--mui-palette-cause-speed)"
                  fillOpacity={0.12}
                  label={{ value: 'rings', position: 'insideBottom', ...chartFont }}
                />
              )}
              <Line
                dataKey="law"
                stroke="var(--mui-palette-text-secondary)"
                strokeDasharray="3 4"
                dot={false}
                isAnimationActive={false}
              />
              <Scatter data={read} dataKey="dB" fill="var(--mui-palette-text-primary)" isAnimationActive={false} />
            </ComposedChart>
          </ResponsiveContainer>
        </Box>
      )}
      {read.length > 1 && (
        <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
          ● reading &nbsp; ┄ fan law, 50 · log₁₀ of the speed, through the top reading
        </Typography>
      )}
      {verdict.kind === 'resonance' && isLead && !isPassedOver && (
        <Button
          variant="contained"
          disabled={bands.length >= 6}
          sx={{ minHeight: { xs: 56, sm: 36 }, mb: 1.5 }}
          onClick={() =>
            edit(`skip band ${verdict.fromPct} to ${verdict.toPct} %`, (draft) => {
              draft.response.skipBands = [
                ...(draft.response.skipBands ?? []),
                { fromPct: verdict.fromPct, toPct: verdict.toPct },
              ]
            })
          }
        >
          Pass over {formatPct(verdict.fromPct)} to {formatPct(verdict.toPct)} %
        </Button>
      )}
      {bands.length > 0 && (
        <Typography component="div" sx={{ my: 1 }}>
          Passed over now:{' '}
          {bands.map(({ fromPct, toPct }, index) => (
            <span key={`${fromPct}-${toPct}`}>
              {index > 0 && ', '}
              {formatPct(fromPct)} to {formatPct(toPct)} %
              <Button
                size="small"
                aria-label={`Run at ${formatPct(fromPct)} to ${formatPct(toPct)} % again`}
                onClick={() =>
                  edit('skip band removed', (draft) => {
                    const left = (draft.response.skipBands ?? []).filter((_, place) => place !== index)
                    if (left.length > 0) draft.response.skipBands = left
                    else delete draft.response.skipBands
                  })
                }
              >
                Run there again
              </Button>
            </span>
          ))}
        </Typography>
      )}
      <Notice title="A wrong verdict costs a motor.">
        A skip band hides a noise; it does not mend a loose blade or a worn bearing. Listen with the guard on, from a
        place that does not ring itself.
      </Notice>
    </Box>
  )
}
