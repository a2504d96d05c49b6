import { Type, type Static } from '@sinclair/typebox'
import { Id, Percent, closed } from '@/core/json/vocabulary'
import { QUANTITIES, type Quantity } from '@/core/quantity/units'
import { CONVENTION_IDS } from '@/core/response/conventions'
import { OUTPUT_KINDS } from '@/core/response/schema'
import { MEASURED } from '@/core/rules/input'
import { Memories } from '@/core/rules/memory'

const Words = Type.String({ minLength: 1, maxLength: 200 })

/** What a setting stands for in a response. `slot` counts the ramps, switches, differentials… of the model from 1; for `input.offset` and
 *  `lost.speedPct` it counts its inputs, for `reduction` its reductions. */
const MEANINGS = [
  'floor',
  'ceiling',
  'ramp.startAt',
  'ramp.span',
  'ramp.fromPct',
  'ramp.toPct',
  'switch.speedPct',
  'switch.onDelayS',
  'switch.overrunS',
  'differential.setPoint',
  'differential.width',
  'differential.speedPct',
  'differential.minOnS',
  'differential.minOffS',
  'surge.rise',
  'surge.release',
  'surge.windowS',
  'surge.capS',
  'surge.speedPct',
  'cycle.onS',
  'cycle.periodS',
  'cycle.speedPct',
  'afterRun.armAbove',
  'afterRun.holdS',
  'afterRun.speedPct',
  'follower.ratioPct',
  'kick.speedPct',
  'kick.holdS',
  'runOn.holdS',
  'coolDown.speedPct',
  'coolDown.holdS',
  'light.level',
  'light.delayS',
  'reduction.at',
  'reduction.byPct',
  'restBand.fromPct',
  'restBand.toPct',
  'stages.joinPct',
  'stages.offBelowPct',
  'stages.minStageS',
  'input.offset',
  'lost.speedPct',
] as const
export type Meaning = (typeof MEANINGS)[number]

export const KEPT = ['kept', 'lost', 'verify'] as const

/** When a changed value is written for good, so that it outlasts a power cut. */
const WRITTEN = ['at-once', 'on-key', 'after', 'on-leaving'] as const

/** How one setting is entered: where it stands, what turns it, what keeps it. Counted from the value it has now. */
const Entry = Type.Object(
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
    /** Counted in steps from where it stands (the rule), or put straight to one of its choices: a plug, a link, a mark on a scale. */
    way: Type.Optional(Type.Union([Type.Literal('count'), Type.Literal('choose')])),
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
    /** The value at which the behaviour it belongs to does nothing; taken where a response does not ask for that behaviour. */
    off: Type.Optional(Type.Number()),
    /** Where it has not every step but these values; `shown` is what the panel or the plug says for each. */
    choices: Type.Optional(
      Type.Array(Type.Object({ value: Type.Number(), shown: Words }, closed), { minItems: 2, maxItems: 40 }),
    ),
    enter: Entry,
    written: Type.Optional(
      Type.Object(
        {
          when: Type.Union(WRITTEN.map((when) => Type.Literal(when))),
          /** For `after`: how long nothing may be touched. */
          afterS: Type.Optional(Type.Number({ minimum: 0, maximum: 600 })),
        },
        closed,
      ),
    ),
    power: Type.Union(KEPT.map((kept) => Type.Literal(kept))),
    powerNote: Type.Optional(Words),
  },
  closed,
)
export type Setting = Static<typeof Setting>

const inputKind = Type.Union(MEASURED.map((kind) => Type.Literal(kind)))
const ownOr = <T extends string>(...others: readonly T[]) =>
  Type.Union([Type.Literal('own'), ...others.map((other) => Type.Literal(other))])

