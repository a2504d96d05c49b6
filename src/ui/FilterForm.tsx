'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useState, type ReactNode } from 'react'

type Props = {
  /** What is searched: “Search the log”. */
  label: string
  holds: string
  /** More than words is asked already. */
  isOpenAtFirst: boolean
  submit: string
  /** Further choices, each with its name in the address. */
  children: ReactNode
  /** Beside the button: the way back to all. */
  beside?: ReactNode
}

/** Asks the server for a part of a list: the address says which, so that it can be kept and sent. On a phone all but the search is folded away until
 *  somebody wants it. */
export function FilterForm({ label, holds, isOpenAtFirst, submit, children, beside }: Props) {
  const [isOpen, setOpen] = useState(isOpenAtFirst)
  return (
    <Box
      component="form"
      role="search"
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mb: 2, displayPrint: 'none' }}
    >
      <TextField
        name="holds"
        type="search"
        size="small"
        label={label}
        defaultValue={holds}
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
        {children}
      </Box>
      <Button type="submit" variant="outlined" sx={{ minHeight: { xs: 44, md: 40 } }}>
        {submit}
      </Button>
      {beside}
    </Box>
  )
}
