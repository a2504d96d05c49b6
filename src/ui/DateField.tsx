import InputBase from '@mui/material/InputBase'
import { DayCover, HIDES_ITS_OWN } from '@/ui/DayCover'

type Props = { label: string; value: string | null; onChange: (day: string | null) => void }

/** A day, picked in the browser’s own calendar, which is what a phone is best at, and written as its reader does. */
export const DateField = ({ label, value, onChange }: Props) => (
  <InputBase
    type="date"
    value={value ?? ''}
    onChange={(event) => onChange(/^\d{4}-\d{2}-\d{2}$/.test(event.target.value) ? event.target.value : null)}
    startAdornment={<DayCover day={value} leftPx={0} />}
    inputProps={{ 'aria-label': label, min: '1950-01-01', max: '2100-12-31' }}
    sx={{
      borderBottom: '1px solid',
      borderColor: 'text.secondary',
      '&.Mui-focused': { bgcolor: 'ground.side', borderColor: 'cause.speed' },
      '& input': { py: 0.25, height: 'auto', colorScheme: 'light dark' },
      minHeight: { xs: 44, sm: 0 },
      ...(value !== null && HIDES_ITS_OWN),
    }}
  />
)
