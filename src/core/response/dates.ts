import type { Condition, Response } from '@/core/response/schema'
import { dateOf, daysOf } from '@/core/rules/yearDay'

const isOfSeason = ({ kind }: Condition): boolean => kind === 'season'

/** Whether a date changes anything that a response does. */
export function goesByDate(response: Response): boolean {
  const { targets = [], rules, otherOutputs = [], stepUps = [], seasonNow } = response
  const byAge = targets.some((target) => target.byAge) || rules.some((rule) => rule.kind === 'by-age' && !rule.off)
  if (byAge) return true
  if (seasonNow !== undefined) return false
  return (
    targets.some(({ changes = [] }) => changes.some(({ season }) => season !== undefined)) ||
    rules.some(({ off, onlyWhile = [] }) => !off && onlyWhile.some(isOfSeason)) ||
    stepUps.some(({ onlyWhile }) => onlyWhile.some(isOfSeason)) ||
    otherOutputs.some(({ onWhen, notWhile }) => [...onWhen, ...notWhile].some(isOfSeason))
  )
}

/** Dates (days since 1970-01-01) that stand for all at which something differs: the middle of each season, each row of an age table. */
export function datesOf(response: Response): number[] {
  if (!goesByDate(response)) return []
  const { seasons = [], targets = [], rules, placedOn } = response
  const ages = [
    ...targets.flatMap(({ byAge = [] }) => byAge.map(({ day }) => day)),
    ...rules.flatMap((rule) => (rule.kind === 'by-age' ? rule.rows.map(({ day }) => day) : [])),
  ]
  const placed = placedOn === undefined ? null : dateOf(placedOn)
  const ofAges = placed === null ? [] : [...new Set(ages)].sort((a, b) => a - b).map((day) => placed + day)
  return [...ofAges, ...seasons.map(({ id }) => dateInSeason(response, id)).filter((date) => date !== null)]
}

/** A leap year to count days of a season in: places in the year are those of one. */
const SOME_YEAR = dateOf('2028-01-01')

/** A date in the middle of a season; null where there is none of that name. */
export function dateInSeason({ seasons = [] }: Pick<Response, 'seasons'>, id: string): number | null {
  const season = seasons.find((known) => known.id === id)
  const days = season ? daysOf(season) : []
  return days.length > 0 ? SOME_YEAR + days[Math.floor(days.length / 2)]! : null
}
