import { Type, type Static, type TSchema } from '@sinclair/typebox'
import { Id, Name, Percent, Seconds, closed } from '@/core/json/vocabulary'

/** What an input stands for, so that nobody has to guess it from its name. The first are read, the others are contacts. */
export const MEASURED_ROLES = [
  'room',
  'outdoor',
  'supply',
  'coil',
  'flue',
  'shell',
  'component',
  'body',
  'light',
  'pressure',
] as const
export const SWITCH_ROLES = [
  'request',
  'door',
  'isolator',
  'safety-stop',
  'test',
  'heat',
  'equipment',
  'defrost',
  'alarm',
] as const
export type Role = (typeof MEASURED_ROLES)[number] | (typeof SWITCH_ROLES)[number]

/** What the response can sense. `from` and `to` are the range shown on charts and sliders, in the base unit of the kind. */
export const MEASURED = ['temperature', 'humidity', 'pressure', 'light'] as const
export const MeasuredInput = Type.Object(
  {
    id: Id,
    kind: Type.Union(MEASURED.map((kind) => Type.Literal(kind))),
    name: Name,
    from: Type.Number(),
    to: Type.Number(),
    /** Added to what the sensor says. */
    offset: Type.Optional(Type.Number()),
    /** Made of other inputs instead of read; readings that are lost are left out, but a difference needs both. */
    combines: Type.Optional(
      Type.Object(
        {
          of: Type.Array(Id, { minItems: 1, maxItems: 8 }),
          how: Type.Union([
            Type.Literal('highest'),
            Type.Literal('lowest'),
            Type.Literal('average'),
            Type.Literal('difference'),
          ]),
        },
        closed,
      ),
    ),
    /** Speed held while this input has no reading: by duty, full where lives or machines hang on it. */
    lostPct: Type.Optional(Percent),
    /** What it measures; proposed by duty where nothing is said. */
    role: Type.Optional(Type.Union(MEASURED_ROLES.map((role) => Type.Literal(role)))),
  },
  closed,
)
export const SwitchInput = Type.Object(
  {
    id: Id,
    kind: Type.Literal('switch'),
    name: Name,
    /** What it tells; proposed by duty where nothing is said. */
    role: Type.Optional(Type.Union(SWITCH_ROLES.map((role) => Type.Literal(role)))),
  },
  closed,
)
export const Input = Type.Union([MeasuredInput, SwitchInput])
export type MeasuredInput = Static<typeof MeasuredInput>
export type Input = Static<typeof Input>

export const FLOOR_REASONS = [
  'turns',
  'restarts',
  'stall',
  'motor-cooling',
  'bearings',
  'shutters',
  'required-flow',
  'equipment',
  'chosen',
] as const
export const FloorReason = Type.Object(
  {
    kind: Type.Union(FLOOR_REASONS.map((kind) => Type.Literal(kind))),
    speedPct: Percent,
    note: Type.Optional(Type.String({ maxLength: 200 })),
  },
  closed,
)
export type FloorReason = Static<typeof FloorReason>

/** `offAllowed`: with nothing asking it stands still, and there is nothing between 0 and the floor. */
export const Floor = Type.Object(
  { speedPct: Percent, reasons: Type.Array(FloorReason, { maxItems: 20 }), offAllowed: Type.Optional(Type.Boolean()) },
  closed,
)
export const Ceiling = Type.Object(
  { speedPct: Percent, how: Type.Union([Type.Literal('clip'), Type.Literal('rescale')]) },
  closed,
)

/** What a machine remembers, as far as a controller may keep it without power: time left of overruns and the like, where a cycle is, day
 *  or night, what was switched on or latched. */
export const MEMORIES = ['timers', 'cycle', 'mode', 'latches'] as const
export type Memory = (typeof MEMORIES)[number]

export const MODES = ['day', 'night'] as const
const common = {
  id: Id,
  off: Type.Optional(Type.Boolean()),
  note: Type.Optional(Type.String({ maxLength: 400 })),
  /** The modes it belongs to; all where none is named. */
  modes: Type.Optional(Type.Array(Type.Union(MODES.map((mode) => Type.Literal(mode))), { minItems: 1, maxItems: 2 })),
}

const DAYS = Type.Array(Type.Integer({ minimum: 0, maximum: 6 }), { minItems: 1, maxItems: 7 })
const span = {
  days: DAYS,
  startMin: Type.Integer({ minimum: 0, maximum: 1439 }),
  endMin: Type.Integer({ minimum: 0, maximum: 1440 }),
}
/** Days from 0 (Monday) to 6; minutes of the local day. One that ends before it starts runs over midnight. */
export const WeekSpan = Type.Object(span, closed)
export type WeekSpan = Static<typeof WeekSpan>

