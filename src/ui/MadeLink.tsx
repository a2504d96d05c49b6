import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

type Props = {
  link: string
  /** QR code of the same link. */
  qrSvg: string
  /** What the link is of: “the invitation”. */
  of: string
  children: ReactNode
}

/** A link that was just made: to scan, to copy, to send. It is shown this once. */
export const MadeLink = ({ link, qrSvg, of, children }: Props) => (
  <Box role="status" sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mt: 1, alignItems: 'center' }}>
    <img
      src={`data:image/svg+xml;utf8,${encodeURIComponent(qrSvg)}`}
      alt={`QR code of ${of}`}
      width={150}
      height={150}
    />
    <Box sx={{ flex: 1, minWidth: 240 }}>
      <Typography variant="body2">{children}</Typography>
      <TextField
        label={`Link of ${of}`}
        value={link}
        size="small"
        fullWidth
        sx={{ my: 1 }}
        slotProps={{ htmlInput: { readOnly: true } }}
        onFocus={(event) => event.target.select()}
      />
      <Button size="small" onClick={() => void navigator.clipboard.writeText(link)}>
        Copy the link
      </Button>
    </Box>
  </Box>
)
