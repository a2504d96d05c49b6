'use client'

import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import type { Installation } from '@/core/installation/installation'
import { boxCard } from '@/core/record/boxCard'
import { unsealed } from '@/core/record/sealed'
import { CardCurve } from '@/ui/CardCurve'
import { usePreference } from '@/ui/preference'

/** What two revisions give, over each other: the later solid, the earlier dashed. */
export function CurvePair({ before, after }: { before: Installation; after: Installation }) {
  const preference = usePreference()
  const [was, is] = useMemo(
    () => [before, after].map((document) => boxCard({ ...unsealed(document), preference }).curve),
    [before, after, preference],
  )
  if (!is) return null
  const isSame = was?.input === is.input && was.unit === is.unit
  return (
    <>
      <CardCurve curve={is} other={isSame ? was : null} height={180} />
      {!isSame && (
        <Typography variant="body2">The earlier one answers to something else; its curve is not drawn here.</Typography>
      )}
    </>
  )
}