/** A time of the week in which a rule starts (a ramp) or comes on (a differential) at another point; its width stays. */
export const SetPoint = Type.Object({ ...span, at: Type.Number() }, closed)
export type SetPoint = Static<typeof SetPoint>
const setPoints = { setPoints: Type.Optional(Type.Array(SetPoint, { minItems: 1, maxItems: 28 })) }

/** Speed in proportion to an input. `startAt` and `fullAt` are in the input's base unit (°C, %RH, Pa); a falling ramp has `fullAt` below `startAt`. */
export const Ramp = Type.Object(
  {
    ...common,
    kind: Type.Literal('ramp'),
    input: Id,
    startAt: Type.Number(),
    fullAt: Type.Number(),
    fromPct: Percent,
    toPct: Percent,
    below: Type.Union([Type.Literal('from'), Type.Literal('nothing')]),
    ...setPoints,
  },
  closed,
)
export type Ramp = Static<typeof Ramp>

export const Overrun = Type.Union([
  Type.Object({ kind: Type.Literal('none') }, closed),
  Type.Object({ kind: Type.Literal('fixed'), holdS: Seconds }, closed),
  Type.Object(
    {
      kind: Type.Literal('matched'),
      factor: Type.Number({ minimum: 0.1, maximum: 10 }),
      floorS: Seconds,
      capS: Seconds,
    },
    closed,
  ),
])
export type Overrun = Static<typeof Overrun>

export const SwitchRule = Type.Object(
  { ...common, kind: Type.Literal('switch'), input: Id, speedPct: Percent, onDelayS: Seconds, overrun: Overrun },
  closed,
)
export type SwitchRule = Static<typeof SwitchRule>

/** On/off with both its points given. Cooling: on at or above `onAt`, off at or below `offAt`; heating mirrored. */
export const Differential = Type.Object(
  {
    ...common,
    kind: Type.Literal('differential'),
    input: Id,
    sense: Type.Union([Type.Literal('cooling'), Type.Literal('heating')]),
    onAt: Type.Number(),
    offAt: Type.Number(),
    speedPct: Percent,
    minOnS: Seconds,
    minOffS: Seconds,
    ...setPoints,
  },
  closed,
)
export type Differential = Static<typeof Differential>

/** A quick rise: by `rise` above the lowest of the last `windowS`; over within `release` of it, or after `capS`. After its cap it comes again
 *  only once it has been back, or `rearmS` later (an hour where nothing is said): a change of the weather does not silence it for ever. */
export const Surge = Type.Object(
  {
    ...common,
    kind: Type.Literal('surge'),
    input: Id,
    windowS: Type.Number({ exclusiveMinimum: 0, maximum: 86400 }),
    rise: Type.Number({ exclusiveMinimum: 0 }),
    release: Type.Number({ minimum: 0 }),
    speedPct: Percent,
    capS: Seconds,
    rearmS: Type.Optional(Seconds),
  },
  closed,
)
export type Surge = Static<typeof Surge>

export const Period = Type.Object({ ...span, speedPct: Percent }, closed)
export type Period = Static<typeof Period>
export const Week = Type.Object(
  { ...common, kind: Type.Literal('week'), periods: Type.Array(Period, { minItems: 1, maxItems: 60 }) },
  closed,
)
export type Week = Static<typeof Week>

export const Cycle = Type.Object(
  {
    ...common,
    kind: Type.Literal('cycle'),
    onS: Seconds,
    periodS: Type.Number({ exclusiveMinimum: 0, maximum: 604800 }),
    speedPct: Percent,
  },
  closed,
)
export type Cycle = Static<typeof Cycle>

/** Above `armAbove` it runs; on falling to it, it warns and runs on for `holdS`, then stops. */
export const AfterRun = Type.Object(
  { ...common, kind: Type.Literal('after-run'), input: Id, armAbove: Type.Number(), speedPct: Percent, holdS: Seconds },
  closed,
)
export type AfterRun = Static<typeof AfterRun>

export const Rule = Type.Union([Ramp, SwitchRule, Differential, Surge, Week, Cycle, AfterRun])
export type Rule = Static<typeof Rule>

export const StartKick = Type.Object({ speedPct: Percent, holdS: Type.Number({ minimum: 0, maximum: 120 }) }, closed)
export type StartKick = Static<typeof StartKick>

