'use client'

import { useMemo } from 'react'
import { daysOf } from '@/core/rehearse/daysOf'
import type { Scenario } from '@/core/scenario/schema'
import { spaceOf } from '@/core/space/starting'
import type { Space } from '@/core/space/schema'
import type { Installation } from '@/core/installation/installation'
import { useDocument } from '@/ui/workingCopy/context'

/** The installation without what a rehearsal leaves in it: a result that is kept runs nothing anew. */
export function useRehearsed(): Installation {
  const document = useDocument()
  const { schema, name, brief, kit, calibration, response, dial } = document
  return useMemo(
    () => ({ schema, name, brief, kit, calibration, response, dial }),
    [schema, name, brief, kit, calibration, response, dial],
  )
}

/** The space it is rehearsed in: its own, or one to begin with. */
export function useSpace(): Space {
  const { brief, kit, calibration, response, space } = useDocument()
  return useMemo(
    () => spaceOf({ brief, kit, calibration, response, ...(space ? { space } : {}) }),
    [brief, kit, calibration, response, space],
  )
}

/** The days there are for this installation, its own after those that are built in. */
export function useDays(space: Space, days: number): readonly Scenario[] {
  const { brief, response, scenarios } = useDocument()
  return useMemo(
    () => daysOf({ brief, response, ...(scenarios ? { scenarios } : {}) }, space, days),
    [brief, response, scenarios, space, days],
  )
}
