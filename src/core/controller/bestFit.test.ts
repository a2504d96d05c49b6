import { fit } from '@/core/controller/fit'
import { nearestValue, valuesOf } from '@/core/controller/nearestValue'
import { GREATEST_WEIGHT } from '@/core/controller/rampPair'
import { careOf, CARES, safeSide, type Care, type Place } from '@/core/controller/safeSide'
import type { ControllerModel, Meaning, PartSetting, Setting, SettingValue } from '@/core/controller/schema'
import { settingOf } from '@/core/controller/settingOf'
import { pointsFrom } from '@/core/response/conventions'
import type { Response } from '@/core/response/schema'
import type { Differential } from '@/core/rules/differential'
import type { MeasuredInput } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'
import type { Rule } from '@/core/rules/table'
import { demoModels } from '@/testing/anyInstallation'
import { responseTo } from '@/testing/examples'
import { seeded } from '@/testing/seeded'

// Brute force against `fit`: every start and band, every set point and width, every value of a setting, on every model of the demo. The curves
// here are written down again and sampled, so that nothing of what is tested computes them.

// For each care and model: 210 a model, of each kind.
const RUNS = 40
// Looked up once: a test’s globals are slow to reach.
const { abs, max, min } = Math
const PLACES: Record<Care, Place> = {
  air: { duty: 'exhaust' },
  pressure: { duty: 'head-pressure' },
  suction: { duty: 'extract', answers: { openFlue: true } },
}

type Curve = { startAt: number; fullAt: number; from: number; to: number; floor: number; ceiling: number; rest: number }

function speed({ startAt, fullAt, from, to, floor, ceiling, rest }: Curve, x: number): number {
  const share = (x - startAt) / (fullAt - startAt)
  if (share < 0 && rest >= 0) return rest
  const asks = share <= 0 ? from : share >= 1 ? to : from + share * (to - from)
  return asks < floor ? floor : asks > ceiling ? ceiling : asks
}

function curveOf(ramp: Ramp, { floor, ceiling }: Response, mayBeOff: boolean): Curve {
  return {
    startAt: ramp.startAt,
    fullAt: ramp.fullAt,
    from: ramp.fromPct,
    to: ceiling.how === 'rescale' ? min(ramp.toPct, ceiling.speedPct) : ramp.toPct,
    floor: floor.speedPct,
    ceiling: ceiling.speedPct,
    rest: ramp.below === 'from' ? -1 : mayBeOff ? 0 : floor.speedPct,
  }
}

/** What was asked, sampled over a range. */
function sampled(asked: Curve, { from, to }: MeasuredInput, count: number) {
  const xs = Float64Array.from({ length: count }, (_, index) => from + ((to - from) * (index + 0.5)) / count)
  return { asked, xs, wanted: xs.map((x) => speed(asked, x)) }
}

type Sampled = ReturnType<typeof sampled>

/** How far a curve lies off by the documented measure, and how much it errs to the wrong side. */
function measured({ asked, xs, wanted }: Sampled, given: Curve, care: Care) {
  const [least, most] = [speed(given, -1e6), speed(given, 1e6)]
  const { startAt, fullAt } = asked
  let sum = 0
  let greatest = 0
  let wrong = 0
  for (let index = 0; index < xs.length; index++) {
    const x = xs[index]!
    const g = speed(given, x)
    // The nearest that could be: its own ends stand before the start and past the end.
    const a = x < startAt ? least : x > fullAt ? most : min(most, max(least, wanted[index]!))
    const off = abs(g - a)
    sum += off
    if (off > greatest) greatest = off
    if (care === 'air' || (care === 'pressure' && x > fullAt)) wrong += max(0, a - g)
    if (care === 'suction' || (care === 'pressure' && x < startAt)) wrong += max(0, g - a)
  }
  return { off: sum / xs.length + GREATEST_WEIGHT * greatest, wrong: wrong / xs.length }
}

const legal = (setting: Setting): number[] => valuesOf(setting).filter((value) => value !== setting.off)
const round = (x: number, step: number): number => Number((Math.round(x / step) * step).toFixed(6))

const rampSlots = demoModels.flatMap((model) =>
  model.ramps.flatMap((slot, index) => {
    const [start, span] = [settingOf(model, 'ramp.startAt', index + 1), settingOf(model, 'ramp.span', index + 1)]
    return start && span && !slot.fixed ? [{ model, id: model.id, slot, input: slot.input, start, span }] : []
  }),
)

