import type { Brief } from '@/core/brief/schema'
import type { Problem } from '@/core/problem'

export function checkBrief({ targets }: Brief): Problem[] {
  return targets.flatMap(({ bandFrom, bandTo, limitAbove, quantity }, index): Problem[] => {
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
  })
}
