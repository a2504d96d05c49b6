import { curveAgainst } from '@/core/look/curve'
import { compile } from '@/core/machine/compile'
import { quietInputs } from '@/core/machine/quietInputs'
import type { Response } from '@/core/response/schema'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import { ruleInputId, type Rule, ruleKind } from '@/core/rules/table'

/** How far two responses lie apart over the range of an input (percent of the fan's range). */
export type CurveDifference = {
  readonly input: string
  readonly greatestPct: number
  readonly at: number
  readonly meanPct: number
}

/** A figure of a rule that is not what was asked: `field` is its name in the rule. */
type Change = { readonly field: string; readonly asked: number; readonly given: number }

/** What became of one rule: how far its own ask lies off over its input's range, and which of its figures moved. */
export type RuleMeasure = {
  readonly rule: string
  readonly curve: CurveDifference | null
  readonly changes: readonly Change[]
}

function differenceOver(asked: Response, given: Response, inputs: readonly MeasuredInput[]): CurveDifference | null {
  const [askedMachine, givenMachine] = [compile(asked), compile(given)]
  if (!askedMachine.ok || !givenMachine.ok) return null
  const rest = quietInputs(asked)
  let worst: CurveDifference | null = null
  for (const input of inputs) {
    const a = curveAgainst(askedMachine.value, input, rest)
    const g = curveAgainst(givenMachine.value, input, rest)
    let [greatestPct, at, sum] = [0, input.from, 0]
    a.forEach(({ x, pct }, index) => {
      const offPct = Math.abs(pct - g[index]!.pct)
      sum += offPct
      if (offPct > greatestPct) [greatestPct, at] = [offPct, x]
    })
    if (!worst || greatestPct > worst.greatestPct) worst = { input: input.id, greatestPct, at, meanPct: sum / a.length }
  }
  return worst
}

/** The largest such difference over all measured inputs, the others quiet; null where nothing can be compared. */
export const measureCurve = (asked: Response, given: Response): CurveDifference | null =>
  differenceOver(asked, given, asked.inputs.filter(isMeasured))

/** Only this rule, between nothing and full. */
const alone = (response: Response, rule: Rule | undefined): Response => ({
  schema: response.schema,
  lead: response.lead,
  inputs: response.inputs.map((input) => {
    if (!isMeasured(input)) return input
    const { lostPct: _lostPct, ...rest } = input
    return rest
  }),
  floor: { speedPct: 0, reasons: [], offAllowed: true },
  ceiling: { speedPct: 100, how: 'clip' },
  rules: rule ? [rule] : [],
  startKick: null,
  followers: [],
  steps: { stepPct: 0, rounding: 'nearest' },
})

/** Every number that two rules have in the same place and that differs. */
function changesBetween(asked: unknown, given: unknown, field = ''): Change[] {
  if (typeof asked === 'number' && typeof given === 'number')
    return Math.abs(asked - given) > 1e-6 ? [{ field, asked, given }] : []
  if (typeof asked !== 'object' || typeof given !== 'object' || asked === null || given === null) return []
  return Object.entries(asked).flatMap(([key, value]) =>
    changesBetween(value, (given as Record<string, unknown>)[key], field === '' ? key : `${field}.${key}`),
  )
}

/** For every asked rule that is not carried out exactly: the difference, and the points, speeds and times that moved. */
export function measureRules(asked: Response, given: Response): RuleMeasure[] {
  return asked.rules.flatMap((rule): RuleMeasure[] => {
    if (rule.off) return []
    const carried = given.rules.find(({ id }) => id === rule.id)
    const changes = carried?.kind === rule.kind ? changesBetween(rule, carried) : []
    if (carried?.kind === rule.kind && changes.length === 0) return []
    const input = asked.inputs.find(({ id }) => id === ruleInputId(rule))
    const curve =
      input && isMeasured(input) && ruleKind(rule).trigger !== 'rise'
        ? differenceOver(alone(asked, rule), alone(asked, carried), [input])
        : null
    return [{ rule: rule.id, curve, changes }]
  })
}
