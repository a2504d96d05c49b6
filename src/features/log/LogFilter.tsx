'use client'

import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { LOG_KINDS } from '@/core/formats/workspaceFile/format'
import { DayCover, HIDES_ITS_OWN } from '@/ui/DayCover'
import { FilterForm } from '@/ui/FilterForm'
import { ALL, Pick } from '@/ui/Pick'

/** What of the log is shown; empty where nothing is asked. */
export type Filter = {
  readonly holds: string
  readonly kind: string
  readonly by: string
  readonly site: string
  readonly of: string
  readonly from: string
  readonly to: string
}

type Props = {
  filter: Filter
  writers: readonly string[]
  sites: readonly { readonly id: string; readonly name: string }[]
}

const KIND_WORDS: Record<(typeof LOG_KINDS)[number], string> = {
  note: 'noted',
  visit: 'visits',
  made: 'created',
  sealed: 'sealed',
  imported: 'brought in',
}

/** Which part of the log is shown. */
export const LogFilter = ({ filter, writers, sites }: Props) => (
  <FilterForm
    key={JSON.stringify(filter)}
    label="Search the log"
    holds={filter.holds}
    isOpenAtFirst={Object.entries(filter).some(([name, value]) => name !== 'holds' && name !== 'of' && value !== '')}
    submit="Search"
  >
    <input type="hidden" name="of" value={filter.of} />
    <Pick
      name="kind"
      label="Kind"
      value={filter.kind}
      options={[ALL, ...LOG_KINDS.map((kind) => [kind, KIND_WORDS[kind]] as const)]}
    />
    <Pick name="by" label="By" value={filter.by} options={[ALL, ...writers.map((name) => [name, name] as const)]} />
    <Pick
      name="site"
      label="Site"
      value={filter.site}
      options={[ALL, ...sites.map(({ id, name }) => [id, name] as const)]}
    />
    {(['from', 'to'] as const).map((name) => (
      <DayToFilter key={name} name={name} label={name === 'from' ? 'From' : 'To'} first={filter[name]} />
    ))}
  </FilterForm>
)

function DayToFilter({ name, label, first }: { name: string; label: string; first: string }) {
  const [day, setDay] = useState(first)
  return (
    <TextField
      name={name}
      type="date"
      size="small"
      label={label}
      value={day}
      onChange={({ target }) => setDay(target.value)}
      slotProps={{
        inputLabel: { shrink: true },
        input: { startAdornment: <DayCover day={day || null} leftPx={14} />, sx: day ? HIDES_ITS_OWN : {} },
      }}
    />
  )
}
