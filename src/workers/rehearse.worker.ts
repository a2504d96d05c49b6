import { expose } from 'comlink'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { ok, type Outcome } from '@/core/json/problem'
import { learn, type Learnt, type LearnReadings } from '@/core/learn/learn'
import { compile } from '@/core/machine/compile'
import type { Explanation } from '@/core/machine/explain'
import { findHunts, leastCalmBand, type Calm, type Hunt } from '@/core/rehearse/hunting'
import { measure, measureContext, type Measure } from '@/core/rehearse/measures'
import { replay, type Replay, type ReplayOptions } from '@/core/rehearse/replay'
import { beginRun, explainAt, makeStage, warmUp, type Stage, type Warm } from '@/core/rehearse/run'
import type { Series } from '@/core/rehearse/series'
import type { Trace } from '@/core/rehearse/trace'
import type { Response } from '@/core/response/schema'
import type { Scenario } from '@/core/scenario/schema'
import { movableBlanks, type Blank } from '@/core/search/blanks'
import { makeEvaluator, type Evaluator, type Task } from '@/core/search/evaluator'
import type { Score } from '@/core/search/front'
import { makeProposals, type Proposals } from '@/core/search/proposals'
import type { Choice, SearchResult } from '@/core/search/search'
import { whatCostsMost, type Costs } from '@/core/search/costs'
import type { Space } from '@/core/space/schema'

/** What is rehearsed: an installation in a space on a day, with the response that is really given. */
export type Job = {
  readonly installation: Installation
  readonly given: Response
  readonly space: Space
  readonly scenario: Scenario
  readonly stepS: number
}

export type Rehearsal = {
  readonly trace: Trace
  readonly measures: readonly Measure[]
  readonly hunts: readonly Hunt[]
  readonly isWhole: boolean
}

/** Steps between two looks at whether somebody wants something else, and the least time between two parts shown, ms. */
const STRETCH = 4000
const PART_EVERY_MS = 400

let latest = 0
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0))

/** Stages that were made, by what they were made of: a cursor that moves asks for the same again and again. */
let held: { readonly job: string; readonly stage: Stage; readonly warm: Warm } | null = null

function staged(job: Job): { readonly stage: Stage; readonly warm: Warm } | null {
  const name = JSON.stringify([job.installation, job.given, job.space, job.scenario, job.stepS])
  if (held?.job === name) return held
  const machine = compile(job.given)
  if (!machine.ok) return null
  const stage = makeStage(job.installation, job.space, job.scenario, job.stepS)
  held = { job: name, stage, warm: warmUp(stage, machine.value) }
  return held
}

const judged = (job: Job, stage: Stage, trace: Trace): Measure[] => measure(trace, measureContext(stage, job.given))

/** Runs a day against a space, shows parts of it while it goes on, and gives way to a later one. Null where that came, or nothing can run. */
async function closedLoop(job: Job, onPart: (part: Rehearsal) => void): Promise<Rehearsal | null> {
  const own = ++latest
  const machine = compile(job.given)
  const made = staged(job)
  if (!machine.ok || !made) return null
  const { stage, warm } = made
  const run = beginRun(stage, machine.value, warm)
  const whole = (trace: Trace, isWhole: boolean): Rehearsal => ({
    trace,
    measures: judged(job, stage, trace),
    hunts: isWhole ? findHunts(trace, machine.value, stage) : [],
    isWhole,
  })
  let shownAt = performance.now()
  for (let step = STRETCH; !run.goTo(step); step += STRETCH) {
    await breathe()
    if (own !== latest) return null
    if (performance.now() - shownAt < PART_EVERY_MS) continue
    shownAt = performance.now()
    onPart(whole({ ...run.trace, filled: step }, false))
  }
  return whole(run.trace, true)
}

/** Ends the run that goes on: what was shown of it stays. */
function stopRun(): void {
  latest++
}

/** Several responses on the same stage, begun alike from the first. */
function sideBySide(job: Job, others: readonly Response[]): (Rehearsal | null)[] {
  const made = staged(job)
  return [job.given, ...others].map((given) => {
    const machine = compile(given)
    if (!made || !machine.ok) return null
    const run = beginRun(made.stage, machine.value, made.warm)
    run.goTo(Infinity)
    return {
      trace: run.trace,
      measures: judged(job, made.stage, run.trace),
      hunts: findHunts(run.trace, machine.value, made.stage),
      isWhole: true,
    }
  })
}

/** Why the fan ran as it did at a step. */
function why(job: Job, step: number): Explanation | null {
  const machine = compile(job.given)
  const made = staged(job)
  return machine.ok && made ? explainAt(made.stage, machine.value, step, made.warm) : null
}

/** The least band that is calm, on the day of the hunt and the one after. */
function calm(job: Job, hunt: Hunt): Calm | null {
  const days = Math.min(job.scenario.days, 2)
  return leastCalmBand(
    job.installation,
    makeStage(job.installation, job.space, { ...job.scenario, days }, job.stepS),
    hunt,
  )
}

let evaluator: Evaluator | null = null

function prepareSearch(task: Task): void {
  evaluator = makeEvaluator(task)
}

function scores(choices: readonly Choice[], level: 'hard-day' | 'all'): Score[] {
  if (!evaluator) throw new Error('no search was prepared')
  return choices.map((choice) => evaluator!.score(choice, level))
}

/** What a search comes to: judged by the aims of this very search, whatever was looked for before. */
const proposals = (installation: Installation, blanks: readonly Blank[], result: SearchResult, task: Task): Proposals =>
  makeProposals(installation, blanks, result, makeEvaluator(task), task.aims)

const blanksOf = (installation: Installation): Blank[] => movableBlanks(installation)

const costs = (installation: Installation, task: Task): Costs | null => whatCostsMost(installation, task)

/** Runs readings through a response away from the page, open loop. */
function rehearseReadings(
  response: Response,
  series: Series,
  watch: ReplayOptions['watch'],
  onProgress: (share: number) => void,
): Replay | null {
  const machine = compile(response)
  return machine.ok ? replay(machine.value, series, { watch, onProgress }) : null
}

const learnSpace = (installation: Installation, space: Space, readings: LearnReadings): Outcome<Learnt> =>
  learn(space, installation, readings)

/** The speeds a response as it is given would have run at, for a file that has none. */
function speedsOf(installation: Installation, series: Series): Outcome<readonly Float64Array[]> {
  const { machine, problems } = derive(installation).given
  return machine ? ok(replay(machine, series).fansPct) : { ok: false, problems }
}

const worker = {
  closedLoop,
  stopRun,
  sideBySide,
  why,
  calm,
  prepareSearch,
  scores,
  proposals,
  blanksOf,
  costs,
  rehearseReadings,
  learnSpace,
  speedsOf,
}
export type RehearseWorker = typeof worker

expose(worker)
