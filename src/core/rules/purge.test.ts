import { checkResponse } from '@/core/machine/check'
import { explain } from '@/core/machine/explain'
import type { Response } from '@/core/response/schema'
import { purgeKind, type Purge } from '@/core/rules/purge'
import { ruleSentence } from '@/core/sentences/words'
import { reasonText } from '@/core/sentences/words'
import { machineFor, measured, responseTo, speedsOver } from '@/testing/examples'

const purge = (changes: Partial<Purge> = {}): Purge => ({
  id: 'purge',
  kind: 'purge',
  input: 'room',
  outdoor: 'out',
  marginK: 4,
  untilAt: 21,
  spans: [{ days: [0], startMin: 1320, endMin: 360 }],
  speedPct: 75,
  ...changes,
})
const DRY = { room: 'damp', outdoor: 'dampOut' }
const INPUTS = [
  measured('room', 'temperature'),
  measured('out', 'temperature'),
  measured('damp', 'humidity'),
  measured('dampOut', 'humidity'),
]
const responseOf = (changes: Partial<Purge> = {}): Response => responseTo([purge(changes)], { inputs: INPUTS })

type Row = { room?: number; out?: number; damp?: number; dampOut?: number; clock?: number }
const MONDAY_23 = 23 * 3600
const runs = (rows: readonly Row[], changes: Partial<Purge> = {}): string =>
  speedsOver(
    responseOf(changes),
    rows.map((row) => ({ room: 26, out: 18, damp: 50, dampOut: 50, clock: MONDAY_23, ...row })),
  )
    .map((pct) => (pct >= 75 ? 1 : 0))
    .join('')

// Common practice, no source; exact rules in docs/control-laws.md.
test.each([
  { name: 'in its hours, cooler by its margin', rows: [{ out: 22 }, { out: 22.1 }], on: '11' },
  { name: 'not cooler by its margin', rows: [{ out: 22.1 }], on: '0' },
  { name: 'it keeps on down to half its margin', rows: [{ out: 20 }, { out: 24 }, { out: 24.1 }], on: '110' },
  {
    name: 'it ends where the room has come down, and begins again 1 K above',
    rows: [
      { room: 26, out: 10 },
      { room: 21.1, out: 10 },
      { room: 21, out: 10 },
      { room: 21.9, out: 10 },
      { room: 22, out: 10 },
    ],
    on: '11001',
  },
  {
    name: 'over midnight into the next day, the start counts, the end does not',
    rows: [
      { clock: 22 * 3600 - 1 },
      { clock: 22 * 3600 },
      { clock: 30 * 3600 - 1 },
      { clock: 30 * 3600 },
      { clock: 46 * 3600 },
    ],
    on: '01100',
  },
  { name: 'without a clock never', rows: [{ clock: NaN }], on: '0' },
  { name: 'with a lost reading never', rows: [{ room: NaN }, { out: NaN }, {}, { out: NaN }], on: '0010' },
])('$name', ({ rows, on }) => {
  expect(runs(rows)).toBe(on)
})

// 26 °C at 50 % holds 10.5 g/kg; 18 °C holds 10.3 g/kg at 80 %, 10.8 at 84 %: psychrometric chart, ASHRAE Fundamentals 2021, chapter 1 (from memory).
test.each([
  { name: 'no wetter outside: it runs', dampOut: 80, on: '1' },
  { name: 'wetter outside: it does not', dampOut: 84, on: '0' },
  { name: 'a lost humidity: it does not', dampOut: NaN, on: '0' },
])('$name', ({ dampOut, on }) => {
  expect(runs([{ dampOut }], { notWetter: DRY })).toBe(on)
  expect(runs([{ dampOut }])).toBe('1')
})

test.each([
  { name: 'one input for both', changes: { outdoor: 'room' }, path: 'rules.0.outdoor' },
  { name: 'an input that is not there', changes: { outdoor: 'nowhere' }, path: 'rules.0.outdoor' },
  { name: 'a humidity for a temperature', changes: { input: 'damp' }, path: 'rules.0.input' },
  {
    name: 'a humidity that is none',
    changes: { notWetter: { room: 'damp', outdoor: 'out' } },
    path: 'rules.0.notWetter.outdoor',
  },
  {
    name: 'hours without length',
    changes: { spans: [{ days: [1], startMin: 60, endMin: 60 }] },
    path: 'rules.0.spans.0.endMin',
  },
])('refused: $name', ({ changes, path }) => {
  expect(checkResponse(responseOf(changes)).map((problem) => problem.path)).toContain(path)
})

test('its sentence and its reasons', () => {
  const response = responseOf({ notWetter: DRY })
  expect(ruleSentence(response, response.rules[0]!)).toBe(
    'Purge Mon from 22:00 to 06:00: while out is cooler than room by at least 4.0 K and the air outside (dampOut) holds no more water than that of the room (damp), run 75 % until room has come down to 21.0 °C.',
  )
  const machine = machineFor(response)
  const why = (row: Row): string => {
    const state = machine.newState()
    const inputs = machine.inputsFrom({ room: 26, out: 18, damp: 50, dampOut: 50, clock: MONDAY_23, ...row })
    machine.step(state, inputs, 1)
    const rule = explain(machine, state, inputs).chain.find((link) => link.stage === 'ask' && link.rule !== null)
    return rule?.stage === 'ask' ? rule.why.kind : ''
  }
  expect(
    [{}, { clock: 12 * 3600 }, { clock: NaN }, { out: NaN }, { room: 21.5, out: 10 }, { out: 23 }, { dampOut: 90 }].map(
      why,
    ),
  ).toEqual([
    'purge-on',
    'purge-outside-hours',
    'no-clock',
    'input-lost',
    'purge-come-down',
    'purge-not-cooler',
    'purge-wetter',
  ])
  const state = machine.newState()
  const inputs = machine.inputsFrom({ room: 26, out: 18, damp: 50, dampOut: 50, clock: MONDAY_23 })
  machine.step(state, inputs, 1)
  expect(reasonText(response, explain(machine, state, inputs))).toContain(
    'Room is 26.0 °C, the air outside cools it down to 21.0 °C, so it asks for 75 %.',
  )
})

test('what is offered makes a rule that passes, with an input of its own for the air outside', () => {
  for (const { make } of purgeKind.offers) {
    const inputs = [...INPUTS]
    const ensure = (made: (typeof INPUTS)[number], besides?: string) =>
      inputs.find(({ id, kind }) => kind === made.kind && id !== besides)?.id ?? made.id
    const rule = make({
      figure: null,
      floorPct: 20,
      ceilingPct: 100,
      ensure: (made, besides) => ensure(made as (typeof INPUTS)[number], besides),
      placedOn: () => undefined,
      ensureOwn: (made) => {
        inputs.push(made as (typeof INPUTS)[number])
        return made.id
      },
      added: (made) => made.id,
    })
    expect(checkResponse(responseTo([rule], { inputs }))).toEqual([])
    expect(rule.outdoor).not.toBe(rule.input)
  }
})
