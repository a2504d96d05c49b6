import Box from '@mui/material/Box'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { leftS, type Countdowns } from '@/ui/onSite/useCountdowns'
import { clockOfS } from '@/ui/clock'
import { SideHeading } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'

/** On a phone over the work, where it is seen from a ladder; on a desk beside it. */
const SHOWN_AT = { top: { xs: 'block', md: 'none' }, side: { xs: 'none', md: 'block' } } as const

/** The waits that run, one under the other, with what is left of each. */
export function RunningTogether({ running, nowMs, end, at }: Countdowns & { at: keyof typeof SHOWN_AT }) {
  if (running.length === 0) return null
  return (
    <Box component="section" aria-label="Running together" sx={{ display: SHOWN_AT[at], mb: 1 }}>
      <SideHeading>{running.length === 1 ? 'Running' : 'Running together'}</SideHeading>
      {running.map((countdown) => {
        const { id, label, lengthS } = countdown
        const left = leftS(countdown, nowMs)
        return (
          <Box key={id} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
            <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, alignItems: 'baseline' }}>
              <Typography variant="body2" sx={{ fontWeight: 700 }}>
                {label}
              </Typography>
              <Typography variant="figure" role="timer" sx={{ whiteSpace: 'nowrap' }}>
                {left > 0 ? `${clockOfS(left)} of ${clockOfS(lengthS)}` : 'over'}
              </Typography>
            </Box>
            <LinearProgress
              variant="determinate"
              aria-label={`${label}: gone by`}
              value={lengthS > 0 ? (100 * (lengthS - left)) / lengthS : 100}
            />
            <TextButton label={`${left > 0 ? 'Stop' : 'Put away'}: ${label}`} onClick={() => end(id)}>
              {left > 0 ? 'stop' : 'put away'}
            </TextButton>
          </Box>
        )
      })}
      <Typography variant="body2" role="status" sx={{ color: 'text.secondary' }}>
        {running.some((countdown) => leftS(countdown, nowMs) === 0)
          ? `Over: ${running
              .filter((countdown) => leftS(countdown, nowMs) === 0)
              .map(({ label }) => label)
              .join(', ')}.`
          : ''}
      </Typography>
    </Box>
  )
}
