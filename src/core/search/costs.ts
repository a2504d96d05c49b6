import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import type { Response } from '@/core/response/schema'
import type { MeasureId } from '@/core/scenario/measureIds'
import { makeEvaluator, type Judged, type Task } from '@/core/search/evaluator'

/** What could be otherwise: the steps of the output, the digits of the probes, the whole fit to this controller. */
type Limit = 'steps' | 'digit' | 'fit'

/** Without a limit of the kit, what the present setting would come to. */
export type Costs = {
  readonly limit: Limit
  readonly measure: MeasureId
  readonly now: number
  readonly without: number
}

const FINE = 0.05
/** A gain of less than this share of what there is costs nothing. */
const LEAST_SHARE = 0.03

const stepless = (response: Response): Response => ({ ...response, steps: { stepPct: 0, rounding: 'nearest' } })

/** Which limit of the controller or its probes costs most of what counts, at the present setting; null where none costs anything. */
export function whatCostsMost(installation: Installation, task: Task): Costs | null {
  const { asked, given } = derive(installation)
  const evaluator = makeEvaluator(task)
  const now = evaluator.judge(given.response, 'all')
  if (!now) return null
  const fine = {
    ...task,
    space: { ...task.space, probes: task.space.probes.map((probe) => ({ ...probe, resolution: FINE })) },
  }
  const without: readonly (readonly [Limit, Judged | null])[] = [
    ['steps', evaluator.judge(stepless(given.response), 'all')],
    ['digit', makeEvaluator(fine).judge(given.response, 'all')],
    ['fit', evaluator.judge(asked.response, 'all')],
  ]
  const ids: MeasureId[] = [...new Set([...task.aims.then, ...task.aims.hard].map(({ measure }) => measure)), 'changes']
  const found = without.flatMap(([limit, judged]) =>
    judged
      ? ids.flatMap((measure) => {
          const [before, after] = [now.together.get(measure), judged.together.get(measure)]
          if (before === undefined || after === undefined || measure === 'lowest-flow') return []
          const share = (before - after) / Math.max(Math.abs(before), 1)
          return share > LEAST_SHARE ? [{ limit, measure, now: before, without: after, share }] : []
        })
      : [],
  )
  const [most] = found.sort((a, b) => b.share - a.share)
  if (!most) return null
  const { share: _share, ...cost } = most
  return cost
}
