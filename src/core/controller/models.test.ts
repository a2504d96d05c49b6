import { checkModel } from '@/core/controller/checkModel'
import { actionText, dialIn, pressesBetween } from '@/core/controller/dialIn'
import { fit } from '@/core/controller/fit'
import { panelStart, touch, touchesFor, type PanelNow } from '@/core/controller/panel'
import type { ControllerModel } from '@/core/controller/schema'
import { compile } from '@/core/machine/compile'
import { problemText } from '@/core/words/problems'
import { demoModels } from '@/testing/anyInstallation'
import { demoModel, plainRamp, responseTo } from '@/testing/examples'

const each = demoModels.map((model) => [model.id, model] as const)

test('one of each class of the demo scenario', () => expect(demoModels).toHaveLength(10))

/** The panel after these touches; the touches that mean something else in a later state are played where they stand. */
const play = (model: ControllerModel, from: PanelNow, settingId: string, value: number): PanelNow => {
  const touches = touchesFor(model, from, settingId, value)
  if (!touches) throw new Error(`no way to ${settingId} = ${value}`)
  return touches.reduce((now, next) => touch(model, now, next), from)
}

describe.each(each)('%s', (_id, model) => {
  test('contradicts itself nowhere', () => expect(checkModel(model)).toEqual([]))

  test('its simulated panel reaches both ends of every setting, and keeps them all', () => {
    let now = panelStart(model)!
    const ends: Record<string, number> = {}
    for (const { id, min, max, choices, who } of model.settings) {
      // What only the maker may change stays as it came.
      if (who === 'maker') ends[id] = now.kept[id]!
      else
        for (const value of [choices?.[0]?.value ?? min, choices?.[choices.length - 1]?.value ?? max]) {
          // A range that is no whole number of steps ends one step short of its end.
          const { step } = model.settings.find((setting) => setting.id === id)!
          const reachable = choices ? value : min + Math.floor((value - min) / step + 1e-6) * step
          now = play(model, now, id, reachable)
          expect(now.kept[id]).toBeCloseTo(reachable, 6)
          ends[id] = now.kept[id]!
        }
    }
    expect(now.kept).toEqual(ends)
  })

  test('what the actions count is what the hand does on the simulated panel', () => {
    const asked = responseTo([plainRamp({ startAt: 18, fullAt: 24, fromPct: 30, toPct: 90 })], {
      floor: { speedPct: 30, reasons: [] },
      ceiling: { speedPct: 90, how: 'clip' },
    })
    const fitted = fit(asked, model, { duty: 'exhaust' })
    let now = panelStart(model)!
    for (const action of dialIn(model, fitted)) {
      if (!action.setting || action.value === null || !action.presses) continue
      const { setting, value, presses } = action
      const touches = touchesFor(model, now, setting.id, value)!
      const steps = touches.filter(({ control, act }) =>
        model
          .panel!.states.find((state) => state.setting === setting.id)!
          .moves.some((move) => move.control === control && move.act === act && move.does?.startsWith('step')),
      )
      // The way to a line may use the same key; what is left after opening is the count.
      expect(steps.length).toBeGreaterThanOrEqual(presses.count)
      expect(pressesBetween(setting, setting.default, value)).toEqual(presses)
      now = touches.reduce((before, next) => touch(model, before, next), now)
      expect(now.kept[setting.id]).toBeCloseTo(value, 6)
      expect(actionText(action.how)).toContain(setting.enter.where)
      expect(action.seen).not.toBe('')
      if (presses.way !== 'none')
        expect(actionText(action.how)).toContain(setting.enter.keep.replace(/[[\]]/g, '').slice(0, 4))
    }
  })

  test('what it gives can be compiled, and fitted again it stays as it is', () => {
    const asked = responseTo(
      [
        plainRamp({ startAt: 20.3, fullAt: 25.1, fromPct: 33, toPct: 88 }),
        {
          id: 'b',
          kind: 'switch',
          input: 'contact',
          speedPct: 77,
          onDelayS: 5,
          overrun: { kind: 'matched', factor: 1, floorS: 61, capS: 700 },
        },
        { id: 's', kind: 'rapid-rise', input: 'rh', windowS: 240, rise: 7, release: 2, speedPct: 81, capS: 999 },
        {
          id: 'd',
          kind: 'differential',
          input: 'temp',
          action: 'reverse',
          onAt: 15.2,
          offAt: 16.1,
          speedPct: 51,
          minOnS: 60,
          minOffS: 60,
        },
        { id: 'c', kind: 'cycle', onS: 33, periodS: 333, speedPct: 44 },
        { id: 'a', kind: 'hold-after-fall', input: 'temp', armAbove: 52, speedPct: 66, holdS: 1000 },
        { id: 'w', kind: 'week', periods: [{ days: [0, 1], startMin: 367, endMin: 475, speedPct: 52 }] },
      ],
      {
        floor: { speedPct: 31, reasons: [], offAllowed: true },
        ceiling: { speedPct: 93, how: 'clip' },
        startKick: { speedPct: 87, holdS: 3 },
        followers: [{ fan: 'second', ratio: 0.83, floorPct: 12, atLeadFloor: 'off' }],
        light: { input: 'light', level: 20, delayS: 60 },
        finalRunOn: { holdS: 100, speedPct: null },
        heaterPurge: { input: 'contact', speedPct: 47, holdS: 95 },
        rate: { upPctPerS: 1, downPctPerS: 1 },
        skipBands: [{ fromPct: 60, toPct: 70 }],
        reductions: [{ input: 'temp', when: 'at-or-below', at: -9.5, byPct: 18, how: 'points' }],
      },
    )
    const once = fit(asked, model, { duty: 'grow-room' })
    expect(compile(once.given).ok).toBe(true)
    const twice = fit(once.given, model, { duty: 'grow-room' })
    expect(twice.given).toEqual(once.given)
    expect(twice.settings).toEqual(once.settings)
  })
})

