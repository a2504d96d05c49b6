'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo, useState } from 'react'
import { clamp } from '@/core/json/clamp'
import { levelsOver, type Levels } from '@/core/look/levels'
import type { Machine } from '@/core/machine/compile'
import { OUTPUT_STATE } from '@/core/machine/outputState'
import type { MachineState } from '@/core/machine/state'
import { formatFigure, formatPct, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import { FigureTable } from '@/ui/FigureTable'
import { LevelFills, shade } from '@/features/respond/views/LevelFills'
import { Plot } from '@/features/respond/views/Plot'
import { quantityAxis } from '@/features/respond/views/quantityAxis'
import type { ViewProps } from '@/features/respond/views/viewProps'
import { Choice } from '@/ui/Choice'
import { useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, usePart } from '@/ui/workingCopy/context'

const COLUMNS = 64
const ROWS = 40
const LEVELS_PCT = [0.5, 10, 20, 30, 40, 50, 60, 70, 80, 90, 99.5]
const SPEED = 'speed'

type Shown = {
  readonly thresholds: readonly number[]
  readonly read: (state: MachineState) => number
  readonly wording: (value: number) => string
}

/** What is looked at: the lead's speed, or whether a damper, alarm or the like is on. */
function shownOf(machine: Machine, what: string, preference: UnitPreference): Shown {
  const output = machine.otherOutputs.find(({ output: { id } }) => id === what)
  if (!output)
    return {
      thresholds: LEVELS_PCT,
      read: ({ fansPct }) => fansPct[0]!,
      wording: (pct) => `${formatPct(pct, preference)} %`,
    }
  const [off, on] = OUTPUT_STATE[output.output.kind]
  return {
    thresholds: [0.5],
    read: ({ memory }) => (output.isOn(memory) ? 1 : 0),
    wording: (x) => (x >= 0.5 ? on : off),
  }
}

/** The response over two inputs at once as filled levels; for a balanced unit the map of its bypass, indoor against outdoor. */
export function TwoInputs({ hasTable }: ViewProps) {
  const response = usePart('response')
  const { given } = useDerived()
  const { values } = useTryIt()
  const preference = usePreference()
  const later = useDeferredValue(values)
  const inputs = given.response.inputs.filter(isMeasured).filter(({ combines }) => !combines)
  const outputs = response.otherOutputs ?? []
  const [xId, setX] = useState(inputs.find(({ id }) => id === 'outdoor')?.id ?? inputs[0]?.id ?? '')
  const [yId, setY] = useState(inputs.find(({ id }) => id !== xId)?.id ?? '')
  const [what, setWhat] = useState(outputs.find(({ kind }) => kind === 'bypass')?.id ?? SPEED)
  const x = inputs.find(({ id }) => id === xId) ?? inputs[0]
  const y = inputs.find(({ id }) => id === yId && id !== x?.id) ?? inputs.find(({ id }) => id !== x?.id)
  const { machine } = given
  const levels = useMemo(
    () =>
      machine && x && y
        ? levelsOver(
            machine,
            { x, y, rest: later, columns: COLUMNS, rows: ROWS },
            shownOf(machine, what, preference).read,
          )
        : null,
    [machine, x, y, later, what, preference],
  )
  if (!machine || !x || !y || !levels) return null
  const { thresholds, wording } = shownOf(machine, what, preference)
  const names = inputs.map(({ id, name }) => [id, name] as const)
  const nowAt = valueAt(levels, x, y, values)
  return (
    <>
      <Typography component="div" variant="body2">
        <Choice
          label="what is looked at"
          value={what}
          options={[[SPEED, 'Speed'], ...outputs.map(({ id, name }) => [id, name] as const)]}
          onChange={setWhat}
        />{' '}
        over <Choice label="input along" value={x.id} options={names} onChange={setX} /> (along) and{' '}
        <Choice label="input upwards" value={y.id} options={names.filter(([id]) => id !== x.id)} onChange={setY} />{' '}
        (up), in {preferredUnit(y.kind, preference).symbol}; settled, the other inputs as in Try it.
        {nowAt !== null && <> Now: {wording(nowAt)}.</>}
      </Typography>
      {hasTable ? (
        <LevelTable {...{ levels, x, y, wording }} />
      ) : (
        <LevelPlot {...{ levels, x, y, thresholds, wording }} />
      )}
    </>
  )
}

type LevelPlotProps = LevelTableProps & { thresholds: readonly number[] }

/** The levels, the point that is tried, and what each shade stands for. */
function LevelPlot({ levels, x, y, thresholds, wording }: LevelPlotProps) {
  const { values } = useTryIt()
  const preference = usePreference()
  const axis = ({ kind, from, to }: MeasuredInput) => quantityAxis(kind, preference, from, to)
  return (
    <>
      <Plot
        label={`Over ${x.name} and ${y.name}`}
        height={300}
        rows={[]}
        x={axis(x)}
        y={axis(y)}
        overlay={(scale) => (
          <g>
            <LevelFills {...{ scale, levels, thresholds }} />
            <circle
              cx={scale.toX(clamp(values[x.id] ?? NaN, x.from, x.to))}
              cy={scale.toY(clamp(values[y.id] ?? NaN, y.from, y.to))}
              r={6}
              fill="var(--mui-palette-text-primary)"
              stroke="var(--mui-palette-ground-sheet)"
              strokeWidth={2}
            />
          </g>
        )}
      />
      <Box component="ul" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, listStyle: 'none', p: 0, m: 0, pl: 6 }}>
        {thresholds.map((level, index) => (
          <Typography
            key={level}
            component="li"
            variant="body2"
            sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}
          >
            <Box
              sx={{
                width: 14,
                height: 14,
                bgcolor: 'cause.speed',
                opacity: shade(index, thresholds.length),
                border: 1,
              }}
            />
            {thresholds.length === 1
              ? wording(1)
              : index === 0
                ? 'turns'
                : `≥ ${formatPct(level === 99.5 ? 100 : level, preference)}`}
          </Typography>
        ))}
      </Box>
    </>
  )
}

type LevelTableProps = { levels: Levels; x: MeasuredInput; y: MeasuredInput; wording: (value: number) => string }

/** The same figures in lines: every ninth of the grid along, every thirteenth up. */
function LevelTable({ levels: { columns, rows, values }, x, y, wording }: LevelTableProps) {
  const preference = usePreference()
  const along = Array.from({ length: 8 }, (_, index) => index * 9)
  const upwards = Array.from({ length: 4 }, (_, index) => (3 - index) * 13)
  const figure = (input: MeasuredInput, place: number, count: number) =>
    formatFigure(input.from + ((input.to - input.from) * place) / (count - 1), input.kind, preference)
  return (
    <FigureTable
      label={`Over ${x.name} and ${y.name}`}
      head={[`${y.name} ↑ ${x.name} →`, ...along.map((column) => figure(x, column, columns))]}
      rows={upwards.map((row) => [
        figure(y, row, rows),
        ...along.map((column) => wording(values[row * columns + column] ?? NaN)),
      ])}
    />
  )
}

/** The value of the grid nearest to what is tried. */
function valueAt(
  { columns, rows, values }: Levels,
  x: MeasuredInput,
  y: MeasuredInput,
  tried: Readonly<Record<string, number>>,
): number | null {
  const place = (input: MeasuredInput, count: number) =>
    Math.round(clamp(((tried[input.id] ?? NaN) - input.from) / (input.to - input.from), 0, 1) * (count - 1))
  return values[place(y, rows) * columns + place(x, columns)] ?? null
}
