'use client'

import Box from '@mui/material/Box'
import IconButton from '@mui/material/IconButton'
import type { SxProps, Theme } from '@mui/material/styles'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import type { ReactNode } from 'react'

type TableProps = { label: string; headings: readonly string[]; sx?: SxProps<Theme>; children: ReactNode }

/** A table whose rows are typed in and can be removed; it scrolls by itself where it is wider than the page. */
export const EditableTable = ({ label, headings, sx, children }: TableProps) => (
  <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label={label}>
    <Table size="small" sx={sx}>
      <TableHead>
        <TableRow>
          {headings.map((heading) => (
            <TableCell key={heading}>{heading}</TableCell>
          ))}
          <TableCell component="td" />
        </TableRow>
      </TableHead>
      <TableBody>{children}</TableBody>
    </Table>
  </Box>
)

type RowProps = { name: string; onRemove: () => void; isFaint?: boolean; title?: string; children: ReactNode }

/** A row of it, with the key that removes it at its end. */
export const EditableRow = ({ name, onRemove, isFaint = false, title, children }: RowProps) => (
  <TableRow sx={{ opacity: isFaint ? 0.72 : 1 }} title={title}>
    {children}
    <TableCell>
      <IconButton size="small" aria-label={`Remove ${name}`} onClick={onRemove} sx={{ minWidth: { xs: 44, sm: 28 } }}>
        ×
      </IconButton>
    </TableCell>
  </TableRow>
)
