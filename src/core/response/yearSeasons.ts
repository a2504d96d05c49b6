import type { Problem } from '@/core/json/problem'
import type { Response } from '@/core/response/schema'
import { dayAtPlace, daysOf, placeInYear, YEAR_DAYS, yearDayText, type Season } from '@/core/rules/yearDay'

type Seasons = Pick<Response, 'seasons' | 'seasonNow'>

/** Days in a row (by place in the year) that a test holds for, the first such run; null where there is none. */
function firstRun(holds: (place: number) => boolean): { readonly from: string; readonly to: string } | null {
  const days = Array.from({ length: YEAR_DAYS }, (_, place) => place)
  // Begun behind a day for which it does not hold, so that a run over the turn of the year is one.
  const start = days.findIndex((place) => holds(place) && !holds((place + YEAR_DAYS - 1) % YEAR_DAYS))
  if (start < 0) return holds(0) ? { from: yearDayText('01-01'), to: yearDayText('12-31') } : null
  let end = start
  while (holds((end + 1) % YEAR_DAYS)) end++
  return { from: yearDayText(dayAtPlace(start)), to: yearDayText(dayAtPlace(end % YEAR_DAYS)) }
}

/** Seasons must hold each day of the year once. */
export function seasonProblems({ seasons = [], seasonNow }: Seasons): Problem[] {
  const ids = seasons.map(({ id }) => id)
  const noDay = seasons.flatMap((season, index): Problem[] =>
    (['from', 'to'] as const).flatMap((end): Problem[] =>
      placeInYear(season[end]) === null
        ? [{ code: 'no_such_day', path: `seasons.${index}.${end}`, got: season[end] }]
        : [],
    ),
  )
  const known: Problem[] =
    seasonNow !== undefined && !ids.includes(seasonNow)
      ? [{ code: 'unknown_id', path: 'seasonNow', what: 'season', got: seasonNow, known: ids }]
      : []
  if (noDay.length > 0 || seasons.length === 0) return [...noDay, ...known]
  const held = seasons.map((season) => new Set(daysOf(season)))
  const overlaps = seasons.flatMap((season, index): Problem[] =>
    seasons.slice(index + 1).flatMap((other, behind): Problem[] => {
      const both = firstRun((place) => held[index]!.has(place) && held[index + 1 + behind]!.has(place))
      return both
        ? [
            {
              code: 'seasons_overlap',
              path: `seasons.${index + 1 + behind}.from`,
              one: season.name,
              other: other.name,
              ...both,
            },
          ]
        : []
    }),
  )
  const gap = firstRun((place) => !held.some((days) => days.has(place)))
  return [
    ...ids.flatMap((id, index): Problem[] =>
      ids.indexOf(id) < index ? [{ code: 'duplicate_id', path: `seasons.${index}.id`, what: 'seasons', got: id }] : [],
    ),
    ...overlaps,
    ...(gap ? [{ code: 'seasons_gap' as const, path: 'seasons', ...gap }] : []),
    ...known,
  ]
}

/** The season of a day of the year, by its place; undefined where none holds it. */
const seasonAt = ({ seasons = [] }: Seasons, place: number): Season | undefined =>
  seasons.find((season) => daysOf(season).includes(place))

/** Where a season is put in by hand: the one it stands at, the one it should stand at on a day, and when it changes next. Null where there are no
 *  seasons or the controller goes by the date itself.
 *  @param place of today in the year */
export function changeOverDue(
  response: Seasons,
  place: number,
): { readonly now: Season; readonly should: Season; readonly next: Season; readonly inDays: number } | null {
  const { seasons = [], seasonNow } = response
  const now = seasons.find(({ id }) => id === seasonNow)
  const should = seasonAt(response, place)
  if (!now || !should) return null
  const left = daysOf(should).indexOf(place)
  const inDays = daysOf(should).length - left
  const next = seasonAt(response, (place + inDays) % YEAR_DAYS) ?? should
  return { now, should, next, inDays }
}
