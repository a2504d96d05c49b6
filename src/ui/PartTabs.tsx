import Box from '@mui/material/Box'
import Tab from '@mui/material/Tab'
import Tabs from '@mui/material/Tabs'
import type { ReactNode } from 'react'

type Props<Id extends string> = {
  label: string
  parts: readonly { readonly id: Id; readonly name: string }[]
  part: Id
  onPart: (part: Id) => void
  children: ReactNode
}

/** Parts of a stage, one of them shown. */
export const PartTabs = <Id extends string>({ label, parts, part, onPart, children }: Props<Id>) => (
  <>
    <Tabs
      value={part}
      onChange={(_event, next: Id) => onPart(next)}
      variant="scrollable"
      aria-label={label}
      sx={{ borderBottom: 1, borderColor: 'divider', mb: 1.5, minHeight: { xs: 48, sm: 36 } }}
    >
      {parts.map(({ id, name }) => (
        <Tab
          key={id}
          value={id}
          label={name}
          id={`part-${id}`}
          aria-controls="shown-part"
          sx={{ textTransform: 'none', minHeight: { xs: 48, sm: 36 }, py: 0, px: 1.5, minWidth: 0 }}
        />
      ))}
    </Tabs>
    <Box role="tabpanel" id="shown-part" aria-labelledby={`part-${part}`}>
      {children}
    </Box>
  </>
)
