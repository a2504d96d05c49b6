'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { modeInputs } from '@/core/machine/modeInputs'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import { InputCurve } from '@/features/respond/views/InputCurve'
import { usePart } from '@/ui/workingCopy/context'

/** The same input by day and by night, side by side. */
export function DayAndNight() {
  const response = usePart('response')
  const input = response.inputs.find(
    (held): held is MeasuredInput =>
      isMeasured(held) &&
      held.kind !== 'light' &&
      response.rules.some((rule) => 'input' in rule && rule.input === held.id),
  )
  if (!input)
    return (
      <Typography variant="body2">
        No rule answers to a measured input; day and night differ by the clock alone.
      </Typography>
    )
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1 }}>
      {(['day', 'night'] as const).map((mode) => {
        const also = modeInputs(response, mode)
        return (
          <Box key={mode}>
            <Typography variant="body2" sx={{ fontWeight: 700 }}>
              By {mode}, against {input.name}
            </Typography>
            {also ? (
              <InputCurve input={input} also={also} height={220} label={`By ${mode}, against ${input.name}`} />
            ) : (
              <Typography variant="body2">It is never {mode}.</Typography>
            )}
          </Box>
        )
      })}
    </Box>
  )
}
