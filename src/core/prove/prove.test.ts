import { derive } from '@/core/derive'
import { givenMark } from '@/core/prove/givenMark'
import { provePlan, type Check } from '@/core/prove/plan'
import { readCheckReading } from '@/core/prove/reading'
import { expectSpeeds, judge } from '@/core/prove/verdict'
import { demoInstallation } from '@/testing/examples'

const { kit, ...rest } = demoInstallation('fruiting-room')
const machine = derive({ kit, ...rest }).given.machine!
const plan = provePlan(machine, kit)
const check = (id: string): Check => plan.find((candidate) => candidate.id === id)!
const speedCheck = (id: string) => check(id) as Extract<Check, { kind: 'speed' }>

test('every threshold, switch, timer and the outage has its check', () =>
  expect(plan.map(({ id }) => id)).toEqual([
    'floor',
    'temp-start',
    'temp-half',
    'temp-full',
    'damp-start',
    'damp-half',
    'damp-full',
    'boost-on',
    'boost-overrun',
    'start-kick',
    'power',
    'read-back',
  ]))

test('what is expected follows the input really read, with a band for probe and meter', () => {
  const [exhaust, makeUp] = expectSpeeds(speedCheck('temp-half'), machine, kit, 18.6)
  // 25 + 65 × 2.6 ÷ 4 = 67.25 → 65 in steps of 5; ± 0.1 K crosses the step to 70.
  expect(exhaust).toMatchObject({ fan: 'exhaust', expectPct: 65, lowPct: 63, highPct: 72 })
  expect(makeUp!.expectPct).toBe(50)
  expect(exhaust!.reasons.at(-1)).toBe('meter ± 2 points')
})

test.each([
  { inputRead: 18.6, exhaust: 65, verdict: 'holds' },
  { inputRead: 18.6, exhaust: 70, verdict: 'holds' },
  { inputRead: 18.6, exhaust: 60, verdict: 'fails' },
  { inputRead: 17, exhaust: 65, verdict: 'fails' },
] as const)('$exhaust % at $inputRead °C $verdict', ({ inputRead, exhaust, verdict }) =>
  expect(judge(check('temp-half'), { kind: 'speed', inputRead, fansPct: { exhaust } }, machine, kit).verdict).toBe(
    verdict,
  ),
)

test.each([
  { timeS: 1200, verdict: 'holds' },
  { timeS: 1262, verdict: 'holds' }, // 2 s of hand + 5 % of 1200 s
  { timeS: 1263, verdict: 'fails' },
  { timeS: 900, verdict: 'fails' },
] as const)('an overrun of $timeS s $verdict', ({ timeS, verdict }) =>
  expect(judge(check('boost-overrun'), { kind: 'time', timeS }, machine, kit).verdict).toBe(verdict),
)

test('no speed read is no proof', () =>
  expect(judge(check('floor'), { kind: 'speed', inputRead: null, fansPct: {} }, machine, kit)).toEqual({
    verdict: 'fails',
    sentence: 'No speed was read.',
  }))

test('a reading of another kind is a mistake of the program', () =>
  expect(() => judge(check('floor'), { kind: 'time', timeS: 3 }, machine, kit)).toThrow('cannot be judged'))

test('results speak of one given response only', () => {
  const { response } = machine
  expect(givenMark(response)).toBe(givenMark(structuredClone(response)))
  expect(givenMark({ ...response, floor: { ...response.floor, speedPct: 30 } })).not.toBe(givenMark(response))
})

test.each([
  { data: { kind: 'speed', inputRead: 18.3, fansPct: { exhaust: 65 } }, ok: true },
  { data: { kind: 'speed', inputRead: NaN, fansPct: {} }, ok: false },
  { data: { kind: 'speed', inputRead: 18.3, fansPct: { exhaust: 165 } }, ok: false },
  { data: { kind: 'time', timeS: -1 }, ok: false },
  { data: null, ok: false },
])('a reading from outside is checked: $data', ({ data, ok }) => expect(readCheckReading(data).ok).toBe(ok))
