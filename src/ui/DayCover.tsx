import Box from '@mui/material/Box'
import { dayText } from '@/core/rules/yearDay'
import { useDates } from '@/ui/preference'

/** A browser writes days its own way, whatever its reader chose: until it is in their hands it is covered by theirs. */
export const HIDES_ITS_OWN = {
  '& input:not(:focus)': { WebkitTextFillColor: 'transparent' },
  '@media (forced-colors: active)': { '& input:not(:focus)': { WebkitTextFillColor: 'unset' } },
} as const

/** A day as its reader writes them, over a field that holds it; by ear the field says it itself.
 *  @param day YYYY-MM-DD, null where none is in the field */
export function DayCover({ day, leftPx }: { day: string | null; leftPx: number }) {
  const dates = useDates()
  if (day === null) return null
  return (
    <Box
      component="span"
      aria-hidden="true"
      sx={{
        position: 'absolute',
        left: leftPx,
        pointerEvents: 'none',
        whiteSpace: 'nowrap',
        '.Mui-focused > &': { display: 'none' },
        '@media (forced-colors: active)': { display: 'none' },
      }}
    >
      {dayText(day, dates)}
    </Box>
  )
}
