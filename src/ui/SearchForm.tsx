import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'

/** Searches the list on this page by the server: the address says what for, so it can be kept and sent. */
export const SearchForm = ({ label, holds }: { label: string; holds: string }) => (
  <Box component="form" role="search" sx={{ display: 'flex', gap: 1, alignItems: 'center', my: 1, maxWidth: 480 }}>
    <TextField
      key={holds}
      name="holds"
      type="search"
      size="small"
      label={label}
      defaultValue={holds}
      fullWidth
      slotProps={{ htmlInput: { maxLength: 80 } }}
    />
    <Button type="submit" variant="outlined" sx={{ minHeight: 40 }}>
      Search
    </Button>
  </Box>
)
