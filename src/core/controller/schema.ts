import { Type, type Static } from '@sinclair/typebox'
import { about, Id, Percent, closed, documentSchema } from '@/core/json/vocabulary'
import { QUANTITIES, type Quantity } from '@/core/quantity/units'
import { CONVENTION_IDS } from '@/core/response/conventions'
import { OUTPUT_KINDS } from '@/core/response/schema'
import { MEASURED } from '@/core/rules/input'
import { Memories } from '@/core/rules/memory'

const Words = Type.String({ minLength: 1, maxLength: 200 })

/** What a setting stands for in a response. `slot` counts the ramps, switches, differentials… of the model from 1; for `input.offset` and
 *  `lost.speedPct` it counts its inputs, for `reduction` its reductions. */
export const MEANINGS = [
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
  'differential.onAt',
  'differential.offAt',
  'differential.speedPct',
  'differential.minOnS',
  'differential.minOffS',
  'rapidRise.rise',
  'rapidRise.release',
  'rapidRise.windowS',
  'rapidRise.capS',
  'rapidRise.speedPct',
  'cycle.onS',
  'cycle.periodS',
  'cycle.speedPct',
  'holdAfterFall.armAbove',
  'holdAfterFall.holdS',
  'holdAfterFall.speedPct',
  'follower.ratioPct',
  'kick.speedPct',
  'kick.holdS',
  'finalRunOn.holdS',
  'heaterPurge.speedPct',
  'heaterPurge.holdS',
  'light.level',
  'light.delayS',
  'reduction.at',
  'reduction.byPct',
  'skipBand.fromPct',
  'skipBand.toPct',
  'stages.joinPct',
  'stages.offBelowPct',
  'stages.minStageS',
  'input.offset',
  'lost.speedPct',
  'cutOut.offBelowPct',
  'cutOut.backAtPct',
  'startTrim.signalPct',
  'powerReturn.waitS',
  'night.floorPct',
  'night.ceilingPct',
  'target.at',
  'target.nightAt',
  'season.now',
  'named.speedPct',
  'named.followerPct',
  'stepUp.by',
  'byAge.speedPct',
  'byAge.day',
  'output.at',
  'output.release',
  'output.overTarget',
  'output.barUnderTarget',
  'output.delayS',
  'output.holdS',
  'output.level',
  'switch.contact',
  'signal.type',
  'follower.floorPct',
  'follower.atLeadFloor',
  'stages.joinAt',
  'stages.inletPct',
  'scan.everyS',
  'steps.stepPct',
  'rate.upPctPerS',
  'rate.downPctPerS',
  'overheat.onAt',
  'overheat.offBelow',
  'test.speedPct',
  'input.lostBelow',
  'input.used',
] as const
export type Meaning = (typeof MEANINGS)[number]

/** `nothing`: a clock, a unit, a lock, nothing of the response. `unknown`: nobody at hand knows what it does. */
const BESIDE = ['nothing', 'unknown'] as const

export const KEPT = ['kept', 'lost', 'verify'] as const

/** When a changed value is written for good, so that it outlasts a power cut. */
const WRITTEN = ['at-once', 'on-key', 'after', 'on-leaving'] as const

/** Who may change a setting: whoever stands there, who commissions the installation, the maker alone. */
const WHO = ['user', 'commissioned', 'maker'] as const

/** What is to be done with a setting that stands for nothing in the response. */
const ADVICE = ['leave', 'set', 'decide'] as const

/** How one setting is entered: where it stands, what turns it, what keeps it. Counted from the value it has now. */
const Entry = Type.Object(
  {
    where: about('state the panel must be in, and how it gets there: "page 3, line foot"', Words),
    open: about('what opens it for change; a control named in `keys` shows as a key', Words),
    up: about('what raises it by one step', Words),
    down: about('what lowers it by one step', Words),
    unit: about('one step of the setting, as the hand feels it: "click", "touch"', Words),
    keep: about('what keeps the changed value', Words),
    seen: about('what shows that it was kept', Words),
    way: about(
      'counted in steps from where it stands (the rule), or put straight to one of its choices: a plug, a link, a mark on a scale',
      Type.Optional(Type.Union([Type.Literal('count'), Type.Literal('choose')])),
    ),
  },
  closed,
)

