'use client'

import { useRef, useState } from 'react'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { checkAims, type Aims } from '@/core/scenario/aims'
import type { Scenario } from '@/core/scenario/schema'
import type { Costs } from '@/core/search/costs'
import { presentChoice, type Blank } from '@/core/search/blanks'
import type { Task } from '@/core/search/evaluator'
import type { Proposals } from '@/core/search/proposals'
import { searchSettings, type Evaluated, type SearchResult } from '@/core/search/search'
import type { Space } from '@/core/space/schema'
import { problemLine } from '@/core/words/problems'
import { evaluateInPool, patientWorker } from '@/workers/rehearse'

export type Search =
  | { readonly kind: 'looking'; readonly tried: number; readonly of: number; readonly best: readonly Evaluated[] }
  | { readonly kind: 'refused'; readonly text: string }
  | {
      readonly kind: 'found'
      readonly task: Task
      readonly result: SearchResult
      readonly found: Proposals
      readonly costs: Costs | null
      readonly tookMs: number
      readonly wasStopped: boolean
    }

type Asked = {
  readonly installation: Installation
  readonly space: Space
  readonly scenarios: readonly Scenario[]
  readonly blanks: readonly Blank[]
  readonly aims: Aims
}

/** A search on all cores, which can be stopped: what was found until then is shown. */
export function useSearch(onFound: (best: number) => void) {
  const [search, setSearch] = useState<Search | null>(null)
  const stop = useRef(false)

  async function look({ installation, space, scenarios, blanks, aims }: Asked): Promise<void> {
    const problems = [
      ...checkAims(aims),
      ...(blanks.length === 0 ? [{ code: 'nothing_to_move', path: 'move' } as const] : []),
    ]
    if (problems.length > 0) return setSearch({ kind: 'refused', text: problems.map(problemLine).join(' ') })
    stop.current = false
    const startedAt = performance.now()
    setSearch({ kind: 'looking', tried: 0, of: aims.tries, best: [] })
    const task: Task = {
      where: installation,
      space,
      scenarios,
      given: derive(installation).given.response,
      blanks,
      aims,
    }
    const result = await searchSettings({
      sizes: blanks.map(({ values }) => values.length),
      present: presentChoice(blanks),
      evaluate: await evaluateInPool(task),
      tries: aims.tries,
      seed: aims.seed,
      onProgress: (tried, best) => setSearch({ kind: 'looking', tried, of: aims.tries, best }),
      isStopped: () => stop.current,
    })
    const worker = patientWorker()
    const found = await worker.proposals(installation, blanks, result, task)
    const costs = await worker.costs(installation, task)
    onFound(Math.max(0, found.best))
    setSearch({
      kind: 'found',
      task,
      result,
      found,
      costs,
      tookMs: performance.now() - startedAt,
      wasStopped: stop.current,
    })
  }
  return { search, look, stop: () => (stop.current = true) }
}
