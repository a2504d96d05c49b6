'use client'

import { useRouter } from 'next/navigation'
import { useEffect, type ReactNode } from 'react'
import { forgetOthers } from '@/ui/onSite/along'
import type { Who } from '@/ui/onSite/browserStore'
import { OnSite } from '@/ui/onSite/OnSite'

/** The same on a page that the server drew: what it shows is asked for again when something was kept. */
export function LiveOnSite({ children, ...who }: Who & { children: ReactNode }) {
  const router = useRouter()
  const { personId } = who
  useEffect(() => void forgetOthers(personId).catch(() => undefined), [personId])
  return (
    <OnSite {...who} onKept={() => router.refresh()}>
      {children}
    </OnSite>
  )
}
