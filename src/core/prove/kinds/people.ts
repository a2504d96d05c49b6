import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { seenCheck } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { briefOf, type ProveContext } from '@/core/prove/context'
import { says, type CheckSays } from '@/core/prove/words'

/** Whether an open flue is in the building, or may be. */
function hasOpenFlue(context: ProveContext): boolean {
  const brief = briefOf(context)
  const plan = DUTY_PLANS[brief.duty]
  return plan.questions.some(({ id }) => id === 'openFlue') && answerReader(plan, brief).yes('openFlue') === true
}

const PERSON = { kind: 'person' } as const

/** Spillage with every extract at full, and again in each fault in which more is drawn out than comes in. */
function spillageChecks(context: ProveContext): Check[] {
  if (!hasOpenFlue(context)) return []
  const { followers, overrides } = context.response
  const spillage = (id: string, words: CheckSays): Check => seenCheck({ id, says: words, waitS: 600 }, PERSON)
  return [
    spillage('spillage', says('spillage')),
    ...followers.map(({ fan }) => spillage(`spillage-without-${fan}`, says('spillage-without', { fan }))),
    ...(overrides?.overheat ? [spillage('spillage-overheated', says('spillage-overheated'))] : []),
  ]
}

/** What no machine can show: another device, a person, a draught. */
export function peopleChecks(context: ProveContext): Check[] {
  const { duty } = briefOf(context)
  const livestock: Check[] =
    duty === 'livestock'
      ? [
          seenCheck({ id: 'backup', says: says('backup'), waitS: 120 }, PERSON),
          seenCheck({ id: 'alarm-reaches', says: says('alarm-reaches'), waitS: 600 }, PERSON),
        ]
      : []
  const isFlue =
    duty === 'stove-flue' && answerReader(DUTY_PLANS['stove-flue'], briefOf(context)).choice('moves') === 'flue'
  const draught: Check[] =
    isFlue || hasOpenFlue(context) ? [seenCheck({ id: 'draught', says: says('draught') }, PERSON)] : []
  return [...livestock, ...draught, ...spillageChecks(context)]
}
