import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { fanName, type ProveContext } from '@/core/prove/context'
import type { SpeedExpectation } from '@/core/prove/expect'
import { formatNumber, formatPct } from '@/core/quantity/format'
import { usePreference } from '@/ui/preference'

/** What the band of each fan is made of, in points of speed, with a bar for each part; together by squares. */
export function Tolerance({ context, expected }: { context: ProveContext; expected: readonly SpeedExpectation[] }) {
  const preference = usePreference()
  const most = Math.max(...expected.flatMap(({ parts }) => parts.map(({ halfPct }) => halfPct)), 1)
  return (
    <Box component="details" sx={{ my: 1 }}>
      <Typography component="summary" variant="body2" sx={{ cursor: 'pointer', minHeight: { xs: 44, md: 0 } }}>
        What is allowed, in its parts
      </Typography>
      {expected.map(({ fan, parts, jump, lowPct, highPct }) => (
        <Box key={fan} sx={{ mt: 0.75 }}>
          <Typography variant="body2" sx={{ fontWeight: 600 }}>
            {fanName(context, fan)}
          </Typography>
          {jump && (
            <Typography variant="body2">
              Within the error of the probe it jumps: {formatPct(jump.lowPct, preference)} to{' '}
              {formatPct(jump.highPct, preference)} % are right.
            </Typography>
          )}
          {parts.map(({ what, halfPct }) => (
            <Box
              key={what}
              sx={{
                display: 'grid',
                gridTemplateColumns: '1fr 80px 48px',
                gap: 1,
                alignItems: 'center',
                borderBottom: '1px dotted',
                borderColor: 'divider',
                py: 0.25,
              }}
            >
              <Typography variant="body2">{what}</Typography>
              <Box sx={{ height: 10, width: `${(halfPct / most) * 100}%`, bgcolor: 'cause.speed', opacity: 0.5 }} />
              <Typography variant="figure" sx={{ fontSize: '0.8125rem', textAlign: 'right' }}>
                {formatNumber(halfPct, 1, preference)}
              </Typography>
            </Box>
          ))}
          <Typography variant="body2">
            Together, by squares: {formatPct(lowPct, preference)} to {formatPct(highPct, preference)} %
          </Typography>
        </Box>
      ))}
    </Box>
  )
}
