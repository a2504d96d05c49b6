import { fit } from '@/core/controller/fit'
import { explain } from '@/core/machine/explain'
import { withoutInputs } from '@/core/machine/withoutInputs'
import { checkResponse } from '@/core/machine/check'
import type { Response } from '@/core/response/schema'
import { weekSpans } from '@/core/response/weekSpans'
import type { PlainCondition } from '@/core/rules/condition'
import type { Differential } from '@/core/rules/differential'
import { ruleInputIds, withInputs } from '@/core/rules/table'
import { lossText } from '@/core/sentences/lossText'
import { linkText, ruleSentence } from '@/core/sentences/words'
import { demoModel, exampleResponse, machineFor } from '@/testing/examples'

// docs/control-laws.md, conditions: common practice, no source.

const warm: Differential = {
  id: 'warm',
  kind: 'differential',
  input: 'temp',
  action: 'direct',
  onAt: 24,
  offAt: 22,
  speedPct: 70,
  minOnS: 0,
  minOffS: 0,
}
const hanging = (...onlyWhile: PlainCondition[]): Response =>
  exampleResponse({
    inputs: [
      ...exampleResponse().inputs,
      { id: 'outdoor', kind: 'temperature', name: 'outdoor temperature', from: -20, to: 40 },
    ],
    rules: [{ ...warm, onlyWhile }],
  })

/** The lead after each moment, one step of 60 s after the other. */
function leads(response: Response, moments: readonly Readonly<Record<string, number>>[]): number[] {
  const machine = machineFor(response)
  const state = machine.newState()
  return moments.map((moment, index) => {
    machine.step(state, machine.inputsFrom(moment), index === 0 ? 0 : 60)
    return state.fansPct[0]!
  })
}

const cooler: PlainCondition = {
  kind: 'difference',
  input: 'temp',
  minus: 'outdoor',
  when: 'at-or-above',
  by: 2,
  release: 1,
}
const MONDAY_NOON = 12 * 3600

test.each<[string, PlainCondition[], Readonly<Record<string, number>>[], number[]]>([
  [
    'past a point, and once past it until it is back',
    [{ kind: 'input', input: 'outdoor', when: 'at-or-above', at: 10, release: 2 }],
    [
      { temp: 25, outdoor: 9.9 },
      { temp: 25, outdoor: 10 },
      { temp: 25, outdoor: 8.1 },
      { temp: 25, outdoor: 8 },
      { temp: 25, outdoor: 9 },
    ],
    [20, 70, 70, 20, 20],
  ],
  [
    'strictly above a point',
    [{ kind: 'input', input: 'outdoor', when: 'above', at: 10, release: 0 }],
    [
      { temp: 25, outdoor: 10 },
      { temp: 25, outdoor: 10.1 },
    ],
    [20, 70],
  ],
  [
    'between two readings, both of which count',
    [{ kind: 'between', input: 'outdoor', from: 5, to: 15 }],
    [4.9, 5, 15, 15.1].map((outdoor) => ({ temp: 25, outdoor })),
    [20, 70, 70, 20],
  ],
  [
    'cooler outside by two, until it is no more than one',
    [cooler],
    [23.1, 23, 23.9, 24, 23.5].map((outdoor) => ({ temp: 25, outdoor })),
    [20, 70, 70, 20, 20],
  ],
  [
    'a contact',
    [{ kind: 'switch', input: 'boost', is: 'off' }],
    [
      { temp: 25, boost: 0 },
      { temp: 25, boost: 1 },
    ],
    [70, 20],
  ],
  [
    'hours of the week; without a clock it is at no time',
    [{ kind: 'clock', spans: [{ days: [0], startMin: 700, endMin: 721 }] }],
    [{ temp: 25, clock: MONDAY_NOON }, { temp: 25, clock: MONDAY_NOON + 60 }, { temp: 25 }],
    [70, 20, 20],
  ],
  [
    'all of several',
    [cooler, { kind: 'switch', input: 'boost', is: 'on' }],
    [
      { temp: 25, outdoor: 10, boost: 0 },
      { temp: 25, outdoor: 24, boost: 1 },
      { temp: 25, outdoor: 10, boost: 1 },
    ],
    [20, 20, 70],
  ],
  ['a lost reading is past nothing', [cooler], [{ temp: 25 }], [20]],
  [
    'what the rule remembers goes on meanwhile',
    [{ kind: 'switch', input: 'boost', is: 'off' }],
    [
      { temp: 25, boost: 1 },
      { temp: 23, boost: 1 },
      { temp: 23, boost: 0 },
    ],
    [20, 20, 70],
  ],
])('%s', (_what, conditions, moments, expected) => expect(leads(hanging(...conditions), moments)).toEqual(expected))