test('the models of the demo have ramps to choose for', () => expect(rampSlots.length).toBeGreaterThanOrEqual(4))

describe.each(CARES)('a ramp, care for %s', (care) => {
  test.each(rampSlots.map(({ id, input }, index) => [id, input, index] as const))('%s, %s', (_id, _input, at) => {
    const { model, slot, start, span } = rampSlots[at]!
    const random = seeded(71)
    const input: MeasuredInput = {
      id: 'x',
      kind: slot.input,
      name: 'x',
      from: slot.input === 'humidity' ? 20 : 0,
      to: slot.input === 'humidity' ? 100 : 80,
    }
    const [starts, spans] = [legal(start), legal(span).filter((width) => width > 0)]
    for (let run = 0; run < RUNS; run++) {
      const startAt = round(start.min + random() * Math.min(40, start.max - start.min), 0.1)
      const width = round(Math.max(0.6, random() * Math.min(20, span.max)), 0.1)
      const floorPct = Math.round(random() * 50)
      const ceilingPct = Math.round(60 + random() * 40)
      const ramp: Ramp = {
        id: 'r',
        kind: 'ramp',
        input: 'x',
        startAt,
        fullAt: startAt + width,
        fromPct: slot.from === 'zero' ? 0 : random() < 0.5 ? floorPct : Math.round(floorPct + random() * 10),
        toPct: random() < 0.5 ? ceilingPct : 100,
        below: slot.below ?? 'from',
      }
      const asked = responseTo([ramp], {
        inputs: [input],
        floor: { speedPct: floorPct, reasons: [] },
        ceiling: { speedPct: ceilingPct, how: 'clip' },
      })
      const { given } = fit(asked, model, PLACES[care])
      const [got] = given.rules as [Ramp]
      const [before, after] = [curveOf(ramp, asked, false), curveOf(got, given, false)]
      const [coarse, fine] = [60, 20000].map((count) => sampled(before, input, count)) as [Sampled, Sampled]
      const chosen = measured(coarse, after, care)
      const why = JSON.stringify({ asked: ramp, floorPct, ceilingPct, got })
      for (const s of starts)
        for (const w of spans) {
          const other = { ...after, startAt: s, fullAt: s + w }
          const { wrong, off } = measured(coarse, other, care)
          if (wrong > chosen.wrong + 1e-4 || (wrong > chosen.wrong - 1e-4 && off > chosen.off - 1e-4)) continue
          // Sampled finely before it counts as better.
          const [better, was] = [other, after].map((curve) => measured(fine, curve, care))
          const isBetter =
            better!.wrong < was!.wrong - 1e-3 || (better!.wrong < was!.wrong + 1e-9 && better!.off < was!.off - 1e-2)
          if (isBetter) throw new Error(`start ${s}, band ${w} is better: ${why}`)
        }
    }
  })
})

const differentialSlots = demoModels.flatMap((model) =>
  (model.differentials ?? []).flatMap((slot, index) => {
    const point = settingOf(model, 'differential.setPoint', index + 1)
    return point ? [{ model, id: model.id, slot, point, width: settingOf(model, 'differential.width', index + 1) }] : []
  }),
)
/** No model of the demo has a width that can be set: a made-up one beside them. */
const withWidth = differentialSlots.map(({ model, slot, point }) => {
  const { fixedWidth: _fixed, ...free } = slot
  const width: Setting = { ...point, id: 'width', means: 'differential.width', min: 0.5, max: 6, step: 0.5, default: 1 }
  const coarse = { ...point, step: 1, min: Math.ceil(point.min) }
  return {
    model: {
      ...model,
      differentials: [free],
      settings: [...model.settings.map((setting) => (setting === point ? coarse : setting)), width],
    },
    id: `${model.id} with a width`,
    slot: free,
    point: coarse,
    width,
  }
})

