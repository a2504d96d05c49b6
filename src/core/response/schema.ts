import { Type, type Static, type TSchema } from '@sinclair/typebox'
import { about, Id, Name, Percent, Seconds, closed, documentSchema } from '@/core/json/vocabulary'
import { WeekSpan } from '@/core/rules/weekSpan'
import { PlainCondition, ReadingCondition } from '@/core/rules/condition'
import { Input, when } from '@/core/rules/input'
import { Memories } from '@/core/rules/memory'
import { Rule } from '@/core/rules/table'
import { Season } from '@/core/rules/yearDay'
import { Target } from '@/core/response/target'

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
    kind: about('why the fan may not run slower', Type.Union(FLOOR_REASONS.map((kind) => Type.Literal(kind)))),
    speedPct: about('the floor that this reason alone would ask for, percent of the fan’s own range', Percent),
    note: about('what else is to be said of it', Type.Optional(Type.String({ maxLength: 200 }))),
  },
  closed,
)
export type FloorReason = Static<typeof FloorReason>

/** `offAllowed`: with nothing asking it stands still, and there is nothing between 0 and the floor. */
const Floor = Type.Object(
  {
    speedPct: about('lowest speed of a running fan, percent of its own range', Percent),
    reasons: about('why it is as high as that', Type.Array(FloorReason, { maxItems: 20 })),
    offAllowed: about(
      'with nothing asking the fan stands still; between 0 and the floor there is nothing. Not allowed where nothing is said',
      Type.Optional(Type.Boolean()),
    ),
    nightPct: about('what it runs at least by night, percent; not below the floor', Type.Optional(Percent)),
  },
  closed,
)
const Ceiling = Type.Object(
  {
    speedPct: about('highest speed, percent of the fan’s own range', Percent),
    nightPct: about('highest speed by night, percent; not below the floor of the night', Type.Optional(Percent)),
    how: about(
      '`clip`: what is asked above it is cut off; `rescale`: ramps end at it',
      Type.Union([Type.Literal('clip'), Type.Literal('rescale')]),
    ),
  },
  closed,
)

export const StartKick = Type.Object(
  {
    speedPct: about('speed of the start kick, percent of the fan’s own range', Percent),
    holdS: about('how long the kick lasts from rest, 0 to 120 s', Type.Number({ minimum: 0, maximum: 120 })),
  },
  closed,
)
export type StartKick = Static<typeof StartKick>

/** A second fan at a ratio of the lead's percent. `atLeadFloor` says what it does while the lead is at its floor. */
export const Follower = Type.Object(
  {
    fan: about('the fan that follows, an id of the kit', Id),
    ratio: about(
      'its percent for each percent of the lead, 0.05 to 3; a ratio of percent, not of flow',
      Type.Number({ minimum: 0.05, maximum: 3 }),
    ),
    floorPct: about('its own lowest speed while it runs, percent of its own range', Percent),
    atLeadFloor: about(
      'what it does while the lead is at its floor: follow it, stay at its own floor, stand still',
      Type.Union([Type.Literal('follow'), Type.Literal('floor'), Type.Literal('off')]),
    ),
  },
  closed,
)
export type Follower = Static<typeof Follower>

/** The steps in which the output can move; `stepPct` 0 is stepless. Where levels are named it can stand on these alone, and at 0. */
export const Steps = Type.Object(
  {
    stepPct: about('step of the output in percent, 0 to 50; 0 is stepless', Type.Number({ minimum: 0, maximum: 50 })),
    rounding: about(
      'where a speed between two steps goes',
      Type.Union([Type.Literal('nearest'), Type.Literal('up'), Type.Literal('down')]),
    ),
    levelsPct: about(
      'the only speeds it can stand at, rising, percent; every step where none are named',
      Type.Optional(Type.Array(Percent, { minItems: 1, maxItems: 24 })),
    ),
  },
  closed,
)
export type Steps = Static<typeof Steps>

