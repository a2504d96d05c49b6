'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { CartesianGrid, ComposedChart, Line, ReferenceArea, Scatter, XAxis, YAxis } from 'recharts'
import { noiseVerdict, type NoiseVerdict } from '@/core/calibration/noise'
import type { FanCalibration } from '@/core/calibration/schema'
import type { Fan } from '@/core/kit/schema'
import { soundChangeDb } from '@/core/physics/fanLaw'
import { formatNumber, formatPct, type UnitPreference } from '@/core/quantity/format'
import type { SkipBand } from '@/core/response/schema'
import { ChartCursor } from '@/ui/ChartCursor'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartTools } from '@/ui/ChartTools'
import { Notice } from '@/ui/Notice'
import { chartFont, LAW_LINE, settingAxis } from '@/ui/chart'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'
import { usePreference } from '@/ui/preference'

const HEIGHT = 220

function words(verdict: NoiseVerdict, preference: UnitPreference): string {
  switch (verdict.kind) {
    case 'too-few':
      return `${verdict.got} of ${verdict.needed} sound readings: without them there is no verdict. Type them in the speed map, at settings from the floor to full.`
    case 'as-law':
      return 'It grows with speed as a sound fan does. Nothing stands out.'
    case 'resonance':
      return `About ${formatNumber(verdict.overDb, 0)} dB too loud around ${formatPct(verdict.fromPct, preference)} to ${formatPct(verdict.toPct, preference)} %, and quiet again above: something rings there. Find what (grille, bracket, blade) before passing it over.`
    case 'again':
      return `About ${formatNumber(verdict.overDb, 0)} dB too loud in places, which one sweep alone does not prove. Read it once more at ${verdict.settingsPct.map((pct) => formatPct(pct, preference)).join(', ')} %; the mean of two tells.`
    case 'steep':
      return 'It grows faster than speed alone explains, and is loudest at full: a bearing, a blade, or air at an edge. Stop it, lock it off, turn it by hand and listen.'
  }
}

type Heard = readonly { readonly pct: number; readonly dB: number }[]

const heardIn = ({ map }: FanCalibration): Heard =>
  map
    .flatMap(({ settingPct, soundDb, setAside }) =>
      setAside || soundDb === null ? [] : [{ pct: settingPct, dB: soundDb }],
    )
    .sort((a, b) => a.pct - b.pct)

/** What the fan law through the top reading says at a setting. */
function soundLaw(heard: Heard, pct: number): number {
  const top = heard.at(-1)!
  return top.dB + soundChangeDb(pct / top.pct)
}

/** The same at each percent from the lowest one up. */
function lawThrough(heard: Heard): { pct: number; law: number }[] {
  const [first] = heard
  if (!first) return []
  const fromPct = Math.max(1, Math.ceil(first.pct))
  return Array.from({ length: Math.max(2, 101 - Math.ceil(first.pct)) }, (_, index) => {
    const pct = fromPct + index
    return { pct, law: soundLaw(heard, pct) }
  })
}

/** Sound against speed: what it says, and a skip band where something rings. */
export function Noise({ calibration, fan }: { calibration: FanCalibration; fan: Fan }) {
  const preference = usePreference()
  const response = usePart('response')
  const verdict = useMemo(() => noiseVerdict(calibration.map), [calibration.map])
  const bands = response.skipBands ?? []
  return (
    <Box sx={{ maxWidth: 780 }}>
      <Typography>{words(verdict, preference)}</Typography>
      <SoundChart calibration={calibration} fan={fan} verdict={verdict} />
      {verdict.kind === 'resonance' && fan.id === response.lead && <PassOver verdict={verdict} bands={bands} />}
      {bands.length > 0 && <PassedOver bands={bands} />}
      <Notice title="A wrong verdict costs a motor.">
        A skip band hides a noise; it does not mend a loose blade or a worn bearing. Listen with the guard on, from a
        place that does not ring itself.
      </Notice>
    </Box>
  )
}

function SoundChart({ calibration, fan, verdict }: { calibration: FanCalibration; fan: Fan; verdict: NoiseVerdict }) {
  const preference = usePreference()
  const heard = useMemo(() => heardIn(calibration), [calibration])
  const law = useMemo(() => lawThrough(heard), [heard])
  if (heard.length < 2) return null
  return (
    <ChartTools
      name={`Sound of the ${fan.name}`}
      figures={() => ({
        head: ['setting, %', 'read, dB', 'fan law, dB'],
        rows: heard.map(({ pct, dB }) => [
          formatPct(pct, preference),
          formatNumber(dB, 1, preference),
          formatNumber(soundLaw(heard, pct), 1, preference),
        ]),
      })}
    >
      <ChartFrame
        label={`Sound of the ${fan.name} against its setting; the readings are in the speed map`}
        height={HEIGHT}
      >
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
          <ChartCursor
            along={(pct) => `set ${formatPct(pct, preference)} %`}
            figure={(dB) => `${formatNumber(dB, 1, preference)} dB`}
          />
          <Line {...LAW_LINE} name="fan law" />
          <Scatter
            data={[...heard]}
            dataKey="dB"
            tooltipType="none"
            fill="var(--mui-palette-text-primary)"
            isAnimationActive={false}
          />
        </ComposedChart>
      </ChartFrame>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        ● reading &nbsp; ┄ fan law, 50 · log₁₀ of the speed, through the top reading
      </Typography>
    </ChartTools>
  )
}

type Bands = readonly SkipBand[]

function PassOver({ verdict, bands }: { verdict: Extract<NoiseVerdict, { kind: 'resonance' }>; bands: Bands }) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const { fromPct, toPct } = verdict
  if (bands.some((band) => band.fromPct <= fromPct && band.toPct >= toPct)) return null
  return (
    <Button
      variant="contained"
      disabled={bands.length >= 6}
      sx={{ minHeight: { xs: 56, sm: 36 }, mb: 1.5 }}
      onClick={() =>
        edit(`skip band ${fromPct} to ${toPct} %`, ({ response }) => {
          response.skipBands = [...(response.skipBands ?? []), { fromPct, toPct }]
        })
      }
    >
      Pass over {formatPct(fromPct, preference)} to {formatPct(toPct, preference)} %
    </Button>
  )
}

function PassedOver({ bands }: { bands: Bands }) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const remove = (index: number) =>
    edit('skip band removed', ({ response }) => {
      const left = (response.skipBands ?? []).filter((_, at) => at !== index)
      if (left.length > 0) response.skipBands = left
      else delete response.skipBands
    })
  return (
    <Typography component="div" sx={{ my: 1 }}>
      Passed over now:{' '}
      {bands.map(({ fromPct, toPct }, index) => (
        <span key={`${fromPct}-${toPct}`}>
          {index > 0 && ', '}
          {formatPct(fromPct, preference)} to {formatPct(toPct, preference)} %
          <Button
            size="small"
            aria-label={`Run at ${formatPct(fromPct, preference)} to ${formatPct(toPct, preference)} % again`}
            onClick={() => remove(index)}
          >
            Run there again
          </Button>
        </span>
      ))}
    </Typography>
  )
}