describe.each(CARES)('an on/off rule, care for %s', (care) => {
  const slots = [...differentialSlots, ...withWidth]
  test.each(slots.map(({ id }, index) => [id, index] as const))('%s', (_id, at) => {
    const { model, slot, point, width } = slots[at]!
    const random = seeded(72)
    const way = slot.action === 'direct' ? 1 : -1
    for (let run = 0; run < RUNS; run++) {
      const onAt = round(point.min + 2 + random() * (point.max - point.min - 4), 0.1)
      const offAt = round(onAt - way * (0.2 + random() * 4), 0.1)
      const rule: Differential = {
        id: 'd',
        kind: 'differential',
        input: 'temp',
        action: slot.action,
        onAt,
        offAt,
        speedPct: 60,
        minOnS: 0,
        minOffS: 0,
      }
      const { given } = fit(responseTo([rule]), model, PLACES[care])
      const [got] = given.rules as [Differential]
      const judged = (points: { onAt: number; offAt: number }) => {
        const [later, longer] = [way * (points.onAt - onAt), way * (offAt - points.offAt)]
        return [
          Math.max(0, care === 'suction' ? -later : later),
          Math.max(0, Math.abs(onAt - offAt) - Math.abs(points.onAt - points.offAt)),
          Math.abs(later) + Math.abs(longer),
        ]
      }
      const chosen = judged(got)
      for (const w of width
        ? legal(width)
        : ['fixedWidth' in slot && slot.fixedWidth !== undefined ? slot.fixedWidth : Math.abs(onAt - offAt)])
        for (const s of legal(point)) {
          const other = judged(pointsFrom(slot.convention, slot.action, s, w))
          const at = other.findIndex((x, index) => Math.abs(x - chosen[index]!) > 1e-6)
          if (at >= 0 && other[at]! < chosen[at]!)
            throw new Error(`set point ${s}, width ${w} is better: ${JSON.stringify({ rule, got })}`)
        }
    }
  })
})

/** A setting stands at the value nearest to what was wanted on its safe side; beyond its range it goes as far as it can. */
function expectNearest(settings: readonly SettingValue[], setting: PartSetting, wanted: number, care: Care): void {
  const { towards } = safeSide(setting.means, PLACES[care])
  const all = valuesOf(setting)
  const allowed = all.filter((value) =>
    towards === 'up' ? value >= wanted - 1e-6 : towards === 'down' ? value <= wanted + 1e-6 : true,
  )
  const among = allowed.length > 0 ? allowed : [towards === 'up' ? max(...all) : min(...all)]
  const nearest = min(...among.map((value) => abs(value - wanted)))
  const got = settings.find(({ setting: id }) => id === setting.id)!.value
  expect({ means: setting.means, wanted, off: abs(got - wanted), isLegal: among.includes(got) }).toEqual({
    means: setting.means,
    wanted,
    off: expect.closeTo(nearest, 6) as number,
    isLegal: true,
  })
}

/** What a rule kind is asked for at random, with the settings it goes into; the model that has no such slot is left alone. */
const SINGLES: readonly {
  readonly kind: Rule['kind']
  readonly rule: (random: () => number) => Rule
  readonly wants: (rule: never) => Partial<Record<Meaning, number>>
}[] = [
  {
    kind: 'switch',
    rule: (random) => ({
      id: 's',
      kind: 'switch',
      input: 'contact',
      speedPct: Math.round(random() * 100),
      onDelayS: 0,
      overrun: { kind: 'fixed', holdS: Math.round(random() * 4000) },
    }),
    wants: ({ speedPct, overrun }: Extract<Rule, { kind: 'switch' }>) => ({
      'switch.speedPct': speedPct,
      'switch.overrunS': overrun.kind === 'fixed' ? overrun.holdS : 0,
    }),
  },
  {
    kind: 'rapid-rise',
    rule: (random) => ({
      id: 's',
      kind: 'rapid-rise',
      input: 'rh',
      rise: Number((5 + random() * 20).toFixed(1)),
      release: 1,
      windowS: 300,
      capS: 1800,
      speedPct: 80,
    }),
    wants: ({ rise }: Extract<Rule, { kind: 'rapid-rise' }>) => ({ 'rapidRise.rise': rise }),
  },
  {
    kind: 'cycle',
    rule: (random) => ({
      id: 's',
      kind: 'cycle',
      onS: Math.round(20 + random() * 200),
      periodS: Math.round(300 + random() * 1000),
      speedPct: Math.round(1 + random() * 99),
    }),
    wants: ({ onS, periodS, speedPct }: Extract<Rule, { kind: 'cycle' }>) => ({
      'cycle.onS': onS,
      'cycle.periodS': periodS,
      'cycle.speedPct': speedPct,
    }),
  },
  {
    kind: 'hold-after-fall',
    rule: (random) => ({
      id: 's',
      kind: 'hold-after-fall',
      input: 'temp',
      armAbove: Number((35 + random() * 60).toFixed(1)),
      speedPct: Math.round(random() * 100),
      holdS: 2700,
    }),
    wants: ({ armAbove, speedPct }: Extract<Rule, { kind: 'hold-after-fall' }>) => ({
      'holdAfterFall.armAbove': armAbove,
      'holdAfterFall.speedPct': speedPct,
    }),
  },
]

