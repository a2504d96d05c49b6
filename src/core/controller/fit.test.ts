import { readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { fit } from '@/core/controller/fit'
import type { Loss } from '@/core/controller/loss'
import { measureRules } from '@/core/controller/measureLoss'
import type { ControllerModel } from '@/core/controller/schema'
import { rankModels } from '@/core/kit/rankModels'
import { readInstallationText } from '@/core/installation/read'
import { compile } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import type { Differential } from '@/core/rules/differential'
import type { Rule } from '@/core/rules/table'
import { lossText } from '@/core/sentences/lossText'
import { anyResponse } from '@/testing/anyResponse'
import { demoInstallation, demoModel, exampleResponse, measured, plainRamp, responseTo } from '@/testing/examples'

const MODELS = [
  'coded-plug-extract',
  'dial-pages-twin',
  'gear-wheel-curtain',
  'scroll-wheel-balanced',
  'six-level-rocker',
  'slide-lever-box',
  'strip-list-house',
  'trimmer-condenser',
  'two-pad-pwm',
].map(demoModel)
const model = (id: string): ControllerModel => MODELS.find((candidate) => candidate.id === id)!

const valueIn = (id: string, fitted: ReturnType<typeof fit>): number =>
  fitted.settings.find(({ setting }) => setting === id)!.value
const lossOf = <K extends Loss['kind']>(kind: K, { losses }: ReturnType<typeof fit>) =>
  losses.find((loss): loss is Extract<Loss, { kind: K }> => loss.kind === kind)

const differential = (changes: Partial<Differential> = {}): Differential => ({
  id: 'd',
  kind: 'differential',
  input: 'temp',
  action: 'direct',
  onAt: 26,
  offAt: 24,
  speedPct: 80,
  minOnS: 0,
  minOffS: 0,
  ...changes,
})

/** The twin with coarser steps, so that start and band cannot both be had. */
const coarse: ControllerModel = {
  ...model('dial-pages-twin'),
  settings: model('dial-pages-twin').settings.map((setting) =>
    setting.id === 'foot' ? { ...setting, step: 1 } : setting.id === 'rise' ? { ...setting, min: 2, step: 2 } : setting,
  ),
}

test.each([
  // On the safe side each alone: start 20, band 4, full at 24. Together: start 20 and band 6 would be late, so 19 and 6, full at 25.
  { startAt: 20.1, fullAt: 25.3, foot: 19, rise: 6 },
  { startAt: 20, fullAt: 24, foot: 20, rise: 4 },
  // As near in the mean as 20 and 4, and nowhere as far off.
  { startAt: 20.9, fullAt: 25.9, foot: 19, rise: 6 },
])(
  '$startAt to $fullAt in whole degrees and even bands → start $foot, band $rise',
  ({ startAt, fullAt, foot, rise }) => {
    const fitted = fit(responseTo([plainRamp({ startAt, fullAt })]), coarse, { duty: 'exhaust' })
    expect([valueIn('foot', fitted), valueIn('rise', fitted)]).toEqual([foot, rise])
  },
)

test('a band that cannot be so narrow starts earlier, to be full in time', () =>
  expect(
    fit(responseTo([plainRamp({ startAt: 40, fullAt: 43 })]), model('two-pad-pwm'), { duty: 'electronics' }).given
      .rules[0],
  ).toMatchObject({ startAt: 38, fullAt: 43 }))

test('start and band chosen together give no less air anywhere than asked, and lie no farther off than each alone', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 6, max: 30, noNaN: true }),
      fc.double({ min: 2, max: 12, noNaN: true }),
      (startAt, span) => {
        const fitted = fit(responseTo([plainRamp({ startAt, fullAt: startAt + span })]), coarse, { duty: 'exhaust' })
        const [start, rise] = [valueIn('foot', fitted), valueIn('rise', fitted)]
        expect(start).toBeLessThanOrEqual(startAt + 1e-6)
        expect(start + rise).toBeLessThanOrEqual(startAt + span + 1e-6)
      },
    ),
    { seed: 31, numRuns: 200 },
  )
})

