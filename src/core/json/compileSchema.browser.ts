import type { TSchema } from '@sinclair/typebox'
import type { ValidateFunction } from 'ajv'
import { STANDALONE } from '@/core/json/standalone.generated'

/** The validator of a schema as it was made at build time.
 *  @throws {Error} for a schema that has no name: it can be used on the server alone */
export function compileSchema(_schema: TSchema, name?: string): ValidateFunction {
  const validate = name === undefined ? undefined : STANDALONE[name]
  if (!validate) throw new Error(`there is no validator made for ${name ?? 'a schema without a name'}`)
  return validate
}
