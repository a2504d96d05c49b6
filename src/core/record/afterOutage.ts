import type { Duty } from '@/core/brief/duty'
import { actionText, dialIn, setActionId } from '@/core/controller/dialIn'
import type { Setting } from '@/core/controller/schema'
import { settingValueText } from '@/core/controller/settingText'
import type { Derived } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { settingsList } from '@/core/installation/settingsList'
import { quietInputs } from '@/core/machine/quietInputs'
import { formatPct, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { goesByDate } from '@/core/response/dates'
import { weekSpans } from '@/core/response/weekSpans'
import { MEMORIES, type Memory } from '@/core/rules/memory'
import { ruleKind } from '@/core/rules/table'
import { uncapital } from '@/core/sentences/words'

const GONE: Record<Memory, string> = {
  timers: 'An overrun or run-on that was under way is over.',
  cycle: 'The cycle begins anew.',
  mode: 'It is day until light or clock say otherwise.',
  latches: 'What was on between its two points is off until the first is reached again.',
}
const STAYS: Record<Memory, string> = {
  timers: 'An overrun or run-on goes on with the time that was left.',
  cycle: 'The cycle goes on where it was.',
  mode: 'Day or night is as it was.',
  latches: 'What was on between its two points is on again.',
}

/** Which of its memories a response uses. */
function used({ rules, finalRunOn, stages, overrides, light, otherOutputs = [] }: Response): Record<Memory, boolean> {
  const has = (memory: Memory) => rules.some((rule) => !rule.off && ruleKind(rule).memories(rule).includes(memory))
  return {
    timers: finalRunOn !== undefined || has('timers'),
    cycle: has('cycle'),
    mode: light !== undefined,
    latches: has('latches') || stages !== undefined || overrides?.overheat !== undefined || otherOutputs.length > 0,
  }
}

/** A line of the sheet. `know` asks for nothing; `look` and `enter` are ticked when they are done. */
export type OutageItem = {
  readonly id: string
  readonly kind: 'know' | 'look' | 'enter'
  readonly text: string
}

const know = (id: string, text: string): OutageItem => ({ id, kind: 'know', text })
const look = (id: string, text: string): OutageItem => ({ id, kind: 'look', text })

/** What is done about the clock: the week goes by it, and nobody can read it off a list. */
function clockItems(settings: readonly Setting[], goesByClock: boolean): OutageItem[] {
  if (!goesByClock) return []
  const isLost = settings.some(
    ({ power, means, quantity }) => power === 'lost' && means === 'nothing' && quantity === 'time',
  )
  return [
    look(
      'clock',
      isLost
        ? 'Put its clock to the time of your watch: it is lost, and the week acts by it.'
        : 'Compare its clock with yours: the week acts by it.',
    ),
  ]
}

/** What each setting asks for: those that are lost with presses, those that may be with what they should show, the others by name. */
function settingItems({ kit, dial }: Installation, { fit }: Derived, preference: UnitPreference): OutageItem[] {
  const { controller } = kit
  if (!controller || !fit)
    return [know('no-controller', 'No controller is chosen: what it keeps without power is not known.')]
  const lines = settingsList(controller, fit, dial).filter(({ setting }) => setting.who !== 'maker')
  const actions = dialIn(controller, fit, { ...dial, present: 'reset' }, preference)
  const kept = lines.filter(({ setting, wanted }) => setting.power === 'kept' && wanted !== null)
  return [
    ...lines.flatMap(({ setting, wanted }): OutageItem[] => {
      const action = actions.find(({ id }) => id === setActionId(setting.id))
      if (wanted === null || setting.power === 'kept') return []
      const value = settingValueText(setting, wanted, preference)
      return setting.power === 'lost'
        ? [
            {
              id: `enter-${setting.id}`,
              kind: 'enter',
              text: `Enter again, it is lost: ${setting.name}, ${value}. ${action ? actionText(action.how) : ''}`.trim(),
            },
          ]
        : [
            look(
              `read-${setting.id}`,
              `Read back, it may be lost: ${setting.name} should show ${value}${setting.powerNote ? ` (kept ${setting.powerNote})` : ''}.`,
            ),
          ]
    }),
    ...(kept.length > 0 ? [know('kept', `Surely kept: ${kept.map(({ setting }) => setting.name).join(', ')}.`)] : []),
    ...(controller.signals ?? [])
      .filter(({ urgent }) => urgent)
      .map(({ shows, means, next }, index) =>
        look(`signal-${index}`, `Look out for this: ${shows}. That means: ${uncapital(means)} ${next}`),
      ),
  ]
}

/** What to look at when the power has been away: what starts by itself, what is gone, what to enter again, in the order in which it is done. */
export function outageItems(
  installation: Installation,
  derived: Derived,
  preference: UnitPreference = METRIC,
): OutageItem[] {
  const { response, machine } = derived.given
  const uses = used(response)
  const restPct = machine ? machine.settledState(machine.inputsFrom(quietInputs(response))).fansPct[0] : undefined
  const settings = installation.kit.controller?.settings ?? []
  return [
    know(
      'clear',
      `Stand clear: it starts again by itself${restPct === undefined || restPct <= 0 ? ' when something asks' : `; with nothing asking it settles at ${formatPct(restPct, preference)} %`}.`,
    ),
    ...(response.powerReturn
      ? [
          know(
            'wait',
            `It stands for ${formatTime(response.powerReturn.waitS, preference)} first, so that fans start one after the other.`,
          ),
        ]
      : []),
    look('turns', 'See every fan turn, then read one speed that is known.'),
    ...MEMORIES.flatMap((memory) =>
      uses[memory] ? [know(memory, ((response.keeps ?? []).includes(memory) ? STAYS : GONE)[memory])] : [],
    ),
    ...clockItems(settings, weekSpans(response).length > 0 || goesByDate(response)),
    ...settingItems(installation, derived, preference),
  ]
}

/** The same as sentences. */
export const afterOutage = (
  installation: Installation,
  derived: Derived,
  preference: UnitPreference = METRIC,
): string[] => outageItems(installation, derived, preference).map(({ text }) => text)

/** Where standing still does most harm in the shortest time comes first: animals have hours without air, a condenser trips, a fire goes on
 *  burning. Common practice, no source. */
const GRAVEST_FIRST: readonly Duty[] = [
  'livestock',
  'head-pressure',
  'stove-flue',
  'electronics',
  'door-curtain',
  'exhaust',
  'grow-room',
  'balanced',
  'extract',
]

/** Whether one duty is looked at before another after an outage: negative where it is. */
export const byDanger = (a: Duty, b: Duty): number => GRAVEST_FIRST.indexOf(a) - GRAVEST_FIRST.indexOf(b)
