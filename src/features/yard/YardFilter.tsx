'use client'

import Link from 'next/link'
import { DUTIES, DUTY_NAMES } from '@/core/brief/duty'
import type { YardSort, YardStanding } from '@/db/queries/installationLine'
import { isFiltered, type YardAsked } from '@/features/yard/yardAsked'
import { FilterForm } from '@/ui/FilterForm'
import { ALL, Pick } from '@/ui/Pick'

const STANDING_WORDS: Record<YardStanding, string> = {
  needs: 'needs you',
  never: 'never sealed',
  working: 'changed since its seal',
  sealed: 'as it was sealed',
}

const SORT_WORDS: Record<YardSort, string> = {
  site: 'site',
  name: 'name',
  duty: 'duty',
  needs: 'what needs you first',
  sealed: 'sealed last',
  due: 'next check',
}

type Props = { asked: YardAsked; sites: readonly { readonly id: string; readonly name: string }[] }

/** Which part of the yard is shown, and in which order. */
export const YardFilter = ({ asked, sites }: Props) => (
  <FilterForm
    key={JSON.stringify(asked)}
    label="Search the yard"
    holds={asked.holds}
    isOpenAtFirst={isFiltered({ ...asked, holds: '' }) || asked.sort !== 'site'}
    submit="Show"
    beside={isFiltered(asked) && <Link href="/yard">Show all</Link>}
  >
    <Pick
      name="site"
      label="At site"
      value={asked.site}
      options={[ALL, ...sites.map(({ id, name }) => [id, name] as const)]}
    />
    <Pick
      name="duty"
      label="For duty"
      value={asked.duty}
      options={[ALL, ...DUTIES.map((duty) => [duty, DUTY_NAMES[duty]] as const)]}
    />
    <Pick
      name="standing"
      label="Standing"
      value={asked.standing}
      options={[ALL, ...(Object.entries(STANDING_WORDS) as [YardStanding, string][])]}
    />
    <Pick
      name="due"
      label="Next check"
      value={asked.due}
      options={[ALL, ['soon', 'within 30 days'], ['over', 'overdue']]}
    />
    <Pick name="sort" label="In order of" value={asked.sort} options={Object.entries(SORT_WORDS)} />
  </FilterForm>
)