/** Speeds passed over because of resonance; the edges themselves are allowed. */
export const SkipBand = Type.Object(
  {
    fromPct: about('lower edge of the band that is passed over, percent; the edge itself is allowed', Percent),
    toPct: about('upper edge of the band, percent; allowed too', Percent),
  },
  closed,
)
export type SkipBand = Static<typeof SkipBand>

/** Day and night by light: the other mode comes when the light has pointed to it for `delayS` without a break. */
export const LightMode = Type.Object(
  {
    input: about('the light input', Id),
    level: about('at and above it is day, in the unit of the input (lx)', Type.Number({ minimum: 0 })),
    delayS: about('how long the light must point to the other mode without a break, seconds', Seconds),
  },
  closed,
)
export type LightMode = Static<typeof LightMode>

/** A reduction while an input is past a point: by points, or by a share of the present value. */
export const Reduction = Type.Object(
  {
    input: about('the input whose reading reduces the speed', Id),
    when: about('on which side of the point it counts', when),
    at: about('the point, in the base unit of the input', Type.Number()),
    byPct: about('by how much, in points of percent or percent of the present value', Percent),
    how: about(
      '`points`: so many points off; `relative`: that share of the present value off',
      Type.Union([Type.Literal('points'), Type.Literal('relative')]),
    ),
  },
  closed,
)
export type Reduction = Static<typeof Reduction>

/** When everything stops asking: the last running speed (or a set one) for a time. */
const FinalRunOn = Type.Object(
  {
    holdS: about('how long it runs on when everything stops asking, seconds', Seconds),
    speedPct: about('speed meanwhile, percent; null for the last running speed', Type.Union([Percent, Type.Null()])),
  },
  closed,
)
/** After heat was given (a switch input), not less than a speed for a time, whatever else says off. */
const HeaterPurge = Type.Object(
  {
    input: about('the switch input that says that heat is given', Id),
    speedPct: about('least speed while heat is given and after it, percent', Percent),
    holdS: about('how long after the heat went off, seconds', Seconds),
  },
  closed,
)
/** The controller’s own heat: at `onAt` the lead runs full and its followers stop, until it is below `offBelow`. */
export const Overheat = Type.Object(
  {
    input: about('the temperature input of the controller itself', Id),
    onAt: about('at and above it the lead runs full and its followers stop, °C', Type.Number()),
    offBelow: about('until it is below this, °C', Type.Number()),
  },
  closed,
)
export type Overheat = Static<typeof Overheat>
const TestOverride = Type.Object(
  { input: about('the test switch', Id), speedPct: about('speed while it is on, percent', Percent) },
  closed,
)
/** What holds the fan whatever was asked, strongest first. `isolated` and `safetyStop` are switch inputs; `test` runs one speed while
 *  its switch is on. */
export const Overrides = Type.Object(
  {
    isolated: about(
      'switch input: the supply is cut, the controller’s too; everything stands and nothing counts',
      Type.Optional(Id),
    ),
    safetyStop: about('switch input: everything stands at once; the controller’s times run on', Type.Optional(Id)),
    overheat: about('what the controller does when it is too hot itself', Type.Optional(Overheat)),
    test: about('a speed for as long as a test switch is on', Type.Optional(TestOverride)),
  },
  closed,
)

export type Overrides = Static<typeof Overrides>

/** Fans without speed control that join a variable one. The asks are then percent of all of them together; the variable fan climbs from
 *  its floor to 100 between one join and the next. A fan leaves `offBelowPct` under its join; `minStageS` between two changes. */
