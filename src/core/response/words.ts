import { assertNever } from '@/core/assertNever'
import { formatPct, formatQuantity, formatTime, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Explanation, Link } from '@/core/response/explain'
import { inputQuantity, ruleInputId, type RuleWhy, type SentencePart } from '@/core/response/rules/kind'
import { ruleKind } from '@/core/response/rules/table'
import type { Input, Response, Rule } from '@/core/response/schema'

const inputOf = (response: Response, rule: Rule): Input | undefined =>
  response.inputs.find(({ id }) => id === ruleInputId(rule))

const nameOf = (response: Response, rule: Rule): string =>
  inputOf(response, rule)?.name ?? ruleInputId(rule) ?? rule.kind

export const capital = (said: string): string => said.charAt(0).toUpperCase() + said.slice(1)

/** A short name for a rule in lists: "room temperature ramp", "harvest switch". */
export function ruleName(response: Response, rule: Rule): string {
  const name = nameOf(response, rule)
  switch (rule.kind) {
    case 'ramp':
    case 'surge':
      return `${name} ${rule.kind}`
    case 'differential':
      return `${name} on/off`
    case 'after-run':
      return `${name} after-run`
    case 'switch':
    case 'week':
    case 'cycle':
      return name
    default:
      return assertNever(rule)
  }
}

export const sentenceParts = (response: Response, rule: Rule): readonly SentencePart[] =>
  ruleKind(rule).sentence(rule, { input: inputOf(response, rule), response })

const partText = (part: SentencePart, preference: UnitPreference): string => {
  switch (part.kind) {
    case 'text':
      return part.text
    case 'input':
      return part.name
    case 'field':
      return part.quantity === 'time'
        ? formatTime(part.value)
        : part.quantity === 'speed'
          ? `${formatPct(part.value)} %`
          : formatQuantity(part.value, part.quantity, preference)
    case 'choice':
      return part.options.find(([value]) => value === part.value)?.[1] ?? part.value
    default:
      return assertNever(part)
  }
}

/** The rule as the sentence a technician would say. */
export const ruleSentence = (response: Response, rule: Rule, preference: UnitPreference = METRIC): string =>
  sentenceParts(response, rule)
    .map((part) => partText(part, preference))
    .join('')

/** Why a rule asks what it asks, as the middle of a sentence. */
function whyText(response: Response, rule: Rule, why: RuleWhy, preference: UnitPreference): string {
  const input = inputOf(response, rule)
  const name = nameOf(response, rule)
  const point = (x: number) => formatQuantity(x, inputQuantity(input), preference)
  const difference = (x: number) =>
    input?.kind === 'temperature' ? formatQuantity(x, 'temperatureDifference', preference) : point(x)
  switch (why.kind) {
    case 'ramp-below':
      return `${name} is ${point(why.x)}, before its start at ${point(why.edge)}`
    case 'ramp-above':
      return `${name} is ${point(why.x)}, at or past full at ${point(why.edge)}`
    case 'ramp-within':
      return `${name} is ${difference(Math.abs(why.up))} ${why.span > 0 ? 'up' : 'down'} a ${difference(Math.abs(why.span))} ramp`
    case 'input-lost':
      return `${name} has no reading`
    case 'switch-waiting':
      return `${name} is on, waiting ${formatTime(why.leftS)} more`
    case 'switch-on':
      return `${name} is on`
    case 'switch-overrun':
      return `${name} is off and runs on for ${formatTime(why.leftS)} more`
    case 'switch-idle':
      return `${name} is off`
    case 'differential-on':
      return `${name} is ${point(why.x)} and on until ${point(why.edge)}`
    case 'differential-off':
      return `${name} is ${point(why.x)} and comes on at ${point(why.edge)}`
    case 'surge-on':
      return `${name} has surged to ${point(why.x)} from ${point(why.base)}`
    case 'surge-idle':
      return `${name} has not risen by ${difference(why.rise)} quickly`
    case 'week-inside':
      return 'the clock is inside a period'
    case 'week-outside':
      return 'the clock is outside its periods'
    case 'no-clock':
      return 'the clock is not known'
    case 'cycle-on':
      return `the cycle is on for ${formatTime(why.leftS)} more`
    case 'cycle-off':
      return `the cycle comes on in ${formatTime(why.leftS)}`
    case 'after-run-armed':
      return `${name} is ${point(why.x)}, above ${point(why.edge)}`
    case 'after-run-counting':
      return `${name} has fallen; it stops in ${formatTime(why.leftS)}`
    case 'after-run-idle':
      return `${name} is ${point(why.x)}, not above ${point(why.edge)}`
    case 'other-mode':
      return `${name} belongs to the other mode`
    default:
      return assertNever(why)
  }
}

/** Why this rule asks what it asks, on its own. */
export const linkText = (
  response: Response,
  link: Extract<Link, { stage: 'ask' }>,
  preference: UnitPreference = METRIC,
): string =>
  link.rule === null
    ? `The floor always asks ${formatPct(link.asksPct)} %.`
    : `${capital(whyText(response, link.rule, link.why, preference))}, so it asks for ${Number.isNaN(link.asksPct) ? 'nothing' : `${formatPct(link.asksPct)} %`}.`

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

/** The whole reason in one or two sentences, made from the chain. */
export function reasonText(response: Response, explanation: Explanation, preference: UnitPreference = METRIC): string {
  const said: string[] = []
  const inCharge = explanation.chain.find((link) => link.stage === 'ask' && link.rule === explanation.inCharge)
  if (inCharge?.stage === 'ask' && inCharge.rule)
    said.push(linkText(response, inCharge, preference), othersText(response, explanation))
  else if (response.floor.offAllowed && explanation.asksPct === 0) said.push('Nothing asks, so it stands still.')
  else said.push(`Nothing asks for more than the floor, ${formatPct(response.floor.speedPct)} %.`)
  for (const link of explanation.chain) {
    if (link.stage === 'limit') said.push(`The ceiling holds it to ${formatPct(link.limitedPct)} %.`)
    if (link.stage !== 'hold') continue
    if (link.kind === 'run-on') said.push(`It runs on at ${formatPct(link.speedPct)} %.`)
    else if (link.kind === 'held') said.push(`A hold has the last word: ${formatPct(link.heldPct)} %.`)
    else said.push(`Starting from rest: ${formatPct(link.speedPct)} % for ${formatTime(link.leftS)} more.`)
  }
  const lead = explanation.chain.find((link) => link.stage === 'give')
  const hasKick = explanation.chain.some((link) => link.stage === 'hold' && link.kind === 'start-kick')
  if (lead?.stage === 'give' && !hasKick && Math.abs(lead.givenPct - lead.limitedPct) > 1e-9)
    said.push(`Steps of ${formatPct(lead.stepPct)} % give ${formatPct(lead.givenPct)} %.`)
  return said.join(' ')
}
