import { useMemo } from 'react'
import { formatPct } from '@/core/quantity/format'
import { boostOf } from '@/core/rules/table'
import { ruleName } from '@/core/sentences/words'
import type { RailTick } from '@/ui/rail/RailHandles'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** The ticks of the rail and the order they must keep: floor, boost, ceiling. */
export function useRailTicks(): { ticks: RailTick[]; onSet: (id: string, pct: number) => void; onDone: () => void } {
  const response = usePart('response')
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const ticks = useMemo(() => {
    const { floor, ceiling, rules, startKick } = response
    const boost = boostOf(rules)
    const boostPct = boost ? Math.min(boost.speedPct, ceiling.speedPct) : ceiling.speedPct
    const kickPct = startKick?.speedPct ?? 100
    const floorMost = Math.min(boostPct, kickPct)
    const floorTick: RailTick = {
      id: 'floor',
      name: 'floor',
      pct: floor.speedPct,
      colour: 'text.primary',
      minPct: 0,
      maxPct: floorMost,
      atMin: 'The floor cannot lie below 0 %.',
      atMax:
        kickPct < boostPct
          ? `The floor cannot lie above the start kick, ${formatPct(kickPct, preference)} %.`
          : `The floor cannot lie above the ${boost ? 'boost' : 'ceiling'}, ${formatPct(boostPct, preference)} %.`,
    }
    const ceilingTick: RailTick = {
      id: 'ceiling',
      name: 'ceiling',
      pct: ceiling.speedPct,
      colour: 'text.primary',
      minPct: floor.speedPct,
      maxPct: 100,
      atMin: `The ceiling cannot lie below the floor, ${formatPct(floor.speedPct, preference)} %.`,
      atMax: 'There is nothing above 100 %.',
    }
    const boostTick: RailTick[] = boost
      ? [
          {
            id: `boost:${boost.id}`,
            name: 'boost',
            pct: boost.speedPct,
            colour: 'cause.switch',
            minPct: floor.speedPct,
            maxPct: ceiling.speedPct,
            atMin: `The boost (${ruleName(response, boost)}) cannot lie below the floor, ${formatPct(floor.speedPct, preference)} %.`,
            atMax: `The boost cannot lie above the ceiling, ${formatPct(ceiling.speedPct, preference)} %.`,
          },
        ]
      : []
    return [floorTick, ...boostTick, ceilingTick]
  }, [response, preference])

  const onSet = (id: string, pct: number): void =>
    edit(
      `${id.split(':')[0] ?? id} ${formatPct(pct, preference)} %`,
      (draft) => {
        if (id === 'floor') draft.response.floor.speedPct = pct
        else if (id === 'ceiling') draft.response.ceiling.speedPct = pct
        else {
          const rule = draft.response.rules.find((candidate) => `boost:${candidate.id}` === id)
          if (rule && 'speedPct' in rule) rule.speedPct = pct
        }
      },
      `rail-${id}`,
    )
  return { ticks, onSet, onDone }
}