export const Stages = Type.Object(
  {
    fixed: about(
      'fans without speed control, in the order in which they join',
      Type.Array(
        Type.Object(
          {
            fan: about('the fan that joins, an id of the kit', Id),
            joinsAtPct: about(
              'demand at which it joins, percent of all fans together (of all air where `percentOf` says so)',
              Percent,
            ),
            airPct: about('its share of all air, percent; equal shares where nothing is said', Type.Optional(Percent)),
            joinsWhile: about(
              'it joins by a reading instead of by the demand. Then every fan of the ladder does, points rising, and the demand is of the variable fan alone',
              Type.Optional(ReadingCondition),
            ),
          },
          closed,
        ),
        { minItems: 1, maxItems: 8 },
      ),
    ),
    offBelowPct: about('how far under its join a fan leaves again, percent of all fans together', Percent),
    minStageS: about('least time between two changes of the number of fans, seconds', Seconds),
    percentOf: about(
      'what the percent of a demand are of: fans of the ladder, or air that they move; fans where nothing is said',
      Type.Optional(Type.Union([Type.Literal('fans'), Type.Literal('air')])),
    ),
    inletPct: about(
      'how far the inlets are open with no fixed fan, with one, with two…; percent',
      Type.Optional(Type.Array(Percent, { minItems: 2, maxItems: 9 })),
    ),
  },
  closed,
)
export type Stages = Static<typeof Stages>

/** What other outputs may hang on: what rules may too, a fan’s speed, a lost reading, or the overheat that has been since power came. */
export const Condition = Type.Union([
  ...PlainCondition.anyOf,
  Type.Object(
    {
      kind: about('what is looked at', Type.Literal('speed')),
      fan: about('the fan whose given speed is looked at', Id),
      when: about('on which side of the point it counts', when),
      atPct: about('the point, percent of the fan’s own range', Percent),
    },
    closed,
  ),
  Type.Object(
    { kind: about('what is looked at', Type.Literal('lost')), input: about('the input that is looked at', Id) },
    closed,
  ),
  Type.Object({ kind: about('what is looked at', Type.Literal('overheated')) }, closed),
])
export type Condition = Static<typeof Condition>

export const OUTPUT_KINDS = ['bypass', 'shutter', 'alarm', 'heater', 'lamp', 'valve', 'permit'] as const
const LongSeconds = Type.Number({ minimum: 0, maximum: 400 * 86_400, description: 'seconds' })
/** An output that moves no fan: on when any of `onWhen` has stood for `delayS`, and `holdS` longer; not while any of `notWhile` stands. It may
 *  stop the fans. */
export const OtherOutput = Type.Object(
  {
    id: Id,
    kind: about('what the output moves', Type.Union(OUTPUT_KINDS.map((kind) => Type.Literal(kind)))),
    name: Name,
    onWhen: about('on when any of these has stood for the delay', Type.Array(Condition, { minItems: 1, maxItems: 8 })),
    notWhile: about('off whatever stands above while any of these does', Type.Array(Condition, { maxItems: 8 })),
    delayS: about('how long a reason must have stood, seconds; up to 400 days', LongSeconds),
    holdS: about('how long it stays on when no reason stands any more, seconds', Type.Optional(LongSeconds)),
    level: about(
      'of one that has levels: which of them, 1 the lowest',
      Type.Optional(Type.Integer({ minimum: 1, maximum: 9 })),
    ),
    stopsFans: about('every fan stands while it is on', Type.Optional(Type.Boolean())),
  },
  closed,
)
export type OtherOutput = Static<typeof OtherOutput>

/** Below `offBelowPct` the fan is off; it comes back at `backAtPct`. No floor: nothing is raised to it. */
export const CutOut = Type.Object(
  {
    offBelowPct: about('what is asked below this has the fan stand, percent of its own range', Percent),
    backAtPct: about('what must be asked for it to run again, percent; not below `offBelowPct`', Percent),
  },
  closed,
)
export type CutOut = Static<typeof CutOut>

/** A speed under a name, with what each follower runs at then: supply and extract trimmed apart. */
export const NamedSpeed = Type.Object(
  {
    id: Id,
    name: Name,
    pct: about('speed of the lead, percent of its own range; the speeds of the list rise', Percent),
    fromPct: about('the lowest it may be put to', Type.Optional(Percent)),
    toPct: about('the highest it may be put to', Type.Optional(Percent)),
    fans: about(
      'what followers run at meanwhile; between two named speeds in a straight line, above the highest in its ratio',
      Type.Optional(
        Type.Array(
          Type.Object(
            { fan: about('the follower', Id), pct: about('its speed, percent of its own range', Percent) },
            closed,
          ),
          { minItems: 1, maxItems: 4 },
        ),
      ),
    ),
  },
  closed,
)
export type NamedSpeed = Static<typeof NamedSpeed>

