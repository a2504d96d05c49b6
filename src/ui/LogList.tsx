'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { Moment } from '@/ui/Moment'
import { TextButton } from '@/ui/TextButton'

export type ShownEntry = {
  readonly id: string
  readonly text: string
  readonly writtenBy: string
  readonly writtenAt: string
  /** The entry this one puts right: that one is struck through, and stays. */
  readonly corrects?: string | null
  readonly of?: { readonly name: string; readonly path: string }
}

type Props = {
  entries: readonly ShownEntry[]
  /** Begins an entry that puts this one right; without it nobody may here. */
  onCorrect?: (entry: ShownEntry) => void
}

/** Log entries, newest first; one that was put right is struck through. */
export const LogList = ({ entries, onCorrect }: Props) => (
  <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
    {entries.map((entry) => (
      <Entry
        key={entry.id}
        entry={entry}
        isStruck={entries.some(({ corrects }) => corrects === entry.id)}
        onCorrect={onCorrect}
      />
    ))}
    {entries.length === 0 && <Typography variant="body2">Nothing written yet.</Typography>}
  </Box>
)

type EntryProps = Pick<Props, 'onCorrect'> & { entry: ShownEntry; isStruck: boolean }

function Entry({ entry, isStruck, onCorrect }: EntryProps) {
  const { text, writtenBy, writtenAt, of, corrects } = entry
  return (
    <Box component="li" sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        <Moment at={writtenAt} />, {writtenBy}
        {of && (
          <>
            {' · '}
            <Link href={of.path}>{of.name}</Link>
          </>
        )}
      </Typography>
      <Typography variant="body2" component={isStruck ? 'del' : 'p'}>
        {corrects != null && 'Puts right: '}
        {text}
      </Typography>
      {onCorrect && !isStruck && (
        <TextButton label={`Put right: ${text}`} onClick={() => onCorrect(entry)}>
          put right
        </TextButton>
      )}
    </Box>
  )
}
