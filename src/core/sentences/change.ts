import { freeId } from '@/core/json/freeId'
import { dropAt, insertAt, keysOf, putAt, valueAt, type Path } from '@/core/json/path'
import { plainCopy } from '@/core/json/plainCopy'
import type { SwitchedOff, Response } from '@/core/response/schema'
import { moveTarget } from '@/core/response/moveTarget'
import type { Rule } from '@/core/rules/table'
import type { Line } from '@/core/sentences/table'

/** Where the part of a line stands in the response, in force or set aside. */
export const standsAt = ({ place, switchedOffAt }: Pick<Line, 'place' | 'switchedOffAt'>): Path =>
  switchedOffAt === null ? place : `switchedOff.${switchedOffAt}.value`

/** Puts a figure, a choice or a day of a sentence; a target takes with it what is tied to it. */
export function putFigure(draft: Response, at: Path, value: unknown): void {
  const [list, id, key] = keysOf(at)
  if (list === 'targets' && key === 'at' && keysOf(at).length === 3 && typeof value === 'number')
    moveTarget(draft, id!, value)
  else putAt(draft, at, value)
}

/** Switches a behaviour off without losing it: rules stay in the list, all else is set aside. */
export function switchOff(draft: Response, line: Line): void {
  if (line.behaviour === 'rule') return putAt(draft, `${line.place}.off`, true)
  draft.switchedOff = [...(draft.switchedOff ?? []), { at: line.place, value: plainCopy(line.value) } as SwitchedOff]
  takeAway(draft, line)
}

/** Brings a behaviour back that was switched off. */
export function switchOn(draft: Response, line: Line): void {
  if (line.behaviour === 'rule') return putAt(draft, `${line.place}.off`, undefined)
  if (line.switchedOffAt === null) return
  const value = plainCopy(line.value)
  dropAside(draft, line.switchedOffAt)
  insertAt(draft, line.place, value)
}

function dropAside(draft: Response, index: number): void {
  draft.switchedOff = draft.switchedOff?.filter((_held, at) => at !== index)
  if (draft.switchedOff?.length === 0) delete draft.switchedOff
}

function takeAway(draft: Response, { place, kind }: Line): void {
  if (kind.absent === null) putAt(draft, place, null)
  else dropAt(draft, place)
}

/** Notes stand at stable places; those of a part that goes go with it. */
function dropNotes(draft: Response, place: Path): void {
  draft.notes = Object.fromEntries(
    Object.entries(draft.notes ?? {}).filter(([at]) => at !== place && !at.startsWith(`${place}.`)),
  )
  if (Object.keys(draft.notes).length === 0) delete draft.notes
}

export function remove(draft: Response, line: Line): void {
  dropNotes(draft, line.place)
  if (line.switchedOffAt === null) takeAway(draft, line)
  else dropAside(draft, line.switchedOffAt)
}

export const canCopy = ({ behaviour }: Line): boolean =>
  behaviour === 'rule' || behaviour === 'reduction' || behaviour === 'skipBand' || behaviour === 'otherOutput'

/** A second one like it, behind it. */
export function duplicate(draft: Response, { place, value }: Line): void {
  const keys = keysOf(place)
  const list = valueAt(draft, keys.slice(0, -1).join('.')) as { id?: string }[]
  const copy = plainCopy(value) as { id?: string }
  const at = list.indexOf(valueAt(draft, place) as { id?: string })
  if (copy.id !== undefined)
    copy.id = freeId(
      list.map(({ id }) => id ?? ''),
      copy.id,
    )
  list.splice(at + 1, 0, copy)
}

/** Moves a rule one place up or down; with “the first counts” the order decides. */
export function move({ rules }: { rules: Rule[] }, id: string, by: -1 | 1): void {
  const from = rules.findIndex((rule) => rule.id === id)
  const to = from + by
  if (from < 0 || to < 0 || to >= rules.length) return
  rules.splice(to, 0, ...rules.splice(from, 1))
}

/** What was noted at a place: a whole line, or one of its fields. */
export function noteAt(response: Response, place: Path): string {
  const rule = keysOf(place).length === 2 && place.startsWith('rules.') ? (valueAt(response, place) as Rule) : null
  return (rule ? rule.note : response.notes?.[place]) ?? ''
}

export function writeNote(draft: Response, place: Path, note: string): void {
  const trimmed = note.trim()
  if (keysOf(place).length === 2 && place.startsWith('rules.'))
    return putAt(draft, `${place}.note`, trimmed || undefined)
  draft.notes = { ...draft.notes, [place]: trimmed }
  if (trimmed === '') delete draft.notes[place]
  if (Object.keys(draft.notes).length === 0) delete draft.notes
}

/** A response without remarks and without what is set aside: what is carried out and proved. */
export function withoutRemarks(response: Response): Response {
  const { notes: _notes, switchedOff: _switchedOff, ...carried } = response
  return { ...carried, rules: response.rules.map(({ note: _note, ...rule }) => rule) }
}
