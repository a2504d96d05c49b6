import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { ReactNode } from 'react'
import { FirstSteps } from '@/features/yard/FirstSteps'
import { isFiltered, yardAddress, type YardAsked } from '@/features/yard/yardAsked'
import { YardFilter } from '@/features/yard/YardFilter'
import type { BadLine, YardLine } from '@/features/yard/yardLine'
import { YardColumns } from '@/features/yard/YardColumns'
import { YardRows } from '@/features/yard/YardRows'
import { placeAction } from '@/server/actions'
import { Moment } from '@/ui/Moment'
import { Notice } from '@/ui/Notice'
import { PlaceButton } from '@/ui/PlaceButton'
import { Ruled } from '@/ui/Ruled'
import { SideHeading } from '@/ui/StageLayout'

type Props = {
  name: string
  /** The first page of the yard. */
  rows: readonly (YardLine | BadLine)[]
  /** What needs somebody anywhere in the yard, the gravest first, as far as it is shown. */
  needing: readonly (YardLine | BadLine)[]
  needingCount: number
  lastSealed: readonly { readonly id: string; readonly name: string; readonly number: number; readonly at: string }[]
  setAside: readonly { readonly id: string; readonly name: string; readonly goneAt: string | null }[]
  emptySites: readonly { readonly id: string; readonly name: string }[]
  asked: YardAsked & { readonly count: number }
  sites: readonly { readonly id: string; readonly name: string }[]
  mayArchive: boolean
  newInstallation: ReactNode
}

/** Up to so many a yard is looked through at a glance. */
const FEW = 6

/** The installations of a workspace, by site, each with its rail and its standing. */
export function Yard({
  name,
  rows,
  needing,
  needingCount,
  lastSealed,
  setAside,
  emptySites,
  asked,
  sites,
  mayArchive,
  newInstallation,
}: Props) {
  const isBySite = asked.sort === 'site'
  const address = yardAddress(asked).slice('/yard'.length)
  return (
    <Box sx={LAYOUT}>
      {/* First in the page too: a page that arrives in pieces would push the list down. */}
      <NeedsYou needing={needing} needingCount={needingCount} isEmpty={asked.count === 0 && !isFiltered(asked)} />
      <Box
        component="main"
        sx={{ gridArea: 'main', minWidth: 0, bgcolor: 'ground.sheet', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
      >
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.75, flexWrap: 'wrap', mb: 1.5 }}>
          <Typography variant="h1">{name}</Typography>
          <Typography sx={{ color: 'text.secondary', flex: 1 }}>
            {asked.count} {asked.count === 1 ? 'installation' : 'installations'}
            {isFiltered(asked) && ' like that'}
            {needingCount > 0 && ` · ${needingCount} ${needingCount === 1 ? 'needs' : 'need'} you`}
          </Typography>
          {rows.length > 0 && <YardColumns />}
          {newInstallation}
        </Box>
        {(asked.count > FEW || isFiltered(asked) || !isBySite) && <YardFilter asked={asked} sites={sites} />}
        {rows.length === 0 && !isFiltered(asked) && <FirstSteps mayWork={newInstallation !== false} />}
        {rows.length === 0 && isFiltered(asked) && (
          <Typography sx={{ py: 3 }}>
            Nothing here is like that. Search for a part of a name, a site or a duty, or{' '}
            <Link href="/yard">show all</Link>.
          </Typography>
        )}
        {rows.length > 0 && (
          <YardRows
            key={address}
            first={rows}
            count={asked.count}
            address={address}
            isBySite={isBySite}
            sites={sites}
            unnamed={rows.every(({ site }) => site === name) ? name : null}
            mayArchive={mayArchive}
          />
        )}
      </Box>
      <Beside lastSealed={lastSealed} setAside={setAside} emptySites={emptySites} mayArchive={mayArchive} />
    </Box>
  )
}

/** On a phone what needs somebody comes first, then the list; on a desk it stands beside. */
const LAYOUT = {
  display: 'grid',
  minHeight: 'calc(100vh - 44px)',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 290px' },
  gridTemplateRows: { md: 'auto 1fr' },
  gridTemplateAreas: { xs: '"needs" "main" "rest"', md: '"main needs" "main rest"' },
}

const SIDE = { bgcolor: 'ground.side', borderLeft: { md: 1 }, borderColor: { md: 'divider' }, px: 2 }

type NeedsProps = Pick<Props, 'needing' | 'needingCount'> & { isEmpty: boolean }

/** What needs somebody anywhere in the yard, each with the one thing to do. */
const NeedsYou = ({ needing, needingCount, isEmpty }: NeedsProps) => (
  <Box
    component="aside"
    aria-label="What needs you"
    sx={{ ...SIDE, gridArea: 'needs', pt: 1.75, display: { xs: needing.length === 0 ? 'none' : 'block', md: 'block' } }}
  >
    <SideHeading>Needs you</SideHeading>
    {needing.length === 0 && (
      <Typography variant="body2">{isEmpty ? 'Nothing, as nothing is here yet.' : 'Nothing just now.'}</Typography>
    )}
    {needing.map((row) =>
      'wrong' in row ? (
        <Notice key={row.id} title={row.name}>
          It cannot be opened. <Link href={`/installation/${row.id}/respond`}>See what is wrong</Link>
        </Notice>
      ) : (
        <Notice key={row.id} grave={row.concern?.grave} title={row.name}>
          {row.concern?.title} {row.concern?.detail} <Link href={`/installation/${row.id}/respond`}>Open it</Link>
        </Notice>
      ),
    )}
    {needingCount > needing.length && (
      <Typography variant="body2">
        <Link href="/yard?standing=needs&sort=needs">And {needingCount - needing.length} more</Link>
      </Typography>
    )}
  </Box>
)

type BesideProps = Pick<Props, 'lastSealed' | 'setAside' | 'emptySites' | 'mayArchive'>

/** What was sealed last, and what is out of the yard. */
const Beside = ({ lastSealed, setAside, emptySites, mayArchive }: BesideProps) => (
  <Box component="aside" aria-label="Sealed last, and archived" sx={{ ...SIDE, gridArea: 'rest', pb: 1.75 }}>
    {lastSealed.length > 0 && <SideHeading>Last sealed</SideHeading>}
    {lastSealed.map(({ id, name: title, number, at }) => (
      <Ruled key={id} label={`${title}, rev ${number}`}>
        <Moment at={at} as="day" />
      </Ruled>
    ))}
    {mayArchive && emptySites.length > 0 && <SideHeading>Sites with nothing on them</SideHeading>}
    {mayArchive &&
      emptySites.map(({ id, name: title }) => (
        <Ruled key={id} label={title}>
          <PlaceButton onPlace={placeAction} kind="site" id={id} name={title} place="deleted">
            Remove
          </PlaceButton>
        </Ruled>
      ))}
    {setAside.length > 0 && <SideHeading>Archived</SideHeading>}
    {setAside.map(({ id, name: title, goneAt }) => (
      <Box key={id}>
        <Ruled label={title}>
          {mayArchive && (
            <PlaceButton onPlace={placeAction} id={id} name={title} place="here">
              Bring back
            </PlaceButton>
          )}
        </Ruled>
        {goneAt !== null && (
          <Typography variant="body2" sx={{ color: 'ground.warnInk' }}>
            Deleted; gone for good on <Moment at={goneAt} as="day" />.
          </Typography>
        )}
      </Box>
    ))}
  </Box>
)
