'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { headPressure } from '@/core/duty/headPressure'
import { answerReader } from '@/core/duty/plan'
import { clamp } from '@/core/json/clamp'
import { curveAgainst } from '@/core/look/curve'
import type { Machine } from '@/core/machine/compile'
import { scaleMark } from '@/core/physics/condenserScale'
import { REFRIGERANTS, type Refrigerant } from '@/core/physics/saturation'
import { formatFigure, formatPct, preferredUnit } from '@/core/quantity/format'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { useTryIt } from '@/ui/TryItValues'
import { chartFont } from '@/ui/chart'
import { PlacedLabels } from '@/ui/labels/PlacedLabels'
import { usePreference } from '@/ui/preference'
import { seenIf, useWidth } from '@/ui/useWidth'
import { useDerived, usePart } from '@/ui/workingCopy/context'

const HEIGHT = 250
/** Room for the names at the left and the units at the right, px. */
const LEFT_PX = 104
const RIGHT_PX = 50
/** A figure of the rulers wants this much room along them. */
const FIGURE_PX = 46
const MARKS_PX = 40
const RULERS = [
  { key: 'probe', y: 62, name: 'probe' },
  { key: 'saturation', y: 118, name: 'condenses at' },
  { key: 'gauge', y: 174, name: 'gauge' },
  { key: 'speed', y: 226, name: 'speed' },
] as const

type Ruler = (typeof RULERS)[number]['key']
type Scale = {
  readonly toX: (tempC: number) => number
  readonly figures: (tempC: number) => Record<Ruler, string>
  readonly unit: Record<Ruler, string>
}

/** What the coil probe reads, where the refrigerant then condenses, and what the gauge shows: one scale under the other. */
export function CondenserScale() {
  const response = usePart('response')
  const brief = usePart('brief')
  const { given } = useDerived()
  const { values } = useTryIt()
  const answered = answerReader(headPressure, brief).choice('fluid') as Refrigerant | null
  const [fluid, setFluid] = useState<Refrigerant>(answered ?? 'R-134a')
  const [belowK, setBelowK] = useState(0)
  const ramp = response.rules.find((rule): rule is Ramp => 'fullAt' in rule && !rule.off)
  const input = response.inputs.find((held): held is MeasuredInput => isMeasured(held) && held.id === ramp?.input)
  const { machine } = given
  if (!ramp || !input || !machine)
    return <Typography variant="body2">A ramp on a coil probe is needed for this scale.</Typography>
  const nowC = values[input.combines?.of[0] ?? input.id] ?? NaN
  return (
    <>
      <Typography variant="body2" component="div">
        <Choice
          label="refrigerant"
          value={fluid}
          options={REFRIGERANTS.map((id) => [id, id] as const)}
          onChange={setFluid}
        />{' '}
        condenses{' '}
        <QuantityField
          label="how far above the probe it condenses"
          quantity="temperatureDifference"
          value={belowK}
          limits={[-5, 20]}
          onChange={setBelowK}
        />{' '}
        above what the probe reads: found with gauges on, by certified people.
      </Typography>
      <Rulers machine={machine} input={input} ramp={ramp} nowC={nowC} fluid={fluid} belowK={belowK} />
      <Typography variant="body2">
        A hotter spot for the probe runs the fan faster and lowers the pressure. Never judge the charge while the fan is
        modulating.
      </Typography>
    </>
  )
}

type RulersProps = {
  machine: Machine
  input: MeasuredInput
  ramp: Ramp
  nowC: number
  fluid: Refrigerant
  belowK: number
}

