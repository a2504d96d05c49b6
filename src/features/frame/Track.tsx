'use client'

import { usePreference } from '@/ui/preference'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { memo, useDeferredValue, useMemo } from 'react'
import { NextSign } from '@/features/frame/NextButton'
import { standings, type SealSummary } from '@/features/frame/standings'
import { useOpenThings } from '@/ui/openThings'
import { STAGES, stagePath } from '@/ui/stages'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

type Props = { id: string; lastSeal: Omit<SealSummary, 'isCurrent'> | null }

/** On a phone the strip is wider than the screen: the stage one is at comes into view. */
const showInStrip = (item: HTMLElement | null): void => item?.scrollIntoView({ inline: 'center', block: 'nearest' })

/** The stages in the order of the work, each with one line of its standing; a tick where nothing is open. A strip on a phone. */
export function Track({ id, lastSeal }: Props) {
  const path = usePathname()
  const preference = usePreference()
  // A line of standing may come a moment after the figure that is being dragged.
  const document = useDeferredValue(useDocument())
  const derived = useDerived()
  const { open, isSealed } = useOpenThings()
  const lines = useMemo(() => {
    const seal = lastSeal && { ...lastSeal, isCurrent: isSealed }
    return standings(document, derived, open, seal, preference)
  }, [document, derived, open, lastSeal, isSealed, preference])
  const here = STAGES.findIndex((stage) => path.endsWith(`/${stage.id}`))
  return (
    <Box
      component="nav"
      aria-label="Stages"
      sx={{
        width: { md: 168 },
        flexShrink: 0,
        bgcolor: 'ground.paper',
        borderRight: { md: 1 },
        borderBottom: { xs: 1, md: 0 },
        borderColor: { xs: 'divider', md: 'divider' },
        pt: { md: 1.5 },
        display: { xs: 'flex', md: 'block' },
      }}
    >
      <Typography
        variant="body2"
        sx={{ display: { md: 'none' }, alignSelf: 'center', px: 1.25, whiteSpace: 'nowrap', color: 'text.secondary' }}
      >
        {here < 0 ? '' : `${here + 1} of ${STAGES.length}`}
      </Typography>
      <Box
        component="ol"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          display: 'flex',
          flexDirection: { xs: 'row', md: 'column' },
          overflowX: { xs: 'auto', md: 'visible' },
          alignItems: { xs: 'center', md: 'stretch' },
          flex: 1,
        }}
      >
        {STAGES.map((stage, index) => (
          <StageItem
            key={stage.id}
            name={stage.name}
            href={stagePath(id, stage.id)}
            isHere={index === here}
            {...lines[stage.id]}
          />
        ))}
      </Box>
      <NextSign />
    </Box>
  )
}

type ItemProps = { name: string; href: string; isHere: boolean; line: string; isDone: boolean }

const StageItem = memo(function StageItem({ name, href, isHere, line, isDone }: ItemProps) {
  return (
    <Box component="li" ref={isHere ? showInStrip : undefined}>
      <Box
        component={Link}
        prefetch={false}
        href={href}
        aria-current={isHere ? 'step' : undefined}
        sx={{
          display: 'flex',
          gap: 1.25,
          alignItems: 'center',
          color: 'text.primary',
          textDecoration: 'none',
          px: { xs: 1.25, md: 2 },
          py: { xs: 0, md: 0.75 },
          minHeight: 44,
          whiteSpace: { xs: 'nowrap', md: 'normal' },
        }}
      >
        <Mark isDone={isDone} isHere={isHere} />
        <span>
          <Box component="span" sx={{ display: 'block', fontWeight: isHere ? 700 : 400, lineHeight: 1.25 }}>
            {name}
          </Box>
          <Box
            component="span"
            sx={{
              display: { xs: 'none', md: 'block' },
              fontSize: '0.75rem',
              color: 'text.secondary',
              lineHeight: 1.3,
            }}
          >
            {line}
          </Box>
        </span>
      </Box>
    </Box>
  )
})

function Mark({ isDone, isHere }: { isDone: boolean; isHere: boolean }) {
  return (
    <Box
      aria-hidden="true"
      sx={{
        width: 20,
        height: 20,
        flexShrink: 0,
        borderRadius: '50%',
        border: '2px solid',
        borderColor: isDone || isHere ? 'cause.speed' : 'text.secondary',
        bgcolor: isDone && !isHere ? 'cause.speed' : 'transparent',
        color: 'ground.sheet',
        fontSize: '0.7rem',
        fontWeight: 700,
        display: 'grid',
        placeItems: 'center',
      }}
    >
      {isHere ? <Box sx={{ width: 8, height: 8, borderRadius: '50%', bgcolor: 'cause.speed' }} /> : isDone ? '✓' : ''}
    </Box>
  )
}
