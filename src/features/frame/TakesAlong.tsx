'use client'

import { useEffect } from 'react'
import { takeAlong } from '@/ui/onSite/along'

/** Whatever is open here is along when the signal goes; what is kept of it later goes there with each save. */
export function TakesAlong({ id }: { id: string }) {
  useEffect(() => void takeAlong(id, false).catch(() => undefined), [id])
  return null
}
