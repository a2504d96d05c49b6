import fc from 'fast-check'
import { checkModel } from '@/core/controller/checkModel'
import { actionText, dialIn, pressesBetween, withKeys } from '@/core/controller/dialIn'
import { fit } from '@/core/controller/fit'
import { nearestValue } from '@/core/controller/nearestValue'
import type { Setting } from '@/core/controller/schema'
import { isDone } from '@/core/installation/dialProgress'
import { lossText } from '@/core/sentences/lossText'
import { settledPct, demoInstallation, demoModel, machineFor } from '@/testing/examples'

const twin = demoModel('dial-pages-twin')
const pads = demoModel('two-pad-pwm')
const { response } = demoInstallation('fruiting-room')
const setting = (id: string): Setting => twin.settings.find((candidate) => candidate.id === id)!

test.each([
  { id: 'lowest', wanted: 22, towards: 'up', value: 25 },
  { id: 'lowest', wanted: 22, towards: 'down', value: 20 },
  { id: 'lowest', wanted: 25, towards: 'up', value: 25 },
  { id: 'lowest', wanted: 75, towards: 'up', value: 60 },
  { id: 'foot', wanted: 16.2, towards: 'down', value: 16 },
  { id: 'foot', wanted: 1, towards: 'nearest', value: 5 },
  { id: 'boost-hold', wanted: 1201, towards: 'up', value: 1500 },
] as const)('$id: $wanted, $towards → $value', ({ id, wanted, towards, value }) =>
  expect(nearestValue(setting(id), wanted, towards)).toBe(value),
)

describe('the fruiting room on its twin-channel controller', () => {
  const { settings, given, losses } = fit(response, twin, { duty: 'grow-room' })
  const value = (id: string) => settings.find((chosen) => chosen.setting === id)?.value
  test('settings', () =>
    expect(
      Object.fromEntries(
        ['foot', 'rise', 'lowest', 'highest', 'boost', 'boost-hold', 'second'].map((id) => [id, value(id)]),
      ),
    ).toEqual({ foot: 16, rise: 4, lowest: 25, highest: 90, boost: 90, 'boost-hold': 1500, second: 80 }))
  test('losses, in words', () => {
    const titles = losses.map((loss) => lossText(loss, response).title)
    expect(titles[0]).toBe('Lowest speed: 25 %, you asked 22 %.')
    expect(titles[1]).toBe('No overrun that is as long as it was on.')
    expect(titles[2]).toMatch(/^Up to [\d.]+ percentage points off at /)
  })
  test('what is given runs from its own floor in its own steps', () => {
    const machine = machineFor(given)
    expect([15, 16, 18.3, 20].map((roomTemp) => settledPct(machine, { roomTemp, humidity: 85 }))).toEqual([
      25, 25, 60, 90,
    ])
  })
  test('what is already fitted is not changed by fitting it again', () => {
    const again = fit(given, twin, { duty: 'grow-room' })
    expect(again.given).toEqual(given)
    expect(again.settings).toEqual(settings)
    expect(again.losses).toEqual([])
  })
})

test('a controller that can do less says what it leaves out', () => {
  const { given, losses } = fit(response, pads, { duty: 'grow-room' })
  expect(given.rules.map(({ id }) => id)).toEqual(['temp'])
  expect(losses.map(({ kind }) => kind)).toEqual(
    expect.arrayContaining(['rule-left-out', 'follower-left-out', 'no-kick', 'end-follows']),
  )
})

const exactly = { stepPct: 0, rounding: 'nearest' } as const

