import { fanName, inputOf, measuredOf, type ProveContext } from '@/core/prove/context'
import { bringText, meters, outputMeter, standText, valueText, wayFor, whatText } from '@/core/prove/howTo'
import { clockText } from '@/core/quantity/clock'
import { figuresFor, formatNumber, formatQuantity, type Figures, type UnitPreference } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { weekClockText } from '@/core/rules/localClock'
import { dateText, yearDayText } from '@/core/rules/yearDay'
import { periodText, type Period } from '@/core/rules/week'
import { capital, ruleName, uncapital } from '@/core/sentences/words'
import { coderOf, textOf, type Coded } from '@/core/words/coded'

/** What is said to bring a moment about: nothing, a contact, a reading, the clock. */
export type MomentSays =
  | { readonly kind: 'rest' }
  | { readonly kind: 'switch'; readonly input: string }
  | { readonly kind: 'bring'; readonly input: string; readonly x: number }
  | { readonly kind: 'clock'; readonly clock: number }

/** What is said to bring a condition of another output about, and to take it back; `isBack` where rest alone takes it back. */
export type WaySays =
  | {
      readonly kind: 'bring'
      readonly input: string
      readonly onX: number
      readonly offX: number
      readonly isBack: boolean
    }
  | { readonly kind: 'switch'; readonly input: string; readonly is: 'on' | 'off'; readonly isBack: boolean }
  | {
      readonly kind: 'speed'
      readonly fan: string
      readonly isUp: boolean
      readonly atPct: number
      readonly fast: MomentSays
    }
  | { readonly kind: 'lost'; readonly inputs: readonly string[] }

/** With what a check is measured, beside what its words name: a meter of speeds and what stands beside a probe, or the stopwatch. */
export type Measure = { readonly kind: 'speeds'; readonly input: string | null } | { readonly kind: 'stopwatch' }

/** Why one reading inside a ramp would prove little. */
export type Note = { readonly kind: 'cancels' | 'at-ends'; readonly lowPct: number; readonly highPct: number }

/** How names and figures of a site are said. */
type Say = Figures & {
  readonly q: (x: number, quantity: Quantity) => string
  readonly rule: (id: string) => string
  readonly input: (id: string) => string
  readonly fan: (id: string) => string
  readonly what: (input: string) => string
  readonly value: (input: string, x: number) => string
  readonly bring: (input: string, x: number) => string
  readonly stand: (input: string, x: number) => string
  readonly way: (input: string, x: number) => string
  readonly outputMeter: string
  /** Times as the reader’s clock has them: of a day (min), of a week (s), a period. */
  readonly clock: (minute: number) => string
  readonly weekClock: (weekS: number) => string
  readonly period: (period: Period) => string
}

type Text = {
  readonly title: string
  readonly how: string
  readonly ifFails: string
  /** Where it is not the meter of speeds, or the stopwatch. */
  readonly measureWith?: string
  readonly expect?: string
}

const AS_IT_IS = 'It does not stop everything: do not work on it, and find the second supply.'
const PUT_BACK = 'Put the right time back afterwards.'
const WRONG_START =
  'Start point or first speed not kept, or the probe reads off: read the setting back, then compare the probe.'
const WRONG_SPAN =
  'Span or top speed not kept, another rule is asking, or the probe reads off: read the settings back, then compare the probe.'
const LIGHT_FAILS = 'Level or delay was not kept, or stray light reaches the sensor.'
const CYCLE_FAILS = 'The times were not kept, or another rule is asking.'
const NO_AIR_FAILS = 'The heater would be left without air: do not leave it like this.'
const KICK_FAILS = 'Kick not kept, or the output is trimmed: the fan may not start at its floor.'
const SPILLS_FAILS =
  'It spills: switch the extract off and leave it off until a certified person has made it pass. Carbon monoxide kills.'
const SPILLAGE = {
  measureWith: 'smoke or a spillage tester, by a certified person, with a carbon monoxide meter in the room',
  ifFails: SPILLS_FAILS,
  expect: 'The flue draws all the time; nothing comes into the room.',
}
const EVERY_EXTRACT = 'Doors and windows shut, every extract in the building at full, hoods too.'
const OUTPUT = {
  measureWith: 'your eyes, or a tester at its terminals',
  ifFails: 'Its point was not kept, or it is on another terminal.',
}