/** Where things stand on the rulers, and the figures that are written at each temperature. */
function useScale({ machine, input, fluid, belowK }: RulersProps, width: number): Scale {
  const { values } = useTryIt()
  const preference = usePreference()
  const curve = useMemo(() => curveAgainst(machine, input, values), [machine, input, values])
  const pctAt = (tempC: number) =>
    curve.reduce((near, point) => (Math.abs(point.x - tempC) < Math.abs(near.x - tempC) ? point : near)).pct
  const temperature = preferredUnit('temperature', preference).symbol
  return {
    toX: (tempC) =>
      LEFT_PX + clamp((tempC - input.from) / (input.to - input.from), 0, 1) * (width - LEFT_PX - RIGHT_PX),
    unit: {
      probe: temperature,
      saturation: temperature,
      gauge: preferredUnit('gaugePressure', preference).symbol,
      speed: '%',
    },
    figures(tempC) {
      const { saturationC, gaugeKpa } = scaleMark(fluid, tempC, belowK)
      return {
        probe: formatFigure(tempC, 'temperature', preference, 0),
        saturation: formatFigure(saturationC, 'temperature', preference, 0),
        gauge: gaugeKpa === null ? '–' : formatFigure(gaugeKpa, 'gaugePressure', preference, 0),
        speed: formatPct(pctAt(tempC), preference),
      }
    },
  }
}

function Rulers(props: RulersProps) {
  const { input, ramp, nowC, fluid } = props
  const [width, ref, isMeasured] = useWidth<SVGSVGElement>(760)
  const scale = useScale(props, width)
  const pieces = Math.min(6, Math.max(2, Math.floor((width - LEFT_PX - RIGHT_PX) / FIGURE_PX)))
  const ticks = Array.from(
    { length: pieces + 1 },
    (_, index) => input.from + ((input.to - input.from) * index) / pieces,
  )
  const marks: readonly MarkAt[] = [
    { name: 'start', atC: ramp.startAt },
    { name: 'full', atC: ramp.fullAt },
    ...(Number.isNaN(nowC) ? [] : [{ name: 'now' as const, atC: nowC }]),
  ]
  return (
    <Box
      component="svg"
      ref={ref}
      height={HEIGHT}
      role="img"
      aria-label={`Probe, condensing temperature, pressure and speed of ${fluid}`}
      sx={{ width: '100%', maxWidth: 900, display: 'block', ...seenIf(isMeasured) }}
    >
      {RULERS.map(({ key, y, name }) => (
        <g key={key}>
          <line x1={LEFT_PX} x2={width - RIGHT_PX} y1={y} y2={y} stroke="var(--mui-palette-text-secondary)" />
          <text x={4} y={y + 4} style={{ ...chartFont, fill: 'var(--mui-palette-text-primary)' }}>
            {name}
          </text>
          <text x={width - RIGHT_PX + 16} y={y + 4} style={chartFont}>
            {scale.unit[key]}
          </text>
          {ticks.map((tempC) => (
            <g key={tempC}>
              <line
                x1={scale.toX(tempC)}
                x2={scale.toX(tempC)}
                y1={y}
                y2={y + 6}
                stroke="var(--mui-palette-text-secondary)"
              />
              <text x={scale.toX(tempC)} y={y + 19} textAnchor="middle" style={chartFont}>
                {scale.figures(tempC)[key]}
              </text>
            </g>
          ))}
        </g>
      ))}
      {marks.map((mark) => (
        <Mark key={mark.name} scale={scale} {...mark} />
      ))}
      <PlacedLabels
        area={{ x: 0, y: 0, width, height: MARKS_PX }}
        labels={marks.map(({ name, atC }) => {
          const { probe, gauge } = scale.figures(atC)
          return {
            text: `${name} ${probe} · ${gauge} ${scale.unit.gauge}`,
            x: scale.toX(atC),
            y: MARKS_PX,
            sides: ['above', 'above right', 'above left'] as const,
            fill: 'var(--mui-palette-text-primary)',
          }
        })}
      />
    </Box>
  )
}

type MarkAt = { readonly name: 'start' | 'full' | 'now'; readonly atC: number }

function Mark({ scale: { toX }, name, atC }: MarkAt & { scale: Scale }) {
  const isNow = name === 'now'
  return (
    <line
      x1={toX(atC)}
      x2={toX(atC)}
      y1={MARKS_PX}
      y2={226}
      stroke={isNow ? 'var(--mui-palette-text-primary)' : 'var(--mui-palette-cause-temperature)'}
      strokeWidth={isNow ? 1 : 2}
      strokeDasharray={isNow ? undefined : '4 3'}
    />
  )
}
