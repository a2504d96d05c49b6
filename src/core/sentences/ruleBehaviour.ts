import { alsoCalled } from '@/core/glossary/glossary'
import { freeId } from '@/core/json/freeId'
import { formatPct, formatQuantity, formatTime } from '@/core/quantity/format'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity } from '@/core/rules/input'
import type { MoreAction } from '@/core/rules/kind'
import { inputOf } from '@/core/rules/sentence'
import { RULE_OFFERS, ruleKind, ruleInputId, type Rule } from '@/core/rules/table'
import { ofCommonPractice, type BehaviourKind, type Offer, type SentenceContext } from '@/core/sentences/behaviour'
import { ensureInput, ensureOwnInput, newInput } from '@/core/sentences/ensureInput'
import { conditionActions } from '@/core/sentences/condition'
import { tieRuleActions } from '@/core/sentences/tie'
import { ruleName, ruleSentenceParts } from '@/core/sentences/words'

function modeActions({ modes }: Rule, { response }: SentenceContext): readonly MoreAction<Rule>[] {
  if (!response.light && !response.dayByWeek) return []
  return (['day', 'night'] as const)
    .filter((mode) => modes?.length !== 1 || modes[0] !== mode)
    .map((mode): MoreAction<Rule> => ({ label: `Only by ${mode}`, change: (draft) => void (draft.modes = [mode]) }))
    .concat(modes?.length === 1 ? [{ label: 'By day and by night', change: (draft) => void delete draft.modes }] : [])
}

/** Adds a rule of a kind under a free id. */
const offered = ({ make, kind, ...offer }: (typeof RULE_OFFERS)[number]): Offer => ({
  ...offer,
  also: alsoCalled(kind),
  add(draft, figure, today) {
    const { floor, ceiling, rules } = draft.response
    const rule = make({
      figure,
      floorPct: floor.speedPct,
      ceilingPct: ceiling.speedPct,
      ensure: (made, besides) => ensureInput(draft, made, besides),
      ensureOwn: (made) => ensureOwnInput(draft, made),
      added: (made) => newInput(draft.response, made),
      placedOn: () => void (draft.response.placedOn ??= today),
    })
    const taken = rules.map(({ id }) => id)
    rules.push({ ...rule, id: freeId(taken, rule.id) })
  },
})

const OFFERS: readonly Offer[] = RULE_OFFERS.map(offered)

/** A rule: what it asks is said beside it, and what else its kind offers in its menu. */
export const ruleBehaviour: BehaviourKind<Rule> = {
  places: ({ rules }) => rules.map(({ id }) => `rules.${id}`),
  name: (rule, { response }) => ruleName(response, rule),
  cause: (rule, { response }) => ruleKind(rule).cause(inputOf(response, ruleInputId(rule) ?? '')),
  sentence: (rule, { response }) => ruleSentenceParts(response, rule),
  now(rule, { chain }, { preference }) {
    const link = chain.find((candidate) => candidate.stage === 'ask' && candidate.rule?.id === rule.id)
    return link?.stage === 'ask' && !Number.isNaN(link.asksPct)
      ? `asks ${formatPct(link.asksPct, preference)} %`
      : 'idle'
  },
  trade(rule, { response, preference }) {
    const input = inputOf(response, ruleInputId(rule) ?? '')
    const difference = differenceOf(inputQuantity(input))
    return ruleKind(rule).trade(rule, {
      difference: (by) => formatQuantity(by, difference, preference),
      time: formatTime,
    })
  },
  why: (rule) => ({
    formula: ruleKind(rule).formula,
    source: `${ofCommonPractice}; cases in the reference values, section 8`,
  }),
  more: (rule, context) => [
    ...ruleKind(rule).more(rule),
    ...modeActions(rule, context),
    ...tieRuleActions(rule, context.response),
    ...conditionActions(rule, context.response),
  ],
  offers: () => OFFERS,
}
