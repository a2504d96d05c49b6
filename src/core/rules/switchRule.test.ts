import type { Overrun, SwitchRule } from '@/core/rules/switchRule'
import { exampleResponse, machineFor } from '@/testing/examples'
import { referencePoints } from '@/testing/reference'

const rule = (overrun: Overrun, onDelayS = 0): SwitchRule => ({
  id: 's',
  kind: 'switch',
  input: 'boost',
  speedPct: 80,
  onDelayS,
  overrun,
})

/** Runs a switch through steps of `dtS`; true where it asks. */
function asks(switchRule: SwitchRule, isOn: readonly boolean[], dtS: number): boolean[] {
  const machine = machineFor(exampleResponse({ rules: [switchRule] }))
  const state = machine.newState()
  return isOn.map((on, index) => {
    machine.step(state, machine.inputsFrom({ boost: on ? 1 : 0 }), index === 0 ? 0 : dtS)
    return !Number.isNaN(state.asksPct[0]!)
  })
}

const matched = (capS: number, factor = 1, floorS = 0): Overrun => ({ kind: 'matched', factor, floorS, capS })
const bits = (text: string): boolean[] => [...text].map((bit) => bit === '1')
const text = (flags: readonly boolean[]): string => flags.map(Number).join('')

test.each(
  referencePoints('ctl.overrun').map(({ in: i, out }) => ({
    ...(i as Record<'occupied_min' | 'delay_min' | 'cap_min' | 'ratio' | 'min_over_min', number>),
    started: out.started as number,
    overrun: out.overrun_min as number,
  })),
)(
  'on $occupied_min min, delay $delay_min, cap $cap_min, least $min_over_min → runs on $overrun min',
  ({ occupied_min: on, delay_min: delay, cap_min: cap, ratio, min_over_min: least, started, overrun }) => {
    const dtS = 1.5
    const onSteps = Math.round((on * 60) / dtS)
    const flags = asks(
      rule(matched(cap * 60, ratio, least * 60), delay * 60),
      [...Array<boolean>(onSteps).fill(true), ...Array<boolean>(1200).fill(false)],
      dtS,
    )
    const ranOnS = flags.slice(onSteps).filter(Boolean).length * dtS
    // Left exactly when the delay is over, the controller sees it start at the very step at which it is left.
    expect(flags.some(Boolean)).toBe(started === 1)
    expect(ranOnS / 60).toBeCloseTo(overrun, 9)
  },
)

test('again during the overrun: the times add up to the cap', () => {
  const [point] = referencePoints('ctl.overrunSequence')
  const occupied = (point!.in.occupied as number[]).map(Boolean)
  expect(text(asks(rule(matched(240)), occupied, 60))).toBe((point!.out.run as number[]).join(''))
})

test.each([
  { name: 'none stops at once', overrun: { kind: 'none' }, on: '0110000', runs: '0110000' },
  { name: 'fixed runs its time', overrun: { kind: 'fixed', holdS: 120 }, on: '0110000', runs: '0111100' },
  {
    name: 'fixed starts anew when it is on again',
    overrun: { kind: 'fixed', holdS: 120 },
    on: '01010000',
    runs: '01111100',
  },
  {
    name: 'matched never less than its floor',
    overrun: { kind: 'matched', factor: 1, floorS: 180, capS: 600 },
    on: '0100000',
    runs: '0111100',
  },
] as const)('$name', ({ overrun, on, runs }) => expect(text(asks(rule(overrun), bits(on), 60))).toBe(runs))

test.each([
  { name: 'left before the delay is over: never starts', on: '0110000', runs: '0000000' },
  { name: 'starts exactly when the delay is over', on: '0111100', runs: '0000100' },
])('on-delay of three minutes: $name', ({ on, runs }) =>
  expect(text(asks(rule({ kind: 'none' }, 180), bits(on), 60))).toBe(runs),
)
