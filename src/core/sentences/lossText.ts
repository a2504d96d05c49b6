import type { Loss, PartKind } from '@/core/controller/loss'
import { settingStepText, settingValueText } from '@/core/controller/settingText'
import { assertNever } from '@/core/json/assertNever'
import { formatPct, formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { inputQuantity } from '@/core/rules/input'
import { ruleKind } from '@/core/rules/table'
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
  'power-memory': ['It forgets more without power.', 'After an outage it begins anew where you asked it to go on.'],
}

/** A loss as a headline and the sentence behind it. */
export function lossText(
  loss: Loss,
  response: Response,
  preference: UnitPreference = METRIC,
): { readonly title: string; readonly detail: string } {
  const nameOf = (id: string) => {
    const rule = response.rules.find((candidate) => candidate.id === id)
    return rule ? ruleName(response, rule) : id
  }
  const inputOf = (id: string) =>
    response.inputs.find((input) => {
      const rule = response.rules.find((candidate) => candidate.id === id)
      return rule && 'input' in rule && rule.input === input.id
    })
  const inputName = (id: string) => response.inputs.find((input) => input.id === id)?.name ?? id
  switch (loss.kind) {
    case 'rounded':
      return {
        title: `${loss.setting.name}: ${settingValueText(loss.setting, loss.given, preference)}, you asked ${settingValueText(loss.setting, loss.asked, preference)}.`,
        detail: `${loss.setting.choices ? 'It has only its choices' : `It moves in steps of ${settingStepText(loss.setting, preference)}`}. Taken to this side because ${loss.because}.`,
      }
    case 'beyond-range':
      return {
        title: `${loss.setting.name} cannot be ${settingValueText(loss.setting, loss.asked, preference)}.`,
        detail: `It goes from ${settingValueText(loss.setting, loss.setting.min, preference)} to ${settingValueText(loss.setting, loss.setting.max, preference)}; it gets ${settingValueText(loss.setting, loss.given, preference)}.`,
      }
    case 'rule-left-out':
      return {
        title: `No place for the ${nameOf(loss.rule)}.`,
        detail: 'This controller has no such rule left; it will not do it.',
      }
    case 'rule-replaced':
      return {
        title: `The ${nameOf(loss.rule)} becomes ${withArticle(ruleKind({ kind: loss.given }).title)}.`,
        detail: 'It has no such rule; this is the nearest it can do.',
      }
    case 'fixed-law': {
      const input = inputOf(loss.rule)
      const point = (x: number) => formatQuantity(x, inputQuantity(input), preference)
      const isWarm = input?.kind === 'temperature'
      const width = (x: number) =>
        formatQuantity(x, isWarm ? 'temperatureDifference' : inputQuantity(input), preference)
      const apart = (given: number, asked: number): string =>
        Math.abs(given - asked) < 1e-6
          ? 'as asked'
          : `${width(Math.abs(given - asked))} ${given < asked ? 'lower' : 'higher'}`
      return {
        title: `The ${nameOf(loss.rule)} is built in: from ${point(loss.startAt)} to ${point(loss.fullAt)}.`,
        detail: `You asked ${point(loss.askedStartAt)} to ${point(loss.askedFullAt)}: it starts ${apart(loss.startAt, loss.askedStartAt)} and is full ${apart(loss.fullAt, loss.askedFullAt)}. ${
          Math.abs(loss.fullAt - loss.startAt - (loss.askedFullAt - loss.askedStartAt)) > 1e-6
            ? 'Its band cannot be set. '
            : ''
        }Only the spot where the probe sits moves it: a hotter spot runs the fan faster.`,
      }
    }
    case 'fixed-figure': {
      const figure = (x: number) =>
        loss.quantity === 'time' ? formatTime(x) : formatQuantity(x, loss.quantity, preference)
      return {
        title: `The ${loss.what} of the ${nameOf(loss.rule)} is always ${figure(loss.given)}.`,
        detail: `You asked ${figure(loss.asked)}; it cannot be set.`,
      }
    }
    case 'part-left-out': {
      const [title, detail] = PART_WORDS[loss.part]
      return { title, detail: loss.name ? `${capital(nameOf(loss.name))}: ${detail}` : detail }
    }
    case 'output-left-out':
      return { title: `No output for the ${loss.name}.`, detail: 'It needs a device of its own.' }
    case 'lost-sensor':
      return {
        title: `With ${inputName(loss.input)} lost ${loss.givenPct === null ? 'its rules simply stop asking' : `it runs at ${formatPct(loss.givenPct)} %`}.`,
        detail: `You asked ${formatPct(loss.askedPct)} %.`,
      }
    case 'wins':
      return {
        title: loss.asked === 'first' ? 'The highest ask counts here.' : 'The first rule that asks counts here.',
        detail:
          loss.asked === 'first'
            ? 'You asked that the first rule have the word.'
            : 'A later rule cannot ask for more while an earlier one asks.',
      }
    case 'periods-left-out':
      return {
        title: `Only ${loss.kept} of ${loss.asked} periods have a place.`,
        detail: `The calendar holds too few periods a day for the ${nameOf(loss.rule)}; the last ones are left out.`,
      }
    case 'period-moved':
      return {
        title: `The calendar moves in steps of ${loss.stepMin} min.`,
        detail: `Periods of the ${nameOf(loss.rule)} begin a little earlier and end a little later.`,
      }
    case 'offset-in-points':
      return {
        title: `No offset for ${inputName(loss.input)}.`,
        detail: `The points are moved by ${formatDifference(-loss.offset, response.inputs.find(({ id }) => id === loss.input)?.kind, preference)} instead, which comes to the same; its display will read off by as much.`,
      }
    case 'unasked':
      return {
        title: `It answers to ${loss.input} although you did not ask.`,
        detail: `Its ${ruleKind({ kind: loss.rule }).title} cannot be switched off: leave that probe unplugged, or set it where it never acts.`,
      }
    case 'off-skip-band':
      return {
        title: `${capital(loss.what === 'floor' || loss.what === 'ceiling' ? `the ${loss.what}` : `the ${nameOf(loss.what)}`)} moves from ${formatPct(loss.askedPct)} to ${formatPct(loss.givenPct)} %.`,
        detail: `It cannot skip the skip band from ${formatPct(loss.band.fromPct)} to ${formatPct(loss.band.toPct)} %, so nothing is set inside it.`,
      }
    case 'crosses-skip-band':
      return {
        title: `The ${nameOf(loss.rule)} runs through ${formatPct(loss.band.fromPct)} to ${formatPct(loss.band.toPct)} %.`,
        detail: 'It cannot skip a skip band, and the ramp has to cross it: it may stay in the resonance.',
      }
    case 'below-stops':
      return {
        title: `Before its start the ${nameOf(loss.rule)} asks for nothing.`,
        detail: 'You asked that it hold its first speed there.',
      }
    case 'overrun-replaced':
      return {
        title: `No overrun that is ${OVERRUN_WORDS[loss.asked]}.`,
        detail:
          loss.given === 'fixed'
            ? `The ${nameOf(loss.rule)} gets ${formatTime(loss.holdS)} each time instead.`
            : `The ${nameOf(loss.rule)} stops at once.`,
      }
    case 'end-follows':
      return {
        title: `The ${nameOf(loss.rule)} ${loss.end === 'from' ? 'starts' : 'ends'} at ${loss.takes}.`,
        detail: `You asked ${formatPct(loss.askedPct)} %; here it is ${formatPct(loss.givenPct)} %.`,
      }
    case 'speed-follows':
      return {
        title: `The ${nameOf(loss.rule)} runs at ${loss.takes}.`,
        detail: `You asked ${formatPct(loss.askedPct)} %; here it is ${formatPct(loss.givenPct)} %.`,
      }
    case 'follower-left-out':
      return { title: `No output follows the lead.`, detail: `“${loss.fan}” will not be driven by this controller.` }
    case 'follower-at-floor':
      return {
        title: `At the lead’s floor “${loss.fan}” ${AT_FLOOR_WORDS[loss.given]}.`,
        detail: `You asked that it ${AT_FLOOR_WORDS[loss.asked]}.`,
      }
    case 'no-kick':
      return {
        title: 'No start kick.',
        detail: 'The floor alone must start the fan: it should not lie below what restarts by itself.',
      }
    case 'no-on-delay':
      return {
        title: `No delay before the ${nameOf(loss.rule)}.`,
        detail: `You asked ${formatTime(loss.delayS)}; it answers at once.`,
      }
    case 'below-holds':
      return {
        title: `Before its start the ${nameOf(loss.rule)} still asks.`,
        detail: 'It holds its first speed there; you asked for nothing.',
      }
    case 'bound-moved':
      return {
        title: `It runs at ${formatPct(loss.givenPct)} %, outside its ${loss.bound}.`,
        detail: `Its steps leave nothing at or ${loss.bound === 'ceiling' ? 'under' : 'over'} ${formatPct(loss.askedPct)} % that it could run at.`,
      }
    case 'steps': {
      const input = response.inputs.find(({ id }) => id === loss.curve.input)
      const at = input && input.kind !== 'switch' ? ` at ${formatQuantity(loss.curve.at, input.kind, preference)}` : ''
      return {
        title: `Up to ${formatPct(loss.curve.greatestPct)} points off${at}.`,
        detail: `Mean ${formatPct(loss.curve.meanPct)} points over the range${loss.stepPct > 0 ? `; it gives speed in steps of ${formatPct(loss.stepPct)} %` : ''}.`,
      }
    }
    default:
      return assertNever(loss)
  }
}
