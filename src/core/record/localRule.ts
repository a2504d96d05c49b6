import { Type, type Static } from '@sinclair/typebox'
import { DUTIES, type Duty } from '@/core/brief/duty'
import { validator } from '@/core/json/validator'
import { closed } from '@/core/json/vocabulary'

/** A caution or rule that a workspace keeps for itself: what its own code, client or insurer asks, with the edition it was taken from. */
export const LocalRule = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 40 }),
    /** Which work it stands beside. */
    duty: Type.Union(['every' as const, ...DUTIES].map((duty) => Type.Literal(duty))),
    text: Type.String({ minLength: 3, maxLength: 600, pattern: '\\S' }),
    /** What it is taken from, and which edition: "house rules, 3rd". */
    edition: Type.String({ maxLength: 80 }),
    /** The date of that edition. */
    dated: Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\d$' }),
  },
  closed,
)
export type LocalRule = Static<typeof LocalRule>

export const MOST_LOCAL_RULES = 60
export const LocalRules = Type.Array(LocalRule, { maxItems: MOST_LOCAL_RULES })
export const readLocalRules = validator(LocalRules)

/** Those that stand beside one kind of work. */
export const rulesFor = (rules: readonly LocalRule[], duty: Duty): LocalRule[] =>
  rules.filter((rule) => rule.duty === 'every' || rule.duty === duty)

/** Where a rule is from: “house rules, 3rd, 2026-03-01”. */
export const ruleSource = ({ edition, dated }: LocalRule): string =>
  [edition.trim(), dated].filter((part) => part !== '').join(', ')

export const ruleLine = (rule: LocalRule): string => `${rule.text} (${ruleSource(rule)})`
