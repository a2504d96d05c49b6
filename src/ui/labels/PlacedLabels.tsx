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

/** The same inside a chart: points in the figures of its axes. */
export function AxisLabels({ labels }: { labels: readonly Label[] }) {
  const area = usePlotArea()
  const toX = useXAxisScale()
  const toY = useYAxisScale()
  if (!area || !toX || !toY) return null
  const placed = labels.flatMap((label) => {
    const [x, y] = [toX(label.x), toY(label.y)]
    return x === undefined || y === undefined ? [] : [{ ...label, x: Number(x), y: Number(y) }]
  })
  return (
    <ZIndexLayer zIndex={DefaultZIndexes.label}>
      <PlacedLabels labels={placed} area={area} />
    </ZIndexLayer>
  )
}