export const RampSlot = Type.Object(
  {
    input: inputKind,
    /** Where the model has no setting for an end of the ramp, it takes this; `zero` where it asks of a ladder of fans. */
    from: Type.Union([Type.Literal('floor'), Type.Literal('own'), Type.Literal('zero')]),
    to: Type.Union([Type.Literal('ceiling'), Type.Literal('full'), Type.Literal('own')]),
    /** A law that cannot be set: where the ramp starts and is full. Only the place of the probe is left to choose. */
    fixed: Type.Optional(Type.Object({ startAt: Type.Number(), fullAt: Type.Number() }, closed)),
    /** A band that cannot be set beside a start that can. */
    fixedSpan: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
    /** Faster as the input falls. */
    falls: Type.Optional(Type.Boolean()),
    /** What it asks before its start; `from` where nothing is said. */
    below: Type.Optional(Type.Union([Type.Literal('from'), Type.Literal('nothing')])),
  },
  closed,
)
export type RampSlot = Static<typeof RampSlot>
export const SwitchSlot = Type.Object(
  {
    overrun: Type.Array(Type.Union([Type.Literal('none'), Type.Literal('fixed'), Type.Literal('matched')]), {
      minItems: 1,
    }),
    speed: ownOr('ceiling'),
    /** It can wait before it answers. */
    onDelay: Type.Optional(Type.Boolean()),
  },
  closed,
)
export type SwitchSlot = Static<typeof SwitchSlot>
export const DifferentialSlot = Type.Object(
  {
    input: inputKind,
    sense: Type.Union([Type.Literal('cooling'), Type.Literal('heating')]),
    /** What its set point and differential mean. */
    convention: Type.Union(CONVENTION_IDS.map((id) => Type.Literal(id))),
    speed: ownOr('ceiling', 'full'),
    /** A width that cannot be set. */
    fixedWidth: Type.Optional(Type.Number({ minimum: 0 })),
    minTimes: Type.Optional(Type.Boolean()),
  },
  closed,
)
export type DifferentialSlot = Static<typeof DifferentialSlot>
export const SurgeSlot = Type.Object(
  {
    input: inputKind,
    speed: ownOr('ceiling'),
    /** What cannot be set. */
    windowS: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
    rise: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
    release: Type.Optional(Type.Number({ minimum: 0 })),
    capS: Type.Optional(Type.Number({ minimum: 0 })),
  },
  closed,
)
export type SurgeSlot = Static<typeof SurgeSlot>
/** A calendar: of speeds, or of set points for its first differential (its first ramp where it has none). */
export const WeekSlot = Type.Object(
  {
    of: Type.Union([Type.Literal('speed'), Type.Literal('set-point')]),
    periodsADay: Type.Integer({ minimum: 1, maximum: 24 }),
    stepMin: Type.Integer({ minimum: 1, maximum: 120 }),
    stepPct: Type.Optional(Type.Number({ minimum: 0, maximum: 50 })),
    enter: Entry,
    power: Type.Union(KEPT.map((kept) => Type.Literal(kept))),
  },
  closed,
)
export type WeekSlot = Static<typeof WeekSlot>
export const CycleSlot = Type.Object({ speed: ownOr('ceiling', 'full') }, closed)
export type CycleSlot = Static<typeof CycleSlot>
export const AfterRunSlot = Type.Object(
  { input: inputKind, speed: ownOr('ceiling', 'floor'), holdS: Type.Optional(Type.Number({ minimum: 0 })) },
  closed,
)
export type AfterRunSlot = Static<typeof AfterRunSlot>

/** What else it can do; what is not named it cannot. */
const Abilities = Type.Object(
  {
    offAllowed: Type.Optional(Type.Boolean()),
    runOn: Type.Optional(Type.Boolean()),
    coolDown: Type.Optional(Type.Boolean()),
    modes: Type.Optional(Type.Array(Type.Union([Type.Literal('light'), Type.Literal('week')]), { maxItems: 2 })),
    reductions: Type.Optional(Type.Integer({ minimum: 0, maximum: 8 })),
    restBands: Type.Optional(Type.Integer({ minimum: 0, maximum: 6 })),
    rate: Type.Optional(Type.Boolean()),
    offsets: Type.Optional(Type.Boolean()),
    combine: Type.Optional(
      Type.Array(
        Type.Union([
          Type.Literal('highest'),
          Type.Literal('lowest'),
          Type.Literal('average'),
          Type.Literal('difference'),
        ]),
        { maxItems: 4 },
      ),
    ),
    holds: Type.Optional(
      Type.Array(Type.Union([Type.Literal('safetyStop'), Type.Literal('overheat'), Type.Literal('test')]), {
        maxItems: 3,
      }),
    ),
    otherOutputs: Type.Optional(
      Type.Array(Type.Union(OUTPUT_KINDS.map((kind) => Type.Literal(kind))), { maxItems: 8 }),
    ),
    /** What it does when a probe has no reading; `nothing`: that probe simply stops asking. */
    lost: Type.Optional(
      Type.Union([
        Type.Literal('full'),
        Type.Literal('floor'),
        Type.Literal('off'),
        Type.Literal('set'),
        Type.Literal('nothing'),
      ]),
    ),
    /** What it still knows when power returns; nothing where nothing is said. */
    keeps: Type.Optional(Memories),
    /** Reads its inputs every so many seconds. */
    scanS: Type.Optional(Type.Number({ minimum: 0, maximum: 3600 })),
  },
  closed,
)
type Abilities = Static<typeof Abilities>

