import type { Judge } from '@/core/advise/judgement'
import { isInSkipBand } from '@/core/machine/givable'
import { formatPct } from '@/core/quantity/format'

/** A floor, or a rule’s one speed, inside a skip band is never given: the fan runs at an edge of the band instead. */
export const floorInSkipBand: Judge = ({ response }) => {
  const places = [
    { path: 'response.floor', name: 'The floor', pct: response.floor.speedPct },
    ...response.rules.flatMap((rule, index) =>
      'speedPct' in rule && !rule.off
        ? [{ path: `response.rules.${index}.speedPct`, name: `Rule ${index + 1}`, pct: rule.speedPct }]
        : [],
    ),
  ]
  return places.flatMap(({ path, name, pct }) => {
    const band = (response.skipBands ?? []).find((candidate) => isInSkipBand(candidate, pct))
    if (!band) return []
    return [
      {
        id: `in-skip-band-${path}`,
        severity: 'wears' as const,
        path,
        title: `${name} lies in a skip band.`,
        detail: `${formatPct(pct)} % is passed over; the fan runs at ${formatPct(band.fromPct)} or ${formatPct(band.toPct)} %. Say which.`,
        cure: null,
      },
    ]
  })
}
