import { existsSync, writeFileSync } from 'node:fs'
import { loadInstallation } from '@/cli/load'
import { parseCommandLine, readText, UsageError, type Streams } from '@/cli/streams'
import { derive } from '@/core/derive'
import { evaluateAt } from '@/core/evaluate'
import { signalText } from '@/core/motor/signalText'
import { good, problemLine, problemText, type Outcome } from '@/core/problem'
import { formatPct, formatQuantity, METRIC } from '@/core/quantity/format'
import { parseQuantity } from '@/core/quantity/parse'
import type { Machine, MachineState } from '@/core/response/compile'
import { loadState, saveState } from '@/core/response/saveState'
import { parseJson } from '@/core/document/read'
import { inputQuantity } from '@/core/response/rules/kind'
import type { Input } from '@/core/response/schema'

const USAGE =
  'gale evaluate FILE --at NAME=VALUE[UNIT]… [--clock "Mon 07:30"] [--state FILE --after SECONDS] [--asked] [--json]'

/** One `NAME=VALUE[UNIT]`, in the input's base unit; a switch takes on and off. */
export function parseAt(said: string, inputs: readonly Input[]): readonly [id: string, value: number] {
  const [, name = '', text = ''] = /^([^=]*)=(.*)$/.exec(said) ?? []
  const input = inputs.find(({ id }) => id === name)
  if (!input)
    throw new UsageError(`--at ${said}: there is no input “${name}”; known: ${inputs.map(({ id }) => id).join(', ')}.`)
  if (input.kind === 'switch') {
    if (text === 'on' || text === '1') return [name, 1]
    if (text === 'off' || text === '0') return [name, 0]
    throw new UsageError(`--at ${said}: a switch is on or off.`)
  }
  const value = parseQuantity(text, inputQuantity(input))
  if (!value.ok) throw new UsageError(`--at ${said}: ${value.problems.map(problemText).join(' ')}`)
  return [name, value.value]
}

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']

/** A local time of the week as seconds since Monday 00:00. */
export function parseClock(said: string): number {
  const [, day = '', hour = '', minute = ''] =
    /^([a-z]{3})[a-z]*\s+([01]?\d|2[0-3]):([0-5]\d)$/i.exec(said.trim()) ?? []
  const place = DAYS.indexOf(day.toLowerCase())
  if (place < 0) throw new UsageError(`--clock ${said}: write a day and a time, as in "Mon 07:30".`)
  return place * 86_400 + Number(hour) * 3600 + Number(minute) * 60
}

/** Goes on from the memory in a file (at rest where there is none yet), one step, and writes it back. */
function continueFrom(
  machine: Machine,
  file: string,
  afterText: string,
  at: Readonly<Record<string, number>>,
): Outcome<MachineState> {
  const afterS = parseQuantity(afterText, 'time')
  if (!afterS.ok) throw new UsageError(`--after ${afterText}: ${afterS.problems.map(problemText).join(' ')}`)
  const before = existsSync(file) ? parseJson(readText(file)) : null
  const state = before === null ? good(machine.newState()) : before.ok ? loadState(machine, before.value) : before
  if (!state.ok) return state
  machine.step(state.value, machine.inputsFrom(at), before === null ? 0 : afterS.value)
  writeFileSync(file, `${JSON.stringify(saveState(state.value))}\n`)
  return state
}

/** What every fan gives at these inputs and why: as the chosen controller will do it, or with `--asked` as it was asked. */
export function evaluate(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    {
      at: { type: 'string', multiple: true },
      clock: { type: 'string' },
      state: { type: 'string' },
      after: { type: 'string' },
      asked: { type: 'boolean' },
      json: { type: 'boolean' },
    },
    USAGE,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new UsageError(`Name one installation file.\nUsage: ${USAGE}`)
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const derived = derive(installation)
  const { machine } = values.asked ? derived.asked : derived.given
  if (!machine) return 1
  const at = {
    ...Object.fromEntries((values.at ?? []).map((said) => parseAt(said, installation.response.inputs))),
    ...(values.clock === undefined ? {} : { clock: parseClock(values.clock) }),
  }
  let state: MachineState | undefined
  if (values.state !== undefined) {
    const loaded = continueFrom(machine, values.state, values.after ?? '0', at)
    if (!loaded.ok) {
      for (const problem of loaded.problems) streams.err(`${values.state}: ${problemLine(problem)}`)
      return 1
    }
    state = loaded.value
  }
  const { evaluation } = evaluateAt(machine, derived, at, METRIC, state)
  if (values.json) {
    streams.out(JSON.stringify(evaluation))
    return 0
  }
  for (const { id, speedPct, signal, flowLs } of evaluation.fans)
    streams.out(
      `${id}: ${formatPct(speedPct)} %, ${signalText(signal)}${flowLs === null ? '' : `, ${formatQuantity(flowLs, 'flow')}`}`,
    )
  for (const { id, isOn } of evaluation.outputs ?? []) streams.out(`${id}: ${isOn ? 'on' : 'off'}`)
  streams.out(evaluation.reason)
  return 0
}
