import Typography from '@mui/material/Typography'
import Link from 'next/link'

type Props = {
  path: string
  /** What of the list is asked for. */
  query: Readonly<Record<string, string>>
  /** Where the next page begins; null where this is the last. */
  older: number | null
}

/** The way to the next page of a list that is read from its newest end. */
export const OlderEntries = ({ path, query, older }: Props) =>
  older !== null && (
    <Typography sx={{ mt: 2 }}>
      <Link href={`${path}?${new URLSearchParams({ ...query, before: String(older) }).toString()}`}>Older entries</Link>
    </Typography>
  )