describe('a skip band the controller cannot skip', () => {
  const bands = [{ fromPct: 43, toPct: 58 }]
  const asked = (changes: Partial<Response>) => responseTo([], { skipBands: bands, ...changes })
  test('speeds inside it move up, a ceiling down', () => {
    const fitted = fit(
      asked({
        floor: { speedPct: 45, reasons: [] },
        rules: [{ id: 'b', kind: 'switch', input: 'contact', speedPct: 50, onDelayS: 0, overrun: { kind: 'none' } }],
      }),
      model('dial-pages-twin'),
      { duty: 'exhaust' },
    )
    expect(fitted.given.floor.speedPct).toBe(60) // the upper edge, 58, up to a step of 5
    expect(fitted.given.rules[0]).toMatchObject({ speedPct: 60 })
    expect(
      fit(asked({ ceiling: { speedPct: 57, how: 'clip' } }), model('dial-pages-twin'), { duty: 'exhaust' }).given
        .ceiling.speedPct,
    ).toBe(40)
  })
  test('a ramp that has to cross it is said', () =>
    expect(
      lossOf(
        'crosses-skip-band',
        fit(asked({ rules: [plainRamp({ fromPct: 20 })] }), model('dial-pages-twin'), { duty: 'exhaust' }),
      ),
    ).toMatchObject({ rule: 'ramp', band: bands[0] }))
  test('where the foot is its own and it may be silent before, the ramp starts above it', () => {
    const free: ControllerModel = {
      ...model('dial-pages-twin'),
      ramps: [{ input: 'temperature', from: 'own', to: 'own', below: 'nothing' }],
      settings: [],
    }
    expect(fit(asked({ rules: [plainRamp({ fromPct: 20 })] }), free, { duty: 'exhaust' }).given.rules[0]).toMatchObject(
      {
        fromPct: 58,
        below: 'nothing',
      },
    )
  })
})

test.each<{ name: string; rule: Rule; into: string; given: Partial<Rule> }>([
  {
    name: 'an on/off rule becomes a ramp over its band',
    rule: differential(),
    into: 'dial-pages-twin',
    given: { kind: 'ramp', startAt: 24, fullAt: 26 },
  },
  {
    name: 'a ramp becomes an on/off rule, on at half its band',
    rule: plainRamp({ startAt: 20, fullAt: 24 }),
    into: 'scroll-wheel-balanced',
    given: { kind: 'differential', onAt: 22 },
  },
])('$name', ({ rule, into, given }) => {
  const fitted = fit(responseTo([rule]), model(into), { duty: 'exhaust' })
  expect(lossOf('rule-replaced', fitted)).toMatchObject({ rule: rule.id })
  expect(fitted.given.rules[0]).toMatchObject(given)
})

test('a matched overrun becomes a fixed one as long as its cap', () => {
  const rule: Rule = {
    id: 'b',
    kind: 'switch',
    input: 'contact',
    speedPct: 80,
    onDelayS: 0,
    overrun: { kind: 'matched', factor: 1, floorS: 0, capS: 900 },
  }
  expect(fit(responseTo([rule]), model('dial-pages-twin'), { duty: 'extract' }).given.rules[0]).toMatchObject({
    overrun: { kind: 'fixed', holdS: 900 },
  })
  expect(fit(responseTo([rule]), model('coded-plug-extract'), { duty: 'extract' }).given.rules[0]).toMatchObject({
    overrun: { kind: 'matched', capS: 900 },
  })
})

test('a built-in law is given as it is, and the words say that only the spot of the probe moves it', () => {
  const asked = responseTo([plainRamp({ startAt: 25, fullAt: 35, fromPct: 30 })])
  // 70 to 100 °F. Common practice, no source.
  const builtIn = { ...model('trimmer-condenser').ramps[0]!, fixed: { startAt: 21.1, fullAt: 37.8 } }
  const fitted = fit(asked, { ...model('trimmer-condenser'), ramps: [builtIn] }, { duty: 'head-pressure' })
  expect(fitted.given.rules[0]).toMatchObject({ startAt: 21.1, fullAt: 37.8 })
  expect(lossText(lossOf('fixed-law', fitted)!, asked).detail).toContain('Only the spot where the probe sits moves it')
})

