import { guideTo } from '@/core/controller/guide'
import { touch, type PanelNow } from '@/core/controller/panel'
import { demoModel } from '@/testing/examples'

const MODELS = [
  'coded-plug-extract',
  'dial-pages-twin',
  'gear-wheel-curtain',
  'scroll-wheel-balanced',
  'six-level-rocker',
  'slide-lever-box',
  'strip-list-house',
  'trimmer-condenser',
  'twin-knob-pair',
  'two-pad-pwm',
]

describe.each(MODELS)('%s', (name) => {
  const model = demoModel(name)
  const kept = Object.fromEntries(model.settings.map((setting) => [setting.id, setting.default]))
  const ends = model.settings.flatMap((setting) =>
    (setting.choices?.map(({ value }) => value) ?? [setting.min, setting.max]).map((wanted) => ({ setting, wanted })),
  )

  test('from wherever the panel is, the hand is led until the setting stands at what is wanted, and is kept', () => {
    for (const { id: state } of model.panel!.states)
      for (const { setting, wanted } of ends) {
        const now: PanelNow = { state, kept, pending: null }
        const guide = guideTo(model, now, setting.id, wanted)
        if (!guide) continue
        // Done by hand, touch by touch, it comes to the same.
        const done = guide.steps
          .flatMap(({ control, act, times }) => Array.from({ length: times }, () => ({ control, act })))
          .reduce((at, one) => touch(model, at, one), now)
        expect(done).toEqual(guide.end)
        expect(done.kept[setting.id] ?? setting.default).toBeCloseTo(wanted, 6)
        expect(done.pending).toBeNull()
      }
  })

  test('every setting that a hand may turn is led to from how the panel is after power-up', () => {
    const start: PanelNow = { state: model.panel!.states[0]!.id, kept, pending: null }
    const unled = ends.filter(
      ({ setting, wanted }) => setting.who !== 'maker' && !guideTo(model, start, setting.id, wanted),
    )
    expect(unled.map(({ setting }) => setting.id)).toEqual([])
  })

  test('the same touch again is counted, not said again', () => {
    const start: PanelNow = { state: model.panel!.states[0]!.id, kept, pending: null }
    for (const { setting, wanted } of ends) {
      const steps = guideTo(model, start, setting.id, wanted)?.steps ?? []
      expect(
        steps.filter(({ control, act }, index) => {
          const before = steps[index - 1]
          return before?.control === control && before.act === act
        }),
      ).toEqual([])
    }
  })
})
