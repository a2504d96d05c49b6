import type { TSchema } from '@sinclair/typebox'
import type { ValidateFunction } from 'ajv'
import Ajv from 'ajv/dist/2020.js'
import { VALIDATOR_OPTIONS } from '@/core/json/validatorOptions'

const ajv = new Ajv(VALIDATOR_OPTIONS)

/** The validator of a schema, compiled on the spot: on the server and the command line. Pages and their workers take the file beside this
 *  one by package.json (`imports`), since their policy forbids to compile. */
export const compileSchema = (schema: TSchema, _name?: string): ValidateFunction => ajv.compile(schema)
