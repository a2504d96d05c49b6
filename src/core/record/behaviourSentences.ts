import type { Installation } from '@/core/installation/installation'
import type { UnitPreference } from '@/core/quantity/format'
import type { Rule } from '@/core/rules/table'
import { lines, sentenceContext } from '@/core/sentences/table'
import { partsText } from '@/core/sentences/words'

/** What a response does, a sentence each, of what is in force. */
export function behaviourSentences({ response, kit }: Installation, preference: UnitPreference): string[] {
  const context = sentenceContext({ response, kit }, preference)
  return lines(response)
    .filter(({ place, switchedOffAt, behaviour, value }) => {
      const isOff = switchedOffAt !== null || (behaviour === 'rule' && (value as Rule).off === true)
      return place !== '' && !isOff
    })
    .map(({ kind, value, place }) => partsText(kind.sentence(value, context, place), preference))
}
