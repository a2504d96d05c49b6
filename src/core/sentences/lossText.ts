import type { Loss, PartKind } from '@/core/controller/loss'
import { settingStepText, settingValueText } from '@/core/controller/settingText'
import { formatPct, formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { inputQuantity, type Input } from '@/core/rules/input'
import { ruleInputId, ruleKind } from '@/core/rules/table'
import { capital, ruleName } from '@/core/sentences/words'
import { withArticle } from '@/core/words/article'

const formatDifference = (x: number, kind: string | undefined, preference: UnitPreference): string =>
  kind === 'temperature'
    ? formatQuantity(x, 'temperatureDifference', preference)
    : kind === 'humidity' || kind === 'pressure' || kind === 'light'
      ? formatQuantity(x, kind, preference)
      : String(x)

const OVERRUN_WORDS = { none: 'stops at once', fixed: 'a set time', matched: 'as long as it was on' }
const AT_FLOOR_WORDS = { follow: 'follows on', floor: 'goes to its own floor', off: 'stops' }

/** What it means that a part of the response has no place in this controller. */
const PART_WORDS: Record<PartKind, readonly [title: string, detail: string]> = {
  'off-allowed': ['It cannot stand still.', 'Where you allowed it to be off, it runs at its floor.'],
  'run-on': ['No run-on.', 'When everything stops asking it stops, or goes to its floor, at once.'],
  'heater-purge': [
    'No heater purge.',
    'After heat was given it does not wait: the heater needs a thermostat of its own.',
  ],
  'light-modes': [
    'It cannot tell day from night.',
    'The rules of both stand all the time, and the highest ask counts.',
  ],
  'week-modes': [
    'It has no clock for day and night.',
    'The rules of both stand all the time, and the highest ask counts.',
  ],
  reduction: ['Not every reduction has a place.', 'It gives more air there than you asked.'],
  rate: ['It changes speed at once.', 'You asked it to move slowly.'],
  'combined-input': ['It reads one probe only.', 'You asked for several taken together.'],
  'safety-stop': ['No input for the safety stop.', 'The stop must break the supply of the fan itself.'],
  overheat: ['It does not watch its own heat.', 'Mount it where it stays cool; it will not protect itself.'],
  test: ['No test speed.', 'Raise the floor by hand to test, and put it back.'],
  stages: ['Not every fixed fan has an output.', 'Those left over will not be driven by this controller.'],
  'set-points': ['No calendar of set points.', 'The points stay the same all week.'],
  'min-times': ['No least times on or off.', 'It may start more often than the motor likes.'],
  conditions: [
    'It asks whatever else is.',
    'What the rule was to hang on has no place: it may run where you did not want it.',
  ],
  targets: [
    'Not every target has a place.',
    'What was tied to it stays where it is written, by day and by night and all the year.',
  ],
  'by-age': ['No table of ages.', 'Least air does not grow by itself: raise the floor by hand as they grow.'],
  'named-speeds': [
    'Not every named speed has a place.',
    'What is asked by that name runs by the ratio of the other fan, not as it was trimmed.',
  ],
  'step-ups': ['It knows no speeds more.', 'While the door is open it runs what it ran before.'],
  'cut-out': [
    'No low-speed cut-out.',
    'It runs on down to its floor: see that bearings and motor bear that, or raise the floor.',
  ],
  'start-trim': ['No start trim.', 'The lowest part of its range may not turn the fan.'],
  'power-return': ['It does not wait when power returns.', 'All fans of one supply start together.'],
  'night-limits': ['No limits of the night.', 'By night it runs between the same lowest and highest speed as by day.'],
  'output-time': ['That output is not held on.', 'It goes off as soon as no reason stands.'],
  'stops-fans': ['That output does not stop the fans.', 'They run on; the stop needs a contact in their supply.'],
  'contact-sense': ['It takes normally open contacts only.', 'Use the other contact of that switch, or a relay.'],
  'live-zero': ['It cannot tell a lost signal from none.', 'A cut lead reads as the lowest signal.'],
  'percent-of': [
    'Its percent are of something else.',
    'A demand moves another share of the air than you asked: look at the ladder.',
  ],
  'stages-by-reading': ['Its fans join by the demand, not by a reading.', 'They join in equal parts of the demand.'],
  inlets: ['It moves no inlets.', 'Set the inlets by hand for the fans that run.'],
  'power-memory': ['It forgets more without power.', 'After an outage it begins anew where you asked it to go on.'],
}

type Text = { readonly title: string; readonly detail: string }

/** How a loss speaks of the response that was asked. */
type Say = {
  readonly preference: UnitPreference
  readonly rule: (id: string) => string
  readonly input: (id: string) => string
  readonly inputWith: (id: string) => Input | undefined
  readonly inputOfRule: (id: string) => Input | undefined
  readonly season: (id: string) => string
}

const TEXTS: { readonly [K in Loss['kind']]: (loss: Extract<Loss, { kind: K }>, say: Say) => Text } = {
  rounded: (loss, say) => ({
    title: `${loss.setting.name}: ${settingValueText(loss.setting, loss.given, say.preference)}, you asked ${settingValueText(loss.setting, loss.asked, say.preference)}.`,
    detail: `${loss.setting.choices ? 'It has only its choices' : `It moves in steps of ${settingStepText(loss.setting, say.preference)}`}. Taken to this side because ${loss.because}.`,
  }),
  'beyond-range': (loss, say) => ({
    title: `${loss.setting.name} cannot be ${settingValueText(loss.setting, loss.asked, say.preference)}.`,
    detail: `It goes from ${settingValueText(loss.setting, loss.setting.min, say.preference)} to ${settingValueText(loss.setting, loss.setting.max, say.preference)}; it gets ${settingValueText(loss.setting, loss.given, say.preference)}.`,
  }),
  'season-by-hand': (loss, say) => ({
    title: `It knows no date: it stands in the ${say.season(loss.season)} until someone changes over.`,
    detail: 'Say which season it is put to, and have it changed over on the first day of the next.',
  }),
  'cut-out-built-in': ({ offBelowPct, backAtPct }, say) => ({
    title: `Below ${formatPct(offBelowPct, say.preference)} % it stands, until ${formatPct(backAtPct, say.preference)} % is asked.`,
    detail: 'Its low-speed cut-out is built in. It is no floor: what is asked below it gives no air at all.',
  }),
  'rows-left-out': (loss) => ({
    title: `Its table of ages has ${loss.kept} rows, you asked ${loss.asked}.`,
    detail: 'The last days are not there: it stays at its last row.',
  }),
  'rule-left-out': (loss, say) => ({
    title: `No place for the ${say.rule(loss.rule)}.`,
    detail: 'This controller has no such rule left; it will not do it.',
  }),
  'rule-replaced': (loss, say) => ({
    title: `The ${say.rule(loss.rule)} becomes ${withArticle(ruleKind({ kind: loss.given }).title)}.`,
    detail: 'It has no such rule; this is the nearest it can do.',
  }),
  'fixed-law'(loss, say) {
    const input = say.inputOfRule(loss.rule)
    const point = (x: number) => formatQuantity(x, inputQuantity(input), say.preference)
    const isWarm = input?.kind === 'temperature'
    const width = (x: number) =>
      formatQuantity(x, isWarm ? 'temperatureDifference' : inputQuantity(input), say.preference)
    const apart = (given: number, asked: number): string =>
      Math.abs(given - asked) < 1e-6
        ? 'as asked'
        : `${width(Math.abs(given - asked))} ${given < asked ? 'lower' : 'higher'}`
    return {
      title: `The ${say.rule(loss.rule)} is built in: from ${point(loss.startAt)} to ${point(loss.fullAt)}.`,
      detail: `You asked ${point(loss.askedStartAt)} to ${point(loss.askedFullAt)}: it starts ${apart(loss.startAt, loss.askedStartAt)} and is full ${apart(loss.fullAt, loss.askedFullAt)}. ${
        Math.abs(loss.fullAt - loss.startAt - (loss.askedFullAt - loss.askedStartAt)) > 1e-6
          ? 'Its band cannot be set. '
          : ''
      }Only the spot where the probe sits moves it: a hotter spot runs the fan faster.`,
    }
  },
  'fixed-figure'(loss, say) {
    const figure = (x: number) =>
      loss.quantity === 'time' ? formatTime(x, say.preference) : formatQuantity(x, loss.quantity, say.preference)
    return {
      title: `The ${loss.what} of the ${say.rule(loss.rule)} is always ${figure(loss.given)}.`,
      detail: `You asked ${figure(loss.asked)}; it cannot be set.`,
    }
  },
  'part-left-out'(loss, say) {
    const [title, detail] = PART_WORDS[loss.part]
    return { title, detail: loss.name ? `${capital(say.rule(loss.name))}: ${detail}` : detail }
  },
  'output-left-out': (loss) => ({
    title: `No output for the ${loss.name}.`,
    detail: 'It needs a device of its own.',
  }),
  'lost-sensor': (loss, say) => ({
    title: `With ${say.input(loss.input)} lost ${loss.givenPct === null ? 'its rules simply stop asking' : `it runs at ${formatPct(loss.givenPct, say.preference)} %`}.`,
    detail: `You asked ${formatPct(loss.askedPct, say.preference)} %.`,
  }),
  wins: (loss) => ({
    title: loss.asked === 'first' ? 'The highest ask counts here.' : 'The first rule that asks counts here.',
    detail:
      loss.asked === 'first'
        ? 'You asked that the first rule have the word.'
        : 'A later rule cannot ask for more while an earlier one asks.',
  }),
  'periods-left-out': (loss, say) => ({
    title: `Only ${loss.kept} of ${loss.asked} periods have a place.`,
    detail: `The calendar holds too few periods a day for the ${say.rule(loss.rule)}; the last ones are left out.`,
  }),
  'period-moved': (loss, say) => ({
    title: `The calendar moves in steps of ${loss.stepMin} min.`,
    detail: `Periods of the ${say.rule(loss.rule)} begin a little earlier and end a little later.`,
  }),
  'set-points-moved': (loss, say) => ({
    title: `The calendar moves ${loss.moved === 1 ? 'a set point' : `${loss.moved} set points`}.`,
    detail: `By at most ${formatDifference(loss.farthest, say.inputOfRule(loss.rule)?.kind, say.preference)}, to what it can be told, on the safe side.`,
  }),
  'offset-in-points': (loss, say) => ({
    title: `No offset for ${say.input(loss.input)}.`,
    detail: `The points are moved by ${formatDifference(-loss.offset, say.inputWith(loss.input)?.kind, say.preference)} instead, which comes to the same; its display will read off by as much.`,
  }),
  unasked: (loss) => ({
    title: `It answers to ${loss.input} although you did not ask.`,
    detail: `Its ${ruleKind({ kind: loss.rule }).title} cannot be switched off: leave that probe unplugged, or set it where it never acts.`,
  }),
  'off-skip-band': (loss, say) => ({
    title: `${capital(loss.what === 'floor' || loss.what === 'ceiling' ? `the ${loss.what}` : `the ${say.rule(loss.what)}`)} moves from ${formatPct(loss.askedPct, say.preference)} to ${formatPct(loss.givenPct, say.preference)} %.`,
    detail: `It cannot skip the skip band from ${formatPct(loss.band.fromPct, say.preference)} to ${formatPct(loss.band.toPct, say.preference)} %, so nothing is set inside it.`,
  }),
  'crosses-skip-band': (loss, say) => ({
    title: `The ${say.rule(loss.rule)} runs through ${formatPct(loss.band.fromPct, say.preference)} to ${formatPct(loss.band.toPct, say.preference)} %.`,
    detail: 'It cannot skip a skip band, and the ramp has to cross it: it may stay in the resonance.',
  }),
  'below-stops': (loss, say) => ({
    title: `Before its start the ${say.rule(loss.rule)} asks for nothing.`,
    detail: 'You asked that it hold its first speed there.',
  }),
  'overrun-replaced': (loss, say) => ({
    title: `No overrun that is ${OVERRUN_WORDS[loss.asked]}.`,
    detail:
      loss.given === 'fixed'
        ? `The ${say.rule(loss.rule)} gets ${formatTime(loss.holdS, say.preference)} each time instead.`
        : `The ${say.rule(loss.rule)} stops at once.`,
  }),
  'end-follows': (loss, say) => ({
    title: `The ${say.rule(loss.rule)} ${loss.end === 'from' ? 'starts' : 'ends'} at ${loss.takes}.`,
    detail: `You asked ${formatPct(loss.askedPct, say.preference)} %; here it is ${formatPct(loss.givenPct, say.preference)} %.`,
  }),
  'speed-follows': (loss, say) => ({
    title: `The ${say.rule(loss.rule)} runs at ${loss.takes}.`,
    detail: `You asked ${formatPct(loss.askedPct, say.preference)} %; here it is ${formatPct(loss.givenPct, say.preference)} %.`,
  }),
  'follower-left-out': (loss) => ({
    title: `No output follows the lead.`,
    detail: `“${loss.fan}” will not be driven by this controller.`,
  }),
  'follower-at-floor': (loss) => ({
    title: `At the lead’s floor “${loss.fan}” ${AT_FLOOR_WORDS[loss.given]}.`,
    detail: `You asked that it ${AT_FLOOR_WORDS[loss.asked]}.`,
  }),
  'no-kick': () => ({
    title: 'No start kick.',
    detail: 'The floor alone must start the fan: it should not lie below what restarts by itself.',
  }),
  'no-on-delay': (loss, say) => ({
    title: `No delay before the ${say.rule(loss.rule)}.`,
    detail: `You asked ${formatTime(loss.delayS, say.preference)}; it answers at once.`,
  }),
  'below-holds': (loss, say) => ({
    title: `Before its start the ${say.rule(loss.rule)} still asks.`,
    detail: 'It holds its first speed there; you asked for nothing.',
  }),
  'bound-moved': (loss, say) => ({
    title: `It runs at ${formatPct(loss.givenPct, say.preference)} %, outside its ${loss.bound}.`,
    detail: `Its steps leave nothing at or ${loss.bound === 'ceiling' ? 'under' : 'over'} ${formatPct(loss.askedPct, say.preference)} % that it could run at.`,
  }),
  steps(loss, say) {
    const input = say.inputWith(loss.curve.input)
    const at =
      input && input.kind !== 'switch' ? ` at ${formatQuantity(loss.curve.at, input.kind, say.preference)}` : ''
    return {
      title: `Up to ${formatPct(loss.curve.greatestPct, say.preference)} percentage points off${at}.`,
      detail: `Mean ${formatPct(loss.curve.meanPct, say.preference)} percentage points over the range${loss.stepPct > 0 ? `; it gives speed in steps of ${formatPct(loss.stepPct, say.preference)} %` : ''}.`,
    }
  },
}

/** A loss as a headline and the sentence behind it. */
export function lossText(loss: Loss, response: Response, preference: UnitPreference = METRIC): Text {
  const ruleWith = (id: string) => response.rules.find((rule) => rule.id === id)
  const inputWith = (id: string) => response.inputs.find((input) => input.id === id)
  const say: Say = {
    preference,
    inputWith,
    inputOfRule(id) {
      const rule = ruleWith(id)
      return rule && inputWith(ruleInputId(rule) ?? '')
    },
    rule(id) {
      const rule = ruleWith(id)
      return rule ? ruleName(response, rule) : id
    },
    input: (id) => inputWith(id)?.name ?? id,
    season: (id) => response.seasons?.find((season) => season.id === id)?.name ?? id,
  }
  return (TEXTS[loss.kind] as (loss: Loss, say: Say) => Text)(loss, say)
}
