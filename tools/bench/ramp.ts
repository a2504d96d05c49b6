import { readdirSync, readFileSync } from 'node:fs'
import { readInstallationText } from '@/core/installation/read'
import { compile, type Machine } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import { best } from './best'

const STEPS = 3_153_600
const STEP_S = 10
const DEMOS = 'demo/installations'

const demoResponse = (file: string): Response => {
  const read = readInstallationText(readFileSync(`${DEMOS}/${file}`, 'utf8'))
  if (!read.ok) throw new Error(`${file} cannot be read`)
  return read.value.response
}

function machineOf(response: Response): Machine {
  const compiled = compile(response)
  if (!compiled.ok) throw new Error(JSON.stringify(compiled.problems))
  return compiled.value
}

/** Runs every demo response through this process, as a page does before it runs the next: call sites have then seen many machines. */
export function pollute(): void {
  for (const file of readdirSync(DEMOS)) {
    const machine = machineOf(demoResponse(file))
    const [state, columns] = [machine.newState(), machine.newColumns()]
    columns.dtS.fill(STEP_S)
    for (const raw of columns.raw)
      for (let row = 0; row < columns.length; row++) raw[row] = 20 + 15 * Math.sin(row / 100)
    for (let time = 0; time < 50; time++) machine.run(state, columns, columns.length)
    for (let time = 0; time < 2000; time++) machine.step(state, machine.inputsFrom({}), STEP_S)
  }
}

/** A year of one ramp with floor and ceiling, against a plain loop of the same. */
export function rampFigures(): string[] {
  const response = demoResponse('fruiting-room.json')
  const machine = machineOf({ ...response, rules: response.rules.slice(0, 1), followers: [], startKick: null })
  const temps = Float64Array.from({ length: STEPS }, (_, index) => 17 + 4 * Math.sin(index / 1300))

  function inBlocks(): number {
    const [state, columns] = [machine.newState(), machine.newColumns()]
    columns.dtS.fill(STEP_S)
    let sum = 0
    for (let from = 0; from < STEPS; from += columns.length) {
      const count = Math.min(columns.length, STEPS - from)
      columns.raw[0] = temps.subarray(from, from + count)
      machine.run(state, columns, count)
      const given = columns.fansPct[0]!
      for (let row = 0; row < count; row++) sum += given[row]!
    }
    return sum
  }

  function plain(): number {
    let sum = 0
    for (let index = 0; index < STEPS; index++) {
      const x = temps[index]!
      const asked = x >= 20 ? 90 : x >= 16 ? 22 + (x - 16) * 17 : 22
      sum += asked < 22 ? 22 : asked > 90 ? 90 : asked
    }
    return sum
  }

  if (Math.abs(inBlocks() - plain()) > 1e-3) throw new Error('the two loops do not agree')
  const [blocksS, plainS] = [best(3, inBlocks), best(3, plain)]
  return [
    `evaluator, one ramp: ${(STEPS / blocksS / 1e6).toFixed(1)} million steps a second; a year at 10 s in ${blocksS.toFixed(2)} s`,
    `  against a plain loop of the same ramp: ${(blocksS / plainS).toFixed(2)} times its time (aim 9)`,
  ]
}
