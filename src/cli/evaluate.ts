import { existsSync, writeFileSync } from 'node:fs'
import { loadInstallation } from '@/cli/load'
import { parseCommandLine, readText, UsageError, type Streams } from '@/cli/streams'
import { unitsOf } from '@/cli/units'
import { derive } from '@/core/derive/derive'
import { evaluateAt } from '@/core/derive/evaluate'
import { parseJson } from '@/core/json/parseJson'
import { ok, type Outcome } from '@/core/json/problem'
import type { Machine } from '@/core/machine/compile'
import { loadState, saveState } from '@/core/machine/saveState'
import type { MachineState } from '@/core/machine/state'
import { signalText } from '@/core/physics/signalText'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import { parseQuantity } from '@/core/quantity/parse'
import { inputQuantity, type Input } from '@/core/rules/input'
import { dateOf } from '@/core/rules/yearDay'
import { missingAt } from '@/core/sentences/missing'
import { problemLine, problemText } from '@/core/words/problems'

const USAGE =
  'gale evaluate FILE --at NAME=VALUE[UNIT]… [--clock "Mon 07:30"] [--date 2026-04-15] [--after TIME] [--state FILE] [--asked] [--units us] [--json]'

/** One `NAME=VALUE[UNIT]`, in the input's base unit; a switch takes on and off. */
function parseAt(typed: string, inputs: readonly Input[]): readonly [id: string, value: number] {
  const [, name = '', text = ''] = /^([^=]*)=(.*)$/.exec(typed) ?? []
  const input = inputs.find(({ id }) => id === name)
  if (!input)
    throw new UsageError(`--at ${typed}: there is no input “${name}”; known: ${inputs.map(({ id }) => id).join(', ')}.`)
  if (input.kind === 'switch') {
    if (text === 'on' || text === '1') return [name, 1]
    if (text === 'off' || text === '0') return [name, 0]
    throw new UsageError(`--at ${typed}: a switch is on or off.`)
  }
  const value = parseQuantity(text, inputQuantity(input))
  if (!value.ok) throw new UsageError(`--at ${typed}: ${value.problems.map(problemText).join(' ')}`)
  return [name, value.value]
}

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']

/** A local time of the week as seconds since Monday 00:00. */
function parseClock(typed: string): number {
  const [, day = '', hour = '', minute = ''] =
    /^([a-z]{3})[a-z]*\s+([01]?\d|2[0-3]):([0-5]\d)$/i.exec(typed.trim()) ?? []
  const place = DAYS.indexOf(day.toLowerCase())
  if (place < 0) throw new UsageError(`--clock ${typed}: write a day and a time, as in "Mon 07:30".`)
  return place * 86_400 + Number(hour) * 3600 + Number(minute) * 60
}

/** A local date as days since 1970-01-01. */
function parseDate(typed: string): number {
  const date = /^\d{4}-\d{2}-\d{2}$/.test(typed.trim()) ? dateOf(typed.trim()) : NaN
  if (Number.isNaN(date)) throw new UsageError(`--date ${typed}: write a date, as in 2026-04-15.`)
  return date
}

function parseAfter(typed: string): number {
  const afterS = parseQuantity(typed, 'time')
  if (!afterS.ok) throw new UsageError(`--after ${typed}: ${afterS.problems.map(problemText).join(' ')}`)
  return afterS.value
}

/** Power has just come, and these inputs have stood for so long. */
function fromPower(machine: Machine, inputs: Float64Array, afterS: number): MachineState {
  const state = machine.newState()
  machine.step(state, inputs, 0)
  if (afterS > 0) machine.step(state, inputs, afterS)
  return state
}

/** Goes on from the memory in a file (from power-up where there is none yet), and writes it back. */
function continueFrom(machine: Machine, file: string, afterS: number, inputs: Float64Array): Outcome<MachineState> {
  const before = existsSync(file) ? parseJson(readText(file)) : null
  const state =
    before === null ? ok(fromPower(machine, inputs, afterS)) : before.ok ? loadState(machine, before.value) : before
  if (!state.ok) return state
  if (before !== null) machine.step(state.value, inputs, afterS)
  writeFileSync(file, `${JSON.stringify(saveState(state.value))}\n`)
  return state
}

/** What nobody said of the moment, and what is taken for it. */
function missingText(machine: Machine, at: Readonly<Record<string, number>>): string[] {
  const { inputs, clock, date } = missingAt(machine.response, at)
  return [
    ...inputs.map(({ id }) => `No --at for ${id}: its probe counts as lost.`),
    ...(clock ? ['No --clock: what goes by the week asks for nothing, and set points stay as written.'] : []),
    ...(date ? ['No --date: no season stands, and nothing is of any age.'] : []),
  ]
}

/** What every fan gives at these inputs and why: as the chosen controller will do it, or with `--asked` as it was asked. */
export function evaluate(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    {
      at: { type: 'string', multiple: true },
      clock: { type: 'string' },
      date: { type: 'string' },
      state: { type: 'string' },
      units: { type: 'string' },
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
    ...Object.fromEntries((values.at ?? []).map((typed) => parseAt(typed, installation.response.inputs))),
    ...(values.clock === undefined ? {} : { clock: parseClock(values.clock) }),
    ...(values.date === undefined ? {} : { date: parseDate(values.date) }),
  }
  let state: MachineState | undefined
  const missing = missingText(machine, at)
  const preference = unitsOf(values.units)
  const afterS = values.after === undefined ? null : parseAfter(values.after)
  const inputs = machine.inputsFrom(at)
  if (values.state === undefined && afterS !== null) state = fromPower(machine, inputs, afterS)
  if (values.state !== undefined) {
    const loaded = continueFrom(machine, values.state, afterS ?? 0, inputs)
    if (!loaded.ok) {
      for (const problem of loaded.problems) streams.err(`${values.state}: ${problemLine(problem)}`)
      return 1
    }
    state = loaded.value
  }
  const { evaluation } = evaluateAt(machine, derived, at, preference, state)
  for (const line of missing) streams.err(line)
  if (values.json) {
    streams.out(JSON.stringify(missing.length > 0 ? { ...evaluation, missing } : evaluation))
    return 0
  }
  for (const { id, speedPct, signal, flowLs } of evaluation.fans)
    streams.out(
      `${id}: ${formatPct(speedPct)} %, ${signalText(signal)}${flowLs === null ? '' : `, ${formatQuantity(flowLs, 'flow', preference)}`}`,
    )
  for (const { id, isOn } of evaluation.outputs ?? []) streams.out(`${id}: ${isOn ? 'on' : 'off'}`)
  streams.out(evaluation.reason)
  return 0
}
