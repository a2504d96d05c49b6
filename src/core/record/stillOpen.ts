import { Type, type Static } from '@sinclair/typebox'
import { judgeInstallation } from '@/core/advise/judge'
import type { Judgement } from '@/core/advise/judgement'
import { judgementText } from '@/core/advise/words'
import { actionText, dialIn } from '@/core/controller/dialIn'
import type { Derived } from '@/core/derive/derive'
import { isAssumed } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { isDone, whyCannot } from '@/core/installation/dialProgress'
import type { Installation } from '@/core/installation/installation'
import { mountingQuestions } from '@/core/kit/checklist'
import type { Check } from '@/core/prove/check'
import { speaksOf } from '@/core/prove/checkMark'
import type { ProveContext } from '@/core/prove/context'
import { planFor } from '@/core/prove/plan'
import type { VerdictKind } from '@/core/prove/verdict'
import { checkText } from '@/core/prove/words'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { saidIn } from '@/core/quantity/saidIn'

export const OPEN_KINDS = ['danger', 'warning', 'action', 'check', 'question', 'told'] as const
type OpenKind = (typeof OPEN_KINDS)[number]

/** One thing that was open when something was sealed; a danger with the reason why it stays. */
export const OpenItem = Type.Object(
  {
    kind: Type.Union(OPEN_KINDS.map((kind) => Type.Literal(kind))),
    key: Type.String({ maxLength: 160 }),
    title: Type.String({ maxLength: 600 }),
    detail: Type.String({ maxLength: 1200 }),
    reason: Type.Optional(Type.String({ maxLength: 300 })),
  },
  { additionalProperties: false },
)
export type OpenItem = Static<typeof OpenItem>

/** What was read of one check, as far as this is about it: oldest first in a list. */
export type ReadVerdict = { readonly check: string; readonly given: string; readonly verdict: VerdictKind }

/** The last result that speaks of a check as it is now; an older one proves nothing any more. */
export const lastOf = <T extends Pick<ReadVerdict, 'check' | 'given'>>(
  results: readonly T[],
  context: ProveContext,
  check: Check,
): T | undefined => results.findLast((result) => result.check === check.id && speaksOf(context, check, result))

const NOT_PASSED: Record<Exclude<VerdictKind, 'passes'>, string> = {
  fails: 'It failed.',
  'cannot-tell': 'It could not be told.',
}

function openChecks(
  installation: Installation,
  derived: Derived,
  results: readonly ReadVerdict[],
  preference?: UnitPreference,
): OpenItem[] {
  const planned = planFor(installation, derived, preference)
  return (planned?.plan ?? []).flatMap((check): OpenItem[] => {
    const verdict = planned && lastOf(results, planned.context, check)?.verdict
    if (!planned || verdict === 'passes') return []
    const { title } = checkText(planned.context, check)
    return [{ kind: 'check', key: check.id, title, detail: !verdict ? 'Not done.' : NOT_PASSED[verdict] }]
  })
}

function openActions({ kit, dial }: Installation, { fit }: Derived, preference?: UnitPreference): OpenItem[] {
  if (!kit.controller || !fit) return []
  return dialIn(kit.controller, fit, dial, preference)
    .filter((action) => !isDone(action, dial))
    .map((action) => {
      const why = whyCannot(action, dial)
      return {
        kind: 'action',
        key: action.id,
        title: actionText(action.title),
        detail: why === null ? 'Not entered, or not marked.' : `Cannot be done here: ${why}`,
      }
    })
}

const ASSUMED = 'What stands there is assumed; nobody has confirmed it.'

function openQuestions({ brief, kit }: Installation, preference: UnitPreference = METRIC): OpenItem[] {
  const { answers = {} } = brief
  const question = (key: string, title: string, detail: string): OpenItem => ({ kind: 'question', key, title, detail })
  return [
    ...DUTY_PLANS[brief.duty].questions.flatMap((asked) => {
      const { id, ask, unknown } = asked
      if ((answers[id] ?? null) !== null) return []
      return [
        question(
          `brief-${id}`,
          ask,
          isAssumed(asked, brief) ? ASSUMED : `Not answered. ${saidIn(unknown, preference)}`,
        ),
      ]
    }),
    ...(kit.controller ? [] : [question('controller', 'Which controller?', 'None is chosen.')]),
    ...mountingQuestions(brief).flatMap(({ id, ask }) =>
      kit.mounting?.[id] === undefined ? [question(`mounting-${id}`, ask, 'Not looked at.')] : [],
    ),
  ]
}

/** Where a fan begins to turn is what the floor stands on. */
const openCalibration = ({ lead }: Derived): OpenItem[] =>
  lead && lead.startPct === null
    ? [
        {
          kind: 'question',
          key: 'calibrate-start',
          title: `From which setting does ${lead.fan.name} turn?`,
          detail: 'Not read.',
        },
      ]
    : []

const openPeople = ({ upkeep }: Installation): OpenItem[] =>
  upkeep?.told
    ? []
    : [
        {
          kind: 'told',
          key: 'told',
          title: 'Show somebody there how it works, and what to do when it does not.',
          detail: 'Nobody is named.',
        },
      ]

/** Everything that a seal would leave open: dangers and warnings that nobody has left as they are, actions not entered, checks not passed for
 *  what is given now, questions of brief and kit without an answer. It never blocks a seal; it is written on it.
 *  @param judgements what is judged of it, where that is known already */
export const stillOpen = (
  installation: Installation,
  derived: Derived,
  results: readonly ReadVerdict[],
  preference?: UnitPreference,
  today: string | null = null,
  judgements: readonly Judgement[] = judgeInstallation(installation, derived, null, today),
): OpenItem[] => [
  ...judgements.flatMap((judgement): OpenItem[] => {
    const { id, severity } = judgement
    const { title, detail } = judgementText(judgement, preference)
    return severity === 'know' ? [] : [{ kind: severity === 'hurts' ? 'danger' : 'warning', key: id, title, detail }]
  }),
  ...openActions(installation, derived, preference),
  ...openChecks(installation, derived, results, preference),
  ...openQuestions(installation, preference),
  ...openCalibration(derived),
  ...openPeople(installation),
]

const COUNTED: Record<OpenKind, readonly [one: string, more: string]> = {
  danger: ['danger left', 'dangers left'],
  warning: ['warning', 'warnings'],
  action: ['action not entered', 'actions not entered'],
  check: ['check not passed', 'checks not passed'],
  question: ['question open', 'questions open'],
  told: ['person to be shown how it works', 'people to be shown how it works'],
}

/** “3 checks not passed, 1 question open”; empty where nothing is. */
export const openText = (open: readonly OpenItem[]): string =>
  OPEN_KINDS.flatMap((kind) => {
    const count = open.filter((item) => item.kind === kind).length
    return count === 0 ? [] : [`${count} ${COUNTED[kind][count === 1 ? 0 : 1]}`]
  }).join(', ')
