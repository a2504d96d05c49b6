import Box from '@mui/material/Box'
import { YARD_COLUMNS } from '@/features/yard/columns'
import { gridOf, WHERE_WIDE, type Columns } from '@/features/yard/rowGrid'

/** What the columns of a row are; on a phone they stand one under the other. */
export const YardHeads = ({ columns }: { columns: Columns }) => (
  <Box
    aria-hidden="true"
    sx={{
      ...gridOf(columns),
      display: { xs: 'none', md: 'grid' },
      columnGap: 2,
      borderBottom: '2px solid',
      borderColor: 'text.primary',
      pb: 0.75,
      '& > *': { color: 'text.secondary', fontSize: '0.8125rem' },
    }}
  >
    <span>Installation</span>
    {columns.map((id) => (
      <Box
        key={id}
        component="span"
        sx={{
          textAlign: id === 'rail' ? 'left' : 'right',
          display: { xs: id === WHERE_WIDE ? 'none' : 'inline', lg: 'inline' },
        }}
      >
        {YARD_COLUMNS[id].name}
      </Box>
    ))}
    <span>Standing</span>
  </Box>
)
