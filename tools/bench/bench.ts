import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { readControllerModel, readInstallationText } from '@/core/installation/read'
import { derive } from '@/core/derive/derive'
import { fit } from '@/core/controller/fit'
import { compile } from '@/core/machine/compile'
import { replay } from '@/core/space/replay'
import { pageFigures } from './page'
import { best } from './best'
import { csvSeconds } from './csv'
import { provingTable } from './proving'
import { tenRuleFigures } from './tenRules'

// Measures and prints; it never fails by a figure. Ratios say more than seconds: they hold on another machine.

const YEAR_STEPS = 3_153_600
const STEP_S = 10

const outcome = readInstallationText(readFileSync('demo/installations/fruiting-room.json', 'utf8'))
if (!outcome.ok) throw new Error('the demo cannot be read')
const { response } = outcome.value
const compiled = compile({ ...response, rules: response.rules.slice(0, 1), followers: [], startKick: null })
if (!compiled.ok) throw new Error('the demo ramp cannot be compiled')
const machine = compiled.value

const temps = Float64Array.from({ length: YEAR_STEPS }, (_, index) => 17 + 4 * Math.sin(index / 1300))

function compiledRamp(): number {
  const state = machine.newState()
  const inputs = machine.inputsFrom({})
  let sum = 0
  for (let index = 0; index < YEAR_STEPS; index++) {
    inputs[0] = temps[index]!
    machine.step(state, inputs, STEP_S)
    sum += state.fansPct[0]!
  }
  return sum
}

function plainRamp(): number {
  let sum = 0
  for (let index = 0; index < YEAR_STEPS; index++) {
    const x = temps[index]!
    const asked = x >= 20 ? 90 : x >= 16 ? 22 + (x - 16) * 17 : 22
    sum += asked < 22 ? 22 : asked > 90 ? 90 : asked
  }
  return sum
}

if (Math.abs(compiledRamp() - plainRamp()) > 1e-3) throw new Error('the two loops do not agree')
const machineS = best(3, compiledRamp)
const plainS = best(3, plainRamp)
console.log(
  `evaluator, one ramp: ${(YEAR_STEPS / machineS / 1e6).toFixed(1)} million steps a second; a year at 10 s in ${machineS.toFixed(2)} s`,
)
console.log(`  against a plain loop of the same ramp: ${(machineS / plainS).toFixed(2)} times its time`)
for (const line of tenRuleFigures()) console.log(line)
const full = compile(response)
if (!full.ok) throw new Error('the demo response cannot be compiled')
const series = {
  atS: Float64Array.from({ length: 100_000 }, (_, index) => index * 60),
  inputs: ['roomTemp'],
  values: [temps.slice(0, 100_000)],
}

console.log(
  `replay of 100,000 readings a minute apart, three rules: ${best(3, () => replay(full.value, series)).toFixed(2)} s`,
)
console.log(
  `fit to the chosen controller: ${(best(5, () => fit(response, outcome.value.kit.controller!, { duty: 'grow-room' })) * 1000).toFixed(1)} ms; everything derived on a page: ${(best(5, () => derive(outcome.value)) * 1000).toFixed(1)} ms`,
)
const models = readdirSync('demo/controllers').map((file) => {
  const model = readControllerModel(JSON.parse(readFileSync(`demo/controllers/${file}`, 'utf8')))
  if (!model.ok) throw new Error(`${file} cannot be read`)
  return model.value
})
const slowest = Math.max(...models.map((model) => best(5, () => fit(response, model, { duty: 'grow-room' }))))
console.log(`slowest fit of the ${models.length} demo controllers: ${(slowest * 1000).toFixed(1)} ms`)
console.log(`import of a CSV of 100,000 lines into PostgreSQL: ${(await csvSeconds()).toFixed(1)} s`)
if (existsSync('.next/gale-sources')) for (const line of await pageFigures()) console.log(line)
else console.log('page figures: build first (./gale start)')
for (const line of provingTable()) console.log(line)
