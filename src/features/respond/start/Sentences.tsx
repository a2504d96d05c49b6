'use client'

import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import type { Installation } from '@/core/installation/installation'
import { lines, sentenceContext, type Line } from '@/core/sentences/table'
import { partsText } from '@/core/sentences/words'
import { causeColour } from '@/ui/cause'
import { usePreference } from '@/ui/preference'

type Props = {
  of: Pick<Installation, 'response' | 'kit'>
  /** What stands behind a sentence: where it came from, what can be done with it. */
  behind?: (line: Line) => ReactNode
}

/** A response read aloud, to be looked at before it is taken. */
export function Sentences({ of, behind }: Props) {
  const context = sentenceContext(of, usePreference())
  return (
    <Box component="ul" aria-label="Sentences" sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {lines(of.response).map((line) => (
        <Box
          component="li"
          key={`${line.place}-${line.switchedOffAt ?? ''}`}
          sx={{
            borderLeft: '4px solid',
            borderColor: causeColour(line.kind.cause(line.value, context, line.place)),
            pl: 1,
            mb: 0.75,
          }}
        >
          {partsText(line.kind.sentence(line.value, context, line.place), context.preference)} {behind?.(line)}
        </Box>
      ))}
    </Box>
  )
}
