import type { Explanation } from '@/core/machine/explain'
import { METRIC, type UnitPreference, formatTime } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { RuleWhy } from '@/core/rules/table'
import { capital, HELD_WORDS, linkText, outputStateText } from '@/core/sentences/words'

/** Reasons that come from what the machine remembers, not from the inputs alone. */
const REMEMBERED: ReadonlySet<RuleWhy['kind']> = new Set([
  'switch-waiting',
  'switch-overrun',
  'rapid-rise-on',
  'rapid-rise-capped',
  'cycle-on',
  'cycle-off',
  'hold-after-fall-armed',
  'hold-after-fall-counting',
  'differential-on',
  'differential-held',
])

/** What the machine remembers at this instant, in words: an overrun that is left, the mode, the base of a rapid rise. */
export function remembered(
  response: Response,
  { chain }: Explanation,
  preference: UnitPreference = METRIC,
): readonly string[] {
  return chain.flatMap((link): string[] => {
    switch (link.stage) {
      case 'mode':
        return [
          `It is ${link.mode}, by ${link.by}${link.leftS === null ? '' : `; ${link.mode === 'day' ? 'night' : 'day'} in ${formatTime(link.leftS, preference)}`}.`,
        ]
      case 'ask':
        return link.rule && REMEMBERED.has(link.why.kind) ? [linkText(response, link, preference)] : []
      case 'hold':
        if (link.kind === 'start-kick') return [`The start kick lasts ${formatTime(link.leftS, preference)} more.`]
        return link.kind === 'held'
          ? [`${HELD_WORDS[link.by]}${link.leftS > 0 ? `, ${formatTime(link.leftS, preference)} left` : ''}.`]
          : [`It runs on, ${formatTime(link.leftS, preference)} left.`]
      case 'give':
        return link.kind === 'output' && link.leftS !== null
          ? [`${capital(link.output.name)}: ${outputStateText(link, preference)}.`]
          : []
      case 'sense':
      case 'limit':
        return []
    }
  })
}
