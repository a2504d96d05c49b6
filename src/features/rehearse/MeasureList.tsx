import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Measure } from '@/core/rehearse/measures'
import { measureName, measureSum, measureValue, momentText, VERDICT_WORDS } from '@/core/rehearse/words'
import type { MeasureVerdict } from '@/core/scenario/measureIds'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'

const MARKS: Record<MeasureVerdict, string> = { pass: '✓', fail: '✕', wear: '△', none: '' }
const VERDICT_COLOUR: Record<MeasureVerdict, string> = {
  pass: 'cause.switch',
  fail: 'error.main',
  wear: 'warning.main',
  none: 'text.secondary',
}
/** What a list of measures begins with: nothing of it is ever left out. */
const QUIET: readonly Measure['id'][] = ['coldest', 'heat-out', 'heating', 'stale']

/** Whether a measure says anything here: nothing happened and nobody asked is left out. */
const isWorthSaying = ({ id, value, verdict, unit }: Measure): boolean =>
  verdict !== 'none' || !(value === 0 || (QUIET.includes(id) && unit === 's'))

type Props = { measures: readonly Measure[]; startsOn: string; onMoment: (atS: number) => void }

/** What a rehearsal comes to against the brief; each figure leads to its worst moment. */
export function MeasureList({ measures, startsOn, onMoment }: Props) {
  const preference = usePreference()
  return (
    <Box component="ul" aria-label="measures" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {measures.filter(isWorthSaying).map((measure) => (
        <Box
          key={measure.id}
          component="li"
          sx={{
            display: 'grid',
            gridTemplateColumns: '1fr auto 62px',
            columnGap: 1,
            alignItems: 'baseline',
            borderBottom: '1px dotted',
            borderColor: 'divider',
            py: 0.4,
          }}
        >
          <Typography variant="body2" component="div" sx={{ lineHeight: 1.25 }}>
            {measureName(measure, preference)}
            {measure.atS !== null && (
              <Box component="span" sx={{ display: 'block', fontSize: 12, color: 'text.secondary' }}>
                worst{' '}
                <TextButton
                  label={`${measureName(measure, preference)}: show ${momentText(startsOn, measure.atS, preference)}`}
                  onClick={() => onMoment(measure.atS ?? 0)}
                >
                  {momentText(startsOn, measure.atS, preference)}
                </TextButton>
                {measure.sum !== undefined &&
                  measure.sum >= 0.5 &&
                  ` · ${measureSum(measure.id, measure.sum, preference)}`}
              </Box>
            )}
          </Typography>
          <Typography variant="figure" sx={{ fontSize: 14, fontWeight: 700, whiteSpace: 'nowrap' }}>
            {measureValue(measure, preference)}
          </Typography>
          <Typography
            variant="body2"
            sx={{ fontSize: 12, textAlign: 'right', lineHeight: 1.2, color: VERDICT_COLOUR[measure.verdict] }}
          >
            {MARKS[measure.verdict]} {VERDICT_WORDS[measure.verdict]}
          </Typography>
        </Box>
      ))}
    </Box>
  )
}
