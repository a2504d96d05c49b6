'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { CartesianGrid, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts'
import { learnReadings } from '@/core/learn/fromTable'
import { learntSpace, type Learnt } from '@/core/learn/learn'
import { plainCopy } from '@/core/json/plainCopy'
import { formatNumber, type UnitPreference } from '@/core/quantity/format'
import type { ReadingTable } from '@/core/rehearse/readingsSeries'
import type { Space } from '@/core/space/schema'
import { problemLine } from '@/core/words/problems'
import { evenTicks } from '@/core/quantity/evenTicks'
import { useRehearsed } from '@/features/rehearse/useDays'
import { ChartCursor } from '@/ui/ChartCursor'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartTools } from '@/ui/ChartTools'
import { everyNth } from '@/core/json/everyNth'
import { chartFont } from '@/ui/chart'
import { Notice } from '@/ui/Notice'
import { SideHeading } from '@/ui/StageLayout'
import { useWorkingCopy } from '@/ui/workingCopy/context'
import { patientWorker } from '@/workers/rehearse'
import { usePreference } from '@/ui/preference'

type Props = { name: string; table: ReadingTable | null; space: Space }
type Standing =
  | { readonly kind: 'looking' }
  | { readonly kind: 'cannot'; readonly text: string }
  | { readonly kind: 'learnt'; readonly learnt: Learnt; readonly readC: Float64Array; readonly atS: Float64Array }

/** The figures of the space out of a readings file: what it tells and how surely, what was left over, and what it could not tell. */
export function LearnSheet({ name, table, space }: Props) {
  const preference = usePreference()
  const installation = useRehearsed()
  const edit = useWorkingCopy((state) => state.edit)
  const [standing, setStanding] = useState<Standing | null>(null)
  async function start(): Promise<void> {
    if (!table) return
    const readings = learnReadings(table, installation, space)
    if (!readings.ok) return setStanding({ kind: 'cannot', text: readings.problems.map(problemLine).join(' ') })
    setStanding({ kind: 'looking' })
    const learnt = await patientWorker().learnSpace(installation, space, readings.value)
    setStanding(
      learnt.ok
        ? { kind: 'learnt', learnt: learnt.value, readC: readings.value.readC, atS: readings.value.atS }
        : { kind: 'cannot', text: learnt.problems.map(problemLine).join(' ') },
    )
  }
  const learnt = standing?.kind === 'learnt' ? standing.learnt : null
  return (
    <>
      <SideHeading>The space, learnt from this file</SideHeading>
      <Button
        variant="outlined"
        size="small"
        fullWidth
        disabled={!table || standing?.kind === 'looking'}
        onClick={() => void start()}
      >
        {standing?.kind === 'looking' ? 'Learning…' : 'Learn the space'}
      </Button>
      {standing?.kind === 'cannot' && (
        <Box sx={{ mt: 1 }}>
          <Notice title="This file cannot tell.">{standing.text}</Notice>
        </Box>
      )}
      {learnt && standing?.kind === 'learnt' && (
        <>
          <Typography variant="body2" sx={{ mt: 1 }}>
            Fits within <strong>{formatNumber(learnt.fittedK, 2, preference)} K</strong> over the first two thirds; the
            last third, only predicted, within <strong>{formatNumber(learnt.predictedK, 2, preference)} K</strong>.
          </Typography>
          <LeftOver atS={standing.atS} readC={standing.readC} learnt={learnt} />
          <Box
            component="table"
            aria-label="figures learnt"
            sx={{ width: '100%', fontSize: 13, '& td': { py: 0.25, verticalAlign: 'top' } }}
          >
            <tbody>
              {learnt.figures.map(({ key, name: figure, unit, value, low, high, isTold }) => (
                <tr key={key}>
                  <td>
                    {figure}
                    <Box component="span" sx={{ display: 'block', fontSize: 11.5, color: 'text.secondary' }}>
                      {isTold
                        ? `${show(low, preference)} to ${show(high, preference)} ${unit}`
                        : 'this file does not tell it'}
                    </Box>
                  </td>
                  <Box
                    component="td"
                    sx={{
                      textAlign: 'right',
                      typography: 'figure',
                      fontSize: 13.5,
                      fontWeight: 700,
                      whiteSpace: 'nowrap',
                    }}
                  >
                    {isTold ? `${show(value, preference)} ${unit}` : '–'}
                  </Box>
                </tr>
              ))}
            </tbody>
          </Box>
          <Button
            variant="contained"
            fullWidth
            sx={{ my: 1 }}
            onClick={() =>
              edit(`The space learnt from ${name}`, (draft) => {
                draft.space = plainCopy(learntSpace(learnt, name))
              })
            }
          >
            Use this space
          </Button>
        </>
      )}
    </>
  )
}

const show = (x: number, preference: UnitPreference): string =>
  formatNumber(x, x >= 100 ? 0 : x >= 10 ? 1 : 2, preference)
const MOST = 240
const TABLE_ROWS = 48

/** What was left over, reading less model: along nought where the model is right. */
function LeftOver({ atS, readC, learnt }: { atS: Float64Array; readC: Float64Array; learnt: Learnt }) {
  const preference = usePreference()
  const every = Math.max(1, Math.ceil(atS.length / MOST))
  const rows = Array.from({ length: Math.floor(atS.length / every) }, (_, index) => {
    const row = index * every
    return { hour: atS[row]! / 3600, k: readC[row]! - learnt.madeC[row]! }
  })
  const most = Math.max(0.2, ...rows.map(({ k }) => Math.abs(k)))
  const ticks = evenTicks(-most, most)
  const border = (atS[learnt.fittedRows] ?? 0) / 3600
  return (
    <ChartTools
      name="What was left over"
      figures={() => ({
        head: ['hour', 'reading less model, K'],
        rows: everyNth(rows, TABLE_ROWS).map(({ hour, k }) => [
          formatNumber(hour, 1, preference),
          formatNumber(k, 2, preference),
        ]),
      })}
    >
      <ChartFrame label="what was left over, reading less model, K over hours" height={110}>
        <ComposedChart data={rows} margin={{ top: 6, right: 8, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--mui-palette-divider)" />
          <XAxis
            dataKey="hour"
            type="number"
            domain={[0, 'dataMax']}
            tick={chartFont}
            tickFormatter={(hour: number) => `${Math.round(hour)} h`}
          />
          <YAxis domain={[ticks[0]!, ticks.at(-1)!]} ticks={ticks} width={36} tick={chartFont} />
          <ReferenceLine
            x={border}
            stroke="var(--mui-palette-text-secondary)"
            strokeDasharray="3 3"
            label={{ value: 'predicted →', fontSize: 11, position: 'insideTopLeft' }}
          />
          <ChartCursor
            along={(hour) => `${formatNumber(hour, 1, preference)} h`}
            figure={(k) => `${formatNumber(k, 2, preference)} K`}
          />
          <Line
            dataKey="k"
            name="reading less model"
            stroke="var(--mui-palette-cause-temperature)"
            dot={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ChartFrame>
    </ChartTools>
  )
}
