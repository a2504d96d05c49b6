import { loadDocument, loadInstallation } from '@/cli/load'
import { loadScenario, loadSpace } from '@/cli/rehearseDay'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { derive } from '@/core/derive/derive'
import { readAims } from '@/core/installation/read'
import { measureValue } from '@/core/rehearse/words'
import type { Aims } from '@/core/scenario/aims'
import { movableBlanks, presentChoice, type Blank } from '@/core/search/blanks'
import { whatCostsMost } from '@/core/search/costs'
import { makeEvaluator, type Task } from '@/core/search/evaluator'
import { makeProposals } from '@/core/search/proposals'
import { searchNow } from '@/core/search/search'
import { problemLine } from '@/core/words/problems'

const USAGE = 'gale search FILE --aims FILE [--space FILE] [--json]'

/** What may move by the aims: all that can where none is named. */
function freed(blanks: readonly Blank[], { move }: Aims): Blank[] {
  if (!move) return [...blanks]
  return move.flatMap(({ place, from = -Infinity, to = Infinity }) => {
    const blank = blanks.find((one) => one.place === place)
    if (!blank)
      throw new UsageError(`move: nothing can move at “${place}”; known: ${blanks.map((one) => one.place).join(', ')}.`)
    const values = blank.values.filter((value) => (value >= from && value <= to) || value === blank.now)
    return values.length > 1 ? [{ ...blank, values }] : []
  })
}

/** Looks for better settings of an installation's controller by aims; prints proposals. */
export function search(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    { aims: { type: 'string' }, space: { type: 'string' }, json: { type: 'boolean' } },
    USAGE,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1 || values.aims === undefined)
    throw new UsageError(`Name one installation file and its aims.\nUsage: ${USAGE}`)
  const installation = loadInstallation(file, streams)
  const aims = installation && loadDocument(values.aims, readAims, streams)
  const space = installation && loadSpace(values.space, installation, streams)
  if (!installation || !aims || !space) return 1
  const scenarios = aims.over.map((name) => loadScenario(name, installation, space, aims.days, streams))
  if (scenarios.some((scenario) => scenario === null)) return 1
  const { given } = derive(installation)
  if (!given.machine) {
    for (const problem of given.problems) streams.err(`${file}: response.${problemLine(problem)}`)
    return 1
  }
  const blanks = freed(movableBlanks(installation), aims)
  if (blanks.length === 0) {
    streams.err(`${values.aims}: ${problemLine({ code: 'nothing_to_move', path: 'move' })}`)
    return 1
  }
  const task: Task = {
    where: installation,
    space,
    scenarios: scenarios.filter((scenario) => scenario !== null),
    given: given.response,
    blanks,
    aims,
  }
  const evaluator = makeEvaluator(task)
  const result = searchNow(
    {
      sizes: blanks.map(({ values: all }) => all.length),
      present: presentChoice(blanks),
      tries: aims.tries,
      seed: aims.seed,
    },
    (choice, level) => evaluator.score(choice, level),
  )
  const { present, proposals, nothingBetter } = makeProposals(installation, blanks, result, evaluator, aims)
  const costs = whatCostsMost(installation, task)
  if (values.json) {
    const plain = proposals.map(({ moves, score, together, worstDay }) => ({
      moves,
      score,
      measures: Object.fromEntries(together),
      worstDay,
    }))
    streams.out(
      JSON.stringify({
        tried: result.tried,
        isComplete: result.isComplete,
        present: Object.fromEntries(present.together),
        proposals: plain,
        nothingBetter,
        costs,
      }),
    )
    return 0
  }
  const units = new Map(present.byDay.flat().map(({ id, unit }) => [id, unit]))
  const show = (id: Aims['then'][number]['measure'], value: number | undefined) =>
    `${id} ${value === undefined ? '–' : measureValue({ value, unit: units.get(id) ?? 'count' })}`
  streams.out(`${result.tried} tried, ${result.front.length} on the front, seed ${aims.seed}`)
  streams.out(`yours\t${aims.then.map(({ measure }) => show(measure, present.together.get(measure))).join('\t')}`)
  proposals.forEach(({ moves, together, worstDay }, index) => {
    const figures = aims.then.map(({ measure }) => show(measure, together.get(measure)))
    streams.out(`${index + 1}\t${figures.join('\t')}\tworst day ${task.scenarios[worstDay]?.name ?? '–'}`)
    for (const { place, from, to } of moves) streams.out(`\t${place}: ${from} → ${to}`)
  })
  if (nothingBetter) streams.out('Nothing better than yours.')
  if (costs) streams.out(`costs most: ${costs.limit}: ${costs.measure} ${costs.now} → ${costs.without}`)
  return 0
}
