import { Type, type Static } from '@sinclair/typebox'

const closed = { additionalProperties: false } as const

export const Id = Type.String({
  pattern: '^[A-Za-z][A-Za-z0-9-]{0,39}$',
  description: 'a short name: letters, digits and hyphens',
})
export const Percent = Type.Number({ minimum: 0, maximum: 100, description: 'percent of the fan’s own range' })
const Seconds = Type.Number({ minimum: 0, maximum: 604800, description: 'seconds' })
const Name = Type.String({ minLength: 1, maxLength: 80 })

/** What the response can sense. `from` and `to` are the range shown on charts and sliders, in the base unit of the kind. */
export const MeasuredInput = Type.Object(
  {
    id: Id,
    kind: Type.Union([Type.Literal('temperature'), Type.Literal('humidity'), Type.Literal('pressure')]),
    name: Name,
    from: Type.Number(),
    to: Type.Number(),
  },
  closed,
)
export const SwitchInput = Type.Object({ id: Id, kind: Type.Literal('switch'), name: Name }, closed)
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

export const Floor = Type.Object({ speedPct: Percent, reasons: Type.Array(FloorReason, { maxItems: 20 }) }, closed)
export const Ceiling = Type.Object(
  { speedPct: Percent, how: Type.Union([Type.Literal('clip'), Type.Literal('rescale')]) },
  closed,
)

const common = { id: Id, off: Type.Optional(Type.Boolean()), note: Type.Optional(Type.String({ maxLength: 400 })) }

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

export const Rule = Type.Union([Ramp, SwitchRule])
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

/** The steps in which the output can move; `stepPct` 0 is stepless. */
export const Steps = Type.Object(
  {
    stepPct: Type.Number({ minimum: 0, maximum: 50 }),
    rounding: Type.Union([Type.Literal('nearest'), Type.Literal('up'), Type.Literal('down')]),
  },
  closed,
)
export type Steps = Static<typeof Steps>

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
  },
  closed,
)
export type Response = Static<typeof Response>
