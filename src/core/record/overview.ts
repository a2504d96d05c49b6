import { judgeInstallation } from '@/core/advise/judge'
import type { Says } from '@/core/advise/words'
import { DUTY_NAMES, type Duty } from '@/core/brief/duty'
import { derive } from '@/core/derive/derive'
import { evaluateAt } from '@/core/derive/evaluate'
import type { Installation } from '@/core/installation/installation'
import { openInstallation } from '@/core/installation/open'
import { nameIn } from '@/core/json/nameIn'
import type { Problem } from '@/core/json/problem'
import { METRIC } from '@/core/quantity/format'
import { compare } from '@/core/record/compare'
import { dueList } from '@/core/record/due'
import { readOpenItems } from '@/core/record/readOpenItems'
import { sealState, type SealState } from '@/core/record/sealState'
import type { Cause } from '@/core/rules/kind'
import { dateOf } from '@/core/rules/yearDay'
import { ruleKind, ruleInputId, boostOf } from '@/core/rules/table'
import { problemLine } from '@/core/words/problems'

/** Rises whenever what `overviewOf` gives changes its meaning: what was kept by an older one is derived anew. */
const OVERVIEW_VERSION = 6

/** What an overview was derived by: the program's version of it, and the day, as a season put in by hand may be over since yesterday.
 *  @param today YYYY-MM-DD */
export const overviewMadeBy = (today: string): number => OVERVIEW_VERSION * 100_000 + dateOf(today)

/** What needs somebody: a judgement by its code, to be said in the units of who reads it, days that are over, or what is wrong with it. */
export type Concern = { readonly grave: boolean } & (
  | { readonly says: Says }
  /** Checks that are over their day, YYYY-MM-DD. */
  | { readonly late: readonly { readonly title: string; readonly on: string }[] }
  | { readonly problem: Problem }
)

/** What an installation shows in a list: figures, not words in somebody’s units. */
export type Overview = {
  readonly kind: 'shown'
  readonly duty: Duty
  /** The duty and the fans. */
  readonly about: string
  /** Speeds in percent; null where there is none. */
  readonly rail: {
    readonly startPct: number | null
    readonly floorPct: number
    readonly ceilingPct: number
    readonly boostPct: number | null
    readonly nowPct: number | null
  }
  /** Speed at the middle of the target bands, %, and what asks for it. */
  readonly speedPct: number | null
  readonly cause: Cause
  readonly inCharge: string
  /** What that speed gives, l/s; null where it is not mapped. */
  readonly flowLs: number | null
  readonly concern: Concern | null
  /** How far the last seal was proved; null where nothing was sealed. */
  readonly sealed: SealState | null
  /** The day of the next check, YYYY-MM-DD; null where nobody named one. */
  readonly nextVisitOn: string | null
}

/** One that cannot be shown: what is wrong with it. */
export type BadOverview = { readonly kind: 'bad'; readonly wrong: string }

export type Overviewed = {
  readonly name: string
  readonly overview: Overview | BadOverview
  /** 0 nothing, 1 wants a look, 2 can hurt. */
  readonly needs: 0 | 1 | 2
  readonly isAsSealed: boolean
}

/** What a stored working copy shows in a list; one that cannot be opened, or that the program fails on, says so.
 *  @param data the working copy as it is stored
 *  @param sealed what was sealed last, as it is stored, and what was open then; a document of null where nothing was
 *  @param onFault hears of a fault of the program itself */
export function overviewOf(
  data: unknown,
  sealed: { readonly document: unknown; readonly open: unknown },
  onFault: (error: unknown) => void,
  today: string | null = null,
): Overviewed {
  const opened = openInstallation(data)
  const bad = (name: string, wrong: string): Overviewed => ({
    name,
    overview: { kind: 'bad', wrong },
    needs: 1,
    isAsSealed: false,
  })
  if (opened.kind === 'unreadable') return bad(nameIn(data), opened.problems.slice(0, 3).map(problemLine).join(' '))
  const { document } = opened
  try {
    const before = sealed.document === null ? null : openInstallation(sealed.document)
    const open = readOpenItems(sealed.open)
    const state = before === null ? null : sealState(open.ok ? open.value : null)
    const overview = shown(document, opened.kind === 'marked' ? opened.problems : [], today, state)
    return {
      name: document.name,
      overview,
      needs: overview.concern === null ? 0 : overview.concern.grave ? 2 : 1,
      isAsSealed: before !== null && before.kind !== 'unreadable' && compare(before.document, document).length === 0,
    }
  } catch (error) {
    onFault(error)
    return bad(document.name, 'Soft Gale itself fails on it; tell who looks after the program.')
  }
}

function shown(
  document: Installation,
  problems: readonly Problem[],
  today: string | null,
  sealed: SealState | null,
): Overview {
  const derived = derive(document)
  const { brief, response } = document
  const values = Object.fromEntries(
    response.inputs.flatMap((input) => {
      const target = brief.targets.find(({ quantity }) => quantity === input.kind)
      return target ? [[input.id, (target.bandFrom + target.bandTo) / 2]] : []
    }),
  )
  const instant = derived.given.machine && evaluateAt(derived.given.machine, derived, values, METRIC)
  const lead = instant?.evaluation.fans[0]
  const rule = instant?.explanation.inCharge ?? null
  const input = response.inputs.find((candidate) => rule !== null && candidate.id === ruleInputId(rule))
  const boost = boostOf(response.rules)
  const concern = judgeInstallation(document, derived, null, today).find(
    ({ severity }) => severity === 'hurts' || severity === 'fails',
  )
  return {
    kind: 'shown',
    duty: brief.duty,
    about: `${DUTY_NAMES[brief.duty]} · ${namesOf(document)}`,
    rail: {
      startPct: derived.lead?.startPct ?? null,
      floorPct: response.floor.speedPct,
      ceilingPct: response.ceiling.speedPct,
      boostPct: boost?.speedPct ?? null,
      nowPct: lead?.speedPct ?? null,
    },
    speedPct: lead?.speedPct ?? null,
    cause: rule ? ruleKind(rule).cause(input) : 'speed',
    inCharge: rule ? (input?.name ?? rule.id) : 'floor',
    flowLs: lead?.flowLs ?? null,
    concern: concern
      ? { says: concern.says, grave: concern.severity === 'hurts' }
      : problems[0]
        ? { problem: problems[0], grave: false }
        : overdueConcern(document, today),
    sealed,
    nextVisitOn: document.upkeep?.nextVisitOn ?? null,
  }
}

/** What is over its day: a check, an alarm that was to be tried. What was never done is counted from a seal, and is not known here. */
function overdueConcern(document: Installation, today: string | null): Concern | null {
  if (today === null) return null
  const late = dueList(document, today).filter(({ kind, on }) => (kind === 'visit' || kind === 'task') && on < today)
  return late.length === 0 ? null : { late: late.map(({ title, on }) => ({ title, on })), grave: false }
}

/** The fans by name; of a long row only how many. */
function namesOf({ kit: { fans } }: Installation): string {
  const names = fans.map(({ name }) => name)
  return names.length > 2 ? `${names[0]} and ${names.length - 1} more` : names.join(' and ')
}
