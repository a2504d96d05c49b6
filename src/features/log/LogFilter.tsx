'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { LOG_KINDS } from '@/core/formats/workspaceFile/format'
import { Pick } from '@/ui/Pick'

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

const ALL = ['', 'all'] as const

/** Asks the server for a part of the log: the address says which, so that it can be kept and sent. */
export const LogFilter = ({ filter, writers, sites }: Props) => (
  <Box
    component="form"
    role="search"
    key={JSON.stringify(filter)}
    sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', my: 1, displayPrint: 'none' }}
  >
    <input type="hidden" name="of" value={filter.of} />
    <TextField
      name="holds"
      type="search"
      size="small"
      label="Search the log"
      defaultValue={filter.holds}
      sx={{ flex: 1, minWidth: 200 }}
      slotProps={{ htmlInput: { maxLength: 80 } }}
    />
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
      <TextField
        key={name}
        name={name}
        type="date"
        size="small"
        label={name === 'from' ? 'From' : 'To'}
        defaultValue={filter[name]}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    ))}
    <Button type="submit" variant="outlined" sx={{ minHeight: 44 }}>
      Search
    </Button>
  </Box>
)
