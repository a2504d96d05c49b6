import type { Branches, CurvePoint } from '@/core/look/curve'
import type { Scale } from '@/features/respond/views/Plot'

/** An arrow at each jump of a branch, in the direction in which it is walked. */
export function Arrows({
  scale: { toX, toY },
  points,
  way,
}: {
  scale: Scale
  points: readonly CurvePoint[]
  way: 'up' | 'down'
}) {
  const walked = way === 'up' ? points : [...points].reverse()
  return walked.flatMap((point, index) => {
    const before = walked[index - 1]
    if (!before || Math.abs(point.pct - before.pct) < 8) return []
    const [x, y] = [toX((point.x + before.x) / 2), toY((point.pct + before.pct) / 2)]
    const tip = point.pct > before.pct ? -6 : 6
    return [
      <path
        key={`${way}-${point.x}`}
        d={`M${x} ${y + tip} l-5 ${-tip * 1.6} h10 z`}
        fill={way === 'up' ? 'var(--mui-palette-cause-speed)' : 'var(--mui-palette-text-secondary)'}
      />,
    ]
  })
}

/** A curve as it is walked: straight from point to point, or in steps that stay until the next. */
function pathOf({ toX, toY }: Scale, points: readonly CurvePoint[], how: 'line' | 'stay' | 'come'): string {
  return points
    .map(({ x, pct }, index) => {
      const [px, py] = [toX(x).toFixed(1), toY(pct).toFixed(1)]
      if (index === 0) return `M${px} ${py}`
      return how === 'line' ? `L${px} ${py}` : how === 'stay' ? `H${px}V${py}` : `V${py}H${px}`
    })
    .join('')
}

type CurvesProps = {
  scale: Scale
  branches: Branches
  asking: readonly CurvePoint[] | null
  other: readonly CurvePoint[] | null
}

/** Asked dashed, given solid, the way back grey, a revision beside it dotted. */
export function Curves({ scale, branches: { up, down, differ }, asking, other }: CurvesProps) {
  return (
    <g fill="none">
      {asking && (
        <path
          d={pathOf(scale, asking, 'line')}
          stroke="var(--mui-palette-text-secondary)"
          strokeDasharray="5 4"
          strokeWidth={1.5}
        />
      )}
      {other && (
        <path
          d={pathOf(scale, other, 'line')}
          stroke="var(--mui-palette-cause-time)"
          strokeDasharray="1 5"
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
      {differ && <path d={pathOf(scale, down, 'come')} stroke="var(--mui-palette-text-secondary)" strokeWidth={2} />}
      <path d={pathOf(scale, up, 'stay')} stroke="var(--mui-palette-cause-speed)" strokeWidth={2.5} />
    </g>
  )
}
