import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { isInSkipBand } from '@/core/machine/givable'

/** A floor, or a rule’s one speed, inside a skip band is never given: the fan runs at an edge of the band instead. */
export const floorInSkipBand: Judge = ({ response }) => {
  const places = [
    { path: 'response.floor', ruleNumber: null, pct: response.floor.speedPct },
    ...response.rules.flatMap((rule, index) =>
      'speedPct' in rule && !rule.off
        ? [{ path: `response.rules.${index}.speedPct`, ruleNumber: index + 1, pct: rule.speedPct }]
        : [],
    ),
  ]
  return places.flatMap(({ path, ruleNumber, pct }) => {
    const band = (response.skipBands ?? []).find((candidate) => isInSkipBand(candidate, pct))
    if (!band) return []
    return [
      {
        id: `in-skip-band-${path}`,
        severity: 'wears' as const,
        path,
        says: says('in-skip-band', { ruleNumber, pct, fromPct: band.fromPct, toPct: band.toPct }),
        cure: null,
      },
    ]
  })
}
