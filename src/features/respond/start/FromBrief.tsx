'use client'

import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { startingResponse } from '@/core/start/startingResponse'
import type { Response } from '@/core/response/schema'
import { Sentences } from '@/features/respond/start/Sentences'
import { usePreference } from '@/ui/preference'
import { useDocument } from '@/ui/workingCopy/context'

/** The starting response of the duty, each value with where it came from. */
export function FromBrief({ onTake }: { onTake: (label: string, response: Response) => void }) {
  const document = useDocument()
  const preference = usePreference()
  const { response, origins } = useMemo(() => startingResponse(document, preference), [document, preference])
  const under = (place: string) =>
    origins.filter(({ place: at }) => (place === '' ? at.startsWith('floor') : at.startsWith(`${place}.`)))
  return (
    <>
      <Typography variant="body2" sx={{ mb: 1 }}>
        The floor from its reasons, boosts from the flow wanted, ramps from the targets. Where each came from stays with
        it as a note.
      </Typography>
      <Sentences
        of={{ response, kit: document.kit }}
        behind={({ place }) =>
          under(place).map(({ place: at, wording }) => (
            <Typography key={at} variant="body2" component="div" sx={{ color: 'text.secondary', fontStyle: 'italic' }}>
              {wording}
            </Typography>
          ))
        }
      />
      <Button variant="contained" onClick={() => onTake('start from brief and calibration', response)}>
        Start with this
      </Button>
    </>
  )
}
