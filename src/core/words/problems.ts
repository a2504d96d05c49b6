import type { Problem } from '@/core/json/problem'
import { clockText } from '@/core/quantity/clock'
import {
  formatNumber,
  formatPct,
  formatQuantity,
  METRIC,
  preferredUnit,
  type UnitPreference,
} from '@/core/quantity/format'
import { fromBase, quantityOf } from '@/core/quantity/units'

type Code = Problem['code']
/** The members of a union that may carry a code, alone or among others. */
type With<P, C> = P extends { readonly code: infer Codes } ? (C extends Codes ? P : never) : never
type Of<C extends Code> = With<Problem, C>

/** How a reader has what the core counts in `symbol`: figures as exact as they were, alone or with their unit. */
function sayIn(symbol: string, reader: UnitPreference) {
  const quantity = quantityOf(symbol)
  const unit = quantity && preferredUnit(quantity, reader)
  const bare = (x: number): string => {
    const figure = Number((unit ? fromBase(unit, x) : x).toPrecision(6))
    return formatNumber(figure, String(figure).split('.')[1]?.length ?? 0, reader)
  }
  return { bare, whole: (x: number) => `${bare(x)} ${unit?.symbol ?? symbol}`.trimEnd() }
}

const measured = (x: number, symbol: string, reader: UnitPreference): string => sayIn(symbol, reader).whole(x)

function orderText({ low, lowValue, high, highValue, unit }: Of<'order'>, reader: UnitPreference): string {
  const figure = (x: number) => measured(x, unit, reader)
  return `${low} (${figure(lowValue)}) is ${lowValue === highValue ? 'not below' : 'above'} ${high} (${figure(highValue)}).`
}

function noSpeedLeft(problem: Of<'no_speed_left'>, reader: UnitPreference): string {
  const { lowPct, highPct, stepPct, levelsPct, bands } = problem
  const pct = (x: number) => formatPct(x, reader)
  const taken = [
    ...(levelsPct.length > 0
      ? [`levels of ${levelsPct.map(pct).join(', ')} %`]
      : stepPct > 0
        ? [`steps of ${pct(stepPct)} %`]
        : []),
    ...bands.map(({ fromPct, toPct }) => `a skip band from ${pct(fromPct)} to ${pct(toPct)} %`),
  ]
  return `Between the floor of ${pct(lowPct)} % and the top of ${pct(highPct)} % no speed is left to run at, with ${taken.join(' and ')}: move the floor or the ceiling, or make a band narrower.`
}

const hour = (atS: number, reader: UnitPreference): string => measured(Math.round(atS / 360) / 10, '', reader)

