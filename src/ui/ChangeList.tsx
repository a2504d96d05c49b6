import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Change } from '@/core/record/compare'

/** What differs, each as it was and as it is. */
export const ChangeList = ({ changes }: { changes: readonly Change[] }) => (
  <Box component="ul" aria-label="Changes" sx={{ listStyle: 'none', m: 0, p: 0 }}>
    {changes.map(({ kind, label, before, after }) => (
      <Box
        component="li"
        key={`${label}-${before ?? ''}`}
        sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}
      >
        <b>{label}</b> {kind !== 'changed' && <i>({kind === 'added' ? 'new' : 'gone'})</i>}
        {before !== null && (
          <Typography component="del" sx={{ display: 'block', color: 'text.secondary' }}>
            {before}
          </Typography>
        )}
        {after !== null && (
          <Typography component="ins" sx={{ display: 'block', textDecoration: 'none' }}>
            {after}
          </Typography>
        )}
      </Box>
    ))}
  </Box>
)
