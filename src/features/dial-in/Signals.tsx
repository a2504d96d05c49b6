import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { SIGNAL_KINDS, type ControllerModel, type Signal } from '@/core/controller/schema'

const KIND_WORDS: Record<Signal['kind'], string> = {
  lamp: 'Lamps',
  code: 'Codes',
  display: 'The display',
  beep: 'Beeps',
}

/** What lamps, codes, the display and beeps tell, and where to look next. */
export function Signals({ controller }: { controller: ControllerModel }) {
  const { signals = [] } = controller
  if (signals.length === 0)
    return <Typography>Nothing is noted of what its lamps and codes mean. Add it under Controllers.</Typography>
  return SIGNAL_KINDS.filter((kind) => signals.some((signal) => signal.kind === kind)).map((kind) => (
    <Box key={kind} component="section" aria-label={KIND_WORDS[kind]} sx={{ mb: 2 }}>
      <Typography variant="h2">{KIND_WORDS[kind]}</Typography>
      {signals
        .filter((signal) => signal.kind === kind)
        .map(({ shows, while: state, means, next, urgent }) => (
          <Box key={`${shows}-${state ?? ''}`} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
            <b>{shows}</b>
            {state && `, while ${state}`}: {means}
            <Typography variant="body2" sx={{ color: urgent ? 'error.main' : 'text.secondary' }}>
              {urgent && <b>Now: </b>}
              {next}
            </Typography>
          </Box>
        ))}
    </Box>
  ))
}