const singles = SINGLES.flatMap(({ kind, rule, wants }) =>
  demoModels.flatMap((model) => CARES.map((care) => ({ kind, id: model.id, care, model, rule, wants }))),
)

test.each(singles)(
  '$kind on $id, care for $care: the nearest value on the safe side',
  ({ model, care, rule, wants }) => {
    const random = seeded(73)
    for (let run = 0; run < RUNS; run++) {
      const asked = rule(random)
      const { settings, given } = fit(responseTo([asked]), model, PLACES[care])
      if (!given.rules.some(({ id, kind }) => id === 's' && kind === asked.kind)) return
      for (const [means, wanted] of Object.entries(wants(asked as never)) as [Meaning, number][]) {
        const setting = settingOf(model, means, 1)
        if (!setting) continue
        expectNearest(settings, setting, wanted, care)
      }
    }
  },
)

/** Settings of the whole controller: what is asked of them at random. */
const PARTS: readonly {
  readonly means: Meaning
  readonly asked: (random: () => number) => readonly [Partial<Response>, number]
}[] = [
  {
    means: 'floor',
    asked: (random) => {
      const speedPct = Math.round(random() * 70)
      return [{ floor: { speedPct, reasons: [] } }, speedPct]
    },
  },
  {
    means: 'follower.ratioPct',
    asked: (random) => {
      const ratio = Math.round(60 + random() * 70) / 100
      return [{ followers: [{ fan: 'second', ratio, floorPct: 0, atLeadFloor: 'follow' }] }, ratio * 100]
    },
  },
  {
    means: 'kick.speedPct',
    asked: (random) => {
      const speedPct = Math.round(30 + random() * 70)
      return [{ startKick: { speedPct, holdS: 3 } }, speedPct]
    },
  },
  {
    means: 'kick.holdS',
    asked: (random) => {
      const holdS = Number((random() * 14).toFixed(1))
      return [{ startKick: { speedPct: 100, holdS } }, holdS]
    },
  },
  {
    means: 'heaterPurge.holdS',
    asked: (random) => {
      const holdS = Math.round(30 + random() * 170)
      return [{ heaterPurge: { input: 'contact', speedPct: 60, holdS } }, holdS]
    },
  },
  {
    means: 'reduction.byPct',
    asked: (random) => {
      const byPct = Math.round(random() * 40)
      return [{ reductions: [{ input: 'temp', when: 'at-or-below', at: 0, byPct, how: 'points' }] }, byPct]
    },
  },
]
const partRows = PARTS.flatMap(({ means, asked }) =>
  demoModels.flatMap((model) => {
    const setting = settingOf(model, means, 1)
    return setting ? CARES.map((care) => ({ means, id: model.id, care, model, setting, asked })) : []
  }),
)

test.each(partRows.map(({ means, id, care }, index) => [means, id, care, index] as const))(
  '%s on %s, care for %s: the nearest value on the safe side',
  (_means, _id, care, at) => {
    const { model, setting, asked } = partRows[at]!
    const random = seeded(74)
    for (let run = 0; run < RUNS; run++) {
      const [changes, wanted] = asked(random)
      expectNearest(fit(responseTo([], changes), model, PLACES[care]).settings, setting, wanted, care)
    }
  },
)