const names = (list: readonly string[], say: Say): string => list.map(say.input).join(' and ')

function momentText(moment: MomentSays, say: Say): { readonly wording: string; readonly how: string } {
  switch (moment.kind) {
    case 'rest':
      return { wording: '', how: '' }
    case 'switch':
      return { wording: `switch the ${say.input(moment.input)} on`, how: '' }
    case 'bring':
      return { wording: `bring ${say.bring(moment.input, moment.x)}`, how: say.way(moment.input, moment.x) }
    case 'clock':
      return { wording: `set the clock to ${say.weekClock(moment.clock)}`, how: PUT_BACK }
  }
}

const startText = (moment: MomentSays, say: Say): string => capital(momentText(moment, say).wording) || 'Let it run'

type WayText = { readonly wording: string; readonly backText: string; readonly backTo: string; readonly how: string }

function wayText(way: WaySays, say: Say): WayText {
  switch (way.kind) {
    case 'bring':
      return {
        wording: `bring ${say.bring(way.input, way.onX)}`,
        backText: way.isBack ? '' : `bring ${say.bring(way.input, way.offX)}`,
        backTo: way.isBack ? '' : ` to ${say.value(way.input, way.offX)}`,
        how: say.way(way.input, way.onX),
      }
    case 'switch':
      return {
        wording: `turn ${say.input(way.input)} ${way.is}`,
        backText: way.isBack ? '' : `turn ${say.input(way.input)} ${way.is === 'on' ? 'off' : 'on'}`,
        backTo: '',
        how: 'At the switch or contact itself.',
      }
    case 'speed': {
      const fast = momentText(way.fast, say)
      return {
        wording: `let ${say.fan(way.fan)} run ${way.isUp ? 'up to' : 'down to'} ${say.pct(way.atPct)} %`,
        backText: `let ${say.fan(way.fan)} run ${way.isUp ? 'below' : 'above'} ${say.pct(way.atPct)} %`,
        backTo: '',
        how: fast.wording === '' ? '' : `For that, ${fast.wording}. ${fast.how}`.trim(),
      }
    }
    case 'lost':
      return {
        wording: `unplug ${names(way.inputs, say)}`,
        backText: '',
        backTo: '',
        how: 'At the terminals of the probe, or its plug.',
      }
  }
}

const firstText = (first: readonly WaySays[], say: Say): string =>
  first
    .map((way) => wayText(way, say).backText)
    .filter(Boolean)
    .map((wording) => ` First ${wording}.`)
    .join('')

const runsFastText = (fast: MomentSays, say: Say): string => {
  const { wording } = momentText(fast, say)
  return wording === '' ? 'while the fan runs' : `while the fan runs fast (${wording})`
}