/** What is said of each problem, complete by type: a second language is a second table. What a panel or a file has written stays as it is there. */
const TEXTS: { readonly [C in Code]: (problem: Of<C>, reader: UnitPreference) => string } = {
  not_a_number: ({ got, hint }) => `“${got}” is not a number; write for example ${hint}.`,
  unknown_unit: ({ got, what, known }) => `“${got}” is not a unit of ${what}; use ${known}.`,
  ambiguous_comma: ({ got }) =>
    `“${got}” can be read in two ways: write its decimals as you chose under Your account, and nothing between thousands.`,
  implausible: ({ what, got, min, max, meant }) =>
    `${got} is outside what a ${what} can be here (${min} to ${max}).${meant ? ` Did you mean ${meant}?` : ''}`,
  out_of_range({ what, got, min, max, unit }, reader) {
    const { bare, whole } = sayIn(unit, reader)
    return `${what} is ${whole(got)}; it must lie between ${bare(min)} and ${whole(max)}.`
  },
  empty_band: ({ what, at }) =>
    `${what} starts and is full at the same point (${at}); give it a span, or use an on/off rule.`,
  unknown_id: ({ what, got, known }) =>
    `There is no ${what} “${got}”${known.length ? `; known: ${known.join(', ')}` : ''}.`,
  duplicate_id: ({ what, got }) => `Two ${what} are called “${got}”; give one another id.`,
  missing: ({ what }) => `${what} is missing.`,
  unknown_schema: ({ got, known }) => `This says it is “${got}”, which this program does not know; it reads ${known}.`,
  newer_schema: ({ got, known }) =>
    `This is “${got}”, newer than this program, which reads up to ${known}. Update Soft Gale, or ask for an older export.`,
  not_json: ({ detail }) => `This is not readable JSON: ${detail}.`,
  unknown_key: ({ key }) => `“${key}” is not known here; remove it or check its spelling.`,
  not_one_of: ({ got, known }) => `${got} does not fit${known.length ? `; use one of: ${known.join(', ')}` : ''}.`,
  other_value: ({ got, wanted }) => `this must be ${wanted}, not ${got}.`,
  other_type: ({ got, wanted }) =>
    `this must be ${wanted === 'integer' ? 'a whole number' : `a ${wanted}`}, not ${got}.`,
  out_of_bound: ({ got, bound }) => `${got} must be ${bound}.`,
  blank: () => 'this must not be empty.',
  no_short_name: ({ got }) => `${got} must be a short name of letters, digits and hyphens.`,
  length: ({ got, of, isMost, limit }) => `${got} must not have ${isMost ? 'more' : 'fewer'} than ${limit} ${of}.`,
  does_not_fit: ({ got, rule }) => `${got} does not fit (${rule}).`,
  wrong_kind: ({ what, got, needs }) => `${what} is a ${got}; this needs a ${needs}.`,
  leakless: ({ outLs, inLs }, reader) =>
    `The fans move ${formatQuantity(outLs, 'flow', reader)} out and ${formatQuantity(inLs, 'flow', reader)} in, and nothing leaks: the difference has no way. Give the space a leakage above 0.`,
  too_quick: ({ what, quickestS, leastS }, reader) =>
    `At full air this answers in ${measured(Number(quickestS.toPrecision(2)), 's', reader)}; steps of ten seconds follow nothing quicker than ${measured(leastS, 's', reader)}. Check ${what}.`,
  weather_gap: ({ what, fromS, toS }, reader) =>
    `There is no ${what} from hour ${hour(fromS, reader)} to hour ${hour(toS, reader)}: fill the gap, or take days without one.`,
  event_after_end: ({ atS, endS }, reader) =>
    `This begins at hour ${hour(atS, reader)}, after the end at hour ${hour(endS, reader)}: move it, or add days.`,
  nothing_to_move: () => 'Nothing may move: free at least one blank that this controller can set in more than one way.',
  no_aims: () => 'Nothing counts yet: say at least one thing that should be less or more.',
  aims_contradict: ({ what }) => `${what} is asked to be both: keep one of the two.`,
  not_epw: ({ detail }) => `This is no weather file in the EPW format: ${detail}.`,
  cannot_learn: ({ why }) => why,
  age_goes_back: ({ day, before }) => `Day ${day} comes after day ${before}: the days of the table must rise.`,
  no_placing: () =>
    'This goes by days of growth, and no day is given from which they are counted: say when the animals or plants came.',
  moved_twice: () => 'These points are moved by hours of the week and by a target: take one of the two away.',
  change_without_time: () =>
    'Nothing says when this value of the target counts: name day or night, a season, or hours.',
  no_night: () =>
    'There is a limit of the night, and nothing says when it is night: let it go by light or by the clock.',
  mixed_stages: () =>
    'Some fans of the ladder join by a reading and some by the demand: let all join by one of the two, their points rising.',
  no_speeds: () => 'There are no named speeds to step up by: name some first.',
  target_ring: ({ got }) => `“${got}” follows a target that follows it: end the ring somewhere.`,
  no_such_day: ({ got }) => `There is no day ${got} in any year.`,
  seasons_overlap: ({ one, other, from, to }) =>
    `${one} and ${other} both hold ${from === to ? from : `${from} to ${to}`}: let one end the day before the other begins.`,
  seasons_gap: ({ from, to }) =>
    `No season holds ${from === to ? from : `${from} to ${to}`}: together they must be the whole year.`,
  outside_signal: ({ name, got }, reader) =>
    `${name} is a signal of 0 to 10 V; ${measured(got, 'V', reader)} is outside it.`,
  cut_out_with_stages: () => 'A ladder of fans has no low-speed cut-out: its variable fan goes to its floor instead.',
  cut_out_never_off: () =>
    'The fan may never stand, and the low-speed cut-out has it stand: let it stand when nothing asks, or take the cut-out away.',
  stop_by_speed: () => 'An output that stops the fans cannot hang on their speed: it would let them go again at once.',
  inlet_count: ({ got, needs }) =>
    `There are ${got} openings of the inlets; with none of the fixed fans, with one and so on there must be ${needs}.`,
  no_refrigerant: ({ got, known }) => `“${got}” is no refrigerant of the table; known: ${known.join(', ')}.`,
  order: orderText,
  too_many_values: ({ most }) => `More than ${most} values; no document holds so many.`,
  too_deep: ({ most }) => `Nested more than ${most} deep; no document is.`,
  unstorable: ({ of }) =>
    of === 'text'
      ? 'This text holds a character that cannot be stored; type it again.'
      : 'A name here holds a character that cannot be stored.',
  empty_file: () => 'The file is empty.',
  flow_without_room: () => 'there is a flow but no room; name the room, or take the line out.',
  room_without_flow: ({ room }) => `${room} has no flow; write one in l/s, or take the line out.`,
  no_table_lines: () => 'There is no line with a room and its flow: “showers;15;room”.',
  no_flow: ({ got, room }) => `“${got}” is no flow for ${room}; write l/s above zero.`,
  unknown_per: ({ got }) => `“${got}” is not known; write room, person or m2.`,
  no_time_column: ({ headings }) =>
    `No column is headed “time”. The headings found: ${headings.join(', ')}. Name the time column “time” and import again.`,
  no_value_column: ({ known, headings }) =>
    `No column is headed “temperature”, or anything else that is known: ${known.join(', ')}. The headings found: ${headings.join(', ')}. Name it for example “temperature (°C)” and import again.`,
  not_a_time: ({ got }) => `“${got}” is not a time; write 2026-11-09 14:20:00.`,
  hour_not_there: ({ got, zone }) =>
    `“${got}” did not exist in ${zone}: the clocks went forward over it. Choose “as the logger wrote it” if its clock was never changed.`,
  empty_cell: ({ what }) => `${what} is empty.`,
  no_contact: ({ got, what }) => `“${got}” in ${what} is no state of a contact; write on or off, 1 or 0.`,
  cell_not_a_number: ({ got, what }) => `“${got}” in ${what} is not a number.`,
  other_decimal: ({ what, got, before }) =>
    `${what} has “${got}” where earlier lines have “${before}”; use one decimal mark throughout.`,
  impossible_reading: ({ what, got }) => `${what} is ${got}, which no such reading can be; check its unit.`,
  same_time: ({ line }) => `the time is the same as on line ${line}.`,
  time_goes_back: ({ line }) => `the time goes back, behind line ${line}.`,
  made_of_later: ({ got, name }) => `“${got}” must stand before “${name}”, which is made of it.`,
  two_day_clocks: () => 'Day and night come from the light or from the clock, not from both: leave one of the two out.',
  overheat_order: ({ onAt, offBelow }, reader) =>
    `The overheat hold must end at or below where it begins (begins at ${measured(onAt, '°C', reader)}, ends below ${measured(offBelow, '°C', reader)}).`,
  join_order: ({ fan, beforePct, gotPct }, reader) =>
    `“${fan}” must join above ${formatPct(beforePct, reader)} % and below 100 %, each later than the one before; got ${formatPct(gotPct, reader)}.`,
  no_overheat: () => 'Nothing here watches for overheating: add an overheat hold, or take this condition out.',
  no_speed_left: noSpeedLeft,
  follows_itself: ({ fan }) => `“${fan}” leads; a fan cannot follow itself.`,
  other_state: () => 'This state belongs to another response; begin without it, or use the response it was made with.',
  purge_same_input: () => 'A purge compares the air of the room with that outside; they need an input each.',
  no_length: ({ startMin, endMin }, { dates }) =>
    `A period from ${clockText(startMin, dates)} to ${clockText(endMin, dates)} has no length; for the whole day use ${clockText(0, dates)} to ${clockText(1440, dates)}.`,
  off_side: ({ action, name, onAt, offAt }) =>
    `${action === 'direct' ? 'A cooling' : 'A heating'} differential on ${name} must go off ${action === 'direct' ? 'below' : 'above'} where it comes on (on ${onAt}, off ${offAt}).`,
  no_result: ({ why }) => why,
  default_no_choice: ({ name, got, choices }) =>
    `The default of ${name} (${got}) is none of its choices: ${choices.join(', ')}.`,
  default_off_step: ({ name, got, from, step }) =>
    `The default of ${name} (${got}) is not on a step: from ${from} by ${step}.`,
  off_not_had: ({ name, got }) => `The value at which ${name} does nothing (${got}) is not one it can have.`,
  choices_fall: ({ name, got, before }) => `The choices of ${name} must ascend; ${got} stands after ${before}.`,
  no_choices: ({ name }) =>
    `${name} is put straight to a choice, but no choices are listed: list them, or count it in steps.`,
  nothing_open: ({ state }) =>
    `State “${state}” has no setting open, so nothing can be stepped, kept or dropped there.`,
  no_way: ({ from, to }) => `No way leads from “${from}” to “${to}”: add a move whose “to” is it.`,
  never_changed: ({ setting }) =>
    `No state of the panel changes “${setting}”: add one with this setting and a move that does “step-up”.`,
  same_input: () => 'An input cannot be compared with itself: name another one.',
  no_way_back: ({ state, to }) =>
    `From state “${state}” no way leads back to “${to}”: add a move, or a wait, that leaves it.`,
  no_purpose: ({ name }) =>
    `${name} stands for nothing in a response: say in “purpose” what it is for, and in “advice” what to do with it.`,
  advice_not_had: ({ name, got }) =>
    got === null
      ? `${name} is to be set, but “advice.to” does not say to what.`
      : `${name} is to be set to ${got}, which is not a value it can have.`,
  same_part_twice: ({ name, other, means }) =>
    `${name} stands for the same part of a response as ${other} (${means}): give one another slot, or say that it stands for nothing.`,
  two_ways_to_say: ({ name, other }) =>
    `${name} and ${other} say the same two points in two ways: keep a set point and a width, or a figure for on and one for off.`,
  nothing_sets: ({ means, builtIn }) =>
    `Nothing sets “${means}” here${builtIn ? `, and it is not built in: add a setting for it, or “${builtIn}”` : ': add a setting for it'}.`,
  slot_beyond: ({ name, group, slot, places }) => `${name} is for ${group} ${slot}, but this controller has ${places}.`,
  last_owner: () => 'A workspace has an owner: make somebody else one first.',
  site_taken: () => 'Another site is called that already; choose another name, or move what is here over to it.',
  site_in_use: () => 'There are installations on this site, in the yard or archived; move or delete them first.',
  check_gone: () => 'This check no longer belongs to the setting; open Prove again.',
  no_installation_in_zip: () => 'No installation in this file can be read: choose the zip of an exported installation.',
  site_work_unknown: () => 'This server does not know what was sent; load the page again.',
  no_picture: () => 'That is no picture this server can keep: take it again as JPEG or PNG.',
  rules_changed_meanwhile: () =>
    'Somebody else changed these rules meanwhile: nothing was kept. Load the page again, then put yours in.',
  not_as_signed: () =>
    'What is kept is not what was signed: somebody changed it meanwhile, or you did after signing. Look at the changes, then sign again.',
  copy_too_large: () => 'This working copy is too large to keep.',
  import_failed: () =>
    'Soft Gale itself failed on this file; nothing of it was kept. Import it again, or tell who looks after it.',
  view_asked_wrong: () => 'Ask for whole milliseconds from and to, from not after to, and at least one point.',
  not_whole: ({ cameMore }) =>
    `The file did not arrive whole (${cameMore ? 'more' : 'fewer'} bytes came than were announced); nothing of it was kept. Send it again.`,
  stays_without_reason: ({ title }) => `Say why this stays as it is: ${title}`,
  id_of_example: ({ id }) => `“${id}” is the id of an example that came with Soft Gale; give yours another.`,
  file_too_large: ({ mostMb }) =>
    `The file is larger than ${mostMb} MB. Cut it by month and import the parts one after another.`,
  workspace_too_large: ({ mostMb }) => `A workspace file has at most ${mostMb} MB.`,
  no_zip: () => 'This is no zip file. Choose the workspace.zip that another Soft Gale exported.',
  no_manifest: () => 'There is no workspace.json in this zip: it is no workspace of Soft Gale.',
  no_readings: () => 'There is no line of readings under the headings.',
  perhaps_more: () => 'There may be more; these come first.',
  column_unit: ({ column, unit, what }) => `${column} is said to be in ${unit}, which is no unit of ${what}.`,
  column_twice: ({ column }) => `${column} is said to be the time and a reading at once.`,
  no_zone: ({ got }) => `“${got}” is no time zone; write for example Europe/London.`,
  said: ({ text }) => text,
  shape: ({ detail }) => `${detail}.`,
  layout: ({ detail }) => detail,
}

/** What is wrong in plain sentences, in the units, marks and clock of its reader. */
export type ProblemWords = {
  /** The problem in one sentence, without its path. */
  readonly text: (problem: Problem) => string
  readonly line: (problem: Problem) => string
}

export function problemWordsFor(reader: UnitPreference): ProblemWords {
  const text = (problem: Problem) =>
    (TEXTS[problem.code] as (problem: Problem, reader: UnitPreference) => string)(problem, reader)
  return { text, line: (problem) => (problem.path ? `${problem.path}: ${text(problem)}` : text(problem)) }
}

/** As a file, a command line or a log has it: in metric units. */
export const { text: problemText, line: problemLine } = problemWordsFor(METRIC)
