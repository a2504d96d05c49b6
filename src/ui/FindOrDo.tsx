'use client'

import Autocomplete from '@mui/material/Autocomplete'
import Dialog from '@mui/material/Dialog'
import TextField from '@mui/material/TextField'
import { useRouter } from 'next/navigation'

export type Findable = { readonly label: string; readonly group: string; readonly path: string }

/** Type a few words and go there. */
export function FindOrDo({
  open,
  onClose,
  findable,
}: {
  open: boolean
  onClose: () => void
  findable: readonly Findable[]
}) {
  const router = useRouter()
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      aria-label="Find or do"
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    >
      <Autocomplete
        options={[...findable]}
        groupBy={({ group }) => group}
        getOptionKey={({ path }) => path}
        autoHighlight
        openOnFocus
        onChange={(_event, choice) => {
          if (!choice) return
          onClose()
          router.push(choice.path)
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            autoFocus
            placeholder="An installation, a stage, a place"
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps.htmlInput, 'aria-label': 'Find or do' },
            }}
          />
        )}
      />
    </Dialog>
  )
}
