import type { ControllerModel } from '@/core/controller/schema'

type Abilities = NonNullable<ControllerModel['abilities']>

/** Keys of abilities that are yes or no, and of those that are counted. */
type YesKey = { [K in keyof Abilities]-?: NonNullable<Abilities[K]> extends boolean ? K : never }[keyof Abilities]
type CountKey = { [K in keyof Abilities]-?: NonNullable<Abilities[K]> extends number ? K : never }[keyof Abilities]

/** What is asked of a controller that somebody describes: by its leaflet or its panel, with an example of where it is seen. */
export type AbilityQuestion = { readonly ask: string; readonly example: string } & (
  | { readonly kind: 'yes'; readonly key: YesKey }
  | { readonly kind: 'count'; readonly key: CountKey; readonly most: number }
)

const yes = (key: YesKey, ask: string, example: string): AbilityQuestion => ({ kind: 'yes', key, ask, example })
const count = (key: CountKey, most: number, ask: string, example: string): AbilityQuestion => ({
  kind: 'count',
  key,
  most,
  ask,
  example,
})

export const ABILITY_QUESTIONS: readonly AbilityQuestion[] = [
  yes('offAllowed', 'Can the fan stand still while nothing asks?', 'The leaflet shows a curve that begins at 0.'),
  yes('finalRunOn', 'Does it run on when everything stops asking?', 'A line “run-on” that is not beside a contact.'),
  yes('heaterPurge', 'Does it give a heater air after it went off?', 'A line “cool-down” with a speed and a time.'),
  yes('nightLimits', 'Has it a lowest or highest speed of the night?', 'A second pair of limits with a moon.'),
  yes('dates', 'Does it go by the date itself?', 'Its clock has a day and a month, and it changes over by itself.'),
  yes('startTrim', 'Can the output at which the fan just turns be set?', 'A trimmer for the lowest output.'),
  yes('rate', 'Can the speed of change be set?', 'A line in percent a second, or a time from standing to full.'),
  yes('offsets', 'Can a reading be corrected?', 'A line “correction” or “offset” beside a probe.'),
  yes('contactSense', 'Do its inputs take contacts of either sense?', 'A link or a line for “opens” and “closes”.'),
  yes('liveZero', 'Does it tell a cut lead from a low signal?', 'A code that comes when the lead is off.'),
  yes('outputTimes', 'Can another output stay on for a time?', 'A lamp that goes dark minutes after.'),
  yes('stopsFans', 'Can an output stop the fans?', 'They stand so many days after the filter alarm.'),
  count('conditions', 6, 'On how many conditions may a rule hang?', '“Only while it is cooler outside” is one.'),
  count('reductions', 8, 'How many reductions has it?', 'Less air below −10 °C outside is one.'),
  count('skipBands', 6, 'How many bands of speed can it pass over?', 'Two lines, from and to, are one band.'),
  count('targets', 8, 'How many targets has it to which points are tied?', 'A bypass that opens “3 over”: one.'),
  count('speeds', 9, 'How many named speeds or gears has it?', 'Low, medium and high: three.'),
  count('stepUps', 4, 'How many reasons does it know to run gears more?', 'The open door of a curtain: one.'),
  count('byAge', 24, 'How many rows has its table of ages?', 'A curve of seven points: seven.'),
]