test('fitting twice is fitting once, for any floor, ceiling and ramp', () => {
  const pct = fc.integer({ min: 0, max: 100 })
  fc.assert(
    fc.property(
      pct,
      pct,
      fc.double({ min: 5, max: 35, noNaN: true }),
      fc.double({ min: 0.5, max: 20, noNaN: true }),
      fc.constantFrom(twin, pads),
      (a, b, startAt, span, model) => {
        const [floorPct, ceilingPct] = [Math.min(a, b), Math.max(a, b)]
        const asked = {
          ...response,
          floor: { speedPct: floorPct, reasons: [] },
          ceiling: { speedPct: ceilingPct, how: 'clip' as const },
          startKick: null,
          rules: [
            {
              id: 'temp',
              kind: 'ramp' as const,
              input: 'roomTemp',
              startAt,
              fullAt: startAt + span,
              fromPct: floorPct,
              toPct: ceilingPct,
              below: 'from' as const,
            },
          ],
        }
        const once = fit(asked, model, { duty: 'exhaust' })
        expect(fit(once.given, model, { duty: 'exhaust' }).given).toEqual(once.given)
        // Rounded to the safe side: as far as the setting reaches, nowhere slower than asked.
        const least = model.settings.find(({ id }) => id === 'foot' || id === 'warm')!.min
        const [before, after] = [asked, once.given].map((response) => machineFor({ ...response, steps: exactly }))
        const topPct = once.given.ceiling.speedPct
        for (let x = 5; x <= 60 && startAt >= least + 5 && floorPct <= 60; x += 0.5)
          expect(settledPct(after!, { roomTemp: x, humidity: 80 })).toBeGreaterThanOrEqual(
            Math.min(topPct, settledPct(before!, { roomTemp: x, humidity: 80 })) - 1e-6,
          )
      },
    ),
    { seed: 17, numRuns: 60 },
  )
})

describe('what to press', () => {
  test.each([
    { current: 20, wanted: 16, presses: { way: 'down', count: 8 } },
    { current: 16, wanted: 16, presses: { way: 'none', count: 0 } },
    { current: 15.5, wanted: 16, presses: { way: 'up', count: 1 } },
  ] as const)('from $current to $wanted: $presses', ({ current, wanted, presses }) =>
    expect(pressesBetween(setting('foot'), current, wanted)).toEqual(presses),
  )

  test('an action counts from what the panel shows now, and says what keeps it', () => {
    const { settings } = fit(response, twin, { duty: 'grow-room' })
    const foot = dialIn(twin, { settings, given: response }, { present: [{ setting: 'foot', value: 17 }] }).find(
      ({ id }) => id === 'set-foot',
    )!
    expect(actionText(foot.title)).toBe('Ramp foot: 16.0 °C, now 17.0 °C')
    expect(actionText(foot.how)).toBe(
      'Page 3, line “foot”. Press [dial], turn back 2 clicks (0.5 K each), press and hold 2 s to keep.',
    )
  })

  test('in order: prepare, set, finish; every action once', () => {
    const actions = dialIn(twin, fit(response, twin, { duty: 'grow-room' }))
    expect(actions.map(({ kind }) => kind).join(' ')).toMatch(/^(prepare )+(set )+(finish ?)+$/)
    expect(new Set(actions.map(({ id }) => id)).size).toBe(actions.length)
  })

  test('a tick counts only for the value it was made with', () => {
    const action = dialIn(twin, fit(response, twin, { duty: 'grow-room' })).find(({ id }) => id === 'set-foot')!
    expect([16, 17].map((value) => isDone(action, { present: [], done: [{ action: 'set-foot', value }] }))).toEqual([
      true,
      false,
    ])
  })

  test('keys are marked where an action names them', () =>
    expect(withKeys('Press [dial] twice, then [guard].', ['guard', 'dial']).map(({ kind }) => kind)).toEqual([
      'text',
      'key',
      'text',
      'key',
      'text',
    ]))
})

test.each([
  { name: 'default off its step', change: { default: 20.2 }, path: 'settings.0.default' },
  { name: 'default out of range', change: { default: 90 }, path: 'settings.0.default' },
  { name: 'lowest above highest', change: { min: 50 }, path: 'settings.0.min' },
  { name: 'a ramp it does not have', change: { slot: 5 }, path: 'settings.0.slot' },
])('a model with $name is told so', ({ change, path }) => {
  const [first, ...rest] = twin.settings
  expect(checkModel({ ...twin, settings: [{ ...first!, ...change }, ...rest] })[0]?.path).toBe(path)
})
