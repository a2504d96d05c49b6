'use client'

import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo, useState } from 'react'
import { Line, ReferenceLine } from 'recharts'
import { fanFlowLs } from '@/core/derive/derive'
import { clamp } from '@/core/json/clamp'
import { joinStep, ladder, lawPowerW, overLadder, rungsAgainst, type Rung } from '@/core/look/ladder'
import { findLink } from '@/core/machine/findLink'
import { formatFigure, formatNumber, formatPct, formatQuantity } from '@/core/quantity/format'
import type { Stages } from '@/core/response/schema'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import { ruleInputId } from '@/core/rules/table'
import { DragHandle, snapped } from '@/features/respond/views/DragHandle'
import { FigureTable } from '@/ui/FigureTable'
import { Plot, type Axis, type Scale } from '@/features/respond/views/Plot'
import { quantityAxis, quantityAxisFromZero } from '@/features/respond/views/quantityAxis'
import { settingStep } from '@/features/respond/views/settingStep'
import type { ViewProps } from '@/features/respond/views/viewProps'
import { Choice } from '@/ui/Choice'
import { useInstant, useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const DEMAND = 'demand'
const JOIN_STEP_PCT = 1
const ROWS_EVERY = 12
const MEASURES = [
  ['fans', 'fans’ worth of air'],
  ['flow', 'flow'],
  ['power', 'power'],
] as const
type Measure = (typeof MEASURES)[number][0]

type ValueOf = (rung: Rung) => number | null

/** What a rung of the ladder comes to in what is measured; null where a fan does not say. */
function useValueOf(measure: Measure): ValueOf {
  const { given, fans } = useDerived()
  return useMemo(() => {
    const withId = (wanted: string) => fans.find(({ fan: { id } }) => id === wanted)
    const fixedFans = (given.response.stages?.fixed ?? []).map(({ fan }) => withId(fan))
    const lead = withId(given.response.lead)
    const by: Record<Measure, ValueOf> = {
      fans: ({ fanEquivalents }) => fanEquivalents,
      flow: (rung) =>
        overLadder(
          rung,
          (pct) => (lead ? fanFlowLs(lead, pct) : null),
          fixedFans.map((fan) => (fan && fanFlowLs(fan, 100)) ?? fan?.fan.ratedFlowLs ?? null),
        ),
      power: (rung) =>
        overLadder(
          rung,
          lawPowerW(lead?.fan.ratedPowerW ?? null),
          fixedFans.map((fan) => fan?.fan.ratedPowerW ?? null),
        ),
    }
    return by[measure]
  }, [fans, given.response, measure])
}

const UNKNOWN: Partial<Record<Measure, string>> = {
  flow: 'Not every fan has a map or a rated flow: see Calibrate and Kit.',
  power: 'Not every fan has a rated power: see Kit.',
}

/** Variable and fixed fans together, against demand or an input: climbing solid, falling dashed, with their joins to be dragged. */
export function LadderView({ hasTable }: ViewProps) {
  const { given } = useDerived()
  const { values } = useTryIt()
  const preference = usePreference()
  const later = useDeferredValue(values)
  const { machine, response } = given
  const measured = response.inputs.filter(isMeasured)
  // In air against what the fans answer to, where that can be said.
  const [along, setAlong] = useState(
    () => measured.find(({ id }) => response.rules.some((rule) => ruleInputId(rule) === id))?.id ?? DEMAND,
  )
  const inFlow = useValueOf('flow')
  const [measure, setMeasure] = useState<Measure>(() =>
    ladder(response)?.up.every((rung) => inFlow(rung) !== null) ? 'flow' : 'fans',
  )
  const input = measured.find(({ id }) => id === along)
  const walked = useMemo(
    () => (input && machine ? rungsAgainst(machine, input, later) : ladder(response)),
    [machine, input, later, response],
  )
  const valueOf = useValueOf(measure)
  if (!walked) return null
  const wording = (value: number): string =>
    measure === 'fans'
      ? `${formatNumber(value, 2, preference)} fans’ worth`
      : formatQuantity(value, measure, preference)
  const shown: Shown = { walked, input, measure, valueOf, wording }
  return (
    <>
      <Typography variant="body2" component="div">
        <Choice label="what the ladder measures" value={measure} options={MEASURES} onChange={setMeasure} /> against{' '}
        <Choice
          label="what the ladder is drawn against"
          value={along}
          options={[[DEMAND, 'demand'], ...measured.map(({ id, name }) => [id, name] as const)]}
          onChange={setAlong}
        />
        ; solid climbing, dashed falling.
      </Typography>
      {walked.up.some((rung) => valueOf(rung) === null) && <Typography variant="body2">{UNKNOWN[measure]}</Typography>}
      {hasTable ? <LadderTable {...shown} /> : <LadderPlot {...shown} />}
      <LadderNotes {...shown} />
    </>
  )
}

type Shown = {
  walked: NonNullable<ReturnType<typeof ladder>>
  /** What it is drawn against; the demand where there is none. */
  input: MeasuredInput | undefined
  measure: Measure
  valueOf: ValueOf
  wording: (value: number) => string
}

function LadderTable({ walked, input, valueOf, wording }: Shown) {
  const preference = usePreference()
  const cell = (rung: Rung): string => {
    const value = valueOf(rung)
    return value === null ? '–' : wording(value)
  }
  return (
    <FigureTable
      label="Staging ladder"
      head={[input?.name ?? 'demand, %', 'variable, %', 'fixed', 'climbing', 'falling']}
      rows={walked.up.flatMap((rung, index) =>
        index % ROWS_EVERY === 0
          ? [
              [
                input ? formatFigure(rung.x, input.kind, preference) : formatPct(rung.x, preference),
                formatPct(rung.variablePct, preference),
                String(rung.fixedRunning),
                cell(rung),
                cell(walked.down[index]!),
              ] as const,
            ]
          : [],
      )}
    />
  )
}

/** The rung that is stood on now, and the demand that it follows from; null where the input has no value. */
function useNow({ walked, input, valueOf }: Shown) {
  const { asked } = useInstant()
  const { values } = useTryIt()
  const demandPct = (asked && findLink(asked.explanation.chain, 'give', 'stages'))?.demandPct ?? NaN
  const nowX = input ? (values[input.combines?.of[0] ?? input.id] ?? NaN) : demandPct
  const rung = walked.up.reduce((near, other) => (Math.abs(other.x - nowX) < Math.abs(near.x - nowX) ? other : near))
  return { x: rung.x, value: Number.isNaN(nowX) ? null : valueOf(rung), demandPct }
}

function useAxes({ walked, input, measure, valueOf }: Shown): { x: Axis; y: Axis } {
  const preference = usePreference()
  const most = Math.max(...walked.up.map((rung) => valueOf(rung) ?? 0))
  const whole = Math.ceil(most)
  return {
    x: input ? quantityAxis(input.kind, preference, input.from, input.to) : { from: 0, to: 100, unit: '%' },
    y:
      measure === 'fans'
        ? { from: 0, to: whole, ticks: Array.from({ length: whole + 1 }, (_, index) => index) }
        : quantityAxisFromZero(measure, preference, most),
  }
}

function LadderPlot(shown: Shown) {
  const { walked, input, valueOf } = shown
  const response = usePart('response')
  const kit = usePart('kit')
  const { given } = useDerived()
  const now = useNow(shown)
  const axes = useAxes(shown)
  const rows = useMemo(
    () => walked.up.map((rung, index) => ({ x: rung.x, up: valueOf(rung), down: valueOf(walked.down[index]!) })),
    [walked, valueOf],
  )
  const joins = input ? undefined : given.response.stages?.fixed
  const lines = useMemo(() => <LadderLines fixed={joins ?? []} />, [joins])
  const stages = input ? undefined : response.stages
  return (
    <Plot
      label="Staging ladder"
      height={280}
      rows={rows}
      x={axes.x}
      y={axes.y}
      overlay={(scale) => (
        <g>
          {now.value !== null && (
            <circle cx={scale.toX(now.x)} cy={scale.toY(now.value)} r={5} fill="var(--mui-palette-text-primary)" />
          )}
          {stages?.fixed.map((join, index) => (
            <JoinHandle
              key={join.fan}
              {...{ scale, stages, index }}
              y={valueOf({ x: 0, variablePct: 100, fixedRunning: index, fanEquivalents: index + 1 }) ?? 0}
              name={kit.fans.find(({ id }) => id === join.fan)?.name ?? join.fan}
            />
          ))}
        </g>
      )}
    >
      {lines}
    </Plot>
  )
}

function LadderNotes(shown: Shown) {
  const preference = usePreference()
  const { given } = useDerived()
  const { value, demandPct } = useNow(shown)
  const step = joinStep(given.response, 0)
  return (
    <Typography variant="body2">
      At the first join it steps from {formatNumber(step.before, 2, preference)} to{' '}
      {formatNumber(step.after, 2, preference)} fans’ worth: the variable fan drops back to its floor.{' '}
      {value !== null && (
        <>
          Now {shown.wording(value)}
          {Number.isNaN(demandPct) ? '' : ` at a demand of ${formatPct(demandPct, preference)} %`}.
        </>
      )}
      {shown.measure === 'power' && ' By the fan law, as the cube of speed; a phase-cut motor takes more.'}
    </Typography>
  )
}

function LadderLines({ fixed }: { fixed: Stages['fixed'] }) {
  return (
    <>
      <Line
        dataKey="down"
        type="stepBefore"
        stroke="var(--mui-palette-text-secondary)"
        strokeDasharray="3 3"
        strokeWidth={1.5}
        dot={false}
        isAnimationActive={false}
      />
      <Line
        dataKey="up"
        type="linear"
        stroke="var(--mui-palette-cause-speed)"
        strokeWidth={2.5}
        dot={false}
        isAnimationActive={false}
      />
      {fixed.map(({ joinsAtPct }) => (
        <ReferenceLine key={joinsAtPct} x={joinsAtPct} stroke="var(--mui-palette-divider)" />
      ))}
    </>
  )
}

type JoinProps = { scale: Scale; stages: Stages; index: number; name: string; y: number }

/** A join stays between its neighbours. */
function JoinHandle({ scale, stages, index, name, y }: JoinProps) {
  const preference = usePreference()
  const { controller } = usePart('kit')
  const edit = useWorkingCopy((state) => state.edit)
  const { fan, joinsAtPct } = stages.fixed[index]!
  const low = index === 0 ? 0 : stages.fixed[index - 1]!.joinsAtPct
  const high = stages.fixed[index + 1]?.joinsAtPct ?? 100
  const stepPct = settingStep(controller, 'stages.joinPct', null) ?? JOIN_STEP_PCT
  return (
    <DragHandle
      scale={scale}
      name={`${name} joins at`}
      at={{ x: joinsAtPct, y }}
      wording={`${formatPct(joinsAtPct, preference)} % of the ladder`}
      range={[low, high]}
      step={{ x: stepPct }}
      colour="var(--mui-palette-cause-speed)"
      onPlace={(wanted, free) => {
        const at = clamp(snapped(wanted.x, stepPct, free), low + JOIN_STEP_PCT, high - JOIN_STEP_PCT)
        edit(
          `${name} joins`,
          (draft) => {
            const held = draft.response.stages?.fixed[index]
            if (held) held.joinsAtPct = at
          },
          `join-${fan}`,
        )
      }}
    />
  )
}
