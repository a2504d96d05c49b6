import { assertNever } from '@/core/json/assertNever'
import type { Explanation, Link } from '@/core/machine/explain'
import { OUTPUT_STATE } from '@/core/machine/outputState'
import { tieParts } from '@/core/sentences/tie'
import type { OverrideKind } from '@/core/machine/parts/overrides'
import { clockText } from '@/core/quantity/clock'
import { formatPct, formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { inputQuantity, type Input, type Side } from '@/core/rules/input'
import { text, type SentencePart } from '@/core/rules/kind'
import { ruleKind, ruleInputId, type Rule, type RuleWhy } from '@/core/rules/table'
import { daysText } from '@/core/rules/week'
import { dayText, yearDayText } from '@/core/rules/yearDay'
import { conditionParts, onlyWhileParts } from '@/core/sentences/condition'

const inputOf = (response: Response, rule: Rule): Input | undefined =>
  response.inputs.find(({ id }) => id === ruleInputId(rule))

const nameOf = (response: Response, rule: Rule): string =>
  inputOf(response, rule)?.name ?? ruleInputId(rule) ?? rule.kind

export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
export const uncapital = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1)

/** A short name for a rule in lists: "room temperature ramp", "harvest switch". */
export const ruleName = (response: Response, rule: Rule): string => ruleKind(rule).name(nameOf(response, rule))

/** A rule as its sentence with its blanks: in which mode, what it does, and what it hangs on. */
export const ruleSentenceParts = (response: Response, rule: Rule): readonly SentencePart[] => [
  ...(rule.modes?.length === 1 ? [text(`By ${rule.modes[0]} only: `)] : []),
  ...ruleKind(rule).sentence(rule, { input: inputOf(response, rule), response }),
  ...tieParts(rule, response),
  ...onlyWhileParts(rule, response),
]

/** One piece of a sentence, in the reader’s units. */
export const partText = (part: SentencePart, preference: UnitPreference): string => {
  switch (part.kind) {
    case 'text':
      return part.text
    case 'input':
      return part.name
    case 'figure':
      return formatQuantity(part.value, part.quantity, preference)
    case 'field':
      return part.quantity === 'time'
        ? formatTime(part.value, preference)
        : part.quantity === 'speed'
          ? `${formatPct(part.value, preference)} %`
          : formatQuantity(part.value, part.quantity, preference)
    case 'choice':
      return part.options.find(([value]) => value === part.value)?.[1] ?? part.value
    case 'clock':
      return clockText(part.value, preference.dates)
    case 'day':
      return part.isDate ? dayText(part.value, preference.dates) : yearDayText(part.value, preference.dates)
    case 'date':
      return dayText(part.value, preference.dates)
    case 'days':
      return daysText(part.value)
    default:
      return assertNever(part)
  }
}

/** A sentence as it is read aloud. */
export const partsText = (parts: readonly SentencePart[], preference: UnitPreference = METRIC): string =>
  parts.map((part) => partText(part, preference)).join('')

/** The rule as the sentence a technician would say. */
export const ruleSentence = (response: Response, rule: Rule, preference: UnitPreference = METRIC): string =>
  partsText(ruleSentenceParts(response, rule), preference)

/** Why a rule asks what it asks, as the middle of a sentence. */
function whyText(response: Response, rule: Rule, why: RuleWhy, preference: UnitPreference): string {
  const input = inputOf(response, rule)
  const name = nameOf(response, rule)
  const point = (x: number) => formatQuantity(x, inputQuantity(input), preference)
  const difference = (x: number) =>
    input?.kind === 'temperature' ? formatQuantity(x, 'temperatureDifference', preference) : point(x)
  if (why.kind === 'input-lost') return `${name} has no reading`
  if (why.kind === 'no-clock') return 'the clock is not known'
  if (why.kind === 'no-date') return 'the date is not known'
  if (why.kind === 'other-mode') return `${name} belongs to the other mode`
  if (why.kind === 'condition-open') {
    const condition = rule.onlyWhile?.[why.condition]
    return `${name} asks only while ${condition ? partsText(conditionParts('', condition, response), preference) : 'its conditions stand'}`
  }
  return ruleKind(rule).whyText(why, { name, point, difference, time: (timeS) => formatTime(timeS, preference) })
}

/** Why this rule asks what it asks, on its own. */
export const linkText = (
  response: Response,
  link: Extract<Link, { stage: 'ask' }>,
  preference: UnitPreference = METRIC,
): string =>
  link.rule === null
    ? `The floor always asks ${formatPct(link.asksPct, preference)} %.`
    : `${capital(whyText(response, link.rule, link.why, preference))}, so it asks for ${Number.isNaN(link.asksPct) ? 'nothing' : `${formatPct(link.asksPct, preference)} %`}.`

function othersText(response: Response, explanation: Explanation): string {
  const others = explanation.chain.filter(
    (link): link is Extract<Link, { stage: 'ask'; rule: Rule }> =>
      link.stage === 'ask' && link.rule !== null && link.rule !== explanation.inCharge && !Number.isNaN(link.asksPct),
  )
  if (others.length === 0) return 'Nothing else is asking.'
  const [first] = others
  if (others.length > 1 || !first) return 'The others ask for less.'
  const less = first.asksPct < explanation.asksPct ? 'asks for less' : 'asks for the same'
  return `${capital(ruleName(response, first.rule))} ${less}.`
}

