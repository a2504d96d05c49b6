import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

type Props = {
  label: string
  hint?: ReactNode
  /** Where an address may end. */
  id?: string
  children: ReactNode
}

/** An answer that has less than this beside its question stands below it: in a side sheet, on a phone. */
const ANSWER_PX = 220

/** A question at the left, its answer at the right, a remark below: the line of a well-made form. */
export function FormRow({ label, hint, id, children }: Props) {
  return (
    <Box
      id={id}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 2,
        alignItems: 'baseline',
        borderBottom: '1px dotted',
        borderColor: 'divider',
        py: 0.75,
      }}
    >
      <Typography component="div" sx={{ color: 'text.secondary', flex: { xs: '1 0 100%', sm: '0 0 190px' } }}>
        {label}
      </Typography>
      <Box sx={{ flex: `1 1 ${ANSWER_PX}px`, minWidth: 0 }}>
        <Typography component="div">{children}</Typography>
        {hint && (
          <Typography variant="body2" component="div" sx={{ color: 'text.secondary' }}>
            {hint}
          </Typography>
        )}
      </Box>
    </Box>
  )
}
