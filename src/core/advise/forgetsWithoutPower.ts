import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { isPart } from '@/core/controller/schema'
import { weekSpans } from '@/core/response/weekSpans'

/** Settings that power loss erases must be on a list the next person can find. A clock by which nothing goes may be wrong. */
export const forgetsWithoutPower: Judge = ({ kit, response }) => {
  const goesByClock = weekSpans(response).length > 0
  const lost =
    kit.controller?.settings.filter((setting) => setting.power === 'lost' && (isPart(setting) || goesByClock)) ?? []
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
