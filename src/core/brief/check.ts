import { checkFlowTable } from '@/core/brief/flowTable'
import type { Brief } from '@/core/brief/schema'
import type { Problem } from '@/core/json/problem'

export function checkBrief({ targets, rooms }: Brief): Problem[] {
  const inTable = rooms ? checkFlowTable(rooms.table) : []
  return [
    ...inTable.map((problem) => ({ ...problem, path: `rooms.table.${problem.path}` })),
    ...targets.flatMap(({ bandFrom, bandTo, limitAbove, quantity }, index): Problem[] => {
      const unit = quantity === 'temperature' ? '°C' : '%RH'
      const path = `targets.${index}`
      return [
        ...(bandFrom > bandTo
          ? [
              {
                code: 'order' as const,
                path: `${path}.bandFrom`,
                low: 'The low end of the band',
                lowValue: bandFrom,
                high: 'its high end',
                highValue: bandTo,
                unit,
              },
            ]
          : []),
        ...(limitAbove !== null && limitAbove < bandTo
          ? [
              {
                code: 'order' as const,
                path: `${path}.limitAbove`,
                low: 'The high end of the band',
                lowValue: bandTo,
                high: 'the limit',
                highValue: limitAbove,
                unit,
              },
            ]
          : []),
      ]
    }),
  ]
}
