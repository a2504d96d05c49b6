import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ProveContext } from '@/core/prove/context'
import { deadFanLooks } from '@/core/prove/deadFan'
import { quietInputs } from '@/core/machine/quietInputs'

const WHO = {
  anyone: 'Anyone may.',
  competent: 'Who is trained for work at electrical equipment may.',
  licensed: 'Licensed work: who holds the licence here may.',
} as const

/** A fan that does not run: where to look, in the order that opens least, and what to isolate before each. */
export function DeadFan({ context }: { context: ProveContext }) {
  const { machine, response, installation } = context
  const fan = installation.kit.fans.find(({ id }) => id === response.lead)
  if (!fan) return null
  const settled = machine.settledState(machine.inputsFrom(quietInputs(response))).fansPct[0] ?? 0
  const speedPct = settled > 0 ? settled : response.ceiling.speedPct
  return (
    <Box component="details" sx={{ my: 1.5, borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Typography component="summary" sx={{ cursor: 'pointer', minHeight: { xs: 44, md: 28 }, fontWeight: 600 }}>
        A fan that does not run
      </Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {deadFanLooks(fan, response, speedPct, context.preference).map(({ id, title, first, who, expect }) => (
          <Box component="li" key={id} sx={{ py: 0.75, borderBottom: '1px dotted', borderColor: 'divider' }}>
            <b>{title}</b>
            <Typography variant="body2" sx={{ color: 'error.main', fontWeight: 600 }}>
              {first} {WHO[who]}
            </Typography>
            <Typography variant="body2">{expect}</Typography>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
