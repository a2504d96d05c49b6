import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { ReactNode } from 'react'
import { dayText } from '@/core/rules/yearDay'
import { FirstSteps } from '@/features/yard/FirstSteps'
import { TakeAlong } from '@/features/yard/TakeAlong'
import { isFiltered, YardFilter, yardAddress, type YardAsked } from '@/features/yard/YardFilter'
import type { BadLine, YardLine } from '@/features/yard/yardLine'
import { placeAction } from '@/server/actions'
import { Moment } from '@/ui/Moment'
import { Notice } from '@/ui/Notice'
import { PlaceButton } from '@/ui/PlaceButton'
import { Ruled } from '@/ui/Ruled'
import { SideHeading } from '@/ui/StageLayout'
import { outageAtSite, sitePath } from '@/ui/places'
import { paletteVar } from '@/ui/paletteVar'
import { SpeedRail } from '@/ui/rail/SpeedRail'

type Props = {
  name: string
  /** One page of the yard. */
  rows: readonly (YardLine | BadLine)[]
  /** What needs somebody anywhere in the yard, the gravest first, as far as it is shown. */
  needing: readonly (YardLine | BadLine)[]
  needingCount: number
  lastSealed: readonly { readonly id: string; readonly name: string; readonly number: number; readonly at: string }[]
  setAside: readonly { readonly id: string; readonly name: string; readonly goneAt: string | null }[]
  emptySites: readonly { readonly id: string; readonly name: string }[]
  asked: YardAsked & { readonly page: number; readonly pages: number; readonly count: number }
  sites: readonly { readonly id: string; readonly name: string }[]
  mayArchive: boolean
  newInstallation: ReactNode
}

const TONES = { plain: 'text.primary', working: 'ground.warnInk', needs: 'ground.warnInk', hurts: 'error.main' }

/** Up to so many a yard is looked through at a glance. */
const FEW = 6

const ALL_SITES = 'All sites'

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
  // In another order than by site the rows stand in one list, each with its site.
  const isBySite = asked.sort === 'site'
  const groups = isBySite ? [...new Set(rows.map(({ site }) => site))] : rows.length > 0 ? [ALL_SITES] : []
  const lines = rows.filter((row) => 'rail' in row)
  const bad = rows.filter((row) => 'wrong' in row)
  return (
    <Box sx={LAYOUT}>
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
        {groups.map((group) => (
          <SiteTable
            key={group}
            site={isBySite ? group : null}
            siteId={isBySite ? sites.find(({ name: called }) => called === group)?.id : undefined}
            lines={lines.filter((line) => !isBySite || line.site === group)}
            bad={bad.filter((line) => !isBySite || line.site === group)}
            isOnly={groups.length === 1 && group === name}
            mayArchive={mayArchive}
          />
        ))}
        {asked.pages > 1 && <Pages {...asked} />}
      </Box>
      <NeedsYou needing={needing} needingCount={needingCount} isEmpty={asked.count === 0 && !isFiltered(asked)} />
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

const GRID = {
  display: 'grid',
  gridTemplateColumns: {
    xs: '1fr auto',
    md: 'minmax(180px, 1.1fr) minmax(140px, 1.2fr) 90px 90px minmax(120px, 0.8fr)',
  },
  columnGap: 2,
  alignItems: 'center',
}

/** The pages before and after. */
function Pages({ page, pages, count: _count, ...asked }: Props['asked']) {
  const to = (number: number) => yardAddress(asked, number)
  return (
    <Typography component="nav" aria-label="Pages" sx={{ display: 'flex', gap: 2, py: 1 }}>
      {page > 1 && <Link href={to(page - 1)}>Page before</Link>}
      <span>
        Page {page} of {pages}
      </span>
      {page < pages && <Link href={to(page + 1)}>Next page</Link>}
    </Typography>
  )
}

/** One style for all rows: a hundred of them are drawn with each page. */
const ROWS = {
  '& .row': {
    ...GRID,
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
  '& .standing': { typography: 'body2' },
} as const

type TableProps = {
  /** Null where the rows are of all sites. */
  site: string | null
  siteId: string | undefined
  lines: readonly YardLine[]
  bad: readonly BadLine[]
  isOnly: boolean
  mayArchive: boolean
}

function SiteTable({ site, siteId, lines, bad, isOnly, mayArchive }: TableProps) {
  return (
    <Box component="section" aria-label={site ?? ALL_SITES} sx={{ mb: 3 }}>
      <Box sx={{ display: 'flex', columnGap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
        {!isOnly && site !== null && <Typography variant="h2">{site}</Typography>}
        {siteId !== undefined && <Link href={sitePath(siteId)}>Site</Link>}
        {lines.length > 0 && site !== null && <Link href={outageAtSite(site)}>After an outage</Link>}
        {site !== null && <TakeAlong site={site} ids={lines.map(({ id }) => id)} />}
      </Box>
      <Box
        aria-hidden="true"
        sx={{
          ...GRID,
          display: { xs: 'none', md: 'grid' },
          borderBottom: '2px solid',
          borderColor: 'text.primary',
          pb: 0.75,
          '& > *': { color: 'text.secondary', fontSize: '0.8125rem' },
        }}
      >
        <span>Installation</span>
        <span>Speed in the middle of its band, 0 to 100 %</span>
        <Box component="span" sx={{ textAlign: 'right' }}>
          Speed
        </Box>
        <Box component="span" sx={{ textAlign: 'right' }}>
          Gives
        </Box>
        <span>Standing</span>
      </Box>
      <Box sx={ROWS}>
        {lines.map((line) => (
          <Link key={line.id} prefetch={false} href={`/installation/${line.id}/respond`} className="row">
            <span>
              <b>{line.name}</b>
              <small>
                {site === null && `${line.site} · `}
                {line.about}
              </small>
            </span>
            <div className="rail">
              <SpeedRail {...line.rail} />
            </div>
            <span
              className="speed"
              title={`active: ${line.speed.rule}`}
              style={{ color: paletteVar(`cause.${line.speed.cause}`) }}
            >
              {line.speed.text}
            </span>
            <span className="gives">{line.gives}</span>
            <span
              className="standing"
              style={{
                color: paletteVar(TONES[line.standing.tone]),
                fontWeight: line.standing.tone === 'plain' ? 400 : 700,
              }}
            >
              {line.standing.text}
              {line.nextVisitOn !== null && (
                <small style={{ display: 'block', fontWeight: 400 }}>next check {dayText(line.nextVisitOn)}</small>
              )}
            </span>
          </Link>
        ))}
      </Box>
      {bad.map((line) => (
        <BadRow key={line.id} {...line} mayArchive={mayArchive} />
      ))}
    </Box>
  )
}

/** One that cannot be opened: what is wrong with it, and the ways out. */
function BadRow({ id, name, wrong, mayArchive }: BadLine & { mayArchive: boolean }) {
  return (
    <Box sx={{ borderBottom: 1, borderColor: 'divider', py: 1.25 }}>
      <Typography sx={{ fontWeight: 700 }}>{name}</Typography>
      <Typography variant="body2" sx={{ color: 'ground.warnInk' }}>
        It cannot be opened. {wrong}
      </Typography>
      <Typography variant="body2" component="div" sx={{ display: 'flex', gap: 2 }}>
        <Link href={`/installation/${id}/respond`}>Open as text</Link>
        <a href={`/api/installation/${id}/export`} download>
          Export
        </a>
        {mayArchive && (
          <PlaceButton onPlace={placeAction} id={id} name={name} place="aside">
            Archive
          </PlaceButton>
        )}
      </Typography>
    </Box>
  )
}
