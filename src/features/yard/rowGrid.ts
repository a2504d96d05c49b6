import { YARD_COLUMNS, type YardColumn } from '@/features/yard/columns'

export type Columns = readonly YardColumn[]

/** How high a row is until it was drawn, px. */
export const ROW_PX = 66

const NAME_WIDTH = 'minmax(120px, 1.1fr)'
const STANDING_WIDTH = 'minmax(100px, 0.8fr)'
/** Where a desk is narrow the day of the next check has no room. */
export const WHERE_WIDE: YardColumn = 'check'

const widthsOf = (shown: Columns): string =>
  [NAME_WIDTH, ...shown.map((id) => YARD_COLUMNS[id].width), STANDING_WIDTH].join(' ')

/** The columns of a row and of their heads. */
export const gridOf = (columns: Columns) => ({
  gridTemplateColumns: {
    xs: '1fr auto',
    md: widthsOf(columns.filter((id) => id !== WHERE_WIDE)),
    lg: widthsOf(columns),
  },
})

/** One style for all rows: a hundred of them may be drawn. */
export const ROWS = {
  '& .row': {
    display: 'grid',
    columnGap: 2,
    alignItems: 'center',
    color: 'text.primary',
    textDecoration: 'none',
    borderBottom: 1,
    borderColor: 'divider',
    py: 1.25,
    '&:hover, &:focus-visible': { bgcolor: 'ground.side' },
  },
  '& .row b': { display: 'block', fontWeight: 700 },
  '& .row small': { fontSize: '0.8125rem', color: 'text.secondary' },
  '& .rail': { order: { xs: 3, md: 0 }, gridColumn: { xs: '1 / -1', md: 'auto' } },
  '& .speed, & .gives': { typography: 'figure', textAlign: 'right' },
  '& .speed': { fontWeight: 600, fontSize: '1.0625rem' },
  '& .gives': { fontSize: '0.875rem', display: { xs: 'none', md: 'block' } },
  '& .check': { fontSize: '0.875rem', textAlign: 'right', display: { xs: 'none', lg: 'block' } },
  '& .standing': { typography: 'body2' },
} as const
