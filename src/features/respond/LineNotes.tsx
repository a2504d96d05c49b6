'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { noteAt, writeNote } from '@/core/sentences/change'
import { joinPaths, type Path } from '@/core/json/path'
import type { SentencePart } from '@/core/rules/kind'
import { Choice } from '@/ui/Choice'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'
import { SubmitButton } from '@/ui/SubmitButton'

const WHOLE = 'whole'
const MOST = 400

type Props = {
  name: string
  place: Path
  parts: readonly SentencePart[]
  isWriting: boolean
  onWritten: () => void
}

/** What was noted on a sentence and on its figures, and the pen for another note. */
export function LineNotes({ name, place, parts, isWriting, onWritten }: Props) {
  const response = usePart('response')
  const edit = useWorkingCopy((state) => state.edit)
  const [path, setPath] = useState(WHOLE)
  const [text, setText] = useState('')
  const targets = [
    [WHOLE, 'the whole sentence'] as const,
    ...parts.flatMap((part) => ('path' in part && part.path !== '' ? [[part.path, part.label] as const] : [])),
  ].filter(([target], index, all) => all.findIndex(([other]) => other === target) === index)
  // The first sentence stands for the whole response; a note on it is a note on the floor.
  const placeOf = (target: string) => joinPaths(place, target === WHOLE ? '' : target) || 'floor'
  const noted = targets.flatMap(([target, label]) => {
    const note = noteAt(response, placeOf(target))
    return note === '' ? [] : [{ target, label, note }]
  })
  const write = (target: string, note: string) =>
    edit(`note: ${name}`, (draft) => writeNote(draft.response, placeOf(target), note))
  if (noted.length === 0 && !isWriting) return null
  return (
    <Box sx={{ flexBasis: '100%', fontSize: '0.8125rem', color: 'text.secondary', lineHeight: 1.5 }}>
      {noted.map(({ target, label, note }) => (
        <div key={target}>
          {target !== WHOLE && `${label}: `}
          <i>{note}</i>{' '}
          <TextButton label={`Take the note away: ${note}`} onClick={() => write(target, '')}>
            ×
          </TextButton>
        </div>
      ))}
      {isWriting && (
        <Box
          component="form"
          onSubmit={(event) => {
            event.preventDefault()
            if (text.trim() !== '') write(path, text)
            setText('')
            onWritten()
          }}
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'baseline', my: 0.5 }}
        >
          Note on{' '}
          <Choice label={`what the note on ${name} is about`} value={path} options={targets} onChange={setPath} />
          <TextLine
            label={`note on ${name}`}
            value={text}
            maxLength={MOST}
            placeholder="Why it is so"
            onChange={setText}
          />
          <SubmitButton size="small">Keep the note</SubmitButton>
          <Button size="small" onClick={onWritten}>
            No
          </Button>
        </Box>
      )}
    </Box>
  )
}
