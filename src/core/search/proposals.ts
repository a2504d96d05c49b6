import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { valueAt } from '@/core/json/path'
import type { Response } from '@/core/response/schema'
import type { Measure } from '@/core/rehearse/measures'
import type { MeasureId } from '@/core/scenario/measureIds'
import type { Aims } from '@/core/scenario/aims'
import { withFigures, type Blank } from '@/core/search/blanks'
import type { Evaluator, Judged } from '@/core/search/evaluator'
import { dominates, type Score } from '@/core/search/front'
import type { Evaluated, SearchResult } from '@/core/search/search'

type Move = { readonly place: string; readonly name: string; readonly from: number; readonly to: number }

/** A setting worth offering: what moves, what the controller makes of it, what it comes to. */
export type Proposal = {
  readonly response: Response
  readonly moves: readonly Move[]
  readonly score: Score
  readonly together: ReadonlyMap<MeasureId, number>
  readonly byDay: readonly (readonly Measure[])[]
  /** The day on which the first aim is worst, by its place. */
  readonly worstDay: number
  /** Which aim it is best in; null: some of each. */
  readonly bestIn: number | null
}

export type Proposals = {
  readonly present: Judged
  readonly proposals: readonly Proposal[]
  /** The one that is best by the order or the weights of the aims, by its place; −1 where none is offered. */
  readonly best: number
  /** Nothing found is better in one thing that counts without being worse in another. */
  readonly nothingBetter: boolean
}

const PROPOSED = 5

/** Places spread along a front, both ends among them. */
function spread<T>(list: readonly T[], count: number): T[] {
  if (list.length <= count) return [...list]
  return Array.from({ length: count }, (_, index) => list[Math.round((index * (list.length - 1)) / (count - 1))]!)
}

/** The weight of each aim: as named, else half of the one before. */
const weightsOf = ({ then }: Aims): number[] => then.map(({ weight }, index) => weight ?? 0.5 ** index)

const sameFigures = (a: Response, b: Response, blanks: readonly Blank[]): boolean =>
  blanks.every(({ place }) => Math.abs(Number(valueAt(a, place)) - Number(valueAt(b, place))) < 1e-6)

function worstDayOf(byDay: Judged['byDay'], aim: MeasureId | undefined): number {
  const values = byDay.map((measures) => measures.find(({ id }) => id === aim)?.value ?? -Infinity)
  return values.indexOf(Math.max(...values))
}

/** Five settings along the front, each fitted once more as a whole: what the controller really makes of it is what is judged and offered. */
export function makeProposals(
  installation: Installation,
  blanks: readonly Blank[],
  result: SearchResult,
  evaluator: Evaluator,
  aims: Aims,
): Proposals {
  const { given } = derive(installation)
  const present = evaluator.judge(given.response, 'all')
  if (!present) throw new RangeError('the present setting cannot be rehearsed')
  const along = [...result.front].sort((a, b) => a.score.aims[0]! - b.score.aims[0]!)
  const weighed = bestByWeight(
    along.map(({ score }) => score),
    weightsOf(aims),
  )
  // What is better in something and worse in nothing comes first, then what the order of the aims likes best, then the whole of the front.
  const better = along.filter(({ score }) => dominates(score, present.score)).slice(0, 2)
  const liked = weighed < 0 ? [] : [along[weighed]!]
  const picked = [...new Set([...better, ...liked, ...spread(along, PROPOSED)])].slice(0, PROPOSED)
  const made = picked.flatMap((one) => {
    const proposal = propose(installation, blanks, one, evaluator, aims)
    return proposal && proposal.moves.length > 0 ? [proposal] : []
  })
  const distinct = made.filter(
    (one, index) => made.findIndex((other) => sameFigures(one.response, other.response, blanks)) === index,
  )
  const named = distinct.map((proposal) => ({ ...proposal, bestIn: bestAim(proposal, distinct) }))
  const proposals = named
    .filter(({ score }) => !dominates(present.score, score))
    .sort((a, b) => a.score.aims[0]! - b.score.aims[0]!)
  return {
    present,
    proposals,
    best: bestByWeight(
      proposals.map(({ score }) => score),
      weightsOf(aims),
    ),
    nothingBetter: !named.some(({ score }) => dominates(score, present.score)),
  }
}

/** The one whose aims come to least, each as a share of how far it ranges, by its weight; the least broken limits first. */
function bestByWeight(scores: readonly Score[], weights: readonly number[]): number {
  const ranges = weights.map((_, aim) => {
    const values = scores.map(({ aims }) => aims[aim]!)
    return [Math.min(...values), Math.max(...values)] as const
  })
  const cost = ({ breaks, aims }: Score): number =>
    breaks * 1e6 +
    aims.reduce((sum, value, aim) => {
      const [low, high] = ranges[aim]!
      return sum + (high > low ? (weights[aim]! * (value - low)) / (high - low) : 0)
    }, 0)
  const costs = scores.map(cost)
  return costs.indexOf(Math.min(...costs))
}

/** The aim in which one is better than all others. */
function bestAim(proposal: Pick<Proposal, 'score'>, all: readonly Pick<Proposal, 'score'>[]): number | null {
  const aim = proposal.score.aims.findIndex((value, index) =>
    all.every((other) => other === proposal || value < other.score.aims[index]!),
  )
  return aim < 0 ? null : aim
}

function propose(
  installation: Installation,
  blanks: readonly Blank[],
  { choice }: Evaluated,
  evaluator: Evaluator,
  aims: Aims,
): Proposal | null {
  const figures = blanks.map(({ place, values }, index) => ({ place, value: values[choice[index]!]! }))
  const moved = figures.filter(({ value }, index) => Math.abs(value - blanks[index]!.now) > 1e-9)
  const asked = withFigures(installation.response, moved)
  const { response, machine } = derive({ ...installation, response: asked }).given
  const judged = machine && evaluator.judge(response, 'all')
  if (!judged) return null
  const moves = blanks.flatMap(({ place, name, now }): Move[] => {
    const to = valueAt(response, place)
    return typeof to === 'number' && Math.abs(to - now) > 1e-9 ? [{ place, name, from: now, to }] : []
  })
  return {
    response: asked,
    moves,
    score: judged.score,
    together: judged.together,
    byDay: judged.byDay,
    worstDay: worstDayOf(judged.byDay, aims.then[0]?.measure),
    bestIn: null,
  }
}
