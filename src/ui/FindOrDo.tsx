'use client'

import Autocomplete from '@mui/material/Autocomplete'
import Dialog from '@mui/material/Dialog'
import TextField from '@mui/material/TextField'
import { useRouter } from 'next/navigation'
import { useOfferedActions, type Action } from '@/ui/actions'

export type Findable = { readonly label: string; readonly group: string; readonly path: string }
type Choosable = Findable | Action

/** Type a few words and go there, or do it. */
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
  const actions = useOfferedActions()
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      aria-label="Find or do"
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    >
      <Autocomplete<Choosable>
        options={[...actions, ...findable]}
        groupBy={({ group }) => group}
        getOptionLabel={({ label }) => label}
        getOptionKey={(choice) => ('path' in choice ? choice.path : `do:${choice.label}`)}
        isOptionEqualToValue={(a, b) => a.label === b.label}
        autoHighlight
        openOnFocus
        onChange={(_event, choice) => {
          if (!choice) return
          onClose()
          if ('path' in choice) router.push(choice.path)
          else choice.run()
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            autoFocus
            placeholder="An installation, a stage, a place, something to do"
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
