import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { usePreference } from '@/ui/preference'
import { findingText, type Finding } from '@/core/prove/finding'
import type { VerdictKind } from '@/core/prove/verdict'

const VERDICT_WORDS: Record<VerdictKind, string> = {
  passes: 'Passes.',
  fails: 'Fails.',
  'cannot-tell': 'Cannot be told.',
}
export const VERDICT_COLOURS: Record<VerdictKind, string> = {
  passes: 'success.main',
  fails: 'error.main',
  'cannot-tell': 'warning.main',
}
const SIGNS: Record<VerdictKind, string> = { passes: '✓', fails: '✕', 'cannot-tell': '?' }

export const VerdictLine = ({
  verdict,
  finding,
  isFormer = false,
  ifFails,
}: {
  verdict: VerdictKind
  finding: Finding
  /** Whether it was kept before. */
  isFormer?: boolean
  ifFails: string
}) => (
  <Box
    sx={{
      borderLeft: '5px solid',
      borderColor: VERDICT_COLOURS[verdict],
      bgcolor: verdict === 'passes' ? 'ground.holds' : 'transparent',
      px: 1.25,
      py: 1,
    }}
  >
    <span aria-hidden="true">{SIGNS[verdict]}</span> <b>{VERDICT_WORDS[verdict]}</b>{' '}
    {findingText(finding, usePreference())}
    {isFormer && ' (kept before)'}
    {verdict === 'fails' && <Typography variant="body2">{ifFails}</Typography>}
  </Box>
)