/** All that checks say, by their codes: the one place for a language. Facts are ids, and figures in base units. */
const WORDS = {
  cycle: (f: { onPct: number; expectS: number }, { pct, time }) => ({
    title: 'Time how long it is on in one period.',
    how: `From its coming on at ${pct(f.onPct)} % to its going off: ${time(f.expectS)}.`,
    ifFails: CYCLE_FAILS,
  }),
  pause: (f: { expectS: number }, { time }) => ({
    title: 'Time how long it pauses in one period.',
    how: `From its going off to its coming on again: ${time(f.expectS)}.`,
    ifFails: CYCLE_FAILS,
  }),
  'differential-passage': (f: { rule: string; input: string; onX: number; offX: number; onPct: number }, say) => {
    const [up, down] = [say.way(f.input, f.onX), say.way(f.input, f.offX)]
    return {
      title: `Bring ${say.input(f.input)} past both points of the ${say.rule(f.rule)}, and back.`,
      how: `${up === down ? up : `To bring it on: ${up} To bring it off: ${down}`} On it runs at ${say.pct(f.onPct)} %.`,
      ifFails:
        'A point or its differential was not kept, the controller counts it the other way round, another rule is asking, or the probe reads off.',
    }
  },
  'hold-runs': (f: { input: string; hotX: number }, say) => ({
    title: `Bring ${say.bring(f.input, f.hotX)}: it runs.`,
    how: say.way(f.input, f.hotX),
    ifFails: 'The threshold or its speed was not kept, or the probe reads off.',
  }),
  'hold-after': (f: { input: string; coolX: number; toPct: number; expectS: number }, say) => ({
    title: `Let it fall to ${say.value(f.input, f.coolX)} and time how long it goes on${f.toPct > 0 ? `, down to ${say.pct(f.toPct)} %` : ''}.`,
    how: `It warns at the threshold, runs on for ${say.time(f.expectS)}, and then stops.`,
    ifFails: 'The threshold or the time was not kept.',
  }),
  stage: (f: { input: string; past: number; fan: string; floorPct: number }, say) => ({
    title: `Bring ${say.bring(f.input, f.past)}, past the join of ${say.fan(f.fan)}, and back.`,
    how: `${say.way(f.input, f.past)} ${say.fan(f.fan)} joins, and the variable fan drops towards ${say.pct(f.floorPct)} % and climbs again.`,
    ifFails: 'Wrong output, a join or its differential that was not kept, or a fan on its own isolator.',
  }),
  modes: () => ({
    title: 'Look whether day and night are told apart: cover the sensor, or set the clock.',
    how: 'No speed differs between them at a moment that can be brought about.',
    measureWith: 'the panel',
    ifFails: 'Level, delay or clock was not kept.',
    expect: 'The panel shows the other mode.',
  }),
  'night-speed': (f: { input: string }, say) => ({
    title: `Cover ${say.input(f.input)}, and read what night gives.`,
    how: 'Any light starts the count anew: cover it well.',
    ifFails: LIGHT_FAILS,
  }),
  'mode-comes': (f: { input: string; night: boolean; expectS: number }, say) => ({
    title: f.night
      ? `Cover ${say.input(f.input)} and time how long it stays day.`
      : `Uncover ${say.input(f.input)} and time how long it stays night.`,
    how: `It waits ${say.time(f.expectS)}; any light starts the count anew.`,
    ifFails: LIGHT_FAILS,
  }),
  'day-by-week': () => ({
    title: 'Set the clock to before day begins, into it, and past its end.',
    how: PUT_BACK,
    ifFails: 'A period of the day was not kept, or the clock is wrong.',
  }),
  'output-on': (
    f: {
      output: string
      way: WaySays
      first: readonly WaySays[]
      isAlarm: boolean
      on: string
      off: string
      delayS: number
      goesOff: boolean
    },
    say,
  ) => {
    const way = wayText(f.way, say)
    return {
      ...OUTPUT,
      title: `${f.output}: ${way.wording}, then back${way.backTo}.`,
      how: `${way.how}${firstText(f.first, say)}${f.isAlarm ? ' See that it reaches a person, not only a lamp.' : ''}`,
      expect: `It is ${f.on}${f.delayS > 0 ? ` after ${say.time(f.delayS)}` : ''}, and ${f.goesOff ? `${f.off} again on the way back` : `stays ${f.on}`}.`,
    }
  },
  'output-barred': (
    f: { output: string; cause: WaySays; bar: WaySays; first: readonly WaySays[]; on: string; off: string },
    say,
  ) => ({
    ...OUTPUT,
    title: `${f.output}: ${wayText(f.cause, say).wording}; once it is ${f.on}, ${wayText(f.bar, say).wording}.`,
    how: `It has a reason to be on, and this bars it.${firstText(f.first, say)}`,
    expect: `It is ${f.on}, and then ${f.off}.`,
  }),
  lost: (f: { inputs: readonly string[]; first: MomentSays; leadPct: number }, say) => {
    const how = momentText(f.first, say).how
    return {
      title: `Unplug the ${f.inputs.length > 1 ? 'probes' : 'probe'} for ${names(f.inputs, say)}.`,
      how: `${f.first.kind === 'rest' ? '' : `${how} `}The lead goes to ${say.pct(f.leadPct)} %. Plug in again afterwards, and see that the reading comes back.`,
      ifFails: 'It does not do on a lost probe what it should: do not leave it alone like this.',
    }
  },
  isolated: (f: { input: string; fast: MomentSays }, say) => ({
    title: `Turn the isolator (${say.input(f.input)}) off ${runsFastText(f.fast, say)}.`,
    how: 'Stand clear: the fan restarts by itself when it is turned on again.',
    measureWith: 'a proven tester at the terminals',
    ifFails: AS_IT_IS,
    expect: 'Every fan stands.',
  }),
  'safety-stop': (f: { input: string; fast: MomentSays }, say) => ({
    title: `Press the safety stop (${say.input(f.input)}) ${runsFastText(f.fast, say)}.`,
    how: 'Stand clear: the fan restarts by itself when it is turned on again.',
    measureWith: 'your eyes',
    ifFails: AS_IT_IS,
    expect: 'Every fan stands.',
  }),
  overheat: (f: { onAt: number; offBelow: number }, { q }) => ({
    title: 'Look whether the heat lamp is lit, and what the leaflet says of its test.',
    how: 'Never heat the controller to try it.',
    measureWith: 'your eyes',
    ifFails: 'It has been too hot since power came: move it to a cooler place.',
    expect: `The lamp is dark. At ${q(f.onAt, 'temperature')} it would run full until below ${q(f.offBelow, 'temperature')}.`,
  }),
  test: (f: { input: string; speedPct: number }, say) => ({
    title: `Turn the test switch (${say.input(f.input)}) on, then off.`,
    how: `It holds ${say.pct(f.speedPct)} % while it is on.`,
    ifFails: 'The test speed was not kept, or the switch is on the wrong terminal.',
  }),
  'heater-purge-speed': (f: { input: string; speedPct: number }, say) => ({
    title: `Let it give heat (${say.input(f.input)}), and read the fan.`,
    how: `Not less than ${say.pct(f.speedPct)} % while heat is given.`,
    ifFails: NO_AIR_FAILS,
  }),
  'heater-purge': (f: { toPct: number; expectS: number }, { pct, time }) => ({
    title: `End the heat, and time how long the fan goes on before it comes down to ${pct(f.toPct)} %.`,
    how: `${time(f.expectS)}, even when it is switched off.`,
    ifFails: NO_AIR_FAILS,
  }),
  floor: (f: { fan: string; canMove: boolean; pauses: boolean }, say) => ({
    title: `Let everything rest and read the ${say.fan(f.fan)}.`,
    how: `${f.canMove ? 'If it is already warm, raise the start of the ramp on the controller to bring the floor out, and put it back after.' : 'Wait until nothing runs on.'}${f.pauses ? ' Read it in the pause of the cycle.' : ''}`,
    ifFails: 'Another rule is asking, or the floor was not kept.',
  }),
  'run-on': (f: { fast: MomentSays; toPct: number; expectS: number }, say) => ({
    title: `${startText(f.fast, say)}; then let everything stop asking, and time how long it takes to come down to ${say.pct(f.toPct)} %.`,
    how: `${momentText(f.fast, say).how} It goes on for ${say.time(f.expectS)}.`.trim(),
    ifFails: 'The run-on was not kept, or something still asks.',
  }),
  reduction: (f: { fast: MomentSays; input: string; x: number }, say) => ({
    title: `${startText(f.fast, say)}; then bring ${say.bring(f.input, f.x)}.`,
    how: `${momentText(f.fast, say).how} ${say.way(f.input, f.x)}`.trim(),
    ifFails: 'The reduction was not kept, or it counts in the other way: points, or a share of the present value.',
  }),
  'skip-band': (f: { fromPct: number; toPct: number }, say) => ({
    title: `Bring the speed slowly up through ${say.pct(f.fromPct)} to ${say.pct(f.toPct)} %, and down again.`,
    how: 'Listen: the drone must not stand.',
    measureWith: say.outputMeter,
    ifFails: 'The band was not kept, or it lies elsewhere: find the resonance again.',
    expect: `It jumps from ${say.pct(f.fromPct)} to ${say.pct(f.toPct)} % going up, and back going down.`,
  }),
  rate: (f: { fast: MomentSays; fromPct: number; toPct: number; expectS: number }, say) => ({
    title: `${startText(f.fast, say)} at once, and time it from ${say.pct(f.fromPct)} to half way to ${say.pct(f.toPct)} %.`,
    how: `${say.time(f.expectS)}: it moves slowly.`,
    ifFails: 'The rate was not kept.',
  }),
  'start-kick': (f: Kick, say) => ({
    title: 'Power off, wait until it stands, power on, and time the start kick.',
    how: kickText(f, say),
    measureWith: 'the stopwatch below, by ear',
    ifFails: KICK_FAILS,
  }),
  'start-kick-heard': (f: Kick, say) => ({
    title: 'Power off, wait until it stands, power on, and listen to the start.',
    how: kickText(f, say),
    measureWith: 'your ears, or a meter that follows',
    ifFails: KICK_FAILS,
    expect: 'It starts fast, and then settles.',
  }),
  sweep: (f: { input: string }, say) => ({
    title: `Sweep ${say.input(f.input)} from nothing to all and back.`,
    how: 'With a signal source at the terminals, the lead to the main controller off. The last step asks for nothing again; then put the lead back.',
    ifFails: 'The fan follows another range of volts than the main controller sends: look at the convention of both.',
  }),
  'power-wait': (f: { expectS: number; toPct: number }, { time }) => ({
    title: `Switch the supply off for a minute and on again: it stands for ${time(f.expectS)}.`,
    how: 'Stand clear: it starts by itself. Time it from the moment power comes until the fan runs.',
    ifFails: 'The wait was not kept: fans of one supply start together, and may trip it.',
  }),
  power: (f: { keepsNothing: boolean }) => ({
    title: 'Power off for a minute, then on, and read the fan when it has settled.',
    how: `Stand clear: the fan restarts by itself. ${f.keepsNothing ? 'What was running on, or latched, is gone.' : 'What it keeps goes on from where it was.'}`,
    measureWith: 'your ears',
    ifFails: 'A setting was lost: dial in again, with the save step, and mark the setting as lost without power.',
    expect: 'It runs again by itself, as it did before.',
  }),
  'read-back': () => ({
    title: 'Read every setting back from the panel.',
    how: 'Compare with the list under Dial in.',
    measureWith: 'the panel',
    ifFails: 'Enter the one that differs again and keep it.',
    expect: 'Each value is the one in the list.',
  }),
  spillage: () => ({
    ...SPILLAGE,
    title: 'Spillage test with every extract at full.',
    how: EVERY_EXTRACT,
  }),
  'spillage-without': (f: { fan: string }, say) => ({
    ...SPILLAGE,
    title: `Spillage test once more, with ${say.fan(f.fan)} stopped.`,
    how: `${EVERY_EXTRACT} ${say.fan(f.fan)} may fail alone: what it brings in is then missing.`,
  }),
  'spillage-overheated': () => ({
    ...SPILLAGE,
    title: 'Spillage test once more, as it runs when the controller is too hot.',
    how: `${EVERY_EXTRACT} The lead at full and every follower stopped.`,
  }),
  backup: () => ({
    title: 'Switch this controller off, and warm the backup thermostat.',
    how: 'It hangs on a supply of its own. Put the controller on again before you leave the room.',
    measureWith: 'your eyes, at the fans',
    ifFails: 'Nothing ventilates the house when this controller dies: do not leave animals in it.',
    expect: 'The backup brings full air by itself.',
  }),
  'alarm-reaches': () => ({
    title: 'Cut the supply of the house, and wait for the alarm.',
    how: 'The one who is on call has to hear it where they are, at night too.',
    measureWith: 'a call from the person on call',
    ifFails: 'Nobody comes when the power fails: hours without air kill.',
    expect: 'A person answers it.',
  }),
  draught: () => ({
    title: 'Read the draught at the appliance, in Pa.',
    how: 'At its test port, with the fire at normal, at least and at most speed; note it with the appliance maker’s figure.',
    measureWith: 'a manometer good for 1 Pa',
    ifFails: 'Too little draught spills, too much takes the heat: change the speed, and read again.',
    expect: 'The draught lies within what the appliance’s maker asks.',
  }),
  purge: (f: { outdoor: string; coolX: number; input: string; warmX: number; notWetter: boolean }, say) => ({
    title: `With ${say.input(f.outdoor)} at ${say.value(f.outdoor, f.coolX)}, set the clock into the hours of the purge, then let the room come down.`,
    how: `${say.way(f.input, f.warmX)} ${f.notWetter ? 'The air outside must be drier than that of the room meanwhile. ' : ''}${PUT_BACK}`,
    ifFails: 'Hours, margin, end or speed of the purge were not kept, or a probe reads off.',
  }),
  'ramp-start': (f: { input: string; x: number }, say) => ({
    title: holdText(f, say),
    how: say.way(f.input, f.x),
    ifFails: WRONG_START,
  }),
  'ramp-full': (f: { input: string; x: number }, say) => ({
    title: holdText(f, say),
    how: say.way(f.input, f.x),
    ifFails: WRONG_SPAN,
  }),
  'ramp-inside': (f: { rule: string; input: string; x: number }, say) => ({
    title: `Read the speed at two places of the ${say.rule(f.rule)}.`,
    how: say.way(f.input, f.x),
    ifFails: WRONG_SPAN,
  }),
  'ramp-passage': (f: { rule: string; input: string; x: number }, say) => ({
    title: `Bring ${say.what(f.input)} from before the start of the ${say.rule(f.rule)} to past its end.`,
    how: say.way(f.input, f.x),
    ifFails: WRONG_SPAN,
  }),
  rise: (f: { rule: string; by: number; quantity: Quantity; isHumidity: boolean }, say) => ({
    title: `Make a quick rise of ${say.q(f.by, f.quantity)} for the ${say.rule(f.rule)}.`,
    how: riseHow(f.isHumidity),
    ifFails: 'The rise or its window was not kept, or the sensor is slow or covered.',
  }),
  'rise-less': (f: { by: number; quantity: Quantity; isHumidity: boolean; staysPct: number }, { q, pct }) => ({
    title: `Make a smaller rise, of ${q(f.by, f.quantity)}: nothing must come of it.`,
    how: `${riseHow(f.isHumidity)} It stays at ${pct(f.staysPct)} %.`,
    ifFails: 'It answers to less than it should: it will run on every muggy evening.',
  }),
  'rise-longest': (f: { expectS: number }, { time }) => ({
    title: 'Keep it as it is after the rise, and time how long it runs.',
    how: `At most ${time(f.expectS)}, whatever the reading does; breathe on it again before it falls.`,
    ifFails: 'The longest time was not kept.',
  }),
  'switch-on': (f: { rule: string; onDelayS: number }, say) => ({
    title: `Switch the ${say.rule(f.rule)} on.`,
    how: f.onDelayS > 0 ? `It answers after ${say.time(f.onDelayS)}.` : 'It answers at once.',
    ifFails: 'Wrong terminal, contact the other way round, or the speed was not kept.',
  }),
  'switch-delay': (f: { rule: string; toPct: number; expectS: number }, say) => ({
    title: `Switch the ${say.rule(f.rule)} on and time how long it takes to go to ${say.pct(f.toPct)} %.`,
    how: `It waits ${say.time(f.expectS)} before it answers.`,
    ifFails: 'The delay was not kept.',
  }),
  overrun: (f: { rule: string; toPct: number; expectS: number; onForS: number; isMatched: boolean }, say) => ({
    title: `Switch the ${say.rule(f.rule)} off and time how long it takes to come down to ${say.pct(f.toPct)} %.`,
    how: f.isMatched
      ? `Leave it on for ${say.time(f.onForS)} first; after that it runs on for ${say.time(f.expectS)}.`
      : `Leave it on for ${say.time(f.onForS)} first. It runs on for ${say.time(f.expectS)}, however long it was on.`,
    ifFails: 'Overrun not kept, or another rule still asks for this speed.',
  }),
  'by-age': (f: { from: number; to: number }) => ({
    title: `Put the day of growth from ${f.from} to ${f.to}.`,
    how: 'On the counter of days, or by the day on which it was begun. Put the right day back afterwards.',
    ifFails: 'A row of the table was not kept, or the days are counted from another day.',
  }),
  period: (f: { period: Period }, say) => ({
    title: `Set the clock into and out of the period ${say.period(f.period)}.`,
    how: PUT_BACK,
    ifFails: 'Day, time or speed of the period was not kept, or the clock is wrong.',
  }),
} satisfies Record<string, (facts: never, say: Say) => Text>

