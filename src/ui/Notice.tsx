import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { TextButton } from '@/ui/TextButton'

type Props = {
  grave?: boolean
  title: string
  /** Where an address may end. */
  id?: string
  children?: ReactNode
  action?: { label: string; onClick: () => void }
}

/** A boxed remark: ochre for what is worth knowing, red for what can hurt or be lost. */
export function Notice({ grave = false, title, id, children, action }: Props) {
  return (
    <Box
      id={id}
      sx={{
        border: 1,
        borderColor: grave ? 'error.main' : 'warning.main',
        borderRadius: 1,
        bgcolor: 'ground.sheet',
        px: 1.25,
        py: 1,
        mb: 1,
      }}
    >
      <Typography variant="body2" component="p">
        <Box component="strong" sx={{ color: grave ? 'error.main' : 'text.primary' }}>
          {title}
        </Box>{' '}
        {children} {action && <TextButton onClick={action.onClick}>{action.label}</TextButton>}
      </Typography>
    </Box>
  )
}

/** A caution in red: its first sentence stands out, the rest follows. */
export function Caution({ text }: { text: string }) {
  const end = text.indexOf('. ') + 1
  return (
    <Notice grave title={end > 0 ? text.slice(0, end) : text}>
      {end > 0 && text.slice(end + 1)}
    </Notice>
  )
}
