import { LOG_KINDS } from '@/core/formats/workspaceFile/format'
import { DUTIES } from '@/core/brief/duty'
import { daysLater } from '@/core/record/due'
import { YARD_PAGE, YARD_SORTS, YARD_STANDINGS, type YardAsk } from '@/db/queries/installationLine'
import type { LogAsk } from '@/db/queries/log'
import { isUuid } from '@/server/commands/input'

/** What an address asks of a list. */
export type ListQuery = { readonly before?: string; readonly holds?: string }

/** Only what holds this text, and where the page begins: nothing of it goes further than it may. */
export const readListQuery = ({
  before = '',
  holds = '',
}: ListQuery): { holds: string; before: number | undefined } => ({
  holds: holds.slice(0, 80),
  before: /^\d{1,15}$/.test(before) ? Number(before) : undefined,
})

/** What an address asks of the yard. */
export type YardQuery = {
  readonly holds?: string
  readonly site?: string
  readonly duty?: string
  readonly standing?: string
  readonly due?: string
  readonly sort?: string
  readonly page?: string
}

/** So many days ahead a check counts as due. */
const DUE_DAYS = 30
const MOST_PAGES = 10_000

/** What of it can be asked: a filter that is none is left out.
 *  @param today YYYY-MM-DD */
export function readYardQuery(query: YardQuery, today: string): Omit<YardAsk, 'madeBy'> {
  const { site = '', duty, standing, due, sort } = query
  const page = Math.min(MOST_PAGES, Math.max(1, Math.floor(Number(query.page ?? 1)) || 1))
  const [known, stands] = [DUTIES.find((one) => one === duty), YARD_STANDINGS.find((one) => one === standing)]
  return {
    holds: readListQuery(query).holds,
    offset: (page - 1) * YARD_PAGE,
    sort: YARD_SORTS.find((one) => one === sort) ?? 'site',
    ...(isUuid(site) && { siteId: site }),
    ...(known && { duty: known }),
    ...(stands && { standing: stands }),
    ...(due === 'soon' && { dueBy: daysLater(today, DUE_DAYS) }),
    ...(due === 'over' && { dueBy: daysLater(today, -1) }),
  }
}

/** What an address asks of the log. */
export type LogQuery = ListQuery & {
  readonly of?: string
  readonly site?: string
  readonly kind?: string
  readonly by?: string
  readonly from?: string
  readonly to?: string
}

const DAY = /^\d{4}-\d\d-\d\d$/
const dayOrNone = (text = ''): string | undefined =>
  DAY.test(text) && !Number.isNaN(Date.parse(`${text}T00:00:00Z`)) ? text : undefined

/** What of it can be asked: a filter that is none is left out. */
export function readLogQuery(query: LogQuery): LogAsk {
  const { of = '', site = '', kind, by = '', from, to } = query
  const known = LOG_KINDS.find((one) => one === kind)
  const [fromDay, toDay] = [dayOrNone(from), dayOrNone(to)]
  return {
    ...readListQuery(query),
    ...(isUuid(of) && { installationId: of }),
    ...(isUuid(site) && { siteId: site }),
    ...(known && { kind: known }),
    ...(by !== '' && { by: by.slice(0, 200) }),
    ...(fromDay && { fromDay }),
    ...(toDay && { toDay }),
  }
}
