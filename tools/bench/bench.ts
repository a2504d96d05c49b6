import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { readControllerModel, readInstallationText } from '@/core/installation/read'
import { derive } from '@/core/derive/derive'
import { fit } from '@/core/controller/fit'
import { compile } from '@/core/machine/compile'
import { replay } from '@/core/rehearse/replay'
import { pageFigures } from './page'
import { best } from './best'
import { csvSeconds } from './csv'
import { provingTable } from './proving'
import { rehearseFigures } from './rehearse'
import { pollute, rampFigures } from './ramp'
import { yardFigures } from './yard'
import { tenRuleFigures } from './tenRules'

// Measures and prints; it never fails by a figure. Ratios say more than seconds: they hold on another machine.

pollute()
for (const line of [...rampFigures(), ...tenRuleFigures()]) console.log(line)

const outcome = readInstallationText(readFileSync('demo/installations/fruiting-room.json', 'utf8'))
if (!outcome.ok) throw new Error('the demo cannot be read')
const { response } = outcome.value
const full = compile(response)
if (!full.ok) throw new Error('the demo response cannot be compiled')
const series = {
  atS: Float64Array.from({ length: 100_000 }, (_, index) => index * 60),
  inputs: ['roomTemp'],
  values: [Float64Array.from({ length: 100_000 }, (_, index) => 17 + 4 * Math.sin(index / 1300))],
}

console.log(
  `replay of 100,000 readings a minute apart, three rules: ${best(3, () => replay(full.value, series)).toFixed(2)} s`,
)
console.log(
  `fit to the chosen controller: ${(best(5, () => fit(response, outcome.value.kit.controller!, { duty: 'grow-room' })) * 1000).toFixed(1)} ms; everything derived of a changed response: ${(best(5, () => derive({ ...outcome.value, response: structuredClone(response) })) * 1000).toFixed(1)} ms (aim 3; most of it is the fit, which measures every curve)`,
)
const models = readdirSync('demo/controllers').map((file) => {
  const model = readControllerModel(JSON.parse(readFileSync(`demo/controllers/${file}`, 'utf8')))
  if (!model.ok) throw new Error(`${file} cannot be read`)
  return model.value
})
const slowest = Math.max(...models.map((model) => best(5, () => fit(response, model, { duty: 'grow-room' }))))
console.log(`slowest fit of the ${models.length} demo controllers: ${(slowest * 1000).toFixed(1)} ms`)
console.log(`import of a CSV of 100,000 lines into PostgreSQL: ${(await csvSeconds()).toFixed(1)} s`)
if (existsSync('.next/gale-sources'))
  for (const line of [...(await pageFigures()), await yardFigures()]) console.log(line)
else console.log('page figures: build first (./gale start)')
for (const line of provingTable()) console.log(line)
for (const line of rehearseFigures()) console.log(line)
