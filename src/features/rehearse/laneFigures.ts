import { everyNth } from '@/core/json/everyNth'
import { formatFigure, type UnitPreference } from '@/core/quantity/format'
import type { Trace } from '@/core/rehearse/trace'
import { momentText } from '@/core/rehearse/words'
import type { Span } from '@/features/rehearse/Lane'
import { unitOf, type LaneOf } from '@/features/rehearse/lanes'
import type { Figures } from '@/ui/FigureTable'

const TABLE_ROWS = 96

/** What lanes show over a span, in lines: a column for each curve. */
export function laneFigures(
  lanes: readonly LaneOf[],
  { fromRow, toRow }: Span,
  { startsOn, stepS }: Pick<Trace, 'startsOn' | 'stepS'>,
  preference: UnitPreference,
): Figures {
  const curves = lanes.flatMap((lane) => lane.curves.map((curve) => ({ lane, curve })))
  const rows = everyNth(
    Array.from({ length: toRow - fromRow }, (_, index) => fromRow + index),
    TABLE_ROWS,
  )
  return {
    head: [
      'time',
      ...curves.map(
        ({ lane, curve }) => `${lane.name}${curve.name === '' ? '' : ` ${curve.name}`}, ${unitOf(lane, preference)}`,
      ),
    ],
    rows: rows.map((row) => [
      momentText(startsOn, row * stepS, preference),
      ...curves.map(({ lane, curve }) => formatFigure(curve.values[row] ?? NaN, lane.quantity, preference)),
    ]),
  }
}
