import { readdirSync } from 'node:fs'
import { DUTIES } from '@/core/brief/duty'
import { CONTROLLER_SCHEMA, ControllerModel } from '@/core/controller/schema'
import { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import { openInstallation } from '@/core/installation/open'
import { readControllerModel, readInstallation } from '@/core/installation/read'
import { Response } from '@/core/response/schema'
import { problemLine } from '@/core/words/problems'
import { demoInstallation, demoModel } from '@/testing/examples'
import { mutate } from '@/testing/mutate'
import { oneOf, seeded } from '@/testing/seeded'
import { openedThroughEverything, throughEverything } from '@/testing/throughEverything'

const named = (folder: string): string[] => readdirSync(`demo/${folder}`).map((file) => file.replace('.json', ''))
const DEMOS = named('installations').map(demoInstallation)
const MODELS = named('controllers').map(demoModel)
const SEEDS = DUTIES.map((duty) => newInstallation(`New ${duty}`, duty))

const CASES = Number(process.env.GALE_FUZZ ?? 600)

/** A model that is not one of ours but passes its check. */
function anyModel(random: () => number): ControllerModel {
  for (;;) {
    const data = mutate(ControllerModel, oneOf(random, MODELS), random, 1 + Math.floor(random() * 3))
    const outcome = readControllerModel(data)
    if (outcome.ok && outcome.value.schema === CONTROLLER_SCHEMA) return outcome.value
  }
}

test('whatever passes check goes through everything; whatever does not is refused with its place', () => {
  let [passed, refused] = [0, 0]
  for (let seed = 1; seed <= CASES; seed++) {
    const random = seeded(seed)
    const start = structuredClone(oneOf(random, [...DEMOS, ...SEEDS]))
    if (random() < 0.3) start.kit.controller = anyModel(random)
    const changes = 1 + Math.floor(random() * 4)
    const data =
      random() < 0.5
        ? mutate(Installation, start, random, changes)
        : { ...start, response: mutate(Response, start.response, random, changes) }
    const outcome = readInstallation(data)
    if (!outcome.ok) {
      refused++
      for (const problem of outcome.problems) expect(problemLine(problem)).toMatch(/^[\w.-]+: .+[^\s]$/s)
      continue
    }
    passed++
    try {
      throughEverything(outcome.value, random() < 0.2 ? [oneOf(random, MODELS), anyModel(random)] : [])
    } catch (error) {
      throw new Error(`seed ${seed}`, { cause: error })
    }
  }
  expect(passed).toBeGreaterThan(CASES / 4)
  expect(refused).toBeGreaterThan(CASES / 20)
}, 300_000)

test('a stored document that contradicts itself opens, and everything but its seal can still be done with it', () => {
  let marked = 0
  for (let seed = 1; seed <= CASES / 3; seed++) {
    const random = seeded(seed * 7919)
    const opened = openInstallation(mutate(Installation, oneOf(random, DEMOS), random, 3))
    if (opened.kind !== 'marked') continue
    marked++
    try {
      openedThroughEverything(opened.document)
    } catch (error) {
      throw new Error(`seed ${seed}`, { cause: error })
    }
  }
  expect(marked).toBeGreaterThan(CASES / 30)
}, 300_000)
