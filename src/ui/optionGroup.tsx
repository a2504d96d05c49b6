import Box from '@mui/material/Box'
import type { AutocompleteRenderGroupParams } from '@mui/material/Autocomplete'

/** A group of options under its heading, as a list of options may have them. */
export const optionGroup = ({ key, group, children }: AutocompleteRenderGroupParams) => (
  <Box key={key} role="group" aria-label={group}>
    <Box aria-hidden="true" sx={{ typography: 'body2', color: 'text.secondary', px: 2, pt: 1 }}>
      {group}
    </Box>
    <Box component="ul" role="presentation" sx={{ p: 0, m: 0 }}>
      {children}
    </Box>
  </Box>
)