test('a panel with no way to a setting, a state or a control is said, each with its place', () => {
  const [, model] = each[0]!
  const broken: ControllerModel = {
    ...model,
    panel: {
      ...model.panel!,
      states: [
        ...model.panel!.states,
        { id: 'island', shows: 'x', moves: [{ control: 'ghost', act: 'press', to: 'nowhere', does: 'keep' }] },
      ],
    },
    settings: [...model.settings, { ...model.settings[0]!, id: 'unheard' }],
  }
  const place = model.panel!.states.length
  expect(checkModel(broken).map(({ path }) => path)).toEqual([
    `settings.${model.settings.length}.means`,
    `panel.states.${place}.moves.0.control`,
    `panel.states.${place}.moves.0.to`,
    `panel.states.${place}.moves.0.does`,
    `panel.states.${place}`,
    `settings.${model.settings.length}`,
  ])
})

const SETTING = demoModel('slide-lever-box').settings[0]!

test.each<{ what: string; change: Partial<ControllerModel>; says: RegExp }>([
  {
    what: 'a ramp without a band',
    change: { ramps: [{ input: 'temperature', from: 'floor', to: 'full' }] },
    says: /ramp\.span.*fixedSpan/,
  },
  {
    what: 'a differential without a width',
    change: { differentials: [{ input: 'temperature', action: 'direct', convention: 'symmetric', speed: 'own' }] },
    says: /differential\.width.*fixedWidth/,
  },
  {
    what: 'a hold after a fall without its time',
    change: { holdsAfterFall: [{ input: 'temperature', speed: 'own' }] },
    says: /holdAfterFall\.holdS.*holdS/,
  },
  {
    what: 'two settings for one part',
    change: { settings: [SETTING, { ...SETTING, id: 'again', name: 'Again' }] },
    says: /Again stands for the same part of a response as Lever \(floor\)/,
  },
  {
    what: 'a set point beside a figure for on',
    change: {
      settings: [
        { ...SETTING, id: 'point', name: 'Point', means: 'differential.setPoint' },
        { ...SETTING, id: 'on', name: 'On', means: 'differential.onAt' },
      ],
      differentials: [{ input: 'temperature', action: 'direct', convention: 'symmetric', speed: 'own', fixedWidth: 1 }],
    },
    says: /On and Point say the same two points in two ways/,
  },
  {
    what: 'a setting of nothing without a purpose',
    change: { settings: [{ ...SETTING, means: 'nothing' }] },
    says: /say in “purpose” what it is for/,
  },
  {
    what: 'advice to a value it cannot have',
    change: {
      settings: [{ ...SETTING, means: 'nothing', purpose: 'A pin.', advice: { what: 'set', to: 32, why: 'So.' } }],
    },
    says: /set to 32, which is not a value/,
  },
  {
    what: 'advice that does not say to what',
    change: { settings: [{ ...SETTING, means: 'nothing', purpose: 'A pin.', advice: { what: 'set', why: 'So.' } }] },
    says: /“advice.to” does not say/,
  },
  {
    what: 'a state nobody gets out of',
    change: {
      panel: {
        ...demoModel('slide-lever-box').panel!,
        states: [
          {
            ...demoModel('slide-lever-box').panel!.states[0]!,
            moves: [
              ...demoModel('slide-lever-box').panel!.states[0]!.moves,
              { control: 'lever', act: 'hold', to: 'cellar' },
            ],
          },
          ...demoModel('slide-lever-box').panel!.states.slice(1),
          { id: 'cellar', shows: 'Nothing', moves: [] },
        ],
      },
    },
    says: /From state “cellar” no way leads back to “scale”/,
  },
])('$what is refused with the way out: nothing takes whatever is asked', ({ change, says }) => {
  const model = { ...demoModel('slide-lever-box'), ...change }
  expect(checkModel(model).map(problemText).join(' ')).toMatch(says)
})
