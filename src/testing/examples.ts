import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { ControllerModel } from '@/core/controller/schema'
import type { Installation } from '@/core/installation/installation'
import { readControllerModel, readInstallationText } from '@/core/installation/read'
import { parseJson } from '@/core/json/parseJson'
import { compile, type Machine } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import type { MeasuredInput } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'
import type { Rule } from '@/core/rules/table'

export const demoText = (path: string): string => readFileSync(join(process.cwd(), 'demo', path), 'utf8')

/** The installations of the demo, a duty each. */
export const DEMO_NAMES = readdirSync(join(process.cwd(), 'demo', 'installations'))
  .filter((file) => !/\.rev\d+\./.test(file))
  .map((file) => file.replace('.json', ''))

export function demoInstallation(name: string): Installation {
  const outcome = readInstallationText(demoText(`installations/${name}.json`))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}

export function demoModel(name: string): ControllerModel {
  const data = parseJson(demoText(`controllers/${name}.json`))
  const outcome = data.ok ? readControllerModel(data.value) : data
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}

/** A response with one temperature and one switch, no rules, floor 20 and ceiling 100; a test puts in what it is about. */
export function exampleResponse(changes: Partial<Response> = {}): Response {
  return {
    schema: 'soft-gale/response@2',
    lead: 'fan',
    inputs: [
      { id: 'temp', kind: 'temperature', name: 'room temperature', from: 0, to: 50 },
      { id: 'boost', kind: 'switch', name: 'boost switch' },
    ],
    floor: { speedPct: 20, reasons: [] },
    ceiling: { speedPct: 100, how: 'clip' },
    rules: [],
    startKick: null,
    followers: [],
    steps: { stepPct: 0, rounding: 'nearest' },
    ...changes,
  }
}

export function machineFor(response: Response): Machine {
  const outcome = compile(response)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}

/** Speed of the lead once everything has settled. */
export const settledPct = (machine: Machine, values: Readonly<Record<string, number>>): number =>
  machine.settledState(machine.inputsFrom(values)).fansPct[0]!

export const measured = (id: string, kind: MeasuredInput['kind']): MeasuredInput => ({
  id,
  kind,
  name: id,
  from: 0,
  to: 100,
})

/** A response with an input of every sort a test may want, floor 0, and these rules. */
export const responseTo = (rules: Rule[], changes: Partial<Response> = {}): Response =>
  exampleResponse({
    inputs: [
      measured('temp', 'temperature'),
      measured('rh', 'humidity'),
      measured('light', 'light'),
      { id: 'contact', kind: 'switch', name: 'contact' },
    ],
    floor: { speedPct: 0, reasons: [] },
    rules,
    ...changes,
  })

/** A ramp that asks in percent what the temperature reads in degrees. */
export const plainRamp = (changes: Partial<Ramp> = {}): Ramp => ({
  id: 'ramp',
  kind: 'ramp',
  input: 'temp',
  startAt: 0,
  fullAt: 100,
  fromPct: 0,
  toPct: 100,
  below: 'nothing',
  ...changes,
})

type Rows = readonly Readonly<Record<string, number>>[]

/** Every fan's speed, the lead first, one step of `dtS` a row of inputs. */
export function fansOver(document: Response, rows: Rows, dtS = 1): number[][] {
  const machine = machineFor(document)
  const state = machine.newState()
  return rows.map((values, index) => {
    machine.step(state, machine.inputsFrom(values), index === 0 ? 0 : dtS)
    return Array.from(state.fansPct)
  })
}

/** Speeds of the lead, one step of `dtS` a row of inputs. */
export const speedsOver = (document: Response, rows: Rows, dtS = 1): number[] =>
  fansOver(document, rows, dtS).map(([lead]) => lead!)
