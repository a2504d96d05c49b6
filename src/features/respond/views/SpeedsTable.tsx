'use client'

import { fanFlowLs } from '@/core/derive/derive'
import { followerPct } from '@/core/machine/follower'
import { namedSpeeds } from '@/core/sentences/namedSpeeds'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import { FigureTable } from '@/ui/FigureTable'
import { usePreference } from '@/ui/preference'
import { useDerived } from '@/ui/workingCopy/context'

/** Every speed that has a name, for the lead and for each fan that follows, in percent and in flow where a map knows it. */
export function SpeedsTable() {
  const { given, fans } = useDerived()
  const preference = usePreference()
  const { response } = given
  const columns = [
    { id: response.lead, at: (pct: number) => pct },
    ...response.followers.map((follower) => ({
      id: follower.fan,
      at: (pct: number) => followerPct(follower, pct, response.floor.speedPct, response.steps),
    })),
  ].map(({ id, at }) => ({ id, at, fan: fans.find(({ fan }) => fan.id === id) }))
  return (
    <FigureTable
      label="Named speeds"
      head={['speed', ...columns.map(({ id, fan }) => fan?.fan.name ?? id)]}
      rows={namedSpeeds(response).map(({ name, pct }) => [
        name,
        ...columns.map(({ at, fan }) => {
          const flowLs = fan ? fanFlowLs(fan, at(pct)) : null
          return `${formatPct(at(pct), preference)} %${flowLs === null ? '' : ` · ${formatQuantity(flowLs, 'flow', preference)}`}`
        }),
      ])}
    />
  )
}