test('the sentence says it, and why it asks nothing says which does not stand', () => {
  const response = hanging({ kind: 'switch', input: 'boost', is: 'off' }, cooler)
  expect(ruleSentence(response, response.rules[0]!)).toMatch(
    / Only while boost switch is off and room temperature less outdoor temperature is at or above 2.0 K \(until 1.0 K back from it\)\.$/,
  )
  const machine = machineFor(response)
  const inputs = machine.inputsFrom({ temp: 25, outdoor: 24, boost: 0 })
  const { chain } = explain(machine, machine.settledState(inputs), inputs)
  const asks = chain.flatMap((link) => (link.stage === 'ask' && link.rule ? [linkText(response, link)] : []))
  expect(asks).toEqual([
    'Room temperature asks only while room temperature less outdoor temperature is at or above 2.0 K (until 1.0 K back from it), so it asks for nothing.',
  ])
})

test('what it hangs on counts among its inputs and its times of the week', () => {
  const clock: PlainCondition = { kind: 'clock', spans: [{ days: [0], startMin: 60, endMin: 120 }] }
  const response = hanging(cooler, clock)
  const [rule] = response.rules
  expect(ruleInputIds(rule!)).toEqual(['temp', 'temp', 'outdoor'])
  expect(withInputs(rule!, (id) => (id === 'outdoor' ? 'north' : id))).toMatchObject({
    onlyWhile: [{ input: 'temp', minus: 'north' }, clock],
  })
  expect(weekSpans(response)).toEqual(clock.spans)
  expect(withoutInputs(response, ['outdoor']).rules).toEqual([])
})

test.each<[string, PlainCondition, string]>([
  ['an input that is not there', { ...cooler, minus: 'north' }, 'rules.0.onlyWhile.0.minus'],
  ['an input and itself', { ...cooler, minus: 'temp' }, 'rules.0.onlyWhile.0.minus'],
  ['a contact as a reading', { ...cooler, minus: 'boost' }, 'rules.0.onlyWhile.0.minus'],
  ['a range that is none', { kind: 'between', input: 'outdoor', from: 9, to: 9 }, 'rules.0.onlyWhile.0.from'],
  ['a reading as a contact', { kind: 'switch', input: 'temp', is: 'on' }, 'rules.0.onlyWhile.0.input'],
  [
    'an hour of no length',
    { kind: 'clock', spans: [{ days: [0], startMin: 60, endMin: 60 }] },
    'rules.0.onlyWhile.0.spans.0.endMin',
  ],
])('%s is named with its place', (_what, condition, path) =>
  expect(checkResponse(hanging(condition)).map((problem) => problem.path)).toContain(path),
)

test('a controller that knows no conditions loses them, and says what that means', () => {
  const response = hanging(cooler)
  const unit = demoModel('scroll-wheel-balanced')
  const without = fit(response, { ...unit, abilities: { ...unit.abilities, conditions: 0 } }, { duty: 'balanced' })
  expect(without.given.rules[0]).not.toHaveProperty('onlyWhile')
  const lost = without.losses.find((loss) => loss.kind === 'part-left-out' && loss.part === 'conditions')!
  expect(lossText(lost, response).title).toBe('It asks whatever else is.')
  const knows = fit(response, { ...unit, abilities: { ...unit.abilities, conditions: 1 } }, { duty: 'balanced' })
  expect(knows.given.rules[0]).toMatchObject({ onlyWhile: [cooler] })
})