test('a falling ramp is rounded to the other side, and one that rises does not take its slot', () => {
  const falling = plainRamp({ startAt: 20.3, fullAt: 16.1 })
  const frost: ControllerModel = { ...coarse, ramps: [{ input: 'temperature', from: 'own', to: 'own', falls: true }] }
  expect(valueIn('foot', fit(responseTo([falling]), frost, { duty: 'exhaust' }))).toBe(21)
  expect(lossOf('rule-left-out', fit(responseTo([plainRamp()]), frost, { duty: 'exhaust' }))).toBeDefined()
})

test('an offset the controller cannot hold goes into the points, and comes to the same', () => {
  const asked = responseTo([plainRamp({ startAt: 20, fullAt: 25 })], {
    inputs: [{ ...measured('temp', 'temperature'), offset: -1 }],
  })
  const fitted = fit(asked, model('dial-pages-twin'), { duty: 'exhaust' })
  expect(valueIn('foot', fitted)).toBe(21)
  expect(lossOf('steps', fitted)?.curve.greatestPct ?? 0).toBeLessThan(5)
  expect(lossOf('offset-in-points', fitted)).toMatchObject({ input: 'temp', offset: -1 })
})

test.each([
  { duty: 'livestock', into: 'strip-list-house', askedPct: 100, loss: false },
  { duty: 'livestock', into: 'dial-pages-twin', askedPct: 100, loss: true },
  { duty: 'door-curtain', into: 'gear-wheel-curtain', askedPct: 0, loss: false },
] as const)('lost probe: $into for $duty asked $askedPct %', ({ duty, into, askedPct, loss }) => {
  const asked = responseTo([plainRamp()], { inputs: [{ ...measured('temp', 'temperature'), lostPct: askedPct }] })
  expect(lossOf('lost-sensor', fit(asked, model(into), { duty })) !== undefined).toBe(loss)
})

test('a ladder: three fixed fans find their outputs, a fourth does not', () => {
  const ladder = (count: number): Response =>
    responseTo([plainRamp({ startAt: 18, fullAt: 24, fromPct: 0 })], {
      floor: { speedPct: 65, reasons: [] },
      stages: {
        fixed: Array.from({ length: count }, (_, index) => ({
          fan: `f${index}`,
          joinsAtPct: (100 * (index + 1)) / (count + 1),
        })),
        offBelowPct: 5,
        minStageS: 60,
      },
    })
  const three = fit(ladder(3), model('strip-list-house'), { duty: 'livestock' })
  expect(three.given.stages).toEqual(ladder(3).stages)
  expect(three.losses.filter(({ kind }) => kind !== 'steps')).toEqual([])
  const four = fit(ladder(4), model('strip-list-house'), { duty: 'livestock' })
  expect(four.given.stages?.fixed.map(({ joinsAtPct }) => joinsAtPct)).toEqual([25, 50, 75])
  expect(lossOf('part-left-out', four)).toMatchObject({ part: 'stages' })
})

test('a calendar of set points: periods on its steps, a fifth on one day left out', () => {
  const span = (startMin: number) => ({ days: [0], startMin, endMin: startMin + 35, at: 20 })
  const rule = differential({
    action: 'reverse',
    onAt: 18,
    offAt: 19,
    setPoints: [1, 2, 3, 4, 5].map((hour) => span(hour * 60 + 5)),
  })
  const fitted = fit(responseTo([rule]), model('gear-wheel-curtain'), { duty: 'door-curtain' })
  const [given] = fitted.given.rules
  expect(
    given?.kind === 'differential' ? given.setPoints?.map(({ startMin, endMin }) => [startMin, endMin]) : null,
  ).toEqual([
    [60, 100],
    [120, 160],
    [180, 220],
    [240, 280],
  ])
  expect(lossOf('periods-left-out', fitted)).toMatchObject({ kept: 4, asked: 5 })
})

