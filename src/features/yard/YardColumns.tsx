'use client'

import Checkbox from '@mui/material/Checkbox'
import ListItemText from '@mui/material/ListItemText'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { COLUMN_IDS, useYardColumns, YARD_COLUMNS } from '@/features/yard/columns'

/** Which columns the rows of the yard have on a desk. */
export function YardColumns() {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const { hidden, toggle } = useYardColumns()
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ display: { xs: 'none', md: 'inline-flex' }, minHeight: 40 }}
      >
        Columns
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {COLUMN_IDS.map((id) => (
          <MenuItem key={id} role="menuitemcheckbox" aria-checked={!hidden.includes(id)} onClick={() => toggle(id)}>
            <Checkbox
              checked={!hidden.includes(id)}
              tabIndex={-1}
              aria-hidden="true"
              size="small"
              sx={{ p: 0, mr: 1 }}
            />
            <ListItemText>{YARD_COLUMNS[id].name}</ListItemText>
          </MenuItem>
        ))}
      </Menu>
    </>
  )
}