/** A second fan at a ratio of the lead's percent. `atLeadFloor` says what it does while the lead is at its floor. */
export const Follower = Type.Object(
  {
    fan: Id,
    ratio: Type.Number({ minimum: 0.05, maximum: 3 }),
    floorPct: Percent,
    atLeadFloor: Type.Union([Type.Literal('follow'), Type.Literal('floor'), Type.Literal('off')]),
  },
  closed,
)
export type Follower = Static<typeof Follower>

/** The steps in which the output can move; `stepPct` 0 is stepless. Where levels are named it can stand on these alone, and at 0. */
export const Steps = Type.Object(
  {
    stepPct: Type.Number({ minimum: 0, maximum: 50 }),
    rounding: Type.Union([Type.Literal('nearest'), Type.Literal('up'), Type.Literal('down')]),
    levelsPct: Type.Optional(Type.Array(Percent, { minItems: 1, maxItems: 24 })),
  },
  closed,
)
export type Steps = Static<typeof Steps>

/** Speeds passed over because of resonance; the edges themselves are allowed. */
export const RestBand = Type.Object({ fromPct: Percent, toPct: Percent }, closed)
export type RestBand = Static<typeof RestBand>

/** Day and night by light: the other mode comes when the light has pointed to it for `delayS` without a break. */
export const LightMode = Type.Object({ input: Id, level: Type.Number({ minimum: 0 }), delayS: Seconds }, closed)
export type LightMode = Static<typeof LightMode>

/** Which side of a point counts, and whether the point itself does. */
export const SIDES = ['at-or-above', 'at-or-below', 'above', 'below'] as const
export type Side = (typeof SIDES)[number]
const when = Type.Union(SIDES.map((side) => Type.Literal(side)))

/** A reduction while an input is past a point: by points, or by a share of the present value. */
export const Reduction = Type.Object(
  {
    input: Id,
    when,
    at: Type.Number(),
    byPct: Percent,
    how: Type.Union([Type.Literal('points'), Type.Literal('relative')]),
  },
  closed,
)
export type Reduction = Static<typeof Reduction>

/** When everything stops asking: the last running speed (or a set one) for a time. */
export const RunOn = Type.Object({ holdS: Seconds, speedPct: Type.Union([Percent, Type.Null()]) }, closed)
/** After heat was given (a switch input), not less than a speed for a time, whatever else says off. */
export const CoolDown = Type.Object({ input: Id, speedPct: Percent, holdS: Seconds }, closed)
/** The controller’s own heat: at `onAt` the lead runs full and its followers stop, until it is below `offBelow`. */
export const Overheat = Type.Object({ input: Id, onAt: Type.Number(), offBelow: Type.Number() }, closed)
export type Overheat = Static<typeof Overheat>
const TestHold = Type.Object({ input: Id, speedPct: Percent }, closed)
/** What holds the fan whatever was asked, strongest first. `isolated` and `safetyStop` are switch inputs; `test` runs one speed while
 *  its switch is on. */
export const Holds = Type.Object(
  {
    isolated: Type.Optional(Id),
    safetyStop: Type.Optional(Id),
    overheat: Type.Optional(Overheat),
    test: Type.Optional(TestHold),
  },
  closed,
)

export type Holds = Static<typeof Holds>

/** Fans without speed control that join a variable one. The asks are then percent of all of them together; the variable fan climbs from
 *  its floor to 100 between one join and the next. A fan leaves `offBelowPct` under its join; `minStageS` between two changes. */
export const Stages = Type.Object(
  {
    fixed: Type.Array(Type.Object({ fan: Id, joinsAtPct: Percent }, closed), { minItems: 1, maxItems: 8 }),
    offBelowPct: Percent,
    minStageS: Seconds,
  },
  closed,
)
export type Stages = Static<typeof Stages>

/** Something that is so or not: an input past a point (and, once past it, until it is `release` back), a switch, a fan’s speed, a lost
 *  reading, or the overheat that has been since power came. A lost reading is past nothing. */
export const Condition = Type.Union([
  Type.Object(
    { kind: Type.Literal('input'), input: Id, when, at: Type.Number(), release: Type.Number({ minimum: 0 }) },
    closed,
  ),
  Type.Object(
    { kind: Type.Literal('switch'), input: Id, is: Type.Union([Type.Literal('on'), Type.Literal('off')]) },
    closed,
  ),
  Type.Object({ kind: Type.Literal('speed'), fan: Id, when, atPct: Percent }, closed),
  Type.Object({ kind: Type.Literal('lost'), input: Id }, closed),
  Type.Object({ kind: Type.Literal('overheated') }, closed),
])
export type Condition = Static<typeof Condition>

