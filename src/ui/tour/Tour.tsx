'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { usePathname } from 'next/navigation'
import { useEffect, useEffectEvent } from 'react'
import { PLACES_PX } from '@/ui/places'
import { isDone, TOUR, TOUR_EVENTS } from '@/ui/tour/steps'
import { endTour, goOn, resumeTour, useTourAt } from '@/ui/tour/tourStore'

/** The tour while it is on: one thing to do, in a card that is never in the way of it. What was done leads to the next. */
export function Tour() {
  const path = usePathname()
  const at = useTourAt()
  const step = at === null ? undefined : TOUR[at]
  const hear = useEffectEvent((event: Event) => {
    const target = event.target instanceof Element ? event.target : null
    if (step && target && isDone(step, path, { kind: event.type, target })) goOn()
  })
  const arrive = useEffectEvent((here: string) => {
    if (step && isDone(step, here, null)) goOn()
  })
  useEffect(resumeTour, [])
  useEffect(() => arrive(path), [path, at])
  useEffect(() => {
    for (const kind of TOUR_EVENTS) window.addEventListener(kind, hear, true)
    return () => {
      for (const kind of TOUR_EVENTS) window.removeEventListener(kind, hear, true)
    }
  }, [])
  if (at === null) return null
  return (
    <Box
      component="aside"
      aria-label="Tour"
      sx={{
        position: 'fixed',
        left: { xs: 8, md: 16 },
        right: { xs: 8, md: 'auto' },
        bottom: { xs: PLACES_PX + 88, md: 16 },
        width: { md: 340 },
        bgcolor: 'ground.bar',
        color: 'ground.barText',
        borderRadius: 1,
        p: 1.5,
        zIndex: 20,
        displayPrint: 'none',
      }}
    >
      <Typography component="p" sx={{ fontWeight: 700 }}>
        {step ? `${at + 1} of ${TOUR.length}: ${step.title}` : 'That was the tour'}
      </Typography>
      <Typography variant="body2" role="status" sx={{ mt: 0.5 }}>
        {step ? step.text : 'Press ? on any page for what one does there. What you changed here is only the demo.'}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, mt: 1, '& button': { color: 'inherit', borderColor: 'currentColor' } }}>
        {step && (
          <Button size="small" variant="outlined" onClick={goOn}>
            Skip this
          </Button>
        )}
        <Button size="small" variant="outlined" onClick={endTour}>
          {step ? 'End the tour' : 'Close'}
        </Button>
      </Box>
    </Box>
  )
}
