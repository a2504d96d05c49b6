'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo } from 'react'
import { likelyCauses } from '@/core/prove/causes'
import type { CheckOf } from '@/core/prove/check'
import type { ProveContext } from '@/core/prove/context'
import type { StepReading } from '@/core/prove/reading'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'

type Props = {
  context: ProveContext
  check: CheckOf<'speed'>
  readings: readonly StepReading[]
  /** Takes a cause as what was found. */
  onFound: (text: string) => void
}

/** What may lie behind a reading that fails, each with the next look; touched, it is what was found. */
export function Failing({ context, check, readings, onFound }: Props) {
  const preference = usePreference()
  // Many moments are gone through: what is being typed is shown before that.
  const calm = useDeferredValue(readings)
  const causes = useMemo(() => likelyCauses(context, check, calm, preference), [context, check, calm, preference])
  if (causes.length === 0) return null
  return (
    <Box component="section" aria-label="Likely causes" sx={{ mb: 1 }}>
      <Typography sx={{ fontWeight: 700 }}>Likely causes, and the next look</Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {causes.map(({ code, title, look }) => (
          <Box component="li" key={code} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.5 }}>
            <b>{title}</b> {look}{' '}
            <TextButton label={`Found: ${title}`} onClick={() => onFound(title)}>
              this was it
            </TextButton>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
