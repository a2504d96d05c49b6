import { Type, type Static, type TSchema } from '@sinclair/typebox'
import { Id, Name, Percent, Seconds, closed } from '@/core/json/vocabulary'
import { WeekSpan } from '@/core/rules/common'
import { Input, when } from '@/core/rules/input'
import { Memories } from '@/core/rules/memory'
import { Rule } from '@/core/rules/table'

const FLOOR_REASONS = [
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
const Floor = Type.Object(
  { speedPct: Percent, reasons: Type.Array(FloorReason, { maxItems: 20 }), offAllowed: Type.Optional(Type.Boolean()) },
  closed,
)
const Ceiling = Type.Object(
  { speedPct: Percent, how: Type.Union([Type.Literal('clip'), Type.Literal('rescale')]) },
  closed,
)

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
const RunOn = Type.Object({ holdS: Seconds, speedPct: Type.Union([Percent, Type.Null()]) }, closed)
/** After heat was given (a switch input), not less than a speed for a time, whatever else says off. */
const CoolDown = Type.Object({ input: Id, speedPct: Percent, holdS: Seconds }, closed)
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
const Rate = Type.Object(
  { upPctPerS: Type.Number({ exclusiveMinimum: 0 }), downPctPerS: Type.Number({ exclusiveMinimum: 0 }) },
  closed,
)

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
