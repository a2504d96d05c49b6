'use client'

import { contours } from 'd3-contour'
import { useMemo } from 'react'
import type { Levels } from '@/core/look/levels'
import type { Scale } from '@/features/respond/views/Plot'
import { PlacedLabels } from '@/ui/labels/PlacedLabels'

/** Each level is painted over the ones before. */
const LEVEL_OPACITY = 0.11
const ONLY_OPACITY = 0.45
/** How dark the topmost of so many levels looks. */
export const shade = (index: number, count: number): number =>
  count === 1 ? ONLY_OPACITY : 1 - (1 - LEVEL_OPACITY) ** (index + 1)

/** Each level over the one before; edges and every second level carry their figure. */
export function LevelFills({
  scale: { plot },
  levels,
  thresholds,
}: {
  scale: Scale
  levels: Levels
  thresholds: readonly number[]
}) {
  const shapes = useMemo(
    () =>
      contours()
        .size([levels.columns, levels.rows])
        .smooth(thresholds.length > 1)
        .thresholds([...thresholds])([...levels.values]),
    [levels, thresholds],
  )
  // d3 puts the value of a cell at its middle.
  const toX = (column: number) => plot.x + ((column - 0.5) / (levels.columns - 1)) * plot.width
  const toY = (row: number) => plot.y + (1 - (row - 0.5) / (levels.rows - 1)) * plot.height
  return (
    <>
      <clipPath id="levels-clip">
        <rect x={plot.x} y={plot.y} width={plot.width} height={plot.height} />
      </clipPath>
      <g clipPath="url(#levels-clip)">
        {shapes.map(({ coordinates, value }) => (
          <path
            key={value}
            d={coordinates
              .flat()
              .map(
                (ring) =>
                  `M${ring.map(([column = 0, row = 0]) => `${toX(column).toFixed(1)} ${toY(row).toFixed(1)}`).join('L')}Z`,
              )
              .join('')}
            fill="var(--mui-palette-cause-speed)"
            fillOpacity={thresholds.length === 1 ? ONLY_OPACITY : LEVEL_OPACITY}
            fillRule="evenodd"
            stroke="var(--mui-palette-cause-speed)"
            strokeOpacity={0.5}
            strokeWidth={0.75}
          />
        ))}
      </g>
      {thresholds.length > 1 && (
        <PlacedLabels
          area={plot}
          labels={shapes.flatMap(({ coordinates, value }) => {
            const ring = coordinates[0]?.[0]
            const [column = 0, row = 0] = ring?.[Math.floor(ring.length / 2)] ?? []
            return ring && value % 20 === 0
              ? [
                  {
                    text: String(value),
                    x: toX(column),
                    y: toY(row),
                    sides: ['above right', 'below right', 'above left', 'below left'] as const,
                    fill: 'var(--mui-palette-text-primary)',
                  },
                ]
              : []
          })}
        />
      )}
    </>
  )
}