test('what nobody asked for is put where it does nothing, or said', () => {
  const asked = responseTo([plainRamp({ fromPct: 0 })])
  expect(valueIn('on', fit(asked, model('strip-list-house'), { duty: 'livestock' }))).toBe(0)
  expect(valueIn('damp', fit(asked, model('coded-plug-extract'), { duty: 'extract' }))).toBe(99)
  const dry = exampleResponse({ inputs: [measured('rh', 'humidity')] })
  expect(lossOf('unasked', fit(dry, model('dial-pages-twin'), { duty: 'grow-room' }))).toMatchObject({
    rule: 'ramp',
    input: 'rh',
  })
})

test('each rule that is not carried out exactly says how far it lies off', () => {
  const asked = responseTo([plainRamp({ startAt: 20.2, fullAt: 24.2 })])
  const [measure] = measureRules(asked, fit(asked, model('dial-pages-twin'), { duty: 'exhaust' }).given)
  expect(measure!.changes).toEqual([
    { field: 'startAt', asked: 20.2, given: 20 },
    { field: 'fullAt', asked: 24.2, given: 24 },
  ])
  // 0.2 K of a ramp of 25 % a kelvin is 5 points; over a range of 100 K hardly anything in the mean.
  expect(measure!.curve!.greatestPct).toBeCloseTo(5, 1)
  expect(measure!.curve!.meanPct).toBeLessThan(0.3)
})

/** Those of docs/formats: between them they have all that a model can say. */
const EXAMPLES = readdirSync('docs/formats/examples').flatMap((file) => {
  const read = readInstallationText(readFileSync(`docs/formats/examples/${file}`, 'utf8'))
  return read.ok && read.value.kit.controller ? [read.value.kit.controller] : []
})

test('any response into any model: it compiles, and fitted again nothing moves', () => {
  fc.assert(
    fc.property(anyResponse, fc.constantFrom(...MODELS, ...EXAMPLES), (response, into) => {
      const once = fit(response, into, { duty: 'grow-room' })
      expect(compile(once.given)).toMatchObject({ ok: true })
      expect(fit(once.given, into, { duty: 'grow-room' }).given).toEqual(once.given)
      for (const loss of once.losses) expect(lossText(loss, response).title).not.toBe('')
    }),
    { seed: 33, numRuns: 300 },
  )
})

describe('which controller', () => {
  test('the one made for it stands first, and what cannot drive the fan stands last with its reason', () => {
    const { response, kit } = demoInstallation('inverter-cupboard')
    const order = rankModels(response, kit, { duty: 'electronics' }, MODELS)
    expect(order[0]?.model.id).toBe('two-pad-pwm')
    expect(order.slice(1).every(({ cannotDrive }) => cannotDrive.length > 0)).toBe(true)
  })
  test('an electronic motor may not be phase-cut', () => {
    const { response, kit } = demoInstallation('inverter-cupboard')
    const fans = kit.fans.map((fan) => ({
      ...fan,
      motor: 'electronic' as const,
      signal: { kind: 'phase-cut' as const, supplyV: 230 },
    }))
    expect(
      rankModels(response, { fans }, { duty: 'electronics' }, [model('slide-lever-box')])[0]?.cannotDrive,
    ).toMatchObject([{ kind: 'motor', needs: 'electronic' }])
  })
  test('the order does not hang on the order in which they are given', () => {
    const { response, kit } = demoInstallation('fruiting-room')
    const ids = (models: readonly ControllerModel[]) =>
      rankModels(response, kit, { duty: 'grow-room' }, models).map((entry) => entry.model.id)
    expect(ids([...MODELS].reverse())).toEqual(ids(MODELS))
  })
})