const CONTROL_KINDS = ['key', 'dial', 'lever', 'rocker', 'pad', 'wheel', 'trimmer', 'plug', 'link', 'knob'] as const
const ACTS = ['press', 'hold', 'up', 'down', 'wait'] as const
/** What a hand can do in a state, and what comes of it: to which state, and what happens to the setting of the state it leaves. */
export const PanelMove = Type.Object(
  {
    /** A control’s id; empty for `wait`. */
    control: Type.String({ maxLength: 40 }),
    act: Type.Union(ACTS.map((act) => Type.Literal(act))),
    to: Type.Optional(Id),
    does: Type.Optional(
      Type.Union([Type.Literal('step-up'), Type.Literal('step-down'), Type.Literal('keep'), Type.Literal('drop')]),
    ),
  },
  closed,
)
export type PanelMove = Static<typeof PanelMove>
export const PanelState = Type.Object(
  {
    id: Id,
    /** What the panel shows here; {value} is the setting’s value, {reading} what is sensed. */
    shows: Words,
    /** The setting that is open for change here. */
    setting: Type.Optional(Id),
    moves: Type.Array(PanelMove, { maxItems: 24 }),
  },
  closed,
)
export type PanelState = Static<typeof PanelState>
/** The panel as a hand and an eye meet it: enough to draw and to play it. The first state is the one after power-up. */
export const Panel = Type.Object(
  {
    display: Type.Object(
      {
        kind: Type.Union([
          Type.Literal('none'),
          Type.Literal('digits'),
          Type.Literal('lines'),
          Type.Literal('list'),
          Type.Literal('scale'),
        ]),
        /** Digits, or characters in a line. */
        columns: Type.Integer({ minimum: 0, maximum: 40 }),
        lines: Type.Integer({ minimum: 0, maximum: 16 }),
      },
      closed,
    ),
    controls: Type.Array(
      Type.Object({ id: Id, name: Words, kind: Type.Union(CONTROL_KINDS.map((kind) => Type.Literal(kind))) }, closed),
      { minItems: 1, maxItems: 24 },
    ),
    lamps: Type.Array(Type.Object({ id: Id, name: Words, means: Words }, closed), { maxItems: 12 }),
    states: Type.Array(PanelState, { minItems: 1, maxItems: 80 }),
  },
  closed,
)
export type Panel = Static<typeof Panel>

const Step = Type.Object({ text: Words, seen: Words, danger: Type.Optional(Type.Boolean()) }, closed)

export const CONTROLLER_SCHEMA = 'soft-gale/controller-model@1'
export const ControllerModel = Type.Object(
  {
    schema: Type.Literal(CONTROLLER_SCHEMA),
    id: Id,
    name: Words,
    about: Type.String({ maxLength: 600 }),
    /** Names of the panel's controls, shown as keys wherever an action mentions them. */
    keys: Type.Array(Words, { maxItems: 12 }),
    inputs: Type.Optional(
      Type.Array(
        Type.Object(
          {
            id: Id,
            name: Words,
            kind: Type.Union([inputKind, Type.Literal('switch')]),
            /** Smallest change it sees, in the input’s unit. */
            resolution: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
            note: Type.Optional(Words),
          },
          closed,
        ),
        { maxItems: 12 },
      ),
    ),
    outputs: Type.Array(
      Type.Object(
        {
          id: Id,
          name: Words,
          kind: Type.Union([
            Type.Literal('volts'),
            Type.Literal('pwm'),
            Type.Literal('phase-cut'),
            Type.Literal('levels'),
            Type.Literal('relay'),
          ]),
          stepPct: Type.Number({ minimum: 0, maximum: 50 }),
          levelsPct: Type.Optional(Type.Array(Percent, { minItems: 1, maxItems: 24 })),
          /** Most it carries (A), where it carries the fan’s own current. */
          ratedCurrentA: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 100 })),
        },
        closed,
      ),
      { minItems: 1, maxItems: 6 },
    ),
    rounding: Type.Union([Type.Literal('nearest'), Type.Literal('up'), Type.Literal('down')]),
    lowestPct: Percent,
    ceiling: Type.Union([Type.Literal('clip'), Type.Literal('rescale')]),
    /** Whose ask counts; the highest where nothing is said. */
    wins: Type.Optional(Type.Union([Type.Literal('highest'), Type.Literal('first')])),
    abilities: Type.Optional(Abilities),
    ramps: Type.Array(RampSlot, { maxItems: 6 }),
    switches: Type.Array(SwitchSlot, { maxItems: 6 }),
    differentials: Type.Optional(Type.Array(DifferentialSlot, { maxItems: 6 })),
    surges: Type.Optional(Type.Array(SurgeSlot, { maxItems: 4 })),
    weeks: Type.Optional(Type.Array(WeekSlot, { maxItems: 2 })),
    cycles: Type.Optional(Type.Array(CycleSlot, { maxItems: 2 })),
    afterRuns: Type.Optional(Type.Array(AfterRunSlot, { maxItems: 2 })),
    /** Fixed fans it can bring in beside the variable one; joins in equal parts where it has no setting for them. */
    stages: Type.Optional(Type.Object({ fixed: Type.Integer({ minimum: 1, maximum: 8 }) }, closed)),
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
    panel: Type.Optional(Panel),
    prepare: Type.Array(Step, { maxItems: 12 }),
    finish: Type.Array(Step, { maxItems: 12 }),
    cautions: Type.Array(Words, { maxItems: 8 }),
  },
  closed,
)
export type ControllerModel = Static<typeof ControllerModel>

export type SettingValue = { readonly setting: string; readonly value: number }
