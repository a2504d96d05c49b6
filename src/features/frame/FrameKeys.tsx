'use client'

import { usePathname, useRouter } from 'next/navigation'
import { useMemo } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { GLOSSARY } from '@/core/glossary/glossary'
import { useActions } from '@/ui/actions'
import { STAGES, stagePath } from '@/ui/stages'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** Keys of an installation: stages, undo and redo, seal. Single letters are off while typing. */
export function FrameKeys({ id }: { id: string }) {
  const router = useRouter()
  const path = usePathname()
  const undo = useWorkingCopy((state) => state.undo)
  const redo = useWorkingCopy((state) => state.redo)
  const here = STAGES.findIndex((stage) => path.endsWith(`/${stage.id}`))
  const go = (by: number) => {
    const to = STAGES[here + by]
    if (here >= 0 && to) router.push(stagePath(id, to.id))
  }
  useHotkeys('[', () => go(-1), { useKey: true }, [here])
  useHotkeys(']', () => go(1), { useKey: true }, [here])
  useHotkeys('mod+z', undo, { preventDefault: true, enableOnFormTags: true })
  useHotkeys('mod+shift+z', redo, { preventDefault: true, enableOnFormTags: true })
  useHotkeys('mod+enter', () => router.push(stagePath(id, 'hand-over')), { enableOnFormTags: true })
  const actions = useMemo(
    () => [
      { label: 'Undo', group: 'Do here', run: undo },
      { label: 'Redo', group: 'Do here', run: redo },
      ...GLOSSARY.filter(({ behaviour }) => behaviour !== undefined).map(({ term, also }) => ({
        label: `${term}: ${also.join(', ')}`,
        group: 'Words, under Respond',
        run: () => router.push(`${stagePath(id, 'respond')}?add=${encodeURIComponent(term)}`),
      })),
    ],
    [undo, redo, router, id],
  )
  useActions(actions)
  return null
}
