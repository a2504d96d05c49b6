import type { Judge } from '@/core/advise/judgement'

/** Settings that power loss erases must be on a list the next person can find. */
export const forgetsWithoutPower: Judge = ({ kit }) => {
  const lost = kit.controller?.settings.filter(({ power }) => power === 'lost') ?? []
  if (lost.length === 0) return []
  return [
    {
      id: 'forgets-without-power',
      severity: 'know',
      path: 'kit.controller',
      title: `${lost.length === 1 ? 'One setting is' : `${lost.length} settings are`} lost without power.`,
      detail: `After an outage enter again: ${lost.map(({ name }) => name).join(', ')}.`,
      cure: null,
    },
  ]
}
