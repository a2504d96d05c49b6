'use client'

import { useEffect } from 'react'
import { Fault } from '@/ui/Fault'
import { mayTryAgain } from '@/ui/tryAgain'

const AFTER_MS = 2500

const loadAnew = (): void => window.location.reload()

/** Something went wrong while a page was made: it tries again by itself a few times. What was kept is kept; working copies also lie in the browser. */
export default function ErrorPage() {
  useEffect(() => {
    if (!mayTryAgain(Date.now())) return
    const timer = setTimeout(loadAnew, AFTER_MS)
    return () => clearTimeout(timer)
  }, [])
  return (
    <Fault title="This page could not be made" onAgain={loadAnew}>
      The database could not be reached, or something is wrong in the program. Nothing that was kept is lost, and
      changes not yet sent lie in this browser. It tries again by itself in a moment.
    </Fault>
  )
}