test('a week: each period begins at the last step not after it, and ends at the first not before it', () => {
  const random = seeded(75)
  const model: ControllerModel = {
    ...demoModels.find(({ id }) => id === 'scroll-wheel-balanced')!,
    weeks: [
      {
        ...demoModels.find(({ id }) => id === 'gear-wheel-curtain')!.weeks![0]!,
        of: 'speed',
        periodsADay: 4,
        stepMin: 15,
        stepPct: 5,
      },
    ],
  }
  for (let run = 0; run < 3 * RUNS; run++) {
    const startMin = Math.round(random() * 1300)
    const period = { days: [0, 3], startMin, endMin: startMin + 1 + Math.round(random() * 120), speedPct: 37 }
    const { given } = fit(responseTo([{ id: 'w', kind: 'week', periods: [period] }]), model, PLACES.air)
    const [rule] = given.rules
    const steps = Array.from({ length: 97 }, (_, index) => index * 15)
    expect(rule?.kind === 'week' ? rule.periods : null).toEqual([
      {
        days: [0, 3],
        startMin: max(...steps.filter((step) => step <= period.startMin)),
        endMin: min(...steps.filter((step) => step >= period.endMin)),
        speedPct: 40,
      },
    ])
  }
})

describe('one boost for several rules', () => {
  const model = demoModels.find(({ id }) => id === 'coded-plug-extract')!
  const rules = (a: number, b: number): Rule[] => [
    { id: 'live', kind: 'switch', input: 'contact', speedPct: a, onDelayS: 0, overrun: { kind: 'none' } },
    { id: 'rise', kind: 'rapid-rise', input: 'rh', rise: 8, release: 3, windowS: 300, capS: 1800, speedPct: b },
  ]
  const boostOf = (a: number, b: number, place: Place, ceilingPct = 100) => {
    const asked = responseTo(rules(a, b), { ceiling: { speedPct: ceilingPct, how: 'clip' } })
    const fitted = fit(asked, model, place)
    return {
      boost: fitted.settings.find(({ setting }) => setting === 'boost')!.value,
      kinds: fitted.losses.map(({ kind }) => kind),
    }
  }
  test.each([
    { a: 65, b: 65, boost: 65 },
    { a: 60, b: 75, boost: 75 },
    { a: 62, b: 58, boost: 65 },
    { a: 100, b: 60, boost: 100 },
  ])('$a and $b asked → $boost', ({ a, b, boost }) => expect(boostOf(a, b, PLACES.air).boost).toBe(boost))
  test('what is the same for both is no loss', () =>
    expect(boostOf(65, 65, PLACES.air).kinds).not.toContain('speed-follows'))
  test('what is more than one of them asked is one', () =>
    expect(boostOf(65, 75, PLACES.air).kinds).toContain('speed-follows'))
  test('a ceiling below what they ask stands', () => expect(boostOf(90, 90, PLACES.air, 75).boost).toBe(75))
  test('with an open flue it is rounded down', () => expect(boostOf(62, 58, PLACES.suction).boost).toBe(55))
})

test('a law that is built in says in figures how far it lies off', () => {
  const base = demoModels.find(({ id }) => id === 'dial-pages-twin')!
  const always: ControllerModel = {
    ...base,
    ramps: [{ input: 'temperature', from: 'floor', to: 'ceiling', fixedSpan: 2 }],
    settings: base.settings.filter(
      ({ means, slot }) => means !== 'ramp.span' && !(means.startsWith('ramp') && slot > 1),
    ),
  }
  const asked = responseTo([
    { id: 'r', kind: 'ramp', input: 'temp', startAt: 24, fullAt: 29, fromPct: 20, toPct: 100, below: 'from' },
  ])
  expect(fit(asked, always, { duty: 'exhaust' }).losses.find(({ kind }) => kind === 'fixed-law')).toMatchObject({
    // 23.5, as its foot is the floor: where 20 % were asked from, it is on its way there already.
    startAt: 23.5,
    fullAt: 25.5,
    askedStartAt: 24,
    askedFullAt: 29,
  })
})

test.each([
  { place: { duty: 'extract' as const }, care: 'air' },
  { place: { duty: 'extract' as const, answers: { openFlue: true } }, care: 'suction' },
  { place: { duty: 'extract' as const, answers: { openFlue: null } }, care: 'air' },
  { place: { duty: 'head-pressure' as const }, care: 'pressure' },
])('care for $care: $place', ({ place, care }) => expect(careOf(place)).toBe(care))

test('nearest stays inside', () => {
  const [setting] = demoModels[0]!.settings
  expect(nearestValue(setting!, 1e9, 'up')).toBe(setting!.max)
})
