import { CartesianGrid, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import type { Score } from '@/core/search/front'
import { evenTicks } from '@/core/quantity/evenTicks'
import { ChartFrame } from '@/ui/ChartFrame'
import { ChartTools } from '@/ui/ChartTools'
import { formatTick } from '@/core/quantity/format'
import { chartFont } from '@/ui/chart'
import { usePreference } from '@/ui/preference'

type Point = { readonly x: number; readonly y: number }
type Numbered = Point & { readonly number: number }

type Props = {
  judged: readonly Score[]
  front: readonly Score[]
  present: Score
  proposals: readonly Score[]
  chosen: number
  onChoose: (index: number) => void
  xName: string
  yName: string
  toX: (value: number) => number
  toY: (value: number) => number
}

const MOST_DOTS = 400

type Figures = Pick<Props, 'judged' | 'front' | 'present' | 'proposals' | 'toX' | 'toY'>

/** What is drawn, in the units of the axes. */
function pointsOf({ judged, front, present, proposals, toX, toY }: Figures) {
  const point = ({ aims }: Score): Point => ({ x: toX(aims[0]!), y: toY(aims[1] ?? 0) })
  const within = judged
    .filter(({ breaks }) => breaks === 0)
    .slice(0, MOST_DOTS)
    .map(point)
  const past = judged
    .filter(({ breaks }) => breaks > 0 && breaks < 1e8)
    .slice(0, MOST_DOTS)
    .map(point)
  const steps = [...front]
    .map(point)
    .sort((a, b) => a.x - b.x || b.y - a.y)
    .reduce<Point[]>((stairs, next) => {
      const last = stairs.at(-1)
      if (last && next.y >= last.y) return stairs
      return last ? [...stairs, { x: next.x, y: last.y }, next] : [next]
    }, [])
  const own = point(present)
  const numbered: Numbered[] = proposals.map((score, index) => ({ ...point(score), number: index + 1 }))
  const all = [...within, ...past, ...steps, own, ...numbered]
  const [xs, ys] = [all.map(({ x }) => x), all.map(({ y }) => y)]
  const xTicks = evenTicks(Math.min(...xs), Math.max(...xs))
  const yTicks = evenTicks(Math.min(...ys), Math.max(...ys))
  return { within, past, steps, own, numbered, xTicks, yTicks }
}

/** Everything that was judged on all days, the staircase of what nothing beats, one's own setting and the proposals to walk along. */
export function FrontChart({ judged, front, present, proposals, chosen, onChoose, xName, yName, toX, toY }: Props) {
  const preference = usePreference()
  const { within, past, steps, own, numbered, xTicks, yTicks } = pointsOf({
    judged,
    front,
    present,
    proposals,
    toX,
    toY,
  })
  const axis = { type: 'number' as const, tick: chartFont, stroke: 'var(--mui-palette-text-secondary)' }
  return (
    <ChartTools
      name={`${yName} against ${xName}`}
      figures={() => ({
        head: ['setting', xName, yName],
        rows: [['yours', own] as const, ...numbered.map((point) => [`proposal ${point.number}`, point] as const)].map(
          ([name, { x, y }]) => [name, formatTick(x, preference), formatTick(y, preference)] as const,
        ),
      })}
    >
      <ChartFrame label={`${yName} against ${xName}: ${proposals.length} proposals on the front`} height={300}>
        <ScatterChart margin={{ top: 8, right: 16, bottom: 18, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--mui-palette-divider)" />
          <XAxis
            {...axis}
            dataKey="x"
            domain={[xTicks[0]!, xTicks.at(-1)!]}
            ticks={xTicks}
            label={{
              value: `${xName} →`,
              position: 'insideBottomRight',
              offset: -12,
              fontSize: 12.5,
              fill: 'var(--mui-palette-text-primary)',
            }}
          />
          <YAxis {...axis} dataKey="y" domain={[yTicks[0]!, yTicks.at(-1)!]} ticks={yTicks} width={44} />
          <Scatter data={past} shape={(at: Place) => <Cross {...at} />} isAnimationActive={false} />
          <Scatter
            data={within}
            fill="var(--mui-palette-text-secondary)"
            fillOpacity={0.5}
            shape={(props: { cx?: number; cy?: number }) => (
              <circle cx={props.cx} cy={props.cy} r={2.4} fill="var(--mui-palette-text-secondary)" fillOpacity={0.55} />
            )}
            isAnimationActive={false}
          />
          <Scatter
            data={steps}
            line={{ stroke: 'var(--mui-palette-text-primary)', strokeWidth: 1.6 }}
            shape={() => <g />}
            isAnimationActive={false}
          />
          <Scatter
            data={numbered}
            shape={(at: Place & { payload?: Numbered }) => {
              const index = (at.payload?.number ?? 1) - 1
              return <Marked {...at} number={index + 1} isChosen={index === chosen} onChoose={() => onChoose(index)} />
            }}
            isAnimationActive={false}
          />
          <Scatter data={[own]} shape={(at: Place) => <Own {...at} />} isAnimationActive={false} />
        </ScatterChart>
      </ChartFrame>
    </ChartTools>
  )
}

type Place = { readonly cx?: number | undefined; readonly cy?: number | undefined }

const Cross = ({ cx = 0, cy = 0 }: Place) => (
  <path d={`M${cx - 2.5},${cy - 2.5}l5,5m0,-5l-5,5`} stroke="var(--mui-palette-text-secondary)" strokeOpacity={0.5} />
)

const Own = ({ cx = 0, cy = 0 }: Place) => (
  <g>
    <rect x={cx - 5} y={cy - 5} width={10} height={10} fill="var(--mui-palette-text-primary)" />
    <text
      x={cx + 9}
      y={cy - 8}
      fontSize={12.5}
      fontWeight={700}
      fill="var(--mui-palette-text-primary)"
      stroke="var(--mui-palette-ground-sheet)"
      strokeWidth={4}
      paintOrder="stroke"
    >
      yours
    </text>
  </g>
)

type MarkedProps = Place & { readonly number: number; readonly isChosen: boolean; readonly onChoose: () => void }

const Marked = ({ cx = 0, cy = 0, number, isChosen, onChoose }: MarkedProps) => (
  <g onClick={onChoose} style={{ cursor: 'pointer' }}>
    <circle
      cx={cx}
      cy={cy}
      r={11}
      fill={isChosen ? 'var(--mui-palette-cause-speed)' : 'var(--mui-palette-ground-sheet)'}
      stroke="var(--mui-palette-text-primary)"
      strokeWidth={1.6}
    />
    <text
      x={cx}
      y={cy + 4.5}
      textAnchor="middle"
      fontSize={12.5}
      fontWeight={700}
      fill={isChosen ? 'var(--mui-palette-ground-sheet)' : 'var(--mui-palette-text-primary)'}
    >
      {number}
    </text>
  </g>
)
