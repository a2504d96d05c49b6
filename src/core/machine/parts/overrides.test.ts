import { explain } from '@/core/machine/explain'
import type { Response } from '@/core/response/schema'
import { reasonText } from '@/core/sentences/words'
import { fansOver, machineFor, measured, plainRamp, responseTo } from '@/testing/examples'

const switchInput = (id: string) => ({ id, kind: 'switch' as const, name: id })

// Common practice, no source: above its limit the exhaust runs full and the make-up stops until it is below 50 °C again.
const response: Response = responseTo([plainRamp()], {
  inputs: [
    { ...measured('temp', 'temperature'), lostPct: 60 },
    measured('box', 'temperature'),
    switchInput('heat'),
    switchInput('test'),
    switchInput('stop'),
    switchInput('isolated'),
  ],
  followers: [{ fan: 'make-up', ratio: 0.8, floorPct: 0, atLeadFloor: 'follow' }],
  heaterPurge: { input: 'heat', speedPct: 45, holdS: 30 },
  overrides: {
    isolated: 'isolated',
    safetyStop: 'stop',
    overheat: { input: 'box', onAt: 70, offBelow: 50 },
    test: { input: 'test', speedPct: 33 },
  },
  otherOutputs: [
    { id: 'lamp', kind: 'lamp', name: 'heat lamp', onWhen: [{ kind: 'overheated' }], notWhile: [], delayS: 0 },
  ],
})

test('overheat: exhaust full and make-up stopped until below 50 °C; the lamp stays lit until power is removed', () => {
  const machine = machineFor(response)
  const state = machine.newState()
  const lamp = machine.otherOutputs[0]!
  const seen = [40, 69.9, 70, 60, 50, 49.9].map((box) => {
    machine.step(state, machine.inputsFrom({ temp: 20, box }), 10)
    return [...state.fansPct, lamp.isOn(state.memory)]
  })
  expect(seen).toEqual([
    [20, 16, false],
    [20, 16, false],
    [100, 0, true],
    [100, 0, true],
    [100, 0, true],
    [20, 16, true],
  ])
  const afterPower = machine.newState()
  machine.step(afterPower, machine.inputsFrom({ temp: 20, box: 40 }), 0)
  expect(lamp.isOn(afterPower.memory)).toBe(false)
})

// The order of docs/control-laws.md: each row adds a stronger hold to all that stood before.
test.each([
  { name: 'none', values: {}, lead: 20, by: null },
  { name: 'test', values: { test: 1 }, lead: 33, by: 'test' },
  { name: 'lost sensor over test', values: { test: 1, temp: NaN }, lead: 60, by: 'lost-sensor' },
  { name: 'cool-down over test', values: { test: 1, heat: 1 }, lead: 45, by: 'heater-purge' },
  { name: 'overheat over cool-down', values: { heat: 1, box: 80 }, lead: 100, by: 'overheat' },
  { name: 'safety stop over overheat', values: { heat: 1, box: 80, stop: 1 }, lead: 0, by: 'safety-stop' },
  {
    name: 'isolated over all',
    values: { test: 1, temp: NaN, heat: 1, box: 80, stop: 1, isolated: 1 },
    lead: 0,
    by: 'isolated',
  },
])('$name → $lead %', ({ values, lead, by }) => {
  const machine = machineFor(response)
  const read: Record<string, number> = { temp: 20, box: 30 }
  const inputs = machine.inputsFrom(Object.assign(read, values))
  const state = machine.settledState(inputs)
  const held = explain(machine, state, inputs).chain.find((link) => link.stage === 'hold' && link.kind === 'held')
  expect(state.fansPct[0]).toBe(lead)
  expect(held?.stage === 'hold' && held.kind === 'held' ? held.by : null).toBe(by)
})

test('isolated stops at once, past rate and start kick; released, it starts from rest', () =>
  expect(
    fansOver(
      {
        ...response,
        startKick: { speedPct: 100, holdS: 2 },
        rate: { upPctPerS: 200, downPctPerS: 1 },
      },
      [0, 0, 0, 1, 0, 0].map((isolated) => ({ temp: 50, box: 20, isolated })),
    ).map(([lead]) => lead),
  ).toEqual([0, 100, 100, 0, 0, 100]))

test('each hold says itself in words', () => {
  const machine = machineFor(response)
  const wording = (values: Readonly<Record<string, number>>) => {
    const inputs = machine.inputsFrom({ temp: 20, box: 30, ...values })
    return reasonText(machine.response, explain(machine, machine.settledState(inputs), inputs))
  }
  expect(wording({ temp: NaN })).toContain('A probe has no reading: 60 %.')
  expect(wording({ box: 71 })).toContain('The controller itself is too hot: 100 %. Heat lamp is lit.')
  expect(wording({ isolated: 1 })).toContain('It is isolated: 0 %.')
})
