'use client'

import { today } from '@/ui/clock'
import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import { useSearchParams } from 'next/navigation'
import { memo, useEffect, useEffectEvent, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { findOffers, type Found } from '@/core/sentences/findOffers'
import type { OfferHere } from '@/core/sentences/offersFor'
import { useOffers } from '@/features/respond/useOffers'
import { capital } from '@/core/sentences/words'
import { termsFor, whyNotHere } from '@/core/glossary/glossary'
import { formatQuantity, formatTime } from '@/core/quantity/format'
import { optionGroup } from '@/ui/optionGroup'
import { usePreference } from '@/ui/preference'
import { useDocumentNow, useWorkingCopy } from '@/ui/workingCopy/context'

/** What a word means that names nothing to add: part of every response. */
const meaning = (typed: string): string | null => {
  const [first] = termsFor(typed)
  return first ? `${capital(first.term)}: ${first.means}.` : null
}

const withBeyondLast = (found: readonly Found<OfferHere>[]): Found<OfferHere>[] => [
  ...found.filter(({ offer }) => !offer.isBeyond),
  ...found.filter(({ offer }) => offer.isBeyond),
]

/** Adding a behaviour is choosing a sentence, by typing a few words of it and, if one likes, its figure. */
export const AddRule = memo(function AddRule() {
  const documentNow = useDocumentNow()
  // Looked up when the list opens: it need not follow every figure that is being dragged.
  const [offered, lookUp] = useOffers(documentNow)
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const input = useRef<HTMLInputElement>(null)
  // Find-or-do leads here with a word of the trade.
  const wanted = useSearchParams().get('add') ?? ''
  const [typed, setTyped] = useState('')
  const [isOpen, setOpen] = useState(false)
  const open = () => {
    lookUp()
    setOpen(true)
  }
  const lookFor = useEffectEvent((word: string) => {
    setTyped(word)
    input.current?.focus()
    open()
  })
  useEffect(() => {
    if (wanted !== '') lookFor(wanted)
  }, [wanted])
  // A new key empties the box after a choice.
  const [turn, setTurn] = useState(0)
  useHotkeys('a', () => input.current?.focus(), { preventDefault: true })
  const hasBeyond = offered.some(({ isBeyond }) => isBeyond)
  const wording = ({ offer, figure }: Found<OfferHere>): string =>
    figure === null || !offer.figure
      ? offer.sentence
      : `${offer.sentence} · ${offer.figure.quantity === 'time' ? formatTime(figure, preference) : formatQuantity(figure, offer.figure.quantity, preference)}`
  return (
    <Box component="li" sx={{ maxWidth: 560, mt: 1 }}>
      <Autocomplete<Found<OfferHere>>
        key={turn}
        size="small"
        options={withBeyondLast(findOffers(offered, typed))}
        renderGroup={optionGroup}
        groupBy={
          hasBeyond ? ({ offer }) => (offer.isBeyond ? 'This controller cannot' : 'This controller can') : undefined
        }
        open={isOpen}
        onOpen={open}
        onClose={() => setOpen(false)}
        getOptionLabel={wording}
        getOptionKey={({ offer }) => offer.sentence}
        isOptionEqualToValue={(a, b) => a.offer.sentence === b.offer.sentence}
        filterOptions={(options) => options}
        inputValue={typed}
        onInputChange={(_event, text, why) => {
          if (why !== 'reset') setTyped(text)
        }}
        noOptionsText={
          whyNotHere(typed) ??
          meaning(typed) ??
          'No sentence has these words; try “ramp”, “switch 15 min”, “run on 10” or “follow”.'
        }
        autoHighlight
        onChange={(_event, choice) => {
          if (!choice) return
          edit(`add: ${choice.offer.sentence}`, (draft) => choice.offer.add(draft, choice.figure, today()))
          setTyped('')
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
})