export const Setting = Type.Object(
  {
    id: Id,
    name: about("the panel's own word for it", Words),
    means: about(
      'which part of a response it stands for; `nothing` for a clock, a lock and the like, `unknown` where nobody at hand knows',
      Type.Union([...MEANINGS, ...BESIDE].map((meaning) => Type.Literal(meaning))),
    ),
    purpose: about(
      'what it is for, in plain words; what it stands for says it where nothing is said',
      Type.Optional(Words),
    ),
    otherNames: about(
      'what leaflets and people call it besides',
      Type.Optional(Type.Array(Words, { minItems: 1, maxItems: 8 })),
    ),
    who: about(
      'who may change it; a user where nothing is said',
      Type.Optional(Type.Union(WHO.map((who) => Type.Literal(who)))),
    ),
    advice: about(
      'what is to be done with it where it stands for nothing in the response',
      Type.Optional(
        Type.Object(
          {
            what: about(
              'leave it as found, set it to `to`, or decide here',
              Type.Union(ADVICE.map((what) => Type.Literal(what))),
            ),
            to: about('for `set`: the value', Type.Optional(Type.Number())),
            why: about('why', Words),
          },
          closed,
        ),
      ),
    ),
    figure: about(
      'where the panel shows another figure than the value: value × `times` + `plus`, with its own unit',
      Type.Optional(
        Type.Object(
          {
            times: about('what the value is multiplied by, not 0', Type.Number({ minimum: -1000, maximum: 1000 })),
            plus: about('what is added then', Type.Number({ minimum: -1000, maximum: 1000 })),
            unit: about('the unit beside the figure; empty where it has none', Type.String({ maxLength: 20 })),
            decimals: about('digits behind the point', Type.Integer({ minimum: 0, maximum: 4 })),
          },
          closed,
        ),
      ),
    ),
    slot: about('which of several parts of that kind, counted from 1', Type.Integer({ minimum: 1, maximum: 24 })),
    quantity: about(
      'what its figures are, in the base unit of the quantity',
      Type.Union((Object.keys(QUANTITIES) as Quantity[]).map((quantity) => Type.Literal(quantity))),
    ),
    min: about('lowest value', Type.Number()),
    max: about('highest value', Type.Number()),
    step: about('its step, above 0', Type.Number({ exclusiveMinimum: 0 })),
    default: about('its value as the maker delivers it', Type.Number()),
    off: about(
      'the value at which the behaviour it belongs to does nothing; taken where a response does not ask for that behaviour',
      Type.Optional(Type.Number()),
    ),
    choices: about(
      'where it has not every step but these values; `shown` is what the panel or the plug says for each',
      Type.Optional(
        Type.Array(
          Type.Object(
            { value: about('the value', Type.Number()), shown: about('what the panel or the plug says for it', Words) },
            closed,
          ),
          { minItems: 2, maxItems: 40 },
        ),
      ),
    ),
    enter: about('how it is entered at the panel', Entry),
    written: about(
      'when a changed value is written for good; at once where nothing is said',
      Type.Optional(
        Type.Object(
          {
            when: about(
              'at once, on a key, after a time without a touch, on leaving the menu',
              Type.Union(WRITTEN.map((when) => Type.Literal(when))),
            ),
            afterS: about(
              'for `after`: how long nothing may be touched',
              Type.Optional(Type.Number({ minimum: 0, maximum: 600 })),
            ),
          },
          closed,
        ),
      ),
    ),
    power: about(
      'whether it outlasts a power cut: kept, lost, or to be looked at',
      Type.Union(KEPT.map((kept) => Type.Literal(kept))),
    ),
    powerNote: about('what is to be said of that', Type.Optional(Words)),
  },
  closed,
)
export type Setting = Static<typeof Setting>

