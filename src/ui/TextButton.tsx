import Link from '@mui/material/Link'
import type { ReactNode } from 'react'

type Props = {
  label?: string
  /** Whether what it unfolds is unfolded. */
  isOpen?: boolean
  onClick: () => void
  children: ReactNode
}

/** An action in the run of a sentence; as large as a finger needs. */
export const TextButton = ({ label, isOpen, onClick, children }: Props) => (
  <Link
    component="button"
    type="button"
    aria-label={label}
    aria-expanded={isOpen}
    onClick={onClick}
    sx={{
      fontSize: 'inherit',
      verticalAlign: 'baseline',
      textAlign: 'left',
      minHeight: { xs: 44, md: 24 },
      minWidth: 24,
      flexShrink: 0,
    }}
  >
    {children}
  </Link>
)
