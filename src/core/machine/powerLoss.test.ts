import type { Response } from '@/core/response/schema'
import type { Memory } from '@/core/rules/memory'
import type { Rule } from '@/core/rules/table'
import { machineFor, measured, responseTo, speedsOver } from '@/testing/examples'

const away = { isolated: 1 }
const document = (rules: Rule[], keeps: Memory[], changes: Partial<Response> = {}): Response =>
  responseTo(rules, {
    inputs: [
      measured('temp', 'temperature'),
      measured('light', 'light'),
      { id: 'contact', kind: 'switch', name: 'contact' },
      { id: 'isolated', kind: 'switch', name: 'isolator' },
    ],
    overrides: { isolated: 'isolated' },
    keeps,
    ...changes,
  })

const boost: Rule = {
  id: 'boost',
  kind: 'switch',
  input: 'contact',
  speedPct: 80,
  onDelayS: 0,
  overrun: { kind: 'fixed', holdS: 60 },
}
const hysteresis: Rule = {
  id: 'on',
  kind: 'differential',
  input: 'temp',
  action: 'direct',
  onAt: 30,
  offAt: 20,
  speedPct: 50,
  minOnS: 0,
  minOffS: 0,
}
const flue: Rule = { id: 'after', kind: 'hold-after-fall', input: 'temp', armAbove: 60, speedPct: 40, holdS: 60 }
const cycle: Rule = { id: 'cycle', kind: 'cycle', onS: 20, periodS: 60, speedPct: 30 }

// What a power cut takes, and what a controller that keeps it still knows.
test.each([
  { what: 'an overrun', rules: [boost], keeps: [], rows: [{ contact: 1 }, {}, away, {}, {}], given: [80, 80, 0, 0, 0] },
  {
    what: 'an overrun that is kept: its time stands still meanwhile',
    rules: [boost],
    keeps: ['timers'],
    rows: [{ contact: 1 }, {}, {}, away, away, {}, {}, {}, {}, {}, {}],
    given: [80, 80, 80, 0, 0, 80, 80, 80, 80, 80, 0],
  },
  {
    what: 'what was switched on',
    rules: [hysteresis],
    keeps: [],
    rows: [{ temp: 30 }, { temp: 25 }, { temp: 25, ...away }, { temp: 25 }],
    given: [50, 50, 0, 0],
  },
  {
    what: 'what was switched on and is kept',
    rules: [hysteresis],
    keeps: ['latches'],
    rows: [{ temp: 30 }, { temp: 25 }, { temp: 25, ...away }, { temp: 25 }],
    given: [50, 50, 0, 50],
  },
  {
    what: 'the countdown of a hold after a fall',
    rules: [flue],
    keeps: [],
    rows: [{ temp: 70 }, { temp: 50 }, away, { temp: 50 }],
    given: [40, 40, 0, 0],
  },
  {
    what: 'where a cycle was: it begins anew',
    rules: [cycle],
    keeps: [],
    rows: [{}, {}, {}, {}, away, {}, {}, {}],
    given: [30, 30, 0, 0, 0, 30, 30, 0],
  },
  {
    what: 'where a cycle is, kept',
    rules: [cycle],
    keeps: ['cycle'],
    rows: [{}, {}, {}, {}, away, {}, {}, {}, {}],
    given: [30, 30, 0, 0, 0, 0, 0, 0, 30],
  },
] as const)('isolation takes $what', ({ rules, keeps, rows, given }) =>
  expect(speedsOver(document([...rules] as Rule[], [...keeps]), rows, 10)).toEqual(given),
)

test('run-on, heater purge and the heat lamp end with power; a safety stop leaves them be', () => {
  const parts: Partial<Response> = {
    finalRunOn: { holdS: 60, speedPct: null },
    heaterPurge: { input: 'contact', speedPct: 45, holdS: 60 },
    overrides: {
      isolated: 'isolated',
      safetyStop: 'stop',
      overheat: { input: 'box', onAt: 70, offBelow: 50 },
    },
    inputs: [
      measured('temp', 'temperature'),
      measured('box', 'temperature'),
      { id: 'contact', kind: 'switch', name: 'heat' },
      { id: 'isolated', kind: 'switch', name: 'isolator' },
      { id: 'stop', kind: 'switch', name: 'stop' },
    ],
    otherOutputs: [
      { id: 'lamp', kind: 'lamp', name: 'lamp', onWhen: [{ kind: 'overheated' }], notWhile: [], delayS: 0 },
    ],
  }
  const seen = (stop: Readonly<Record<string, number>>) => {
    const machine = machineFor(document([hysteresis], [], parts))
    const state = machine.newState()
    const rows: Readonly<Record<string, number>>[] = [
      { temp: 31, box: 75, contact: 1 },
      { temp: 10, box: 30, ...stop },
      { temp: 10, box: 30 },
    ]
    return rows.map((row) => {
      machine.step(state, machine.inputsFrom(row), 10)
      return [state.fansPct[0], machine.otherOutputs[0]!.isOn(state.memory)]
    })
  }
  expect(seen(away)).toEqual([
    [100, true],
    [0, false],
    [0, false],
  ])
  // The heater purge and the run-on of 50 % still count, and the lamp is latched.
  expect(seen({ stop: 1 })).toEqual([
    [100, true],
    [0, true],
    [50, true],
  ])
})
