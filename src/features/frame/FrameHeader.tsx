'use client'

import { DUTY_NAMES } from '@/core/brief/duty'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { memo } from 'react'
import { useRailTicks } from '@/features/frame/useRailTicks'
import { RailHandles } from '@/ui/rail/RailHandles'
import { stagePath } from '@/ui/stages'
import { useInstant } from '@/ui/TryItValues'
import { useChanges, useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { id: string; siteName: string; lastSeal: { number: number } | null }

/** What it is, what it has to do with the last seal, and the speed rail. */
export function FrameHeader({ id, siteName, lastSeal }: Props) {
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
        id={id}
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

type RowProps = { id: string; name: string; about: string; changes: number | null; lastNumber: number }

const HeaderRow = memo(function HeaderRow({ id, name, about, changes, lastNumber }: RowProps) {
  const canUndo = useWorkingCopy(({ past }) => past.length > 0)
  const canRedo = useWorkingCopy(({ future }) => future.length > 0)
  const undo = useWorkingCopy((state) => state.undo)
  const redo = useWorkingCopy((state) => state.redo)
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', columnGap: 1.5, rowGap: 0.25, flexWrap: 'wrap' }}>
      <Typography variant="h1" sx={{ fontSize: { xs: '1.1rem', sm: '1.375rem' } }}>
        {name}
      </Typography>
      <Typography sx={{ color: 'text.secondary', flex: 1, minWidth: 180, display: { xs: 'none', sm: 'block' } }}>
        {about}
      </Typography>
      <Typography
        variant="body2"
        sx={{ display: { xs: 'none', sm: 'block' }, bgcolor: 'ground.wont', borderRadius: 1, px: 1, py: 0.25 }}
      >
        {changes === null
          ? 'never sealed'
          : changes === 0
            ? `as rev ${lastNumber}`
            : `${changes} ${changes === 1 ? 'change' : 'changes'} since rev ${lastNumber}`}
      </Typography>
      <Button size="small" variant="outlined" onClick={undo} disabled={!canUndo} title="Ctrl Z">
        Undo
      </Button>
      <Button size="small" variant="outlined" onClick={redo} disabled={!canRedo} title="Ctrl Shift Z">
        Redo
      </Button>
      <Button
        size="small"
        variant="contained"
        component={Link}
        prefetch={false}
        href={stagePath(id, 'hand-over')}
        title="Ctrl Enter"
        sx={{ display: { xs: 'none', sm: 'inline-flex' } }}
      >
        Seal rev {lastNumber + 1}…
      </Button>
    </Box>
  )
})
