'use client'

import { Fault } from '@/ui/Fault'

/** Something went wrong while a page was made. What was kept is kept; working copies also lie in the browser. */
export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <Fault title="This page could not be made" onAgain={reset}>
      The database could not be reached, or something is wrong in the program. Nothing that was kept is lost, and
      changes not yet sent lie in this browser.
    </Fault>
  )
}
