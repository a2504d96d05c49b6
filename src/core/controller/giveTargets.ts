import { given, type Given } from '@/core/controller/given'
import type { Loss } from '@/core/controller/loss'
import type { ControllerModel, Meaning } from '@/core/controller/schema'
import type { Condition, Response } from '@/core/response/schema'
import type { Target } from '@/core/response/target'

type ValueOf = (means: Meaning, slot: number) => number | undefined
type Year = Pick<Response, 'seasons' | 'seasonNow'>

/** Seasons as the controller has them: by its own date, or by the hand that changes over. */
export function giveSeasons({ seasons, seasonNow }: Response, model: ControllerModel, valueOf: ValueOf): Given<Year> {
  if (!seasons) return given({ seasons: undefined, seasonNow: undefined })
  if (model.abilities?.dates) return given({ seasons, seasonNow: undefined })
  const put = valueOf('season.now', 1)
  const byHand = (put === undefined ? undefined : seasons[put - 1]?.id) ?? seasonNow ?? seasons[0]!.id
  return given(
    { seasons, seasonNow: byHand },
    seasonNow === undefined && ({ kind: 'season-by-hand', season: byHand } satisfies Loss),
  )
}

/** The target with the figures the controller is put to; its other values but that of the night go as asked. */
function withFigures(target: Target, slot: number, valueOf: ValueOf): Target {
  const nightAt = valueOf('target.nightAt', slot)
  return {
    ...target,
    at: valueOf('target.at', slot) ?? target.at,
    ...(target.changes
      ? {
          changes: target.changes.map((change) =>
            nightAt !== undefined && change.mode === 'night' && change.season === undefined && !change.spans
              ? { ...change, at: nightAt }
              : change,
          ),
        }
      : {}),
  }
}

/** As many targets as the controller has, the first ones. */
export function giveTargets(
  { targets = [] }: Response,
  model: ControllerModel,
  valueOf: ValueOf,
): Given<Target[] | undefined> {
  const most = model.abilities?.targets ?? 0
  const kept = targets.slice(0, most)
  const ids = new Set(kept.map(({ id }) => id))
  return given(
    kept.length === 0
      ? undefined
      : kept.map((target, index) => {
          const { follows, ...own } = withFigures(target, index + 1, valueOf)
          return follows !== undefined && ids.has(follows) ? { ...own, follows } : own
        }),
    targets.length > most && { kind: 'part-left-out', part: 'targets', name: targets[most]!.name },
  )
}

type Tied = { readonly target?: string | undefined }
type Targets = readonly Target[] | undefined

/** Freed of a target that the controller does not have. */
export function freed<T extends object>(part: T, kept: Targets): T {
  const { target, ...free } = part as T & Tied
  return target === undefined || kept?.some(({ id }) => id === target) ? part : (free as unknown as T)
}

/** A condition that keeps its distance from its target where the controller's step puts that elsewhere; freed of one it does not have. */
export function carried<C extends Condition>(condition: C, kept: Targets, asked: Targets): C {
  const free = freed(condition, kept)
  if (!('target' in free) || free.target === undefined) return free
  const at = (targets: Targets) => targets?.find(({ id }) => id === free.target)?.at ?? 0
  const moved = (x: number): number => Number((x + at(kept) - at(asked)).toFixed(6))
  return free.kind === 'input'
    ? { ...free, at: moved(free.at) }
    : { ...free, from: moved(free.from), to: moved(free.to) }
}
