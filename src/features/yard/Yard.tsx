import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { ReactNode } from 'react'
import { SealedDay } from '@/features/yard/SealedDay'
import { SetAsideButton } from '@/features/yard/SetAsideButton'
import type { BadLine, YardLine } from '@/features/yard/yardLine'
import { LinkBox } from '@/ui/LinkBox'
import { Notice } from '@/ui/Notice'
import { SpeedRail } from '@/ui/rail/SpeedRail'
import { Ruled } from '@/ui/Ruled'
import { SideHeading } from '@/ui/StageLayout'

type Props = {
  name: string
  rows: readonly (YardLine | BadLine)[]
  setAside: readonly { readonly id: string; readonly name: string }[]
  newInstallation: ReactNode
}

const TONES = { plain: 'text.primary', working: 'ground.warnInk', needs: 'ground.warnInk', hurts: 'error.main' }

/** All installations of a workspace, by site, each with its rail and its standing. */
export function Yard({ name, rows, setAside, newInstallation }: Props) {
  const sites = [...new Set(rows.map(({ site }) => site))]
  const lines = rows.filter((row) => 'rail' in row)
  const bad = rows.filter((row) => 'wrong' in row)
  const needing = lines.filter(({ concern }) => concern)
  const sealed = lines
    .filter(({ sealedAt }) => sealedAt)
    .sort((a, b) => (b.sealedAt ?? '').localeCompare(a.sealedAt ?? ''))
  return (
    <Box sx={{ display: 'flex', flexDirection: { xs: 'column', md: 'row' }, minHeight: 'calc(100vh - 44px)' }}>
      <Box component="main" sx={{ flex: 1, minWidth: 0, bgcolor: 'ground.sheet', px: { xs: 1.75, sm: 2.5 }, py: 2 }}>
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.75, flexWrap: 'wrap', mb: 1.5 }}>
          <Typography variant="h1">{name}</Typography>
          <Typography sx={{ color: 'text.secondary', flex: 1 }}>
            {rows.length} {rows.length === 1 ? 'installation' : 'installations'}
            {needing.length > 0 && ` · ${needing.length} ${needing.length === 1 ? 'needs' : 'need'} you`}
          </Typography>
          {newInstallation}
        </Box>
        {rows.length === 0 && (
          <Typography sx={{ py: 3 }}>
            Nothing here yet. Make your first installation: its name, its site and its duty are enough to begin.
          </Typography>
        )}
        {sites.map((site) => (
          <SiteTable
            key={site}
            site={site}
            lines={lines.filter((line) => line.site === site)}
            bad={bad.filter((line) => line.site === site)}
            isOnly={sites.length === 1 && site === name}
          />
        ))}
      </Box>
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
        {needing.length + bad.length === 0 && <Typography variant="body2">Nothing just now.</Typography>}
        {bad.map(({ id, name: title }) => (
          <Notice key={id} title={title}>
            It cannot be opened. <Link href={`/installation/${id}/respond`}>See what is wrong</Link>
          </Notice>
        ))}
        {needing.map(({ id, name: title, concern }) => (
          <Notice key={id} grave={concern?.grave} title={title}>
            {concern?.title} {concern?.detail} <Link href={`/installation/${id}/respond`}>Open it</Link>
          </Notice>
        ))}
        {sealed.length > 0 && <SideHeading>Last sealed</SideHeading>}
        {sealed.map(({ id, name: title, sealedAt, sealedNumber }) => (
          <Ruled key={id} label={`${title}, rev ${sealedNumber ?? ''}`}>
            <SealedDay at={sealedAt ?? ''} />
          </Ruled>
        ))}
        {setAside.length > 0 && <SideHeading>Set aside</SideHeading>}
        {setAside.map(({ id, name: title }) => (
          <Ruled key={id} label={title}>
            <SetAsideButton id={id} name={title} isAside={false}>
              Bring back
            </SetAsideButton>
          </Ruled>
        ))}
      </Box>
    </Box>
  )
}

const GRID = {
  display: 'grid',
  gridTemplateColumns: {
    xs: '1fr auto',
    sm: 'minmax(180px, 1.1fr) minmax(140px, 1.2fr) 90px 90px minmax(120px, 0.8fr)',
  },
  columnGap: 2,
  alignItems: 'center',
}

type TableProps = { site: string; lines: readonly YardLine[]; bad: readonly BadLine[]; isOnly: boolean }

function SiteTable({ site, lines, bad, isOnly }: TableProps) {
  return (
    <Box component="section" aria-label={site} sx={{ mb: 3 }}>
      {!isOnly && <Typography variant="h2">{site}</Typography>}
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
      {lines.map((line) => (
        <LinkBox
          key={line.id}
          href={`/installation/${line.id}/respond`}
          sx={{
            ...GRID,
            color: 'text.primary',
            textDecoration: 'none',
            borderBottom: 1,
            borderColor: 'divider',
            py: 1.25,
            '&:hover, &:focus-visible': { bgcolor: 'ground.side' },
          }}
        >
          <span>
            <Box component="span" sx={{ fontWeight: 700, display: 'block' }}>
              {line.name}
            </Box>
            <Box component="span" sx={{ fontSize: '0.8125rem', color: 'text.secondary' }}>
              {line.about}
            </Box>
          </span>
          <Box sx={{ order: { xs: 3, sm: 0 }, gridColumn: { xs: '1 / -1', sm: 'auto' } }}>
            <SpeedRail {...line.rail} />
          </Box>
          <Typography
            variant="figure"
            title={`in charge: ${line.speed.rule}`}
            sx={{ textAlign: 'right', color: `cause.${line.speed.cause}`, fontWeight: 600, fontSize: '1.0625rem' }}
          >
            {line.speed.text}
          </Typography>
          <Typography
            variant="figure"
            sx={{ textAlign: 'right', fontSize: '0.875rem', display: { xs: 'none', sm: 'block' } }}
          >
            {line.gives}
          </Typography>
          <Typography
            variant="body2"
            sx={{ color: TONES[line.standing.tone], fontWeight: line.standing.tone === 'plain' ? 400 : 700 }}
          >
            {line.standing.text}
          </Typography>
        </LinkBox>
      ))}
      {bad.map((line) => (
        <BadRow key={line.id} {...line} />
      ))}
    </Box>
  )
}

/** One that cannot be opened: what is wrong with it, and the ways out. */
function BadRow({ id, name, wrong }: BadLine) {
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
        <SetAsideButton id={id} name={name} isAside>
          Set aside
        </SetAsideButton>
      </Typography>
    </Box>
  )
}
