import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

/** Settings that power loss erases must be on a list the next person can find. */
export const forgetsWithoutPower: Judge = ({ kit }) => {
  const lost = kit.controller?.settings.filter(({ power }) => power === 'lost') ?? []
  if (lost.length === 0) return []
  return [
    {
      id: 'forgets-without-power',
      severity: 'know',
      path: 'kit.controller',
      says: says('forgets-without-power', { settings: lost.map(({ name }) => name) }),
      cure: null,
    },
  ]
}
