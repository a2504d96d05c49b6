import { readFileSync } from 'node:fs'
import { derive } from '@/core/derive/derive'
import { readInstallationText } from '@/core/installation/read'
import { makeStage, rehearse, warmUp } from '@/core/rehearse/run'
import { builtInScenarios } from '@/core/scenario/builtIn'
import { movableBlanks, presentChoice } from '@/core/search/blanks'
import { makeEvaluator, type Task } from '@/core/search/evaluator'
import { searchNow } from '@/core/search/search'
import { spaceOf } from '@/core/space/starting'
import { best } from './best'

const WEEK_S = 7 * 86400
const STEP_S = 60

/** The same kind of week by hand: two stores of heat, a ramp, a fan, nothing else, explicit steps. */
function byHand(): number {
  let [airC, fabricC, sum] = [17, 17, 0]
  for (let atS = 0; atS < WEEK_S; atS += STEP_S) {
    const outdoorC = 16 + 6 * Math.sin((atS / 86400) * 2 * Math.PI)
    const pct = Math.max(22, Math.min(90, Math.round((22 + (airC - 16) * 17) / 5) * 5))
    const airWK = 1.2072 * 1.9 * pct
    const k = (airWK + 400) / 310_000
    const towards = (airWK * outdoorC + 400 * fabricC + 900) / (airWK + 400)
    airC = towards + (airC - towards) * Math.exp(-k * STEP_S)
    fabricC += (STEP_S * 384 * (airC - fabricC)) / 3.84e6
    sum += pct
  }
  return sum
}

function taskOf(tries: number): { readonly task: Task; readonly present: readonly number[] } {
  const outcome = readInstallationText(readFileSync('demo/installations/fruiting-room.json', 'utf8'))
  if (!outcome.ok) throw new Error('the demo cannot be read')
  const installation = outcome.value
  const space = spaceOf(installation)
  const days = builtInScenarios({ duty: 'grow-room', probe: 'roomTemp', fan: 'exhaust' }, 7)
  const blanks = movableBlanks(installation)
  return {
    task: {
      where: installation,
      space,
      scenarios: ['hot-spell'].map((id) => days.find((day) => day.id === id)!),
      given: derive(installation).given.response,
      blanks,
      aims: {
        schema: 'soft-gale/aims@1',
        over: ['hot-spell'],
        days: 7,
        hard: [{ measure: 'past-limit', atMost: 2700 }],
        then: [{ measure: 'above-band' }, { measure: 'night-sound' }],
        tries,
        seed: 7,
      },
    },
    present: presentChoice(blanks),
  }
}

/** What a rehearsed week and a search cost. */
export function rehearseFigures(): string[] {
  const { task, present } = taskOf(5000)
  const { machine } = derive(task.where as Parameters<typeof derive>[0]).given
  const stage = makeStage(task.where, task.space, task.scenarios[0]!, STEP_S)
  const warm = warmUp(stage, machine!)
  const into = rehearse(stage, machine!, warm)
  const weekS = best(15, () => rehearse(stage, machine!, warm, into))
  const handS = best(15, byHand)
  const evaluator = makeEvaluator(task)
  const searchS = best(1, () =>
    searchNow(
      { sizes: task.blanks.map(({ values }) => values.length), present, tries: 5000, seed: 7 },
      (choice, level) => evaluator.score(choice, level),
    ),
  )
  return [
    `closed-loop week of one space, 60 s steps: ${(weekS * 1000).toFixed(1)} ms (aim 50), ${(weekS / handS).toFixed(1)} times a loop written by hand`,
    `search of 5,000 candidates over a week: ${searchS.toFixed(1)} s on one core, ${(searchS / 2).toFixed(1)} s on each of two (aim 10)`,
  ]
}
