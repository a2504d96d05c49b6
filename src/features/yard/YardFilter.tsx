'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Link from 'next/link'
import { useState } from 'react'
import { DUTIES, DUTY_NAMES } from '@/core/brief/duty'
import type { YardSort, YardStanding } from '@/db/queries/installationLine'
import { isFiltered, type YardAsked } from '@/features/yard/yardAsked'
import { Pick } from '@/ui/Pick'

const ALL = ['', 'all'] as const

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

/** Asks the server for a part of the yard, in an order: the address says which, so that it can be kept and sent. On a phone all but the search is
 *  folded away until somebody wants it. */
export function YardFilter({ asked, sites }: Props) {
  const isAsking = isFiltered({ ...asked, holds: '' }) || asked.sort !== 'site'
  const [isOpen, setOpen] = useState(isAsking)
  return (
    <Box
      component="form"
      role="search"
      key={JSON.stringify(asked)}
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mb: 2, displayPrint: 'none' }}
    >
      <TextField
        name="holds"
        type="search"
        size="small"
        label="Search the yard"
        defaultValue={asked.holds}
        sx={{ flex: 1, minWidth: 180 }}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Button
        aria-expanded={isOpen}
        onClick={() => setOpen((open) => !open)}
        sx={{ display: { md: 'none' }, minHeight: 44 }}
      >
        Filter
      </Button>
      <Box
        sx={{ display: { xs: isOpen ? 'flex' : 'none', md: 'contents' }, gap: 1, flexWrap: 'wrap', flexBasis: '100%' }}
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
      </Box>
      <Button type="submit" variant="outlined" sx={{ minHeight: 40 }}>
        Show
      </Button>
      {isFiltered(asked) && <Link href="/yard">Show all</Link>}
    </Box>
  )
}
