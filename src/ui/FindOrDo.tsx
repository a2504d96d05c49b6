'use client'

import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete'
import Dialog from '@mui/material/Dialog'
import TextField from '@mui/material/TextField'
import { useRouter } from 'next/navigation'
import { useEffect, useEffectEvent, useState } from 'react'
import { useOfferedActions, type Action } from '@/ui/actions'
import { getJson } from '@/ui/json'
import { browserStore } from '@/ui/onSite/browserStore'
import { optionGroup } from '@/ui/optionGroup'
import { PLACES } from '@/ui/places'
import { STAGES } from '@/ui/stages'

export type Findable = { readonly label: string; readonly group: string; readonly path: string }
type Choosable = Findable | Action

type Found = { kind: string; found?: readonly { id: string; name: string }[] }

const ASK_AFTER_MS = 120

// The first word finds the installation; what follows chooses among its stages.
const lookedFor = (typed: string): string => typed.split(':')[0]?.trim() ?? ''

const matching = createFilterOptions<Choosable>()
const labelOf = ({ label }: Choosable): string => label

const ALWAYS: readonly Findable[] = [
  ...PLACES.map(({ name, path }) => ({ label: name, group: 'Places', path })),
  { label: 'Sums, as the calculations are called too', group: 'Places', path: '/sums' },
  { label: 'People', group: 'Places', path: '/people' },
  { label: 'Your account', group: 'Places', path: '/account' },
  { label: 'New installation', group: 'Do', path: '/yard?new=1' },
]

type AutocompleteKey = { defaultMuiPrevented?: boolean }

const stagesOf = ({ id, name }: { id: string; name: string }): readonly Findable[] =>
  STAGES.map((stage) => ({ label: `${name}: ${stage.name}`, group: name, path: `/installation/${id}/${stage.id}` }))

/** Installations of a name: the server’s, or where it cannot be reached those that were taken along. */
async function findInstallations(holds: string): Promise<readonly { id: string; name: string }[]> {
  const answer = await getJson<Found>(`/api/find?holds=${encodeURIComponent(holds)}`)
  if (answer) return answer.found ?? []
  const along = (await browserStore()?.packs.toArray()) ?? []
  return along
    .map(({ id, document: { name } }) => ({ id, name }))
    .filter(({ name }) => name.toLowerCase().includes(holds.trim().toLowerCase()))
}

/** Type a few words and go there, or do it. Installations are looked up by the server: there may be thousands. */
export function FindOrDo({ open, onClose }: { open: boolean; onClose: () => void }) {
  const router = useRouter()
  const actions = useOfferedActions()
  const [typed, setTyped] = useState('')
  const [found, setFound] = useState<{ holds: string; choices: readonly Findable[] }>({ holds: '', choices: [] })
  const [chooseFirst, setChooseFirst] = useState(false)
  const holds = lookedFor(typed)
  const choicesOf = (installations: readonly Findable[]): Choosable[] => [...actions, ...installations, ...ALWAYS]

  const choose = (choice: Choosable) => {
    onClose()
    if ('path' in choice) router.push(choice.path)
    else choice.run()
  }

  const hear = useEffectEvent((answered: string, installations: readonly Findable[]) => {
    setFound({ holds: answered, choices: installations })
    if (!chooseFirst) return
    setChooseFirst(false)
    const [first] = matching(choicesOf(installations), { inputValue: typed, getOptionLabel: labelOf })
    if (first) choose(first)
  })

  useEffect(() => {
    let asked = true
    const timer = setTimeout(() => {
      void findInstallations(holds).then((named) => {
        // An answer to what is no longer typed comes too late to be shown.
        if (asked) hear(holds, named.flatMap(stagesOf))
      })
    }, ASK_AFTER_MS)
    return () => {
      asked = false
      clearTimeout(timer)
    }
  }, [holds])

  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      slotProps={{ paper: { 'aria-label': 'Find or do' } }}
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    >
      <Autocomplete<Choosable>
        options={choicesOf(found.choices)}
        filterOptions={matching}
        renderGroup={optionGroup}
        groupBy={({ group }) => group}
        getOptionLabel={labelOf}
        getOptionKey={(choice) => ('path' in choice ? choice.path : `do:${choice.label}`)}
        isOptionEqualToValue={(a, b) => a.label === b.label}
        inputValue={typed}
        onInputChange={(_event, next) => {
          setTyped(next)
          setChooseFirst(false)
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || found.holds === holds) return
          // The list does not hold the answer yet: its own Enter would choose something else, or nothing.
          ;(event as AutocompleteKey).defaultMuiPrevented = true
          setChooseFirst(true)
        }}
        autoHighlight
        openOnFocus
        onChange={(_event, choice) => {
          if (choice) choose(choice)
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