export const OUTPUT_KINDS = ['bypass', 'shutter', 'alarm', 'heater', 'lamp'] as const
/** An output that moves no fan: on when any of `onWhen` has stood for `delayS`, and none of `notWhile` stands. */
export const OtherOutput = Type.Object(
  {
    id: Id,
    kind: Type.Union(OUTPUT_KINDS.map((kind) => Type.Literal(kind))),
    name: Name,
    onWhen: Type.Array(Condition, { minItems: 1, maxItems: 8 }),
    notWhile: Type.Array(Condition, { maxItems: 8 }),
    delayS: Seconds,
  },
  closed,
)
export type OtherOutput = Static<typeof OtherOutput>

/** How fast the given speed may change, percent a second. */
export const Rate = Type.Object(
  { upPctPerS: Type.Number({ exclusiveMinimum: 0 }), downPctPerS: Type.Number({ exclusiveMinimum: 0 }) },
  closed,
)

export const Memories = Type.Array(Type.Union(MEMORIES.map((memory) => Type.Literal(memory))), {
  maxItems: 4,
  uniqueItems: true,
})

const asideAt = <V extends TSchema>(at: string, value: V) =>
  Type.Object({ at: Type.String({ pattern: `^${at}$`, maxLength: 120 }), value }, closed)
const SHORT = '[A-Za-z][A-Za-z0-9-]{0,39}'

/** A behaviour that is switched off without being lost: where it stood, and what it was. Rules say so themselves. */
export const Aside = Type.Union([
  asideAt('startKick', StartKick),
  asideAt(`followers\\.${SHORT}`, Follower),
  asideAt('light', LightMode),
  asideAt('dayByWeek', Type.Array(WeekSpan, { minItems: 1, maxItems: 28 })),
  asideAt('stages', Stages),
  asideAt('runOn', RunOn),
  asideAt('reductions\\.\\d', Reduction),
  asideAt('restBands\\.\\d', RestBand),
  asideAt('rate', Rate),
  asideAt('keeps', Memories),
  asideAt('scanS', Type.Number({ minimum: 0, maximum: 3600 })),
  asideAt(`inputs\\.${SHORT}\\.lostPct`, Percent),
  asideAt('coolDown', CoolDown),
  asideAt('holds\\.overheat', Overheat),
  asideAt('holds\\.test', TestHold),
  asideAt('holds\\.(isolated|safetyStop)', Id),
  asideAt(`otherOutputs\\.${SHORT}`, OtherOutput),
])
export type Aside = Static<typeof Aside>

export const RESPONSE_SCHEMA = 'soft-gale/response@1'

export const Response = Type.Object(
  {
    schema: Type.Literal(RESPONSE_SCHEMA),
    lead: Id,
    inputs: Type.Array(Input, { maxItems: 16 }),
    floor: Floor,
    ceiling: Ceiling,
    rules: Type.Array(Rule, { maxItems: 40 }),
    startKick: Type.Union([StartKick, Type.Null()]),
    followers: Type.Array(Follower, { maxItems: 4 }),
    steps: Steps,
    /** Whose ask counts: the highest, or that of the first rule that asks. The floor asks either way. */
    wins: Type.Optional(Type.Union([Type.Literal('highest'), Type.Literal('first')])),
    light: Type.Optional(LightMode),
    /** Day by the clock instead of by light: it is day within these, night outside. */
    dayByWeek: Type.Optional(Type.Array(WeekSpan, { minItems: 1, maxItems: 28 })),
    runOn: Type.Optional(RunOn),
    reductions: Type.Optional(Type.Array(Reduction, { maxItems: 8 })),
    coolDown: Type.Optional(CoolDown),
    holds: Type.Optional(Holds),
    restBands: Type.Optional(Type.Array(RestBand, { maxItems: 6 })),
    stages: Type.Optional(Stages),
    otherOutputs: Type.Optional(Type.Array(OtherOutput, { maxItems: 8 })),
    rate: Type.Optional(Rate),
    /** Inputs are read every so many seconds. */
    scanS: Type.Optional(Type.Number({ minimum: 0, maximum: 3600 })),
    /** What the controller still knows when its supply comes back; nothing where nothing is said. */
    keeps: Type.Optional(Memories),
    aside: Type.Optional(Type.Array(Aside, { maxItems: 40 })),
    /** What was noted at a place of the response: a sentence, or one of its figures. */
    notes: Type.Optional(
      Type.Record(Type.String({ pattern: '^[A-Za-z0-9.-]{1,120}$' }), Type.String({ minLength: 1, maxLength: 400 }), {
        maxProperties: 200,
      }),
    ),
  },
  closed,
)
export type Response = Static<typeof Response>
