import { dialIn } from '@/core/controller/dialIn'
import { whyCannot } from '@/core/installation/dialProgress'
import type { Derived } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import { formatPct, METRIC, type UnitPreference } from '@/core/quantity/format'
import { gate, type GatePart } from '@/core/record/gate'
import type { OpenItem } from '@/core/record/stillOpen'
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

/** One line of standing for every stage, and whether nothing is open there: by the same list that a seal looks through. */
export function standings(
  installation: Installation,
  derived: Derived,
  open: readonly OpenItem[],
  lastSeal: SealSummary | null,
  preference: UnitPreference = METRIC,
): Record<StageId, Standing> {
  const { brief, kit, response, dial } = installation
  const openIn = Object.fromEntries(
    gate(installation, open).map(({ part, open: items }) => [part, items.length]),
  ) as Record<GatePart, number>
  const actions = kit.controller && derived.fit ? dialIn(kit.controller, derived.fit, dial) : []
  const cannotCount = actions.filter((action) => whyCannot(action, dial) !== null).length
  const checks = planFor(installation, derived)?.plan.length ?? 0
  const startPct = derived.lead?.startPct ?? null
  const rules = response.rules.filter(({ off }) => !off).length
  const withOpen = (line: string, count: number): string => (count > 0 ? `${line}, ${count} open` : line)
  return {
    brief: { line: withOpen(many(brief.targets.length, 'target'), openIn.brief), isDone: openIn.brief === 0 },
    kit: {
      line: kit.controller
        ? withOpen(`${many(kit.fans.length, 'fan')}, ${many(kit.probes.length, 'probe')}`, openIn.kit)
        : 'no controller yet',
      isDone: openIn.kit === 0,
    },
    calibrate: {
      line: startPct === null ? 'start not read' : `turns from ${formatPct(startPct, preference)} %`,
      isDone: startPct !== null && openIn.calibrate === 0,
    },
    respond: {
      line: derived.asked.machine
        ? `${many(rules, 'rule')}${openIn.respond > 0 ? `, ${many(openIn.respond, 'warning')}` : ''}`
        : 'contradicts itself',
      // What is asked is settled once a controller gives it.
      isDone: derived.asked.machine !== null && derived.fit !== null && openIn.respond === 0,
    },
    rehearse: rehearseStanding(installation, givenMark(derived.given.response)),
    'dial-in': {
      line: kit.controller
        ? `${actions.length - openIn['dial-in']} of ${actions.length} actions${cannotCount > 0 ? `, ${cannotCount} cannot` : ''}`
        : 'needs a controller',
      isDone: actions.length > 0 && openIn['dial-in'] === 0,
    },
    prove: { line: `${checks - openIn.prove} of ${checks} checks`, isDone: checks > 0 && openIn.prove === 0 },
    'hand-over': {
      line: lastSeal ? `rev ${lastSeal.number}${lastSeal.isCurrent ? '' : ', changed since'}` : 'never sealed',
      isDone: openIn.people === 0 && (lastSeal?.isCurrent ?? false),
    },
  }
}