type Kick = { readonly first: MomentSays; readonly kickPct: number; readonly holdS: number; readonly thenPct: number }

function kickText({ first, kickPct, holdS, thenPct }: Kick, say: Say): string {
  const { wording } = momentText(first, say)
  return `${wording === '' ? '' : `First ${wording}. `}It runs at ${say.pct(kickPct)} % for ${say.time(holdS)} before it settles at ${say.pct(thenPct)} %. Stand clear.`
}

const riseHow = (isHumidity: boolean): string =>
  isHumidity
    ? 'Breathe on the sensor, or hold a warm damp cloth near it.'
    : 'Change it quickly, with a hand or a bag of warm water.'

const holdText = ({ input, x }: { readonly input: string; readonly x: number }, say: Say): string =>
  `Bring ${say.bring(input, x)} and hold it there.`

/** What is said at a step of a check. */
const STEPS = {
  hold: holdText,
  bring: (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}.`,
  stand: (f: { input: string; x: number }, say) => `${say.stand(f.input, f.x)}.`,
  within: (f: { input: string; x: number; windowS: number }, say) =>
    `Bring ${say.bring(f.input, f.x)} within ${say.time(f.windowS)}.`,
  off: (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}: it is off.`,
  'comes-on': (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}: it comes on.`,
  'stays-on': (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}: it stays on.`,
  'goes-off': (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}: it goes off.`,
  'not-reduced': (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}: not reduced.`,
  reduced: (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}: reduced.`,
  'fan-stands': (f: { input: string; x: number; fan: string }, say) =>
    `Bring ${say.bring(f.input, f.x)}: ${say.fan(f.fan)} stands.`,
  'fan-runs': (f: { input: string; x: number; fan: string }, say) =>
    `Bring ${say.bring(f.input, f.x)}: ${say.fan(f.fan)} runs.`,
  'fan-stands-again': (f: { input: string; x: number; fan: string }, say) =>
    `Bring ${say.bring(f.input, f.x)}: ${say.fan(f.fan)} stands again.`,
  rest: () => 'Let everything rest.',
  'after-moment': (f: { moment: MomentSays }, say) => `${capital(momentText(f.moment, say).wording)} first.`,
  unplug: (f: { inputs: readonly string[] }, say) => `Unplug ${names(f.inputs, say)}.`,
  'test-on': () => 'Turn the test switch on.',
  'no-heat': () => 'Give no heat.',
  heat: () => 'Let it give heat.',
  'power-cut': () => 'Power off, wait a minute, power on.',
  light: (f: { input: string }, say) => `Let light fall on ${say.input(f.input)}.`,
  cover: (f: { input: string; delayS: number }, say) =>
    `Cover ${say.input(f.input)} for ${say.time(f.delayS)} and more.`,
  'clock-of-day': (f: { minute: number; gives: 'night' | 'day' | 'night again' }, say) =>
    `Set the clock to ${say.clock((f.minute + 1440) % 1440)}: ${f.gives}.`,
  'clock-before': (f: { clock: number }, say) => `Set the clock to ${say.weekClock(f.clock)}: before it begins.`,
  'clock-within': (f: { clock: number }, say) => `Set the clock to ${say.weekClock(f.clock)}: it has begun.`,
  'clock-after': (f: { clock: number }, say) => `Set the clock to ${say.weekClock(f.clock)}: it is over.`,
  'before-hours': (f: { input: string; x: number; clock: number }, say) =>
    `Bring ${say.bring(f.input, f.x)} and set the clock to ${say.weekClock(f.clock)}: before its hours.`,
  'in-hours': (f: { clock: number }, say) => `Set the clock to ${say.weekClock(f.clock)}: it runs.`,
  'come-down': (f: { input: string; x: number }, say) =>
    `Bring ${say.bring(f.input, f.x)}: it has come down, and the purge ends.`,
  'day-of-growth': (f: { day: number }) => `Put the day of growth to ${f.day}.`,
  'signal-to': (f: { input: string; x: number }, say) => `Bring ${say.bring(f.input, f.x)}.`,
  'leave-off': (f: { rule: string }, say) => `Leave the ${say.rule(f.rule)} off.`,
  'switch-on': (f: { rule: string }, say) => `Switch the ${say.rule(f.rule)} on.`,
} satisfies Record<string, (facts: never, say: Say) => string>

/** A code and the facts that a check says with it. */
export type CheckSays = Coded<typeof WORDS>
export const says = coderOf<typeof WORDS>()

/** A code and the facts that are said at a step. */
export type StepSays = Coded<typeof STEPS>
export const bring = coderOf<typeof STEPS>()

function sayOf(context: ProveContext): Say {
  const { response, preference } = context
  return {
    ...figuresFor(preference),
    q: (x, quantity) => formatQuantity(x, quantity, preference),
    rule(id) {
      const rule = response.rules.find((candidate) => candidate.id === id)
      return rule ? ruleName(response, rule) : id
    },
    input: (id) => inputOf(context, id)?.name ?? id,
    fan: (id) => fanName(context, id),
    what: (input) => whatText(context, input),
    value: (input, x) => valueText(context, input, x),
    bring: (input, x) => bringText(context, input, x),
    stand: (input, x) => standText(context, input, x),
    way: (input, x) => wayFor(context, input, x),
    outputMeter: outputMeter(context),
    clock: (minute) => clockText(minute, preference.dates),
    weekClock: (weekS) => weekClockText(weekS, preference.dates),
    period: (period) => periodText(period, preference.dates),
  }
}

const noteText = ({ kind, lowPct, highPct }: Note): string =>
  `One reading inside it would prove little with this probe, as anything from ${formatNumber(lowPct, 0)} to ${formatNumber(highPct, 0)} % would be right: ${kind === 'cancels' ? 'between two, what is off by the same cancels' : 'it is proved at its ends'}.`

const measureText = (context: ProveContext, measure: Measure): string =>
  measure.kind === 'stopwatch'
    ? 'the stopwatch below'
    : meters(context, measure.input === null ? undefined : measuredOf(context, measure.input))

/** What of a check is said. */
type Sayable = {
  readonly says: CheckSays
  readonly note?: Note
  readonly atClock?: number
  readonly atDate?: number
  readonly inMode?: 'day' | 'night'
  readonly measure: Measure
  readonly steps?: readonly { readonly bring: StepSays }[]
}

export type CheckText = Required<Text> & { readonly steps: readonly string[] }

/** The time a check is done at, where that matters: “by night, with the clock at Tue 14:20 and the date at 12 Jan”. */
function whenText({ atClock, atDate, inMode }: Sayable, { dates }: UnitPreference): string {
  const put = [
    ...(atClock === undefined ? [] : [`the clock at ${weekClockText(atClock, dates)}`]),
    ...(atDate === undefined ? [] : [`the date at ${yearDayText(dateText(atDate).slice(5), dates)}`]),
  ]
  return [...(inMode ? [`by ${inMode}`] : []), ...(put.length > 0 ? [`with ${put.join(' and ')}`] : [])].join(', ')
}

/** What a check says, in words: what to do, how, with what to measure, what it means where it fails, and what to bring about at each step. */
export function checkText(context: ProveContext, check: Sayable): CheckText {
  const say = sayOf(context)
  const text = textOf<Say, Text, CheckSays['code']>(WORDS, check.says, say)
  const { note, measure, steps = [] } = check
  const when = whenText(check, context.preference)
  const isPutForward = check.atClock !== undefined || check.atDate !== undefined
  return {
    title: when === '' ? text.title : `${capital(when)}: ${uncapital(text.title)}`,
    how: [text.how, note && noteText(note), isPutForward ? PUT_BACK : undefined].filter(Boolean).join(' '),
    ifFails: text.ifFails,
    // A speed is read with a meter, whatever the words of a check name for those who only look.
    measureWith: (measure.kind === 'speeds' ? undefined : text.measureWith) ?? measureText(context, measure),
    expect: text.expect ?? '',
    steps: steps.map((step) => textOf<Say, string, StepSays['code']>(STEPS, step.bring, say)),
  }
}
