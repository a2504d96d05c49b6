'use client'

import { DUTY_NAMES } from '@/core/brief/duty'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { memo } from 'react'
import { NextInWords } from '@/features/frame/NextButton'
import { useRailTicks } from '@/features/frame/useRailTicks'
import { RailHandles } from '@/ui/rail/RailHandles'
import { BAR_END_PX, BAR_PX, PHONE } from '@/ui/places'
import { useInstant } from '@/ui/TryItValues'
import { useChanges, useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { siteName: string; lastSeal: { number: number } | null }

/** What it is, what it has to do with the last seal, and the speed rail. On a phone the first line is written into the bar at the top, which
 *  leaves room for it. */
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
      sx={{ bgcolor: 'ground.sheet', borderBottom: 1, borderColor: 'divider', px: 2, pt: { md: 0.75 } }}
    >
      <HeaderRow
        name={document.name}
        siteName={siteName}
        duty={DUTY_NAMES[document.brief.duty]}
        controllerName={document.kit.controller?.name ?? 'no controller yet'}
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

type RowProps = {
  name: string
  siteName: string
  duty: string
  controllerName: string
  changes: number | null
  lastNumber: number
}

const HeaderRow = memo(function HeaderRow(props: RowProps) {
  const { name, siteName, duty, controllerName, changes, lastNumber } = props
  const canUndo = useWorkingCopy(({ past }) => past.length > 0)
  const canRedo = useWorkingCopy(({ future }) => future.length > 0)
  const undo = useWorkingCopy((state) => state.undo)
  const redo = useWorkingCopy((state) => state.redo)
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        columnGap: { xs: 0, md: 1.5 },
        // The pointer of the rail comes up to here.
        mb: { md: 0.5 },
        [PHONE]: {
          position: 'absolute',
          top: 0,
          left: 0,
          right: BAR_END_PX,
          height: BAR_PX,
          color: 'ground.barText',
          displayPrint: 'none',
        },
      }}
    >
      <Box
        sx={{
          display: { md: 'contents' },
          flex: 1,
          minWidth: 0,
          pl: { xs: 1.25, md: 0 },
          [PHONE]: {
            maxHeight: BAR_PX,
            overflow: 'hidden',
            fontSize: 11,
            lineHeight: '14px',
            '& > *': { display: 'inline' },
          },
        }}
      >
        <Typography
          variant="h1"
          sx={{ fontSize: { xs: '13px', md: '1.375rem' }, lineHeight: { xs: 'inherit', md: 1.2 } }}
        >
          {name}
        </Typography>{' '}
        <Typography
          variant="body2"
          sx={{
            color: { md: 'text.secondary' },
            flex: 1,
            minWidth: 120,
            fontSize: { xs: '10.5px', md: '0.8125rem' },
            lineHeight: { xs: 'inherit', md: 1.25 },
            // The name alone has room here.
            '@media (max-width: 359px)': { display: 'none' },
          }}
        >
          {siteName} ·{' '}
          <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
            {duty} ·{' '}
          </Box>
          {controllerName}
        </Typography>
      </Box>
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
      <Box sx={{ display: { xs: canRedo ? 'block' : 'none', md: 'block' } }}>
        <BackButton name="Redo" sign="↷" keys="Ctrl Shift Z" onClick={redo} disabled={!canRedo} />
      </Box>
      <NextInWords />
    </Box>
  )
})

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
    sx={{
      minWidth: 44,
      flexShrink: 0,
      px: { xs: 0, md: 1 },
      [PHONE]: { border: 0, color: 'inherit', minHeight: BAR_PX, '&.Mui-disabled': { color: '#7C8A8E' } },
    }}
  >
    <Box component="span" aria-hidden="true" sx={{ fontSize: { xs: '1.3rem', md: 'inherit' }, lineHeight: 1 }}>
      {sign}
    </Box>
    <Box component="span" sx={{ display: { xs: 'none', lg: 'inline' }, ml: 0.75 }}>
      {name}
    </Box>
  </Button>
)
