'use client'

import type { MeasuredInput } from '@/core/rules/input'
import { curveAgainst } from '@/core/look/curve'
import { formatFigure, formatPct, preferredUnit } from '@/core/quantity/format'
import { FigureTable } from '@/ui/FigureTable'
import { useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived } from '@/ui/workingCopy/context'

const EVERY = 20

/** The same figures as the chart, in lines. */
export function CurveTable({ input }: { input: MeasuredInput }) {
  const { asked, given, fans } = useDerived()
  const { values } = useTryIt()
  const preference = usePreference()
  if (!asked.machine || !given.machine) return null
  const giving = curveAgainst(given.machine, input, values)
  const names = given.machine.fanIds.map((id) => fans.find(({ fan }) => fan.id === id)?.fan.name ?? id)
  return (
    <FigureTable
      label={`Speed against ${input.name}`}
      head={[
        `${input.name}, ${preferredUnit(input.kind, preference).symbol}`,
        'asked, %',
        ...names.map((name) => `${name} given, %`),
      ]}
      rows={curveAgainst(asked.machine, input, values).flatMap(({ x, pct }, index) =>
        index % EVERY === 0
          ? [
              [
                formatFigure(x, input.kind, preference),
                formatPct(pct, preference),
                ...giving[index]!.fansPct.map((pct) => formatPct(pct, preference)),
              ] as const,
            ]
          : [],
      )}
    />
  )
}
