import { assertNever } from '@/core/assertNever'
import type { Loss } from '@/core/controller/fit'
import type { Setting } from '@/core/controller/schema'
import { formatPct, formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { ruleName } from '@/core/response/words'

/** A value of a setting with its unit, as the panel would show it. */
export const settingValueText = ({ quantity }: Setting, value: number, preference: UnitPreference = METRIC): string =>
  quantity === 'time'
    ? formatTime(value)
    : quantity === 'speed' || quantity === 'ratio'
      ? `${formatPct(value)} %`
      : formatQuantity(value, quantity, preference)

const OVERRUN_WORDS = { none: 'stops at once', fixed: 'a set time', matched: 'as long as it was on' }
const AT_FLOOR_WORDS = { follow: 'follows on', floor: 'goes to its own floor', off: 'stops' }

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
  switch (loss.kind) {
    case 'rounded':
      return {
        title: `${loss.setting.name}: ${settingValueText(loss.setting, loss.given, preference)}, you asked ${settingValueText(loss.setting, loss.asked, preference)}.`,
        detail: `It moves in steps of ${settingStepText(loss.setting, preference)}. Taken to this side because ${loss.because}.`,
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
        title: `The ${nameOf(loss.rule)} runs at the ceiling.`,
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

/** One step of a setting: a difference where the setting is a temperature. */
export const settingStepText = (setting: Setting, preference: UnitPreference = METRIC): string =>
  setting.quantity === 'temperature'
    ? formatQuantity(setting.step, 'temperatureDifference', preference)
    : settingValueText(setting, setting.step, preference)
