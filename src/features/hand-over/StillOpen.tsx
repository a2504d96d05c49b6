import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { OPEN_KINDS, openText, type OpenItem } from '@/core/record/stillOpen'
import { Notice } from '@/ui/Notice'

type Props = {
  open: readonly OpenItem[]
  /** Why each danger stays, by its key. */
  stays: Readonly<Record<string, string>>
  onStays: (danger: string, reason: string) => void
}

/** What a seal would leave open: each danger asks why it stays, the rest is listed as it will stand on the record. */
export function StillOpen({ open, stays, onStays }: Props) {
  const of = (kind: OpenItem['kind']) => open.filter((item) => item.kind === kind)
  return (
    <Box sx={{ mt: 2 }}>
      {of('danger').map(({ key, title, detail }) => (
        <Box key={key} sx={{ mb: 1.5 }}>
          <Notice title={title} grave>
            {detail}
          </Notice>
          <Typography variant="body2" sx={{ mt: 1, mb: 0.5 }} aria-hidden="true">
            Why this stays: {title} *
          </Typography>
          <TextField
            value={stays[key] ?? ''}
            onChange={(event) => onStays(key, event.target.value)}
            required
            fullWidth
            multiline
            size="small"
            slotProps={{
              htmlInput: { 'aria-label': `Why this stays: ${title}`, minLength: 3, maxLength: 300 },
            }}
          />
        </Box>
      ))}
      {of('warning').map(({ key, title, detail }) => (
        <Notice key={key} title={title}>
          {detail}
        </Notice>
      ))}
      {OPEN_KINDS.filter((kind) => kind !== 'danger' && kind !== 'warning').map((kind) => {
        const items = of(kind)
        if (items.length === 0) return null
        return (
          <Box key={kind} component="details" sx={{ borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
            <Typography component="summary" sx={{ cursor: 'pointer' }}>
              {openText(items)}
            </Typography>
            {items.map(({ key, title, detail }) => (
              <Typography key={key} variant="body2" sx={{ pl: 2, py: 0.25 }}>
                {title}{' '}
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {detail}
                </Box>
              </Typography>
            ))}
          </Box>
        )
      })}
    </Box>
  )
}
