import { DefaultZIndexes, usePlotArea, useXAxisScale, useYAxisScale, ZIndexLayer } from 'recharts'
import { chartFont } from '@/ui/chart'
import { placeLabels, type Box, type LabelWish } from '@/ui/labels/placeLabels'

export type Label = LabelWish & { readonly fill?: string; readonly isBold?: boolean }

type Props = {
  /** The most important first: where there is no room the last are left out. */
  labels: readonly Label[]
  area: Box
  /** Lines and marks that no label should lie on. */
  keepOff?: readonly Box[]
}

/** The labels of a picture, none on another: points in pixels. */
export function PlacedLabels({ labels, area, keepOff = [] }: Props) {
  const places = placeLabels(labels, area, keepOff)
  return labels.map(({ text, fill, isBold = false }, index) => {
    const place = places[index]
    return place ? (
      <text
        key={index}
        x={place.x}
        y={place.y}
        textAnchor="middle"
        dominantBaseline="central"
        style={{ ...chartFont, ...(fill ? { fill } : {}), ...(isBold ? { fontWeight: 700 } : {}) }}
      >
        {text}
      </text>
    ) : null
  })
}

/** How far a label keeps from the middle of a line. */
const LINE_PX = 4

type AxisLabelsProps = {
  labels: readonly Label[]
  /** Points of lines and marks that no label should lie on. */
  keepOff?: readonly { readonly x: number; readonly y: number }[]
}

/** The same inside a chart: points in the figures of its axes. */
export function AxisLabels({ labels, keepOff = [] }: AxisLabelsProps) {
  const area = usePlotArea()
  const toX = useXAxisScale()
  const toY = useYAxisScale()
  if (!area || !toX || !toY) return null
  const inPx = <T extends { readonly x: number; readonly y: number }>(points: readonly T[]): T[] =>
    points.flatMap((point) => {
      const [x, y] = [toX(point.x), toY(point.y)]
      return x === undefined || y === undefined ? [] : [{ ...point, x: Number(x), y: Number(y) }]
    })
  const boxes = inPx(keepOff).map(({ x, y }) => ({
    x: x - LINE_PX,
    y: y - LINE_PX,
    width: 2 * LINE_PX,
    height: 2 * LINE_PX,
  }))
  return (
    <ZIndexLayer zIndex={DefaultZIndexes.label}>
      <PlacedLabels labels={inPx(labels)} area={area} keepOff={boxes} />
    </ZIndexLayer>
  )
}
