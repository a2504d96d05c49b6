import { actionText, dialIn } from '@/core/controller/dialIn'
import { fit } from '@/core/controller/fit'
import type { ControllerModel, Setting } from '@/core/controller/schema'
import { CONVENTION_IDS, pointsFrom, type Convention } from '@/core/response/conventions'
import type { Differential } from '@/core/rules/differential'
import { demoModel, responseTo } from '@/testing/examples'
import { seeded } from '@/testing/seeded'

const curtain = demoModel('gear-wheel-curtain')
const morning = { days: [0, 1, 2, 3, 4], startMin: 360, endMin: 540 }
const heating = (onAt: number, offAt: number, at: number): Differential => ({
  id: 'heat',
  kind: 'differential',
  input: 'temp',
  action: 'reverse',
  onAt,
  offAt,
  speedPct: 40,
  minOnS: 0,
  minOffS: 0,
  setPoints: [{ ...morning, at }],
})
const curtainOf = (convention: Convention, fixedWidth: number): ControllerModel => ({
  ...curtain,
  differentials: [{ ...curtain.differentials![0]!, convention, fixedWidth }],
})
const told = (model: ControllerModel, rule: Differential) => {
  const fitted = fit(responseTo([rule]), model, { duty: 'door-curtain' })
  const period = dialIn(model, fitted).find(({ id }) => id.startsWith('period-'))!
  const given = fitted.given.rules[0] as Differential
  return { title: actionText(period.title), at: given.setPoints![0]!.at, given, losses: fitted.losses }
}

// docs/control-laws.md: the four conventions of a set point; width 1 K, on at 17.
test.each([
  ['off-at-set', '18.0 °C'],
  ['on-at-set', '17.0 °C'],
  ['symmetric', '17.5 °C'],
] as const)('on at 17, off at 18 on a calendar that is %s: it is told %s', (convention, figure) => {
  const { title, at } = told(curtainOf(convention, 1), heating(16, 17, 17))
  expect(title).toContain(figure)
  expect(at).toBe(17)
})

test('whatever a calendar is told comes to the points it gives', () => {
  const random = seeded(131)
  for (let run = 0; run < 200; run++) {
    const convention = CONVENTION_IDS[Math.floor(random() * CONVENTION_IDS.length)]!
    const width = 0.5 * (1 + Math.floor(random() * 4))
    const { title, at } = told(curtainOf(convention, width), heating(15, 15 + width, 12 + random() * 12))
    const figure = Number(title.match(/: ([\d.]+) °C/)![1])
    const points = pointsFrom(convention, 'reverse', figure, width)
    expect(points.onAt).toBeCloseTo(at, 6)
    // Heating that comes on no later than asked, on a step of the wheel.
    expect(figure * 2).toBeCloseTo(Math.round(figure * 2), 6)
  }
})

test('a point between two steps is said to move, on the safe side', () => {
  const { losses, at } = told(curtain, heating(16, 17, 17.2))
  expect(at).toBe(17.5)
  expect(losses).toContainEqual(expect.objectContaining({ kind: 'set-points-moved', moved: 1 }))
})

/** The balanced unit with a figure for on and one for off instead of a set point. */
const twoFigures: ControllerModel = {
  ...demoModel('scroll-wheel-balanced'),
  settings: demoModel('scroll-wheel-balanced').settings.flatMap((setting): Setting[] =>
    setting.means === 'differential.setPoint'
      ? [
          { ...setting, means: 'differential.onAt' },
          { ...setting, id: 'cool-off', means: 'differential.offAt' },
        ]
      : [setting],
  ),
}

test('on and off as two figures are put to what was asked, each on its step', () => {
  const cooling: Differential = { ...heating(24.31, 23.04, 24), action: 'direct' }
  const { settings, given } = fit(responseTo([cooling]), twoFigures, { duty: 'balanced' })
  const value = (id: string) => settings.find(({ setting }) => setting === id)?.value
  expect([value('cool-at'), value('cool-off')]).toEqual([24.3, 23])
  expect(given.rules[0]).toMatchObject({ onAt: 24.3, offAt: 23 })
})
