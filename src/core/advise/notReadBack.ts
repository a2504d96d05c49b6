import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { dialIn } from '@/core/controller/dialIn'
import { isDone } from '@/core/installation/dialProgress'

/** Someone began to dial in and what stands in the controller is not what stands here. */
export const notReadBack: Judge = ({ kit, dial }, { fit }) => {
  if (!kit.controller || !fit || dial.done.length === 0) return []
  const settings = dialIn(kit.controller, fit, dial).filter(({ setting }) => setting !== undefined && setting !== null)
  const open = settings.filter((action) => !isDone(action, dial))
  if (open.length === 0) return []
  return [
    {
      id: 'not-read-back',
      severity: 'know',
      path: 'dial',
      says: says('not-read-back', { open: open.length, count: settings.length }),
      cure: null,
    },
  ]
}
