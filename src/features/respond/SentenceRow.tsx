import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

type Props = {
  colour: string
  asks: ReactNode
  isInCharge?: boolean
  isOff?: boolean
  /** Judgements that arise here. */
  judged?: readonly { readonly title: string; readonly isGrave: boolean }[]
  actions?: ReactNode
  notes?: ReactNode
  children: ReactNode
}

/** One sentence: the bar of its cause at the left, what it asks now at the right, a mark where something is said against it. */
export function SentenceRow({
  colour,
  asks,
  isInCharge = false,
  isOff = false,
  judged = [],
  actions,
  notes,
  children,
}: Props) {
  const isGrave = judged.some((judgement) => judgement.isGrave)
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'baseline',
        columnGap: 1,
        borderLeft: '4px solid',
        borderColor: isOff ? 'divider' : colour,
        pl: 1.25,
        py: 0.25,
        mb: 0.75,
      }}
    >
      <Typography
        component="div"
        sx={{ flex: 1, lineHeight: 2, opacity: isOff ? 0.75 : 1, minWidth: { xs: '100%', sm: 0 } }}
      >
        {children}
        {judged.length > 0 && (
          <Box
            component="span"
            title={judged.map(({ title }) => title).join(' ')}
            sx={{ color: isGrave ? 'error.main' : 'cause.light', fontSize: '0.8125rem', whiteSpace: 'nowrap' }}
          >
            {' '}
            <span aria-hidden="true">{isGrave ? '▲' : '△'}</span>{' '}
            {judged.length === 1 ? 'a judgement' : `${judged.length} judgements`}
          </Box>
        )}
      </Typography>
      <Typography
        variant="body2"
        component="div"
        sx={{
          whiteSpace: { sm: 'nowrap' },
          color: isInCharge ? 'text.primary' : 'text.secondary',
          fontWeight: isInCharge ? 700 : 400,
        }}
      >
        {isOff ? 'switched off' : asks}
        {isInCharge && ' ◂ active'}
      </Typography>
      {actions}
      {notes}
    </Box>
  )
}