/** Which side of a point counts. */
const SIDE_WORDS: Record<Side, string> = {
  'at-or-above': 'at or above',
  'at-or-below': 'at or below',
  above: 'above',
  below: 'below',
}

/** Why something holds the fan. */
export const HELD_WORDS: Record<OverrideKind, string> = {
  none: 'A hold has the last word',
  test: 'The test switch is on',
  'lost-sensor': 'A probe has no reading',
  'heater-purge': 'Heat was given, and the heater must not be left without air',
  overheat: 'The controller itself is too hot',
  'output-stop': 'An output stops the fans',
  'power-return': 'Power has just come back, and it waits',
  'safety-stop': 'The safety stop is on',
  isolated: 'It is isolated',
}

/** What another output is now, and how long until that changes by itself. */
export function outputStateText(
  { output, isOn, leftS }: Extract<Link, { stage: 'give'; kind: 'output' }>,
  preference: UnitPreference = METRIC,
): string {
  const [off, on] = OUTPUT_STATE[output.kind]
  const left =
    leftS === null
      ? ''
      : isOn
        ? `, ${formatTime(leftS, preference)} left`
        : `, ${on} in ${formatTime(leftS, preference)}`
  return `${isOn ? on : off}${isOn && output.level !== undefined ? ` at level ${output.level}` : ''}${left}`
}

/** How far the inlets are open with so many fixed fans; nothing where nothing is said of them. */
function inletText({ stages }: Response, running: number, preference: UnitPreference): string {
  const pct = stages?.inletPct?.[running]
  return pct === undefined ? '' : `, inlets open ${formatPct(pct, preference)} %`
}

/** What a limit, a hold or the output did to the speed; null for links that say nothing of their own. */
function consequenceText(response: Response, link: Link, preference: UnitPreference): string | null {
  if (link.stage === 'limit') {
    if (link.kind === 'ceiling') return `The ceiling holds it to ${formatPct(link.limitedPct, preference)} %.`
    if (link.kind === 'step-up')
      return `${link.by} named ${link.by === 1 ? 'speed' : 'speeds'} more: ${formatPct(link.askedPct, preference)} %.`
    if (link.kind === 'cut-out')
      return `That is below its low-speed cut-out, so it stands until ${formatPct(link.backAtPct, preference)} % is asked.`
    const { input, when, at } = link.reduction
    const measured = response.inputs.find(({ id }) => id === input)
    const point = formatQuantity(at, inputQuantity(measured), preference)
    return `With ${measured?.name ?? input} ${SIDE_WORDS[when]} ${point} it is reduced to ${formatPct(link.limitedPct, preference)} %.`
  }
  if (link.stage === 'hold') {
    if (link.kind === 'run-on')
      return `It runs on at ${formatPct(link.speedPct, preference)} %, ${formatTime(link.leftS, preference)} left.`
    if (link.kind === 'held')
      return `${HELD_WORDS[link.by]}: ${formatPct(link.heldPct, preference)} %${link.leftS > 0 ? `, ${formatTime(link.leftS, preference)} left` : ''}.`
    return `Starting from rest: ${formatPct(link.speedPct, preference)} % for ${formatTime(link.leftS, preference)} more.`
  }
  if (link.stage !== 'give') return null
  switch (link.kind) {
    case 'stages':
      return `Of the whole ladder that is ${formatPct(link.demandPct, preference)} %: ${link.running} fixed ${link.running === 1 ? 'fan' : 'fans'} and the variable one at ${formatPct(link.leadPct, preference)} %${inletText(response, link.running, preference)}${link.waitS > 0 ? `; the next change in ${formatTime(link.waitS, preference)} at the earliest` : ''}.`
    case 'steps':
      return link.stepPct > 0
        ? `Steps of ${formatPct(link.stepPct, preference)} % give ${formatPct(link.givenPct, preference)} %.`
        : `Its levels give ${formatPct(link.givenPct, preference)} %.`
    case 'skip-band':
      return `Between ${formatPct(link.band.fromPct, preference)} and ${formatPct(link.band.toPct, preference)} % it may not stay, so it runs at ${formatPct(link.givenPct, preference)} %.`
    case 'rate':
      return `It moves no faster than its rate: ${formatPct(link.givenPct, preference)} % on its way to ${formatPct(link.wantedPct, preference)} %.`
    case 'output':
      return `${capital(link.output.name)} is ${outputStateText(link, preference)}.`
    case 'fan':
      return null
  }
}

/** The whole reason in one or a few sentences, made from the chain. */
export function reasonText(response: Response, explanation: Explanation, preference: UnitPreference = METRIC): string {
  const sentences: string[] = []
  const inCharge = explanation.chain.find((link) => link.stage === 'ask' && link.rule === explanation.inCharge)
  if (inCharge?.stage === 'ask' && inCharge.rule)
    sentences.push(linkText(response, inCharge, preference), othersText(response, explanation))
  else if (response.floor.offAllowed && explanation.asksPct === 0) sentences.push('Nothing asks, so it stands still.')
  else sentences.push(`Nothing asks for more than the floor, ${formatPct(response.floor.speedPct, preference)} %.`)
  for (const link of explanation.chain) {
    const consequence = consequenceText(response, link, preference)
    if (consequence) sentences.push(consequence)
  }
  return sentences.join(' ')
}
