'use client'

import Box from '@mui/material/Box'
import { lines } from '@/core/sentences/table'
import { AddRule } from '@/features/respond/AddRule'
import { BehaviourLine } from '@/features/respond/BehaviourLine'
import { usePart } from '@/ui/workingCopy/context'

/** Everything the fan is told, as sentences. */
export function RuleList() {
  const response = usePart('response')
  return (
    <Box component="ul" aria-label="Rules" sx={{ listStyle: 'none', m: 0, p: 0, mt: 0.5 }}>
      {lines(response).map((line) => (
        <BehaviourLine key={`${line.switchedOffAt === null ? 'on' : 'off'}:${line.place}`} line={line} />
      ))}
      <AddRule />
    </Box>
  )
}
