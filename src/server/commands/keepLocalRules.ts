import { Type } from '@sinclair/typebox'
import { closed } from '@/core/json/vocabulary'
import { validator } from '@/core/json/validator'
import { LocalRules } from '@/core/record/localRule'
import type { Scope } from '@/db/client'
import { saveLocalRules } from '@/db/queries/workspace'
import type { Result } from '@/server/result'

const readInput = validator(
  // What they were when the page was opened: nobody’s rule is written over unseen.
  Type.Object({ before: LocalRules, rules: LocalRules }, closed),
)

/** Puts the cautions and rules of the workspace in the place of those that were looked at. */
export async function keepLocalRules(scope: Scope, input: unknown): Promise<Result> {
  const read = readInput(input)
  if (!read.ok) return { kind: 'invalid', problems: read.problems }
  const { before, rules } = read.value
  return (await saveLocalRules(scope, before, rules))
    ? { kind: 'done' }
    : { kind: 'invalid', problems: [{ code: 'rules_changed_meanwhile', path: 'rules' }] }
}
