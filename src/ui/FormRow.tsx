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

/** A question at the left, its answer at the right, a remark below: the line of a well-made form. */
export function FormRow({ label, hint, id, children }: Props) {
  return (
    <Box
      id={id}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '190px 1fr' },
        columnGap: 2,
        alignItems: 'baseline',
        borderBottom: '1px dotted',
        borderColor: 'divider',
        py: 0.75,
      }}
    >
      <Typography component="div" sx={{ color: 'text.secondary' }}>
        {label}
      </Typography>
      <Box>
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