/** A setting that stands for a part of the response. */
export type PartSetting = Setting & { readonly means: Meaning }
export const isPart = (setting: Setting): setting is PartSetting => !BESIDE.some((beside) => beside === setting.means)

const inputKind = Type.Union(MEASURED.map((kind) => Type.Literal(kind)))
const ownOr = <T extends string>(...others: readonly T[]) =>
  Type.Union([Type.Literal('own'), ...others.map((other) => Type.Literal(other))])

export const RampSlot = Type.Object(
  {
    input: about('what kind of input the ramp reads', inputKind),
    from: about(
      'where the model has no setting for an end of the ramp, it takes this; `zero` where it asks of a ladder of fans',
      Type.Union([Type.Literal('floor'), Type.Literal('own'), Type.Literal('zero')]),
    ),
    to: about(
      'where the model has no setting for the upper end of the ramp, it takes this',
      Type.Union([Type.Literal('ceiling'), Type.Literal('full'), Type.Literal('own')]),
    ),
    fixed: about(
      'a law that cannot be set: where the ramp starts and is full. Only the place of the probe is left to choose',
      Type.Optional(
        Type.Object(
          {
            startAt: about('where the ramp starts, in the base unit of its input', Type.Number()),
            fullAt: about('where it is full, in the base unit of its input', Type.Number()),
          },
          closed,
        ),
      ),
    ),
    fixedSpan: about(
      'a band that cannot be set beside a start that can',
      Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
    ),
    falls: about('faster as the input falls', Type.Optional(Type.Boolean())),
    below: about(
      'what it asks before its start; `from` where nothing is said',
      Type.Optional(Type.Union([Type.Literal('from'), Type.Literal('nothing')])),
    ),
  },
  closed,
)
export type RampSlot = Static<typeof RampSlot>
export const SwitchSlot = Type.Object(
  {
    overrun: about(
      'which switch overruns it can do',
      Type.Array(Type.Union([Type.Literal('none'), Type.Literal('fixed'), Type.Literal('matched')]), {
        minItems: 1,
      }),
    ),
    speed: about('a speed of its own, or the ceiling', ownOr('ceiling')),
    onDelay: about('it can wait before it answers', Type.Optional(Type.Boolean())),
  },
  closed,
)
export type SwitchSlot = Static<typeof SwitchSlot>
export const DifferentialSlot = Type.Object(
  {
    input: about('what kind of input it reads', inputKind),
    action: about(
      'whether it comes on as the input rises (cooling) or falls (heating)',
      Type.Union([Type.Literal('direct'), Type.Literal('reverse')]),
    ),
    convention: about(
      'what its set point and differential mean',
      Type.Union(CONVENTION_IDS.map((id) => Type.Literal(id))),
    ),
    speed: about('a speed of its own, the ceiling, or full speed', ownOr('ceiling', 'full')),
    fixedWidth: about('a width that cannot be set', Type.Optional(Type.Number({ minimum: 0 }))),
    minTimes: about('whether least times on and off can be set', Type.Optional(Type.Boolean())),
  },
  closed,
)
export type DifferentialSlot = Static<typeof DifferentialSlot>
export const RapidRiseSlot = Type.Object(
  {
    input: about('what kind of input it reads', inputKind),
    speed: about('a speed of its own, or the ceiling', ownOr('ceiling')),
    windowS: about(
      'the window of the rise where it cannot be set, seconds',
      Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
    ),
    rise: about(
      'the rise where it cannot be set, in the unit of its input',
      Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
    ),
    release: about(
      'the release where it cannot be set, in the unit of its input',
      Type.Optional(Type.Number({ minimum: 0 })),
    ),
    capS: about('the longest time where it cannot be set, seconds', Type.Optional(Type.Number({ minimum: 0 }))),
  },
  closed,
)
export type RapidRiseSlot = Static<typeof RapidRiseSlot>
/** A calendar: of speeds, or of set points for its first differential (its first ramp where it has none). */
export const WeekSlot = Type.Object(
  {
    of: about(
      'what its periods change: the speed, or the set point',
      Type.Union([Type.Literal('speed'), Type.Literal('set-point')]),
    ),
    periodsADay: about('most periods in one day', Type.Integer({ minimum: 1, maximum: 24 })),
    stepMin: about('step of its times, minutes', Type.Integer({ minimum: 1, maximum: 120 })),
    stepPct: about(
      'step of its speeds, percent; that of the output where nothing is said',
      Type.Optional(Type.Number({ minimum: 0, maximum: 50 })),
    ),
    enter: about('how a period is entered', Entry),
    power: about('whether it outlasts a power cut', Type.Union(KEPT.map((kept) => Type.Literal(kept)))),
  },
  closed,
)
export type WeekSlot = Static<typeof WeekSlot>
export const CycleSlot = Type.Object(
  { speed: about('a speed of its own, the ceiling, or full speed', ownOr('ceiling', 'full')) },
  closed,
)
export type CycleSlot = Static<typeof CycleSlot>
export const HoldAfterFallSlot = Type.Object(
  {
    input: about('what kind of input it reads', inputKind),
    speed: about('a speed of its own, the ceiling, or the floor', ownOr('ceiling', 'floor')),
    holdS: about('how long it runs on where that cannot be set, seconds', Type.Optional(Type.Number({ minimum: 0 }))),
  },
  closed,
)
export type HoldAfterFallSlot = Static<typeof HoldAfterFallSlot>

