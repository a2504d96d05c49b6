'use client'

import Box from '@mui/material/Box'
import { AddRule } from '@/features/respond/AddRule'
import { BoundsLine } from '@/features/respond/BoundsLine'
import { FollowerLine } from '@/features/respond/FollowerLine'
import { RuleLine } from '@/features/respond/RuleLine'
import { useDocument } from '@/ui/workingCopy/context'

/** Everything the fan is told, as sentences. */
export function RuleList() {
  const { response } = useDocument()
  return (
    <Box component="ul" aria-label="Rules" sx={{ listStyle: 'none', m: 0, p: 0, mt: 0.5 }}>
      <BoundsLine />
      {response.rules.map((rule, index) => (
        <RuleLine key={rule.id} rule={rule} index={index} />
      ))}
      {response.followers.map((follower, index) => (
        <FollowerLine key={follower.fan} follower={follower} index={index} />
      ))}
      <AddRule />
    </Box>
  )
}
