import { judgementText } from '@/core/advise/words'
import type { Cause } from '@/core/rules/kind'
import { formatPct, formatQuantity, type UnitPreference } from '@/core/quantity/format'
import { dayText } from '@/core/rules/yearDay'
import { sealStateText } from '@/core/record/sealState'
import { problemWordsFor } from '@/core/words/problems'
import type { BadOverview, Concern, Overview } from '@/core/record/overview'
import type { YardRow } from '@/db/queries/installationLine'
import type { RailProps } from '@/ui/rail/SpeedRail'

export type YardLine = {
  readonly id: string
  readonly site: string
  readonly name: string
  readonly about: string
  readonly rail: RailProps
  readonly speed: { readonly text: string; readonly cause: Cause; readonly rule: string }
  readonly gives: string
  readonly standing: { readonly text: string; readonly tone: 'plain' | 'working' | 'needs' | 'hurts' }
  readonly concern: { readonly title: string; readonly detail: string; readonly grave: boolean } | null
  /** The day of the next check, YYYY-MM-DD. */
  readonly nextVisitOn: string | null
}

/** A row that cannot be shown as the others are: what is wrong with it. Its ways out are the same for all. */
export type BadLine = { readonly id: string; readonly site: string; readonly name: string; readonly wrong: string }

const lateText = ({ late }: Extract<Concern, { late: unknown }>, { dates }: UnitPreference) => ({
  title: 'Overdue.',
  detail: late.map(({ title, on }) => `${title}, since ${dayText(on, dates)}.`).join(' '),
})

/** A row of the yard in the units of who looks at it. */
export function yardLine(
  { id, siteName, name, line, isAsSealed, sealed }: YardRow,
  preference: UnitPreference,
): YardLine | BadLine {
  const overview = line as Overview | BadOverview | null
  const bad = (wrong: string): BadLine => ({ id, site: siteName, name, wrong })
  if (overview === null) return bad('It is being worked out; look again in a moment.')
  if (overview.kind === 'bad') return bad(overview.wrong)
  const { about, rail, speedPct, cause, inCharge, flowLs, nextVisitOn } = overview
  const concern = overview.concern && concernText(overview.concern, preference)
  return {
    id,
    site: siteName,
    name,
    about,
    rail,
    speed: {
      text: speedPct === null ? '–' : speedPct === 0 ? 'off' : `${formatPct(speedPct, preference)} %`,
      cause,
      rule: inCharge,
    },
    gives: flowLs === null ? 'not mapped' : formatQuantity(flowLs, 'flow', preference),
    standing: concern
      ? { text: 'Needs you', tone: concern.grave ? 'hurts' : 'needs' }
      : sealed === null
        ? { text: 'Never sealed', tone: 'working' }
        : isAsSealed
          ? {
              text: `Rev ${sealed.number}, ${overview.sealed ? sealStateText(overview.sealed) : 'sealed'}`,
              tone: 'plain',
            }
          : { text: `Working copy, after rev ${sealed.number}`, tone: 'working' },
    concern,
    nextVisitOn,
  }
}

const wrongText = ({ problem }: Extract<Concern, { problem: unknown }>, preference: UnitPreference) => ({
  title: 'Something in it cannot be right.',
  detail: problemWordsFor(preference).line(problem),
})

function concernText(concern: Concern, preference: UnitPreference): NonNullable<YardLine['concern']> {
  const { title, detail } =
    'says' in concern
      ? judgementText(concern, preference)
      : 'late' in concern
        ? lateText(concern, preference)
        : wrongText(concern, preference)
  return { title, detail, grave: concern.grave }
}
