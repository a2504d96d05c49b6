'use client'

import type { ComponentProps } from 'react'
import { OutagePage } from '@/features/outage/OutagePage'
import { usePutLog } from '@/ui/onSite/who'

type Props = Omit<ComponentProps<typeof OutagePage>, 'onWrite'> & { mayWork: boolean }

/** The sheet where it is worked through: what is written goes into the log, now or when there is signal. */
export function OutageOnSite({ mayWork, ...page }: Props) {
  const putLog = usePutLog()
  return (
    <OutagePage
      {...page}
      onWrite={
        mayWork
          ? async (entry) => {
              await putLog({ ...entry, label: 'what was done after an outage' })
              return { kind: 'done' }
            }
          : null
      }
    />
  )
}
