import type { YardSort } from '@/db/queries/installationLine'

/** What was asked of the yard, as its address says it; empty where nothing was. */
export type YardAsked = {
  readonly holds: string
  readonly site: string
  readonly duty: string
  readonly standing: string
  readonly due: string
  readonly sort: YardSort
}

/** Whether a part of the yard was asked for, or all of it. */
export const isFiltered = ({ holds, site, duty, standing, due }: YardAsked): boolean =>
  [holds, site, duty, standing, due].some((asked) => asked !== '')

/** The address that asks for the same, without what is empty or usual. */
export function yardAddress({ holds, site, duty, standing, due, sort }: YardAsked): string {
  const asked = Object.entries({ holds, site, duty, standing, due, sort: sort === 'site' ? '' : sort })
  const query = new URLSearchParams(asked.filter(([, value]) => value !== '')).toString()
  return query === '' ? '/yard' : `/yard?${query}`
}
