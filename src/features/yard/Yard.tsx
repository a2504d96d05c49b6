import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { ReactNode } from 'react'
import { TakeAlong } from '@/features/yard/TakeAlong'
import type { BadLine, YardLine } from '@/features/yard/yardLine'
import { placeAction } from '@/server/actions'
import { DayThere } from '@/ui/DayThere'
import { Notice } from '@/ui/Notice'
import { PlaceButton } from '@/ui/PlaceButton'
import { Ruled } from '@/ui/Ruled'
import { SearchForm } from '@/ui/SearchForm'
import { SideHeading } from '@/ui/StageLayout'
import { outageAtSite } from '@/ui/places'
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
  asked: { readonly holds: string; readonly page: number; readonly pages: number; readonly count: number }
  mayArchive: boolean
  newInstallation: ReactNode
}

const TONES = { plain: 'text.primary', working: 'ground.warnInk', needs: 'ground.warnInk', hurts: 'error.main' }

/** Beyond so many the yard is searched rather than looked through. */
const MANY = 12

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
  mayArchive,
  newInstallation,
}: Props) {
  const sites = [...new Set(rows.map(({ site }) => site))]
  const lines = rows.filter((row) => 'rail' in row)
  const bad = rows.filter((row) => 'wrong' in row)
  return (
    <Box sx={{ display: 'flex', flexDirection: { xs: 'column', md: 'row' }, minHeight: 'calc(100vh - 44px)' }}>
      <Box component="main" sx={{ flex: 1, minWidth: 0, bgcolor: 'ground.sheet', px: { xs: 1.75, sm: 2.5 }, py: 2 }}>
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.75, flexWrap: 'wrap', mb: 1.5 }}>
          <Typography variant="h1">{name}</Typography>
          <Typography sx={{ color: 'text.secondary', flex: 1 }}>
            {asked.count} {asked.count === 1 ? 'installation' : 'installations'}
            {asked.holds !== '' && ` with “${asked.holds}”`}
            {needingCount > 0 && ` · ${needingCount} ${needingCount === 1 ? 'needs' : 'need'} you`}
          </Typography>
          {newInstallation}
        </Box>
        {(asked.count > MANY || asked.holds !== '') && <SearchForm label="Search the yard" holds={asked.holds} />}
        {rows.length === 0 && (
          <Typography sx={{ py: 3 }}>
            {asked.holds === ''
              ? 'Nothing here yet. Make your first installation: its name, its site and its duty are enough to begin.'
              : 'Nothing here holds that. Search for a part of a name, a site or a duty, or for nothing to see all.'}
          </Typography>
        )}
        {sites.map((site) => (
          <SiteTable
            key={site}
            site={site}
            lines={lines.filter((line) => line.site === site)}
            bad={bad.filter((line) => line.site === site)}
            isOnly={sites.length === 1 && site === name}
            mayArchive={mayArchive}
          />
        ))}
        {asked.pages > 1 && <Pages {...asked} />}
      </Box>
      <Beside
        needing={needing}
        needingCount={needingCount}
        lastSealed={lastSealed}
        setAside={setAside}
        emptySites={emptySites}
        mayArchive={mayArchive}
      />
    </Box>
  )
}

type BesideProps = Pick<Props, 'needing' | 'needingCount' | 'lastSealed' | 'setAside' | 'emptySites' | 'mayArchive'>

/** What needs somebody, what was sealed last, and what is out of the yard. */
const Beside = ({ needing, needingCount, lastSealed, setAside, emptySites, mayArchive }: BesideProps) => (
  <Box
    component="aside"
    aria-label="What needs you"
    sx={{
      width: { xs: '100%', md: 290 },
      bgcolor: 'ground.side',
      borderLeft: { md: 1 },
      borderColor: { md: 'divider' },
      px: 2,
      py: 1.75,
    }}
  >
    <SideHeading>Needs you</SideHeading>
    {needing.length === 0 && <Typography variant="body2">Nothing just now.</Typography>}
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
      <Typography variant="body2">And {needingCount - needing.length} more.</Typography>
    )}
    {lastSealed.length > 0 && <SideHeading>Last sealed</SideHeading>}
    {lastSealed.map(({ id, name: title, number, at }) => (
      <Ruled key={id} label={`${title}, rev ${number}`}>
        <DayThere at={at} />
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
    {setAside.length > 0 && <SideHeading>Set aside</SideHeading>}
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
            Deleted; gone for good on <DayThere at={goneAt} />.
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
    sm: 'minmax(180px, 1.1fr) minmax(140px, 1.2fr) 90px 90px minmax(120px, 0.8fr)',
  },
  columnGap: 2,
  alignItems: 'center',
}

/** The pages before and after. */
function Pages({ holds, page, pages }: Props['asked']) {
  const to = (number: number) =>
    `/yard?${new URLSearchParams({ page: String(number), ...(holds && { holds }) }).toString()}`
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
  '& .rail': { order: { xs: 3, sm: 0 }, gridColumn: { xs: '1 / -1', sm: 'auto' } },
  '& .speed, & .gives': { typography: 'figure', textAlign: 'right' },
  '& .speed': { fontWeight: 600, fontSize: '1.0625rem' },
  '& .gives': { fontSize: '0.875rem', display: { xs: 'none', sm: 'block' } },
  '& .standing': { typography: 'body2' },
} as const

type TableProps = {
  site: string
  lines: readonly YardLine[]
  bad: readonly BadLine[]
  isOnly: boolean
  mayArchive: boolean
}

function SiteTable({ site, lines, bad, isOnly, mayArchive }: TableProps) {
  return (
    <Box component="section" aria-label={site} sx={{ mb: 3 }}>
      <Box sx={{ display: 'flex', columnGap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
        {!isOnly && <Typography variant="h2">{site}</Typography>}
        {lines.length > 0 && <Link href={outageAtSite(site)}>After an outage</Link>}
        <TakeAlong site={site} ids={lines.map(({ id }) => id)} />
      </Box>
      <Box
        aria-hidden="true"
        sx={{
          ...GRID,
          display: { xs: 'none', sm: 'grid' },
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
              <small>{line.about}</small>
            </span>
            <div className="rail">
              <SpeedRail {...line.rail} />
            </div>
            <span
              className="speed"
              title={`in charge: ${line.speed.rule}`}
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
            Set aside
          </PlaceButton>
        )}
      </Typography>
    </Box>
  )
}
