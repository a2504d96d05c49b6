'use client'

import { DUTY_NAMES } from '@/core/brief/duty'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { memo } from 'react'
import { useRailTicks } from '@/features/frame/useRailTicks'
import { RailHandles } from '@/ui/rail/RailHandles'
import { useInstant } from '@/ui/TryItValues'
import { useWayOn } from '@/ui/WayOn'
import { useChanges, useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { siteName: string; lastSeal: { number: number } | null }

/** What it is, what it has to do with the last seal, and the speed rail. */
export function FrameHeader({ siteName, lastSeal }: Props) {
  const document = useDocument()
  const { lead, fit } = useDerived()
  const { given } = useInstant()
  const { ticks, onSet, onDone } = useRailTicks()
  const changes = useChanges()
  const { response } = document
  return (
    <Box
      component="section"
      aria-label="Installation"
      sx={{ bgcolor: 'ground.sheet', borderBottom: 1, borderColor: 'divider', px: 2, pt: 1 }}
    >
      <HeaderRow
        name={document.name}
        about={`${siteName} · ${DUTY_NAMES[document.brief.duty]} · ${document.kit.controller?.name ?? 'no controller yet'}`}
        changes={changes}
        lastNumber={lastSeal?.number ?? 0}
      />
      <RailHandles
        startPct={lead?.startPct ?? null}
        floorPct={response.floor.speedPct}
        ceilingPct={response.ceiling.speedPct}
        nowPct={given?.evaluation.fans[0]?.speedPct ?? null}
        ticks={ticks}
        stepPct={fit?.given.steps.stepPct ?? 1}
        onSet={onSet}
        onDone={onDone}
      />
    </Box>
  )
}

type RowProps = { name: string; about: string; changes: number | null; lastNumber: number }

const HeaderRow = memo(function HeaderRow({ name, about, changes, lastNumber }: RowProps) {
  const canUndo = useWorkingCopy(({ past }) => past.length > 0)
  const canRedo = useWorkingCopy(({ future }) => future.length > 0)
  const undo = useWorkingCopy((state) => state.undo)
  const redo = useWorkingCopy((state) => state.redo)
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        columnGap: { xs: 0.5, md: 1.5 },
      }}
    >
      <Typography
        variant="h1"
        sx={{
          fontSize: { xs: '1.1rem', md: '1.375rem' },
          flex: { xs: 1, md: '0 1 auto' },
          minWidth: 0,
          lineHeight: 1.2,
        }}
      >
        {name}
      </Typography>
      <Typography
        variant="body2"
        sx={{ color: 'text.secondary', flex: 1, minWidth: 120, lineHeight: 1.25, display: { xs: 'none', md: 'block' } }}
      >
        {about}
      </Typography>
      <Typography
        variant="body2"
        sx={{
          display: { xs: 'none', md: 'block' },
          flexShrink: 0,
          bgcolor: 'ground.wont',
          borderRadius: 1,
          px: 1,
          py: 0.25,
        }}
      >
        {changes === null
          ? 'never sealed'
          : changes === 0
            ? `same as rev ${lastNumber}`
            : `${changes} ${changes === 1 ? 'change' : 'changes'} since rev ${lastNumber}`}
      </Typography>
      <BackButton name="Undo" sign="↶" keys="Ctrl Z" onClick={undo} disabled={!canUndo} />
      <BackButton name="Redo" sign="↷" keys="Ctrl Shift Z" onClick={redo} disabled={!canRedo} />
      <NextButton />
    </Box>
  )
})

/** Where the work goes on, at the top right: in its words on a desk, a sign under a thumb. */
function NextButton() {
  const way = useWayOn()
  if (!way) return null
  return (
    <Button
      size="small"
      variant="contained"
      component={Link}
      prefetch={false}
      href={way.href}
      aria-label={`Next: ${way.words}`}
      title={`Next: ${way.words}`}
      sx={{ minWidth: 44, maxWidth: { md: 300 }, flexShrink: 0, px: { xs: 0, md: 1.25 } }}
    >
      <Box component="span" aria-hidden="true" sx={{ display: { md: 'none' }, fontSize: '1.3rem', lineHeight: 1 }}>
        →
      </Box>
      <Box component="span" sx={{ display: { xs: 'none', md: 'block' }, textAlign: 'left', lineHeight: 1.2 }}>
        Next: {way.words}
      </Box>
    </Button>
  )
}

type BackProps = { name: string; sign: string; keys: string; onClick: () => void; disabled: boolean }

/** One step back or forth: a sign, and on a desk its word beside it. */
const BackButton = ({ name, sign, keys, onClick, disabled }: BackProps) => (
  <Button
    size="small"
    variant="outlined"
    onClick={onClick}
    disabled={disabled}
    title={`${name}, ${keys}`}
    aria-label={name}
    sx={{ minWidth: 44, flexShrink: 0, px: { xs: 0, md: 1 } }}
  >
    <Box component="span" aria-hidden="true" sx={{ fontSize: { xs: '1.3rem', md: 'inherit' }, lineHeight: 1 }}>
      {sign}
    </Box>
    <Box component="span" sx={{ display: { xs: 'none', md: 'inline' }, ml: 0.75 }}>
      {name}
    </Box>
  </Button>
)
