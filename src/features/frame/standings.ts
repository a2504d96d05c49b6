import type { Judgement } from '@/core/advise/judgement'
import { dialIn } from '@/core/controller/dialIn'
import { isDone, whyCannot } from '@/core/installation/dialProgress'
import type { Derived } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import { formatPct } from '@/core/quantity/format'
import { lastOf, type ReadVerdict } from '@/core/record/stillOpen'
import type { StageId } from '@/ui/stages'

export type Standing = { readonly line: string; readonly isDone: boolean }
export type SealSummary = { readonly number: number; readonly sealedAt: string; readonly isCurrent: boolean }

/** What was rehearsed of the response as it is given now: how many days, how many fail. */
function rehearseStanding({ rehearsed = [] }: Installation, mark: string): Standing {
  const current = rehearsed.filter(({ given }) => given === mark)
  const [first] = current
  if (!first) return { line: rehearsed.length > 0 ? 'changed since' : 'no day kept yet', isDone: false }
  const failing = current.filter(({ measures }) => measures.some(({ verdict }) => verdict === 'fail')).length
  const days = current.length === 1 ? first.name : `${current.length} days`
  return {
    line:
      failing === 0
        ? `${days}: kept`
        : `${days}: ${failing === current.length && failing === 1 ? 'fails' : `${failing} fail`}`,
    isDone: failing === 0,
  }
}

const many = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`

/** One line of standing for every stage, and whether it has what it needs. */
export function standings(
  installation: Installation,
  derived: Derived,
  judgements: readonly Judgement[],
  results: readonly ReadVerdict[],
  lastSeal: SealSummary | null,
): Record<StageId, Standing> {
  const { brief, kit, response, dial } = installation
  const actions = kit.controller && derived.fit ? dialIn(kit.controller, derived.fit, dial) : []
  const doneCount = actions.filter((action) => isDone(action, dial)).length
  const cannotCount = actions.filter((action) => whyCannot(action, dial) !== null).length
  const planned = planFor(installation, derived)
  const plan = planned?.plan ?? []
  const mark = givenMark(derived.given.response)
  const provedCount = plan.filter(
    (check) => planned && lastOf(results, planned.context, check)?.verdict === 'passes',
  ).length
  const startPct = derived.lead?.startPct ?? null
  const rules = response.rules.filter(({ off }) => !off).length
  const warnings = judgements.filter(({ severity }) => severity !== 'know').length
  return {
    brief: { line: many(brief.targets.length, 'target'), isDone: brief.targets.length > 0 },
    kit: {
      line: kit.controller
        ? `${many(kit.fans.length, 'fan')}, ${many(kit.probes.length, 'probe')}`
        : 'no controller yet',
      isDone: kit.controller !== null,
    },
    calibrate: {
      line: startPct === null ? 'start not read' : `turns from ${formatPct(startPct)} %`,
      isDone: startPct !== null && derived.lead?.flow?.kind === 'map',
    },
    respond: {
      line: derived.asked.machine
        ? `${many(rules, 'rule')}${warnings > 0 ? `, ${many(warnings, 'warning')}` : ''}`
        : 'contradicts itself',
      isDone: derived.asked.machine !== null && warnings === 0,
    },
    rehearse: rehearseStanding(installation, mark),
    'dial-in': {
      line: kit.controller
        ? `${doneCount} of ${actions.length} actions${cannotCount > 0 ? `, ${cannotCount} cannot` : ''}`
        : 'needs a controller',
      isDone: actions.length > 0 && doneCount === actions.length,
    },
    prove: { line: `${provedCount} of ${plan.length} checks`, isDone: plan.length > 0 && provedCount === plan.length },
    'hand-over': {
      line: lastSeal ? `rev ${lastSeal.number}${lastSeal.isCurrent ? '' : ', changed since'}` : 'never sealed',
      isDone: lastSeal?.isCurrent ?? false,
    },
  }
}