/** So many named speeds more than is asked, up to the highest of them. */
export const StepUp = Type.Object(
  {
    onlyWhile: about('while all of these stand', Type.Array(PlainCondition, { minItems: 1, maxItems: 6 })),
    by: about('how many speeds more', Type.Integer({ minimum: 1, maximum: 8 })),
  },
  closed,
)
export type StepUp = Static<typeof StepUp>

const StartTrim = Type.Object(
  {
    signalPct: about(
      'signal at which the fan just turns, percent of the output; it is given for 1 %, and the rest of the range lies above it',
      Type.Number({ minimum: 0, maximum: 80 }),
    ),
  },
  closed,
)
const PowerReturn = Type.Object(
  {
    waitS: about(
      'how long everything stands when the supply comes back, so that fans start one after the other',
      Seconds,
    ),
  },
  closed,
)

/** How fast the given speed may change, percent a second. */
const Rate = Type.Object(
  {
    upPctPerS: about(
      'fastest rise of the given speed, percent of the range a second',
      Type.Number({ exclusiveMinimum: 0 }),
    ),
    downPctPerS: about(
      'fastest fall of the given speed, percent of the range a second',
      Type.Number({ exclusiveMinimum: 0 }),
    ),
  },
  closed,
)

const switchedOffAt = <V extends TSchema>(at: string, value: V) =>
  Type.Object(
    {
      at: about('where it stood in the response, dotted', Type.String({ pattern: `^${at}$`, maxLength: 120 })),
      value: about('what stood there', value),
    },
    closed,
  )
const SHORT = '[A-Za-z][A-Za-z0-9-]{0,39}'

/** A behaviour that is switched off without being lost: where it stood, and what it was. Rules say so themselves. */
export const SwitchedOff = Type.Union([
  switchedOffAt('startKick', StartKick),
  switchedOffAt(`followers\\.${SHORT}`, Follower),
  switchedOffAt('light', LightMode),
  switchedOffAt('dayByWeek', Type.Array(WeekSpan, { minItems: 1, maxItems: 28 })),
  switchedOffAt('stages', Stages),
  switchedOffAt('finalRunOn', FinalRunOn),
  switchedOffAt('reductions\\.\\d', Reduction),
  switchedOffAt('skipBands\\.\\d', SkipBand),
  switchedOffAt('rate', Rate),
  switchedOffAt('keeps', Memories),
  switchedOffAt('cutOut', CutOut),
  switchedOffAt('stepUps\\.\\d', StepUp),
  switchedOffAt('startTrim', StartTrim),
  switchedOffAt('powerReturn', PowerReturn),
  switchedOffAt('scanS', Type.Number({ minimum: 0, maximum: 3600 })),
  switchedOffAt(`inputs\\.${SHORT}\\.lostPct`, Percent),
  switchedOffAt(`inputs\\.${SHORT}\\.lostBelow`, Type.Number()),
  switchedOffAt(`inputs\\.${SHORT}\\.contact`, Type.Union([Type.Literal('closes'), Type.Literal('opens')])),
  switchedOffAt(`inputs\\.${SHORT}\\.refrigerant`, Type.String({ maxLength: 20 })),
  switchedOffAt('heaterPurge', HeaterPurge),
  switchedOffAt('overrides\\.overheat', Overheat),
  switchedOffAt('overrides\\.test', TestOverride),
  switchedOffAt('overrides\\.(isolated|safetyStop)', Id),
  switchedOffAt(`otherOutputs\\.${SHORT}`, OtherOutput),
])
export type SwitchedOff = Static<typeof SwitchedOff>

export const RESPONSE_SCHEMA = 'soft-gale/response@2'

