import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { dayText } from '@/core/rules/yearDay'
import { ROW_PX, type Columns } from '@/features/yard/rowGrid'
import type { BadLine, YardLine } from '@/features/yard/yardLine'
import { placeAction } from '@/server/actions'
import { PlaceButton } from '@/ui/PlaceButton'
import { paletteVar } from '@/ui/paletteVar'
import { useDates } from '@/ui/preference'
import { SpeedRail } from '@/ui/rail/SpeedRail'
import { TextButton } from '@/ui/TextButton'

const TONES = { plain: 'text.primary', working: 'ground.warnInk', needs: 'ground.warnInk', hurts: 'error.main' }

type RowProps = { line: YardLine; columns: Columns; withSite: boolean }

/** An installation: its rail, what runs and what it gives, its standing. */
export function YardRow({ line, columns, withSite }: RowProps) {
  const dates = useDates()
  const cells = {
    rail: () => (
      <div key="rail" className="rail">
        <SpeedRail {...line.rail} />
      </div>
    ),
    speed: () => (
      <span
        key="speed"
        className="speed"
        title={`active: ${line.speed.rule}`}
        style={{ color: paletteVar(`cause.${line.speed.cause}`) }}
      >
        {line.speed.text}
      </span>
    ),
    gives: () => (
      <span key="gives" className="gives">
        {line.gives}
      </span>
    ),
    check: () => (
      <span key="check" className="check">
        {line.nextVisitOn === null ? '' : dayText(line.nextVisitOn, dates)}
      </span>
    ),
  }
  return (
    <Link prefetch={false} href={`/installation/${line.id}/respond`} className="row">
      <span>
        <b>{line.name}</b>
        <small>
          {withSite && `${line.site} · `}
          {line.about}
        </small>
      </span>
      {columns.map((id) => cells[id]())}
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
  )
}

/** A row that is on its way. */
export const AwaitedRow = ({ isCut, onTryAgain }: { isCut: boolean; onTryAgain: () => void }) => (
  <Box sx={{ height: ROW_PX, borderBottom: 1, borderColor: 'divider', color: 'text.secondary', pt: 1.5 }}>
    {isCut ? (
      <>
        The server cannot be reached. <TextButton onClick={onTryAgain}>Try again</TextButton>
      </>
    ) : (
      '…'
    )}
  </Box>
)

/** One that cannot be opened: what is wrong with it, and the ways out. */
export const BadRow = ({ id, name, wrong, mayArchive }: BadLine & { mayArchive: boolean }) => (
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
