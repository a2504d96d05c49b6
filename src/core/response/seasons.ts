import { freeId } from '@/core/json/freeId'
import { plainCopy } from '@/core/json/plainCopy'
import type { Response } from '@/core/response/schema'

/** Keeps a week for another season beside this one: the same to begin with, switched off until its time comes.
 *  @returns its id, null where there is no such week */
export function addSeason(draft: Pick<Response, 'rules'>, id: string): string | null {
  const at = draft.rules.findIndex((rule) => rule.id === id && 'periods' in rule)
  const week = draft.rules[at]
  if (!week) return null
  const made = freeId(
    draft.rules.map((rule) => rule.id),
    id,
  )
  draft.rules.splice(at + 1, 0, { ...plainCopy(week), id: made, off: true, note: 'another season' })
  return made
}

/** Changes over: this week runs, every other week rests. Simple controllers know no date; a person changes over, and the log tells when. */
export function changeOver(draft: Pick<Response, 'rules'>, id: string): void {
  for (const rule of draft.rules) {
    if (!('periods' in rule)) continue
    if (rule.id === id) delete rule.off
    else rule.off = true
  }
}
