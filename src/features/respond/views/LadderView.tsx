'use client'

import type { MeasuredInput } from '@/core/rules/input'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo, useState } from 'react'
import { Line, ReferenceLine } from 'recharts'
import { clamp } from '@/core/json/clamp'
import { formatFigure, formatNumber, formatPct, formatQuantity, preferredUnit } from '@/core/quantity/format'
import { joinStep, ladder, lawPowerW, overLadder, rungsAgainst, type Rung } from '@/core/look/ladder'
import type { Stages } from '@/core/response/schema'
import { DragHandle, snapped } from '@/features/respond/views/DragHandle'
import { FigureTable } from '@/features/respond/views/FigureTable'
import { Plot, type Axis, type Scale } from '@/features/respond/views/Plot'
import { settingStep } from '@/features/respond/views/settingStep'
import type { ViewProps } from '@/features/respond/views/viewProps'
import { Choice } from '@/ui/Choice'
import { useInstant, useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'
import { findLink } from '@/core/machine/findLink'

const DEMAND = 'demand'
const JOIN_STEP_PCT = 1
const ROWS_EVERY = 12
const MEASURES = [
  ['fans', 'fans’ worth of air'],
  ['flow', 'flow'],
  ['power', 'power'],
] as const
type Measure = (typeof MEASURES)[number][0]

/** Variable and fixed fans together, against demand or an input: climbing solid, falling dashed, with their joins to be dragged. */
export function LadderView({ hasTable }: ViewProps) {
  const { response, kit } = useDocument()
  const { given, fans } = useDerived()
  const { asked } = useInstant()
  const { values } = useTryIt()
  const preference = usePreference()
  const [along, setAlong] = useState(DEMAND)
  const [measure, setMeasure] = useState<Measure>('fans')
  const later = useDeferredValue(values)
  const { machine } = given
  const measured = given.response.inputs.filter((input): input is MeasuredInput => input.kind !== 'switch')
  const input = measured.find(({ id }) => id === along)
  const walked = useMemo(
    () => (input && machine ? rungsAgainst(machine, input, later) : ladder(given.response)),
    [machine, input, later, given.response],
  )
  const { stages } = response
  const valueOf = useMemo(() => {
    const fixedFans = (given.response.stages?.fixed ?? []).map(({ fan }) => fans.find(({ fan: { id } }) => id === fan))
    const lead = fans.find(({ fan: { id } }) => id === given.response.lead)
    const by: Record<Measure, (rung: Rung) => number | null> = {
      fans: ({ fanEquivalents }) => fanEquivalents,
      flow: (rung) =>
        overLadder(
          rung,
          (pct) => lead?.flowAt(pct) ?? null,
          fixedFans.map((fan) => fan?.flowAt(100) ?? fan?.fan.ratedFlowLs ?? null),
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
  const rows = useMemo(
    () => walked?.up.map((rung, index) => ({ x: rung.x, up: valueOf(rung), down: valueOf(walked.down[index]!) })) ?? [],
    [walked, valueOf],
  )
  const joins = along === DEMAND ? given.response.stages?.fixed : undefined
  const lines = useMemo(() => <LadderLines fixed={joins ?? []} />, [joins])
  if (!walked || !stages) return null
  const most = Math.max(...rows.map(({ up }) => up ?? 0))
  const isKnown = rows.every(({ up }) => up !== null)
  const x: Axis = input
    ? {
        from: input.from,
        to: input.to,
        unit: preferredUnit(input.kind, preference).symbol,
        format: (value) => formatFigure(value, input.kind, preference, 0),
      }
    : { from: 0, to: 100, unit: '%' }
  const said = (value: number): string =>
    measure === 'fans'
      ? `${formatNumber(value, 2)} fans’ worth`
      : formatQuantity(value, measure === 'flow' ? 'flow' : 'power', preference)
  const y: Axis =
    measure === 'fans'
      ? { from: 0, to: Math.ceil(most), ticks: Array.from({ length: Math.ceil(most) + 1 }, (_, index) => index) }
      : {
          from: 0,
          to: most * 1.05,
          format: (value) => formatFigure(value, measure === 'flow' ? 'flow' : 'power', preference, 0),
        }
  const demandPct = (asked && findLink(asked.explanation.chain, 'give', 'stages'))?.demandPct ?? NaN
  const nowX = input ? (values[input.combines?.of[0] ?? input.id] ?? NaN) : demandPct
  const now = walked.up.reduce((near, rung) => (Math.abs(rung.x - nowX) < Math.abs(near.x - nowX) ? rung : near))
  const nowValue = Number.isNaN(nowX) ? null : valueOf(now)
  const step = joinStep(given.response, 0)
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
      {!isKnown && (
        <Typography variant="body2">
          {measure === 'flow'
            ? 'Not every fan has a map or a rated flow: see Calibrate and Kit.'
            : 'Not every fan has a rated power: see Kit.'}
        </Typography>
      )}
      {hasTable ? (
        <FigureTable
          label="Staging ladder"
          head={[input?.name ?? 'demand, %', 'variable, %', 'fixed', 'climbing', 'falling']}
          rows={walked.up.flatMap((rung, index) =>
            index % ROWS_EVERY === 0
              ? [
                  [
                    input ? formatFigure(rung.x, input.kind, preference) : formatPct(rung.x),
                    formatPct(rung.variablePct),
                    String(rung.fixedRunning),
                    ...[rung, walked.down[index]!].map((held) => {
                      const value = valueOf(held)
                      return value === null ? '–' : said(value)
                    }),
                  ] as const,
                ]
              : [],
          )}
        />
      ) : (
        <Plot
          label="Staging ladder"
          height={280}
          rows={rows}
          x={x}
          y={y}
          overlay={(scale) => (
            <g>
              {nowValue !== null && (
                <circle cx={scale.toX(now.x)} cy={scale.toY(nowValue)} r={5} fill="var(--mui-palette-text-primary)" />
              )}
              {along === DEMAND &&
                stages.fixed.map((join, index) => (
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
      )}
      <Typography variant="body2">
        At the first join it steps from {formatNumber(step.before, 2)} to {formatNumber(step.after, 2)} fans’ worth: the
        variable fan drops back to its floor.{' '}
        {nowValue !== null && (
          <>
            Now {said(nowValue)}
            {Number.isNaN(demandPct) ? '' : ` at a demand of ${formatPct(demandPct)} %`}.
          </>
        )}
        {measure === 'power' && ' By the fan law, as the cube of speed; a phase-cut motor takes more.'}
      </Typography>
    </>
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
  const { controller } = useDocument().kit
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
      said={`${formatPct(joinsAtPct)} % of the ladder`}
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
