import { formatPct } from '@/core/quantity/format'
import { derive } from '@/core/derive/derive'
import { paperHead } from '@/core/record/paperHead'
import type { Sealed } from '@/core/record/sealed'
import { boostOf } from '@/core/rules/table'

/** What a label says: its name in large, then a line each. */
export type Label = { readonly title: string; readonly lines: readonly string[] }

export function label(sealed: Sealed): Label {
  const { response } = derive(sealed.document).given
  const { title, state, revision, day, person, fingerprint, nextCheck } = paperHead(sealed)
  const boost = boostOf(response.rules)
  const speeds = [
    `lowest ${formatPct(response.floor.speedPct, sealed.preference)} %`,
    ...(boost ? [`boost ${formatPct(Math.min(boost.speedPct, response.ceiling.speedPct), sealed.preference)} %`] : []),
    `highest ${formatPct(response.ceiling.speedPct, sealed.preference)} %`,
  ]
  return {
    title,
    lines: [
      state,
      speeds.join(' · '),
      [revision, day, person].filter(Boolean).join(' · '),
      ...(nextCheck ? [`next check ${nextCheck}`] : []),
      ...(fingerprint ? [fingerprint] : []),
    ],
  }
}
