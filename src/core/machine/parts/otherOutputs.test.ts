import { compile } from '@/core/machine/compile'
import type { Condition, OtherOutput, Response } from '@/core/response/schema'
import { machineFor, measured, plainRamp, responseTo } from '@/testing/examples'

const output = (changes: Partial<OtherOutput>): OtherOutput => ({
  id: 'o',
  kind: 'alarm',
  name: 'output',
  onWhen: [{ kind: 'lost', input: 'temp' }],
  notWhile: [],
  delayS: 0,
  ...changes,
})

/** Whether the first output is on, one second a row. */
function states(response: Response, rows: readonly Readonly<Record<string, number>>[]): string {
  const machine = machineFor(response)
  const state = machine.newState()
  return rows
    .map((values, index) => {
      machine.step(state, machine.inputsFrom(values), index === 0 ? 0 : 1)
      return machine.otherOutputs[0]!.isOn(state.memory) ? 1 : 0
    })
    .join('')
}

/** Opens at target + 3 K; blocked while it is more than x below the target outside (0: never), and while water is heated. */
function bypass(blockedBelow: number | null): Response {
  const blocked: Condition[] =
    blockedBelow === null
      ? []
      : [{ kind: 'input', input: 'outdoor', when: 'at-or-below', at: blockedBelow, release: 0 }]
  return responseTo([], {
    inputs: [
      measured('temp', 'temperature'),
      measured('outdoor', 'temperature'),
      { id: 'contact', kind: 'switch', name: 'c' },
    ],
    otherOutputs: [
      output({
        kind: 'bypass',
        onWhen: [{ kind: 'input', input: 'temp', when: 'at-or-above', at: 24, release: 1 }],
        notWhile: [...blocked, { kind: 'switch', input: 'contact', is: 'on' }],
      }),
    ],
  })
}

// Common practice, no source: target 21, opens at 24; x = 8 → 13 °C, x = 4 → 17 °C.
test.each([
  { name: 'opens at target + 3 K, shuts a differential below', temps: [23.9, 24, 23.5, 23], outdoor: 20, on: '0110' },
  { name: 'blocked at 13 °C outside', temps: [25, 25], outdoor: 13, on: '00' },
  { name: 'not blocked just above', temps: [25, 25], outdoor: 13.1, on: '11' },
])('bypass: $name', ({ temps, outdoor, on }) =>
  expect(
    states(
      bypass(13),
      temps.map((temp) => ({ temp, outdoor })),
    ),
  ).toBe(on),
)

test('bypass: with 0 it is never blocked by the cold, but still while water is heated', () => {
  expect(states(bypass(null), [{ temp: 25, outdoor: -20 }])).toBe('1')
  expect(
    states(bypass(null), [
      { temp: 25, outdoor: 20, contact: 1 },
      { temp: 25, outdoor: 20 },
    ]),
  ).toBe('01')
})

test('an alarm waits its delay; a reason that breaks off starts the count anew', () =>
  expect(
    states(responseTo([], { otherOutputs: [output({ delayS: 2 })] }), [
      { temp: 20 },
      {},
      {},
      { temp: 20 },
      {},
      {},
      {},
      { temp: 20 },
    ]),
  ).toBe('00000010'))

test('heater permission stands only while the fan gives it air', () =>
  expect(
    states(
      responseTo([plainRamp()], {
        otherOutputs: [
          output({ kind: 'heater', onWhen: [{ kind: 'speed', fan: 'fan', when: 'at-or-above', atPct: 45 }] }),
        ],
      }),
      [44.9, 45, 60, 44].map((temp) => ({ temp })),
    ),
  ).toBe('0110'))

test('a lost reading is past nothing', () =>
  expect(states(bypass(13), [{ temp: 25, outdoor: 20 }, { outdoor: 20 }, { temp: 25 }])).toBe('101'))

test('conditions that point nowhere are refused, each with its place', () => {
  const outcome = compile(
    responseTo([], {
      otherOutputs: [
        output({
          onWhen: [{ kind: 'lost', input: 'moon' }, { kind: 'overheated' }],
          notWhile: [
            { kind: 'switch', input: 'temp', is: 'on' },
            { kind: 'speed', fan: 'other', when: 'at-or-above', atPct: 1 },
          ],
        }),
      ],
    }),
  )
  expect(outcome.ok ? [] : outcome.problems.map(({ path }) => path)).toEqual([
    'otherOutputs.0.onWhen.0.input',
    'otherOutputs.0.onWhen.1',
    'otherOutputs.0.notWhile.0.input',
    'otherOutputs.0.notWhile.1.fan',
  ])
})