export const Response = Type.Object(
  {
    schema: documentSchema(RESPONSE_SCHEMA),
    lead: about('the fan whose speed the rules ask for, an id of the kit', Id),
    inputs: about('what can be sensed', Type.Array(Input, { maxItems: 24 })),
    floor: about('the lowest speed, and why', Floor),
    ceiling: about('the highest speed, and what happens to what is asked above it', Ceiling),
    rules: about('what asks for a speed', Type.Array(Rule, { maxItems: 40 })),
    startKick: about('a short fast run from rest; null for none', Type.Union([StartKick, Type.Null()])),
    followers: about('fans that follow the lead', Type.Array(Follower, { maxItems: 4 })),
    steps: about('the speeds at which the output can stand', Steps),
    wins: about(
      'whose ask counts: the highest, or that of the first rule that asks. The floor asks either way',
      Type.Optional(Type.Union([Type.Literal('highest'), Type.Literal('first')])),
    ),
    light: about('day and night by the light; not together with `dayByWeek`', Type.Optional(LightMode)),
    dayByWeek: about(
      'day by the clock instead of by light: it is day within these, night outside',
      Type.Optional(Type.Array(WeekSpan, { minItems: 1, maxItems: 28 })),
    ),
    finalRunOn: about('what happens when everything stops asking', Type.Optional(FinalRunOn)),
    reductions: about(
      'less speed while an input is past a point',
      Type.Optional(Type.Array(Reduction, { maxItems: 8 })),
    ),
    heaterPurge: about('air for a heater after it went off', Type.Optional(HeaterPurge)),
    overrides: about(
      'what overrides every rule, strongest first: isolated, safety stop, overheat, test',
      Type.Optional(Overrides),
    ),
    skipBands: about(
      'speeds that are passed over because of resonance',
      Type.Optional(Type.Array(SkipBand, { maxItems: 6 })),
    ),
    stages: about('fixed fans that join the variable one', Type.Optional(Stages)),
    otherOutputs: about('dampers, alarms, heaters and lamps', Type.Optional(Type.Array(OtherOutput, { maxItems: 16 }))),
    cutOut: about('a low-speed cut-out', Type.Optional(CutOut)),
    speeds: about('speeds under names, rising', Type.Optional(Type.Array(NamedSpeed, { minItems: 1, maxItems: 9 }))),
    stepUps: about('named speeds more while something stands', Type.Optional(Type.Array(StepUp, { maxItems: 4 }))),
    startTrim: about('the signal that stands for the lowest speed', Type.Optional(StartTrim)),
    powerReturn: about('what happens when the supply comes back', Type.Optional(PowerReturn)),
    rate: about('how fast the given speed may change', Type.Optional(Rate)),
    scanS: about('inputs are read every so many seconds', Type.Optional(Type.Number({ minimum: 0, maximum: 3600 }))),
    keeps: about(
      'what the controller still knows when its supply comes back; nothing where nothing is said',
      Type.Optional(Memories),
    ),
    seasons: about(
      'parts of the year, together all of it: each day is in one of them',
      Type.Optional(Type.Array(Season, { minItems: 2, maxItems: 8 })),
    ),
    seasonNow: about(
      'the season it is put to by hand, on a controller that knows no date; then the date does not count',
      Type.Optional(Id),
    ),
    targets: about(
      'what the room is to have; points tied to a target move with it',
      Type.Optional(Type.Array(Target, { minItems: 1, maxItems: 8 })),
    ),
    placedOn: about(
      'the day from which growth is counted, YYYY-MM-DD: the day the animals or plants came',
      Type.Optional(Type.String({ pattern: '^[0-9]{4}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$' })),
    ),
    switchedOff: about(
      'behaviours that are switched off without being lost',
      Type.Optional(Type.Array(SwitchedOff, { maxItems: 40 })),
    ),
    notes: about(
      'what was noted at a place of the response: a sentence, or one of its figures',
      Type.Optional(
        Type.Record(Type.String({ pattern: '^[A-Za-z0-9.-]{1,120}$' }), Type.String({ minLength: 1, maxLength: 400 }), {
          maxProperties: 200,
        }),
      ),
    ),
  },
  closed,
)
export type Response = Static<typeof Response>
