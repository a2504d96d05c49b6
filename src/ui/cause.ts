import type { Cause } from '@/core/rules/kind'
import { ruleKind, ruleInputId, type Rule } from '@/core/rules/table'
import type { Response } from '@/core/response/schema'

/** The colour of a cause, as a path into the palette. */
export const causeColour = (cause: Cause): string => `cause.${cause}`

export const ruleCause = (response: Response, rule: Rule): Cause =>
  ruleKind(rule).cause(response.inputs.find(({ id }) => id === ruleInputId(rule)))

/** The same colour as a CSS variable, for what is drawn as SVG. */
export const causeVar = (cause: Cause): string => `var(--mui-palette-cause-${cause})`
