'use client'

import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import { useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import type { Installation } from '@/core/document/installation'
import { ruleTemplates } from '@/features/respond/ruleTemplates'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** Adding a rule is choosing a sentence, by typing a few words of it. */
export function AddRule() {
  const document: Installation = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const input = useRef<HTMLInputElement>(null)
  // A new key empties the box after a choice.
  const [turn, setTurn] = useState(0)
  useHotkeys('a', () => input.current?.focus(), { preventDefault: true })
  return (
    <Box component="li" sx={{ maxWidth: 520, mt: 1 }}>
      <Autocomplete
        key={turn}
        size="small"
        options={ruleTemplates(document)}
        getOptionLabel={({ sentence }) => sentence}
        filterOptions={(options, { inputValue }) => {
          const words = inputValue.toLowerCase().split(/\s+/).filter(Boolean)
          return options.filter(({ sentence, words: more }) =>
            words.every((word) => `${sentence} ${more}`.toLowerCase().includes(word)),
          )
        }}
        noOptionsText="No sentence has these words; try “ramp”, “switch” or “follow”."
        autoHighlight
        onChange={(_event, choice) => {
          if (!choice) return
          edit(`add: ${choice.sentence}`, choice.add)
          setTurn(turn + 1)
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            inputRef={input}
            placeholder="Add a rule: type a few words of it"
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps.htmlInput, 'aria-label': 'Add a rule', title: 'a' },
            }}
          />
        )}
      />
    </Box>
  )
}