/** What else it can do; what is not named it cannot. */
const Abilities = Type.Object(
  {
    offAllowed: about('it can stand still with nothing asking', Type.Optional(Type.Boolean())),
    finalRunOn: about('it runs on when everything stops asking', Type.Optional(Type.Boolean())),
    heaterPurge: about('it gives a heater air after it went off', Type.Optional(Type.Boolean())),
    modes: about(
      'what it can tell day and night by',
      Type.Optional(Type.Array(Type.Union([Type.Literal('light'), Type.Literal('week')]), { maxItems: 2 })),
    ),
    reductions: about('how many reductions it has', Type.Optional(Type.Integer({ minimum: 0, maximum: 8 }))),
    conditions: about(
      'how many conditions a rule of it may hang on; none where nothing is said',
      Type.Optional(Type.Integer({ minimum: 0, maximum: 6 })),
    ),
    skipBands: about(
      'how many bands of speeds it can pass over',
      Type.Optional(Type.Integer({ minimum: 0, maximum: 6 })),
    ),
    rate: about('its rate of change can be set', Type.Optional(Type.Boolean())),
    offsets: about('readings can be corrected by an offset', Type.Optional(Type.Boolean())),
    combine: about(
      'how it can make one reading of several',
      Type.Optional(
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
    ),
    overrides: about(
      'which holds it knows',
      Type.Optional(
        Type.Array(Type.Union([Type.Literal('safetyStop'), Type.Literal('overheat'), Type.Literal('test')]), {
          maxItems: 3,
        }),
      ),
    ),
    otherOutputs: about(
      'which other outputs it has',
      Type.Optional(Type.Array(Type.Union(OUTPUT_KINDS.map((kind) => Type.Literal(kind))), { maxItems: 8 })),
    ),
    lost: about(
      'what it does when a probe has no reading; `nothing`: that probe simply stops asking',
      Type.Optional(
        Type.Union([
          Type.Literal('full'),
          Type.Literal('floor'),
          Type.Literal('off'),
          Type.Literal('set'),
          Type.Literal('nothing'),
        ]),
      ),
    ),
    nightLimits: about('it has a lowest and a highest speed of the night', Type.Optional(Type.Boolean())),
    dates: about('it goes by the date itself: seasons need no hand', Type.Optional(Type.Boolean())),
    targets: about(
      'how many targets it has to which points may be tied',
      Type.Optional(Type.Integer({ minimum: 0, maximum: 8 })),
    ),
    byAge: about(
      'most rows of its table of least air by age',
      Type.Optional(Type.Integer({ minimum: 0, maximum: 24 })),
    ),
    speeds: about('how many named speeds it has', Type.Optional(Type.Integer({ minimum: 0, maximum: 9 }))),
    stepUps: about(
      'how many reasons it knows to run named speeds more',
      Type.Optional(Type.Integer({ minimum: 0, maximum: 4 })),
    ),
    cutOut: about(
      'a low-speed cut-out: its figures where they cannot be set, `set` where they can',
      Type.Optional(
        Type.Union([
          Type.Literal('set'),
          Type.Object(
            {
              offBelowPct: about('what is asked below this has the fan stand, percent', Percent),
              backAtPct: about('what must be asked for it to run again, percent', Percent),
            },
            closed,
          ),
        ]),
      ),
    ),
    startTrim: about('the lowest speed can be mapped to where the fan just turns', Type.Optional(Type.Boolean())),
    powerReturnS: about(
      'how long it stands when power returns: seconds where that is fixed, `set` where it can be set',
      Type.Optional(Type.Union([Type.Literal('set'), Type.Number({ minimum: 0, maximum: 3600 })])),
    ),
    outputTimes: about('its other outputs can be held on for a time', Type.Optional(Type.Boolean())),
    stopsFans: about('one of its other outputs can stop the fans', Type.Optional(Type.Boolean())),
    contactSense: about('its switch inputs take normally closed contacts too', Type.Optional(Type.Boolean())),
    liveZero: about('it knows a lost signal by its living zero', Type.Optional(Type.Boolean())),
    keeps: about('what it still knows when power returns; nothing where nothing is said', Type.Optional(Memories)),
    scanS: about('reads its inputs every so many seconds', Type.Optional(Type.Number({ minimum: 0, maximum: 3600 }))),
  },
  closed,
)
type Abilities = Static<typeof Abilities>

export const CONTROL_KINDS = [
  'key',
  'dial',
  'lever',
  'rocker',
  'pad',
  'wheel',
  'trimmer',
  'plug',
  'link',
  'knob',
] as const
export const ACTS = ['press', 'hold', 'up', 'down', 'wait'] as const
/** What a hand can do in a state, and what comes of it: to which state, and what happens to the setting of the state it leaves. */
export const PanelMove = Type.Object(
  {
    control: about('a control’s id; empty for `wait`', Type.String({ maxLength: 40 })),
    act: about('what the hand does', Type.Union(ACTS.map((act) => Type.Literal(act)))),
    to: about('the state it leads to; the same where nothing is said', Type.Optional(Id)),
    does: about(
      'what happens to the setting of this state',
      Type.Optional(
        Type.Union([Type.Literal('step-up'), Type.Literal('step-down'), Type.Literal('keep'), Type.Literal('drop')]),
      ),
    ),
  },
  closed,
)
export type PanelMove = Static<typeof PanelMove>
export const PanelState = Type.Object(
  {
    id: Id,
    shows: about('what the panel shows here; {value} is the setting’s value, {reading} what is sensed', Words),
    setting: about('the setting that is open for change here', Type.Optional(Id)),
    moves: about('what can be done here', Type.Array(PanelMove, { maxItems: 24 })),
  },
  closed,
)
export type PanelState = Static<typeof PanelState>
/** The panel as a hand and an eye meet it: enough to draw and to play it. The first state is the one after power-up. */
export const Panel = Type.Object(
  {
    display: about(
      'what the panel shows',
      Type.Object(
        {
          kind: about(
            'what kind of display it is',
            Type.Union([
              Type.Literal('none'),
              Type.Literal('digits'),
              Type.Literal('lines'),
              Type.Literal('list'),
              Type.Literal('scale'),
            ]),
          ),
          columns: about('digits, or characters in a line', Type.Integer({ minimum: 0, maximum: 40 })),
          lines: about('lines of it', Type.Integer({ minimum: 0, maximum: 16 })),
        },
        closed,
      ),
    ),
    controls: about(
      'keys, dials, levers and the like',
      Type.Array(
        Type.Object(
          {
            id: Id,
            name: about('the panel’s own word for it', Words),
            kind: about('what it is', Type.Union(CONTROL_KINDS.map((kind) => Type.Literal(kind)))),
          },
          closed,
        ),
        { minItems: 1, maxItems: 24 },
      ),
    ),
    lamps: about(
      'lamps and their meaning',
      Type.Array(
        Type.Object(
          {
            id: Id,
            name: about('the panel’s own word for it', Words),
            means: about('what it tells while it is lit', Words),
          },
          closed,
        ),
        { maxItems: 12 },
      ),
    ),
    states: about(
      'what it can show; the first is the one after power-up',
      Type.Array(PanelState, { minItems: 1, maxItems: 80 }),
    ),
  },
  closed,
)
export type Panel = Static<typeof Panel>

export const SIGNAL_KINDS = ['lamp', 'code', 'display', 'beep'] as const
/** What a lamp, a code, the display or a beep tells, and where to look next. */
const Signal = Type.Object(
  {
    kind: about('what tells it', Type.Union(SIGNAL_KINDS.map((kind) => Type.Literal(kind)))),
    shows: about('what is seen or heard', Words),
    while: about(
      'in which state of the panel it has this meaning; in every one where nothing is said',
      Type.Optional(Words),
    ),
    means: about('what it means', Words),
    next: about('where to look next, or what to do', Words),
    urgent: about('something stands still, or soon will', Type.Optional(Type.Boolean())),
  },
  closed,
)
export type Signal = Static<typeof Signal>

const Step = Type.Object(
  {
    text: about('what is done', Words),
    seen: about('what is seen then', Words),
    danger: about('it can hurt someone; the caution stands beside it', Type.Optional(Type.Boolean())),
  },
  closed,
)

export const CONTROLLER_SCHEMA = 'soft-gale/controller-model@2'
export const ControllerModel = Type.Object(
  {
    schema: documentSchema(CONTROLLER_SCHEMA),
    id: Id,
    version: about(
      'which version of this model it is, counted by the place that keeps it; the first where nothing is said',
      Type.Optional(Type.Integer({ minimum: 1, maximum: 100_000 })),
    ),
    name: about('what people call it', Words),
    about: about('what it is for, in words', Type.String({ maxLength: 600 })),
    keys: about(
      "names of the panel's controls, shown as keys wherever an action mentions them",
      Type.Array(Words, { maxItems: 12 }),
    ),
    inputs: about(
      'what it can sense; not known where nothing is said',
      Type.Optional(
        Type.Array(
          Type.Object(
            {
              id: Id,
              name: about('the terminal’s own word for it', Words),
              kind: about('what it reads', Type.Union([inputKind, Type.Literal('switch')])),
              resolution: about(
                'smallest change it sees, in the input’s unit',
                Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
              ),
              note: about('what is to be said of it', Type.Optional(Words)),
            },
            closed,
          ),
          { maxItems: 12 },
        ),
      ),
    ),
    outputs: about(
      'what it drives fans with',
      Type.Array(
        Type.Object(
          {
            id: Id,
            name: about('the terminal’s own word for it', Words),
            kind: about(
              'how it drives a fan',
              Type.Union([
                Type.Literal('volts'),
                Type.Literal('pwm'),
                Type.Literal('phase-cut'),
                Type.Literal('levels'),
                Type.Literal('relay'),
              ]),
            ),
            stepPct: about('its step in percent, 0 to 50; 0 is stepless', Type.Number({ minimum: 0, maximum: 50 })),
            levelsPct: about(
              'the only speeds it can stand at, rising, percent',
              Type.Optional(Type.Array(Percent, { minItems: 1, maxItems: 24 })),
            ),
            ratedCurrentA: about(
              'most it carries (A), where it carries the fan’s own current',
              Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 100 })),
            ),
          },
          closed,
        ),
        { minItems: 1, maxItems: 6 },
      ),
    ),
    rounding: about(
      'where a speed between two steps goes',
      Type.Union([Type.Literal('nearest'), Type.Literal('up'), Type.Literal('down')]),
    ),
    lowestPct: about('lowest speed it can give a running fan, percent', Percent),
    ceiling: about(
      'whether its highest speed cuts off or rescales',
      Type.Union([Type.Literal('clip'), Type.Literal('rescale')]),
    ),
    wins: about(
      'whose ask counts; the highest where nothing is said',
      Type.Optional(Type.Union([Type.Literal('highest'), Type.Literal('first')])),
    ),
    abilities: about('what else it can do', Type.Optional(Abilities)),
    ramps: about('its ramps', Type.Array(RampSlot, { maxItems: 6 })),
    switches: about('its switch inputs', Type.Array(SwitchSlot, { maxItems: 6 })),
    differentials: about('its on/off points', Type.Optional(Type.Array(DifferentialSlot, { maxItems: 6 }))),
    rapidRises: about('its answers to a quick rise', Type.Optional(Type.Array(RapidRiseSlot, { maxItems: 4 }))),
    weeks: about('its calendars', Type.Optional(Type.Array(WeekSlot, { maxItems: 2 }))),
    cycles: about('its cycles', Type.Optional(Type.Array(CycleSlot, { maxItems: 2 }))),
    holdsAfterFall: about('its hold after a fall', Type.Optional(Type.Array(HoldAfterFallSlot, { maxItems: 2 }))),
    stages: about(
      'fixed fans it can bring in beside the variable one; joins in equal parts where it has no setting for them',
      Type.Optional(
        Type.Object(
          {
            fixed: about('how many fixed fans', Type.Integer({ minimum: 1, maximum: 8 })),
            percentOf: about(
              'what its percent are of; fans of the ladder where nothing is said',
              Type.Optional(Type.Union([Type.Literal('fans'), Type.Literal('air')])),
            ),
            byReading: about('each fan can join by a reading', Type.Optional(Type.Boolean())),
            inlets: about('inlets open stage by stage', Type.Optional(Type.Boolean())),
          },
          closed,
        ),
      ),
    ),
    followers: about(
      'outputs that follow the lead',
      Type.Array(
        Type.Object(
          {
            atLeadFloor: about(
              'what they do while the lead is at its floor',
              Type.Union([Type.Literal('follow'), Type.Literal('floor'), Type.Literal('off')]),
            ),
            floorPct: about('their lowest speed while they run, percent', Percent),
          },
          closed,
        ),
        { maxItems: 4 },
      ),
    ),
    startKick: about(
      'whether it kicks a fan from rest: never, by a fixed kick, or by one that can be set',
      Type.Union([Type.Literal('none'), Type.Literal('fixed'), Type.Literal('set')]),
    ),
    settings: about('every setting of it', Type.Array(Setting, { maxItems: 60 })),
    panel: about('the panel, enough to draw and to play it', Type.Optional(Panel)),
    signals: about(
      'what lamps, codes, the display and beeps tell',
      Type.Optional(Type.Array(Signal, { maxItems: 40 })),
    ),
    prepare: about('what is done before the first setting', Type.Array(Step, { maxItems: 12 })),
    finish: about('what is done after the last', Type.Array(Step, { maxItems: 12 })),
    cautions: about('what can hurt someone at it', Type.Array(Words, { maxItems: 8 })),
  },
  closed,
)
export type ControllerModel = Static<typeof ControllerModel>

/** The version of a model; the first where it says none. */
export const versionOf = ({ version = 1 }: Pick<ControllerModel, 'version'>): number => version

export type SettingValue = { readonly setting: string; readonly value: number }
