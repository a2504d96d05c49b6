import { playTime, type Stretch } from '@/core/look/playTime'
import { explain } from '@/core/machine/explain'
import { modeInputs } from '@/core/machine/modeInputs'
import { readMoment, writeMoment } from '@/core/response/moment'
import type { Response } from '@/core/response/schema'
import type { Rule } from '@/core/rules/table'
import { remembered } from '@/core/sentences/standing'
import { machineFor, responseTo } from '@/testing/examples'

const boost: Rule = {
  id: 'boost',
  kind: 'switch',
  input: 'contact',
  speedPct: 80,
  onDelayS: 0,
  overrun: { kind: 'fixed', holdS: 900 },
}
const now = { temp: 20, contact: 0, clock: 3600 }
const stretch = (lastsS: number, pulse: Stretch['pulse'] = null): Stretch => ({ values: now, lastsS, pulse })
const play = (response: Response, stretches: readonly Stretch[]) => {
  const machine = machineFor(response)
  const played = playTime(machine, stretches, now)
  const lines = remembered(response, explain(machine, played.state, machine.inputsFrom(played.values)))
  return { ...played, lines }
}

test('without any time it is settled', () => {
  const { passedS, trace, values } = play(responseTo([boost]), [])
  expect([passedS, trace.length, values]).toEqual([0, 1, now])
})

test.each([
  { after: 600, pct: 80, left: '10 min' },
  { after: 1140, pct: 80, left: '60 s' },
  { after: 1300, pct: 0, left: null },
])('a switch on for 5 min, $after s in all: $pct %', ({ after, pct, left }) => {
  const { state, lines, passedS } = play(responseTo([boost]), [stretch(after, { input: 'contact', onForS: 300 })])
  expect(passedS).toBeCloseTo(after, 6)
  expect(state.fansPct[0]).toBe(pct)
  if (left) expect(lines.join(' ')).toContain(`runs on for ${left}`)
  else expect(lines).toEqual([])
})

test('one stretch after the other is one time', () => {
  const pulse = { input: 'contact', onForS: 300 }
  const once = play(responseTo([boost]), [stretch(1140, pulse)])
  const twice = play(responseTo([boost]), [stretch(600, pulse), stretch(540)])
  expect([...twice.state.fansPct]).toEqual([...once.state.fansPct])
  expect(twice.values.clock).toBeCloseTo(3600 + 1140, 6)
})

test('the clock goes round the week', () => {
  const { values } = playTime(
    machineFor(responseTo([])),
    [{ values: { ...now, clock: 604_000 }, lastsS: 3600, pulse: null }],
    {
      ...now,
      clock: 604_000,
    },
  )
  expect(values.clock).toBeCloseTo(604_000 + 3600 - 604_800, 6)
})

test('the mode is remembered', () => {
  const response = responseTo([], { light: { input: 'light', level: 50, delayS: 60 } })
  const machine = machineFor(response)
  const dark = { ...now, light: 0 }
  const { state } = playTime(machine, [{ values: dark, lastsS: 60, pulse: null }], dark)
  expect(remembered(response, explain(machine, state, machine.inputsFrom(dark)))).toEqual(['It is night, by light.'])
})

test.each([
  [{ temp: 18.3, contact: 1, clock: 129_600 }, 'temp:18.3,contact:1,clock:129600'],
  [{ temp: NaN }, 'temp:lost'],
])('a moment is written and read again', (values, text) => {
  expect(writeMoment(values)).toBe(text)
  expect(readMoment(text, responseTo([]))).toEqual(values)
})

test('what an address cannot mean is left out', () => {
  expect(readMoment('temp:warm,other:3,contact:,rh:60', responseTo([]))).toEqual({ rh: 60 })
})

test.each([
  [{ light: { input: 'light', level: 50, delayS: 0 } }, 'day', { light: 50 }],
  [{ light: { input: 'light', level: 50, delayS: 0 } }, 'night', { light: 0 }],
  [{ light: { input: 'light', level: 0, delayS: 0 } }, 'night', null],
  [{ dayByWeek: [{ days: [0], startMin: 60, endMin: 120 }] }, 'day', { clock: 3600 }],
  [{ dayByWeek: [{ days: [0], startMin: 60, endMin: 120 }] }, 'night', { clock: 0 }],
  [{ dayByWeek: [{ days: [0, 1, 2, 3, 4, 5, 6], startMin: 0, endMin: 1440 }] }, 'night', null],
] as const)('%j by %s: %j', (modes, mode, inputs) => {
  expect(modeInputs(JSON.parse(JSON.stringify(modes)) as Pick<Response, 'light' | 'dayByWeek'>, mode)).toEqual(inputs)
})
