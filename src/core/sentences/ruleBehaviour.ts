import { ofCommonPractice, type BehaviourKind, type MoreAction, type Telling } from '@/core/sentences/behaviour'
import { RULE_OFFERS } from '@/core/sentences/ruleOffers'
import { formatPct } from '@/core/quantity/format'
import { text } from '@/core/rules/kind'
import { inputOf } from '@/core/rules/sentence'
import { ruleKind, ruleInputId, type Rule } from '@/core/rules/table'
import { ruleName } from '@/core/sentences/words'

const WEEKEND = { days: [5, 6], startMin: 480, endMin: 1020 }

function modeActions({ modes }: Rule, { response }: Telling): readonly MoreAction<Rule>[] {
  if (!response.light && !response.dayByWeek) return []
  return (['day', 'night'] as const)
    .filter((mode) => modes?.length !== 1 || modes[0] !== mode)
    .map((mode): MoreAction<Rule> => ({ label: `Only by ${mode}`, change: (draft) => void (draft.modes = [mode]) }))
    .concat(modes?.length === 1 ? [{ label: 'By day and by night', change: (draft) => void delete draft.modes }] : [])
}

function kindActions(rule: Rule): readonly MoreAction<Rule>[] {
  switch (rule.kind) {
    case 'switch':
      return [
        {
          label: rule.onDelayS > 0 ? 'Answer at once' : 'Wait before it answers',
          change: (draft) => void (draft.kind === 'switch' && (draft.onDelayS = rule.onDelayS > 0 ? 0 : 60)),
        },
      ]
    case 'week':
      return [
        {
          label: 'Add a period',
          change: (draft) =>
            void (draft.kind === 'week' && draft.periods.push({ ...WEEKEND, speedPct: rule.periods.at(-1)!.speedPct })),
        },
        ...(rule.periods.length > 1
          ? [
              {
                label: 'Take the last period away',
                change: (draft: Rule) => void (draft.kind === 'week' && draft.periods.pop()),
              },
            ]
          : []),
      ]
    case 'ramp':
    case 'differential': {
      const isRamp = rule.kind === 'ramp'
      const points = rule.setPoints ?? []
      const holds = !isRamp && (rule.minOnS > 0 || rule.minOffS > 0)
      return [
        ...(isRamp
          ? []
          : [
              {
                label: holds ? 'No least times' : 'Add least times on and off',
                change: (draft: Rule) => {
                  if (draft.kind === 'differential') draft.minOnS = draft.minOffS = holds ? 0 : 180
                },
              },
            ]),
        {
          label: 'Add hours with another set point',
          change: (draft) => {
            if (draft.kind === 'ramp' || draft.kind === 'differential')
              draft.setPoints = [...points, { ...WEEKEND, at: isRamp ? rule.startAt : rule.onAt }]
          },
        },
        ...(points.length > 0
          ? [
              {
                label: 'Take the last set point away',
                change: (draft: Rule) => {
                  if (draft.kind !== 'ramp' && draft.kind !== 'differential') return
                  if (points.length > 1) draft.setPoints?.pop()
                  else delete draft.setPoints
                },
              },
            ]
          : []),
      ]
    }
    case 'surge':
    case 'cycle':
    case 'after-run':
      return []
  }
}

const FORMULAS: Record<Rule['kind'], string> = {
  ramp: 'from + (to − from) × (x − start) ÷ (full − start), held between both',
  switch:
    'its speed while on (after its delay), then for its overrun; matched: the time it was on, within floor and cap',
  differential: 'on at or past one point, off at or past the other, between them as it was',
  surge: 'on when x − lowest of the window ≥ rise; off when x ≤ that lowest + release, or after the cap',
  week: 'the speed of the period the clock is in, the highest where they overlap; the start counts, the end does not',
  cycle: 'its speed for the first part of every period',
  'after-run': 'its speed above the point, and for its time after falling to it',
}

/** A rule: what it asks is said beside it, and what else its kind offers in its menu. */
export const ruleBehaviour: BehaviourKind<Rule> = {
  places: ({ rules }) => rules.map(({ id }) => `rules.${id}`),
  name: (rule, { response }) => ruleName(response, rule),
  cause: (rule, { response }) => ruleKind(rule).cause(inputOf(response, ruleInputId(rule) ?? '')),
  sentence: (rule, { response }) => [
    ...(rule.modes?.length === 1 ? [text(`By ${rule.modes[0]} only: `)] : []),
    ...ruleKind(rule).sentence(rule, { input: inputOf(response, ruleInputId(rule) ?? ''), response }),
  ],
  now(rule, { chain }) {
    const link = chain.find((candidate) => candidate.stage === 'ask' && candidate.rule?.id === rule.id)
    return link?.stage === 'ask' && !Number.isNaN(link.asksPct) ? `asks ${formatPct(link.asksPct)} %` : 'idle'
  },
  why: ({ kind }) => ({
    formula: FORMULAS[kind],
    source: `${ofCommonPractice}; cases in the reference values, section 8`,
  }),
  more: (rule, telling) => [...kindActions(rule), ...modeActions(rule, telling)],
  offers: () => RULE_OFFERS,
}
