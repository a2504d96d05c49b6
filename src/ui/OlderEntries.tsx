import Typography from '@mui/material/Typography'
import Link from 'next/link'

type Props = {
  path: string
  holds: string
  /** Where the next page begins; null where this is the last. */
  older: number | null
}

/** The way to the next page of a list that is read from its newest end. */
export const OlderEntries = ({ path, holds, older }: Props) =>
  older !== null && (
    <Typography sx={{ mt: 2 }}>
      <Link href={`${path}?${new URLSearchParams({ before: String(older), ...(holds && { holds }) }).toString()}`}>
        Older entries
      </Link>
    </Typography>
  )
