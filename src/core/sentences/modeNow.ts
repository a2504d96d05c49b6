import type { SentenceContext } from '@/core/sentences/behaviour'
import { formatTime } from '@/core/quantity/format'
import type { Explanation } from '@/core/machine/explain'

/** Which mode it is at this instant. */
export function modeNow(_value: unknown, { chain }: Explanation, { preference }: SentenceContext): string {
  const link = chain.find(({ stage }) => stage === 'mode')
  return link?.stage === 'mode'
    ? `it is ${link.mode}${link.leftS === null ? '' : `, ${link.mode === 'day' ? 'night' : 'day'} in ${formatTime(link.leftS, preference)}`}`
    : '–'
}
