'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { GATE_PARTS, partOf, type GatePart } from '@/core/record/gate'
import { openText } from '@/core/record/stillOpen'
import { nextOpen } from '@/core/record/wayOn'
import { useOpenThingsOrNone, type OpenThings } from '@/ui/openThings'
import { openPlace, STAGE_OF, STAGES, stagePath } from '@/ui/stages'

type Way = { readonly words: string; readonly href: string }

/** The part of the job that the page at an address is about; rehearsing is none of those a seal looks through. */
function partAt(path: string): GatePart | null {
  const stage = STAGES.find(({ id }) => path.endsWith(`/${id}`))?.id
  if (stage === 'rehearse') return 'respond'
  return GATE_PARTS.find((part) => stage !== undefined && STAGE_OF[part] === stage) ?? null
}

/** Where the work goes on, in the words of what is open; null once it is sealed with nothing open. */
function wayOn(
  { installationId, open, nextRevision, isSealed }: OpenThings,
  path: string,
  isLeaving: boolean,
): Way | null {
  const next = nextOpen(open, partAt(path), isLeaving || path.endsWith('/rehearse'))
  if (next)
    return {
      words: firstSentence(next.item.title),
      href: `${stagePath(installationId, STAGE_OF[next.part])}${openPlace(next.item)}`,
    }
  return isSealed ? null : { words: `seal revision ${nextRevision}`, href: stagePath(installationId, 'hand-over') }
}

/** What is long is said whole where it leads to. */
const firstSentence = (words: string): string =>
  words.length > 60 ? (/^.*?[.?!](?= |$)/.exec(words)?.[0] ?? words) : words

const lowered = (words: string): string =>
  /^[A-Z][a-z]/.test(words) ? `${words[0]!.toLowerCase()}${words.slice(1)}` : words

/** The next thing that is open anywhere on this installation. */
export function useWayOn(): Way | null {
  const path = usePathname()
  const things = useOpenThingsOrNone()
  return things && wayOn(things, path, false)
}

/** At the end of a stage: what is left open here, and where it goes on. */
export function WayOn() {
  const path = usePathname()
  const things = useOpenThingsOrNone()
  const way = things && wayOn(things, path, true)
  if (!way || path.endsWith('/hand-over')) return null
  const part = partAt(path)
  const here = things.open.filter((item) => partOf(item) === part)
  return (
    <Box
      component="section"
      aria-label="The way on"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        justifyContent: 'space-between',
        gap: 1.5,
        mt: 3,
        pt: 1.25,
        borderTop: 1,
        borderColor: 'divider',
        displayPrint: 'none',
      }}
    >
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {here.length === 0 ? 'Nothing is open here.' : `Open here: ${openText(here)}.`}
      </Typography>
      <Button
        component={Link}
        href={way.href}
        variant="outlined"
        sx={{ textAlign: 'left', minHeight: { xs: 48, md: 34 } }}
      >
        Next: {lowered(way.words)}
      </Button>
    </Box>
  )
}
