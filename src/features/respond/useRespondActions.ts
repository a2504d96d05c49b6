import { today } from '@/ui/clock'
import { useDeferredValue, useMemo } from 'react'
import { offers } from '@/core/sentences/table'
import { VIEW_IDS, VIEWS } from '@/features/respond/views/table'
import { useActions, type Action } from '@/ui/actions'
import { useTryIt } from '@/ui/TryItValues'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** Every sentence that can be added, every view, and settling again, under find-or-do. */
export function useRespondActions(look: (view: string) => void): void {
  // Made anew when a change has settled, not with every figure that is being dragged.
  const document = useDeferredValue(useDocument())
  const edit = useWorkingCopy((state) => state.edit)
  const { settle } = useTryIt()
  const actions = useMemo(
    (): Action[] => [
      ...offers(document).map((offer) => ({
        label: `Add: ${offer.sentence}`,
        group: 'Do here',
        run: () => edit(`add: ${offer.sentence}`, (draft) => offer.add(draft, null, today())),
      })),
      ...VIEW_IDS.filter((id) => VIEWS[id].fits(document)).map((id) => ({
        label: `Look at: ${VIEWS[id].name}`,
        group: 'Do here',
        run: () => look(id),
      })),
      { label: 'Try it as if settled', group: 'Do here', run: settle },
    ],
    [document, edit, look, settle],
  )
  useActions(actions)
}
