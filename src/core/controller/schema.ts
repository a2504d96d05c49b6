import { Type, type Static } from '@sinclair/typebox'
import { QUANTITIES, type Quantity } from '@/core/quantity/units'
import { Id, Percent } from '@/core/response/schema'

const closed = { additionalProperties: false } as const
const Words = Type.String({ minLength: 1, maxLength: 200 })

/** What a setting stands for in a response. `slot` counts ramps, switches and followers of the model from 1. */
export const MEANINGS = [
  'floor',
  'ceiling',
  'ramp.startAt',
  'ramp.span',
  'ramp.fromPct',
  'ramp.toPct',
  'switch.speedPct',
  'switch.overrunS',
  'follower.ratioPct',
  'kick.speedPct',
  'kick.holdS',
] as const
export type Meaning = (typeof MEANINGS)[number]

export const KEPT = ['kept', 'lost', 'verify'] as const

/** How one setting is entered: where it stands, what turns it, what keeps it. Counted from the value it has now. */
export const Entry = Type.Object(
  {
    /** State the panel must be in, and how it gets there: "page 3, line foot". */
    where: Words,
    /** What opens it for change; a control named in `keys` shows as a key. */
    open: Words,
    up: Words,
    down: Words,
    /** One step of the setting, as the hand feels it: "click", "touch". */
    unit: Words,
    keep: Words,
    /** What shows that it was kept. */
    seen: Words,
  },
  closed,
)

export const Setting = Type.Object(
  {
    id: Id,
    /** The panel's own word for it. */
    name: Words,
    means: Type.Union(MEANINGS.map((meaning) => Type.Literal(meaning))),
    slot: Type.Integer({ minimum: 1, maximum: 8 }),
    quantity: Type.Union((Object.keys(QUANTITIES) as Quantity[]).map((quantity) => Type.Literal(quantity))),
    min: Type.Number(),
    max: Type.Number(),
    step: Type.Number({ exclusiveMinimum: 0 }),
    default: Type.Number(),
    enter: Entry,
    power: Type.Union(KEPT.map((kept) => Type.Literal(kept))),
    powerNote: Type.Optional(Words),
  },
  closed,
)
export type Setting = Static<typeof Setting>

export const RampSlot = Type.Object(
  {
    input: Type.Union([Type.Literal('temperature'), Type.Literal('humidity'), Type.Literal('pressure')]),
    /** Where the model has no setting for an end of the ramp, it takes this. */
    from: Type.Union([Type.Literal('floor'), Type.Literal('own')]),
    to: Type.Union([Type.Literal('ceiling'), Type.Literal('full'), Type.Literal('own')]),
  },
  closed,
)
export const SwitchSlot = Type.Object(
  {
    overrun: Type.Array(Type.Union([Type.Literal('none'), Type.Literal('fixed'), Type.Literal('matched')]), {
      minItems: 1,
    }),
    speed: Type.Union([Type.Literal('ceiling'), Type.Literal('own')]),
  },
  closed,
)

export const Step = Type.Object({ text: Words, seen: Words, danger: Type.Optional(Type.Boolean()) }, closed)

export const CONTROLLER_SCHEMA = 'soft-gale/controller-model@1'
export const ControllerModel = Type.Object(
  {
    schema: Type.Literal(CONTROLLER_SCHEMA),
    id: Id,
    name: Words,
    about: Type.String({ maxLength: 600 }),
    /** Names of the panel's controls, shown as keys wherever an action mentions them. */
    keys: Type.Array(Words, { maxItems: 12 }),
    outputs: Type.Array(
      Type.Object(
        {
          id: Id,
          name: Words,
          kind: Type.Union([Type.Literal('volts'), Type.Literal('pwm')]),
          stepPct: Type.Number({ minimum: 0, maximum: 50 }),
        },
        closed,
      ),
      { minItems: 1, maxItems: 6 },
    ),
    rounding: Type.Union([Type.Literal('nearest'), Type.Literal('up'), Type.Literal('down')]),
    lowestPct: Percent,
    ceiling: Type.Union([Type.Literal('clip'), Type.Literal('rescale')]),
    ramps: Type.Array(RampSlot, { maxItems: 6 }),
    switches: Type.Array(SwitchSlot, { maxItems: 6 }),
    followers: Type.Array(
      Type.Object(
        {
          atLeadFloor: Type.Union([Type.Literal('follow'), Type.Literal('floor'), Type.Literal('off')]),
          floorPct: Percent,
        },
        closed,
      ),
      { maxItems: 4 },
    ),
    startKick: Type.Union([Type.Literal('none'), Type.Literal('fixed'), Type.Literal('set')]),
    settings: Type.Array(Setting, { maxItems: 60 }),
    prepare: Type.Array(Step, { maxItems: 12 }),
    finish: Type.Array(Step, { maxItems: 12 }),
    cautions: Type.Array(Words, { maxItems: 8 }),
  },
  closed,
)
export type ControllerModel = Static<typeof ControllerModel>

export type SettingValue = { readonly setting: string; readonly value: number }
