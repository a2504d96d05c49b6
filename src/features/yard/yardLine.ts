import { DUTY_NAMES } from '@/core/brief/duty'
import { judgeInstallation } from '@/core/advise/judge'
import { derive } from '@/core/derive'
import { evaluateAt } from '@/core/evaluate'
import type { Installation } from '@/core/document/installation'
import { readInstallation } from '@/core/document/read'
import { problemLine } from '@/core/problem'
import { formatPct, formatQuantity, type UnitPreference } from '@/core/quantity/format'
import { compare } from '@/core/record/compare'
import { ruleInputId, type Cause } from '@/core/response/rules/kind'
import { ruleKind } from '@/core/response/rules/table'
import type { YardRow } from '@/db/queries/installation'
import type { RailProps } from '@/ui/rail/SpeedRail'

/** The fans by name; of a long row only how many. */
function namesOf({ kit: { fans } }: Installation): string {
  const names = fans.map(({ name }) => name)
  return names.length > 2 ? `${names[0]} and ${names.length - 1} more` : names.join(' and ')
}

export type YardLine = {
  readonly id: string
  readonly site: string
  readonly name: string
  readonly about: string
  readonly rail: RailProps
  readonly speed: { readonly text: string; readonly cause: Cause; readonly rule: string }
  readonly gives: string
  readonly standing: { readonly text: string; readonly tone: 'plain' | 'working' | 'needs' | 'hurts' }
  readonly sealedAt: string | null
  readonly sealedNumber: number | null
  readonly concern: { readonly title: string; readonly detail: string; readonly grave: boolean } | null
}

/** A row that cannot be shown as the others are: what is wrong with it. Its ways out are the same for all. */
export type BadLine = { readonly id: string; readonly site: string; readonly name: string; readonly wrong: string }

/** A row of the yard; one that cannot be opened, or that the program fails on, takes only itself down. */
export function yardRow(row: YardRow, preference: UnitPreference): YardLine | BadLine {
  const bad = (name: string, wrong: string): BadLine => ({ id: row.id, site: row.siteName, name, wrong })
  if (row.kind === 'unreadable') return bad(row.name, row.problems.slice(0, 3).map(problemLine).join(' '))
  try {
    return yardLine(row, preference)
  } catch (error) {
    console.error(error)
    return bad(row.workingCopy.document.name, 'Soft Gale itself fails on it; tell who looks after the program.')
  }
}

/** What one installation shows in the yard: its rail, the speed at the middle of its target band, and its standing. */
export function yardLine(
  { id, siteName, workingCopy: { document, problems }, sealed }: Extract<YardRow, { kind: 'open' }>,
  preference: UnitPreference,
): YardLine {
  const derived = derive(document)
  const { brief, response } = document
  const values = Object.fromEntries(
    response.inputs.flatMap((input) => {
      const target = brief.targets.find(({ quantity }) => quantity === input.kind)
      return target ? [[input.id, (target.bandFrom + target.bandTo) / 2]] : []
    }),
  )
  const instant = derived.given.machine && evaluateAt(derived.given.machine, derived, values, preference)
  const lead = instant?.evaluation.fans[0]
  const rule = instant?.explanation.inCharge ?? null
  const input = response.inputs.find((candidate) => rule !== null && candidate.id === ruleInputId(rule))
  const boost = response.rules.find((candidate) => candidate.kind === 'switch' && !candidate.off)
  const sealedDocument = sealed && readInstallation(sealed.document)
  const changes = sealedDocument?.ok ? compare(sealedDocument.value, document).length : 0
  const concern = judgeInstallation(document, derived).find(
    ({ severity }) => severity === 'hurts' || severity === 'fails',
  )
  return {
    id,
    site: siteName,
    name: document.name,
    about: `${DUTY_NAMES[brief.duty]} · ${namesOf(document)}`,
    rail: {
      startPct: derived.lead?.startPct ?? null,
      floorPct: response.floor.speedPct,
      ceilingPct: response.ceiling.speedPct,
      boostPct: boost?.kind === 'switch' ? boost.speedPct : null,
      nowPct: lead?.speedPct ?? null,
    },
    speed: {
      text: lead ? (lead.speedPct === 0 ? 'off' : `${formatPct(lead.speedPct)} %`) : '–',
      cause: rule ? ruleKind(rule).cause(input) : 'speed',
      rule: rule ? (input?.name ?? rule.id) : 'floor',
    },
    gives: lead?.flowLs == null ? 'not mapped' : formatQuantity(lead.flowLs, 'flow', preference),
    standing: concern
      ? { text: 'Needs you', tone: concern.severity === 'hurts' ? 'hurts' : 'needs' }
      : sealed === null
        ? { text: 'Never sealed', tone: 'working' }
        : changes > 0
          ? { text: `Working copy, after rev ${sealed.number}`, tone: 'working' }
          : { text: `As sealed, rev ${sealed.number}`, tone: 'plain' },
    sealedAt: sealed?.sealedAt.toISOString() ?? null,
    sealedNumber: sealed?.number ?? null,
    concern: concern
      ? { title: concern.title, detail: concern.detail, grave: concern.severity === 'hurts' }
      : problems[0]
        ? { title: 'Something in it cannot be right.', detail: problemLine(problems[0]), grave: false }
        : null,
  }
}
