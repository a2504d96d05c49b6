'use client'

import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { Line, ReferenceLine } from 'recharts'
import { clamp } from '@/core/clamp'
import { formatNumber, formatPct, formatQuantity } from '@/core/quantity/format'
import { joinStep, ladder, ladderPowerW } from '@/core/response/ladder'
import { DragHandle, snapped } from '@/features/respond/views/DragHandle'
import { Plot, type Axis } from '@/features/respond/views/Plot'
import { settingStep } from '@/features/respond/views/settingStep'
import { chartFont } from '@/ui/chart'
import { useInstant } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const DEMAND_AXIS: Axis = { from: 0, to: 100, unit: '%' }
const JOIN_STEP_PCT = 1

/** Variable and fixed fans against demand: what they move together, up and (fainter) down again, with their joins to be dragged. */
export function LadderView() {
  const { response, kit } = useDocument()
  const { given } = useDerived()
  const { asked } = useInstant()
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const walked = useMemo(() => ladder(given.response), [given.response])
  const rows = useMemo(
    () =>
      walked?.up.map(({ demandPct, fanEquivalents }, index) => ({
        x: demandPct,
        up: fanEquivalents,
        down: walked.down[index]!.fanEquivalents,
      })) ?? [],
    [walked],
  )
  const lines = useMemo(
    () => (
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
        {(given.response.stages?.fixed ?? []).map(({ joinsAtPct }) => (
          <ReferenceLine key={joinsAtPct} x={joinsAtPct} stroke="var(--mui-palette-divider)" />
        ))}
      </>
    ),
    [given.response.stages],
  )
  const { stages } = response
  if (!walked || !stages) return null
  const count = stages.fixed.length + 1
  const fixedAt = (index: number) => kit.fans.find(({ id }) => id === stages.fixed[index]?.fan)
  const variableW = kit.fans.find(({ id }) => id === response.lead)?.ratedPowerW ?? null
  const fixedW = stages.fixed.map((_fan, index) => fixedAt(index)?.ratedPowerW ?? null)
  const link = asked?.explanation.chain.find((held) => held.stage === 'give' && held.kind === 'stages')
  const demandPct = link?.stage === 'give' && link.kind === 'stages' ? link.demandPct : null
  const nowRung =
    demandPct === null
      ? null
      : walked.up.reduce((near, rung) =>
          Math.abs(rung.demandPct - demandPct) < Math.abs(near.demandPct - demandPct) ? rung : near,
        )
  const step = joinStep(given.response, 0)
  const powerW = nowRung && ladderPowerW(nowRung, variableW, fixedW)
  return (
    <>
      <Plot
        label="Staging ladder"
        height={280}
        rows={rows}
        x={DEMAND_AXIS}
        y={{ from: 0, to: count, ticks: Array.from({ length: count + 1 }, (_, index) => index) }}
        overlay={(scale) => (
          <g>
            <text x={scale.plot.x + 4} y={scale.plot.y + 10} style={chartFont}>
              fans’ worth of air; demand along; solid climbing, dashed falling
            </text>
            {nowRung && (
              <circle
                cx={scale.toX(nowRung.demandPct)}
                cy={scale.toY(nowRung.fanEquivalents)}
                r={5}
                fill="var(--mui-palette-text-primary)"
              />
            )}
            {stages.fixed.map(({ fan, joinsAtPct }, index) => {
              const name = fixedAt(index)?.name ?? fan
              const low = index === 0 ? 0 : stages.fixed[index - 1]!.joinsAtPct
              const high = stages.fixed[index + 1]?.joinsAtPct ?? 100
              return (
                <DragHandle
                  key={fan}
                  scale={scale}
                  name={`${name} joins at`}
                  at={{ x: joinsAtPct, y: index + 1 }}
                  said={`${formatPct(joinsAtPct)} % of the ladder`}
                  range={[low, high]}
                  step={{
                    x: kit.controller
                      ? (settingStep(kit.controller, 'stages.joinPct', null) ?? JOIN_STEP_PCT)
                      : JOIN_STEP_PCT,
                  }}
                  colour="var(--mui-palette-cause-speed)"
                  onPlace={(wanted, free) => {
                    const step = settingStep(kit.controller, 'stages.joinPct', null) ?? JOIN_STEP_PCT
                    const at = clamp(snapped(wanted.x, step, free), low + JOIN_STEP_PCT, high - JOIN_STEP_PCT)
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
            })}
          </g>
        )}
      >
        {lines}
      </Plot>
      <Typography variant="body2">
        At the first join it steps from {formatNumber(step.before, 2)} to {formatNumber(step.after, 2)} fans’ worth: the
        variable fan drops back to its floor.{' '}
        {nowRung && (
          <>
            Now {formatNumber(nowRung.fanEquivalents, 2)} fans’ worth at a demand of {formatPct(nowRung.demandPct)} %
            {powerW === null || powerW === undefined
              ? '; power: the ratings of the fans are not all known.'
              : `, about ${formatQuantity(powerW, 'power', preference)} by the fan law.`}
          </>
        )}
      </Typography>
    </>
  )
}
