'use client'

import { ReferenceArea, ReferenceLine } from 'recharts'
import type { Target } from '@/core/brief/schema'
import { formatFigure, preferredUnit } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { MeasuredInput } from '@/core/rules/input'
import { inputCause } from '@/core/rules/sentence'
import { causeVar } from '@/ui/cause'
import { chartFont, HATCH_FILL } from '@/ui/chart'
import { usePreference } from '@/ui/preference'

type MarksProps = {
  input: MeasuredInput
  skipBands: Response['skipBands']
  ceilingPct: number
  target: Target | null
  startPct: number | null
}

/** What stands behind the lines: where it will not turn, skip bands, the target band and limits. */
export function CurveMarks({ input, skipBands, ceilingPct, target, startPct }: MarksProps) {
  const preference = usePreference()
  const colour = causeVar(inputCause(input))
  const unit = preferredUnit(input.kind, preference).symbol
  const limit = target?.limitAbove ?? null
  return (
    <>
      {startPct !== null && (
        <ReferenceArea
          y1={0}
          y2={startPct}
          fill={HATCH_FILL}
          fillOpacity={1}
          ifOverflow="hidden"
          label={{ value: 'will not turn', position: 'insideTopRight', ...chartFont }}
        />
      )}
      {(skipBands ?? []).map(({ fromPct, toPct }) => (
        <ReferenceArea
          key={fromPct}
          y1={fromPct}
          y2={toPct}
          fill={HATCH_FILL}
          fillOpacity={0.8}
          ifOverflow="hidden"
          label={{ value: 'skip band, passed over', position: 'insideTopRight', ...chartFont }}
        />
      ))}
      {target && (
        <ReferenceArea
          x1={Math.max(input.from, target.bandFrom)}
          x2={Math.min(input.to, target.bandTo)}
          fill={colour}
          fillOpacity={0.08}
          ifOverflow="hidden"
          label={{
            value: `target ${formatFigure(target.bandFrom, input.kind, preference, 0)}–${formatFigure(target.bandTo, input.kind, preference, 0)} ${unit}`,
            position: 'insideTopLeft',
            ...chartFont,
            fill: colour,
          }}
        />
      )}
      {ceilingPct < 100 && (
        <ReferenceLine
          y={ceilingPct}
          stroke="var(--mui-palette-text-secondary)"
          strokeDasharray="1 3"
          label={{ value: 'ceiling', position: 'insideBottomRight', ...chartFont }}
        />
      )}
      {limit !== null && limit <= input.to && (
        <ReferenceLine
          x={limit}
          stroke="var(--mui-palette-error-main)"
          strokeDasharray="2 3"
          label={{ value: 'limit', position: 'insideLeft', ...chartFont, fill: 'var(--mui-palette-error-main)' }}
        />
      )}
    </>
  )
}
