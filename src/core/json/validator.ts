import type { Static, TSchema } from '@sinclair/typebox'
import type { ErrorObject } from 'ajv'
import { compileSchema } from '#compileSchema'
import { bad, good, type Outcome, type Problem } from '@/core/json/problem'
import { unreasonable } from '@/core/json/reasonable'

/** What stands at a JSON pointer. */
const dataAt = (data: unknown, pointer: string): unknown =>
  keysOf(pointer).reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], data)

type Fault = ErrorObject & { readonly data: unknown }

const keysOf = (pointer: string): string[] =>
  pointer
    .split('/')
    .slice(1)
    .map((piece) => piece.replace(/~1/g, '/').replace(/~0/g, '~'))

const dotted = (pointer: string): string => keysOf(pointer).filter(Boolean).join('.')

/** A branch of a union was not the one meant when its tag, its literal or its very type is another. */
const isOtherBranch = (errors: readonly Fault[], at: string): boolean =>
  errors.some(
    ({ keyword, instancePath }) =>
      (keyword === 'const' && (instancePath === at || instancePath === `${at}/kind`)) ||
      (keyword === 'type' && instancePath === at),
  )

const literals = (errors: readonly Fault[]): string[] =>
  errors
    .filter(({ keyword }) => keyword === 'const')
    .map(({ params }) => String((params as { allowedValue: unknown }).allowedValue))

/** Ajv reports every branch of every union; people want the one that was meant, or the list of what is possible. */
function withoutOtherBranches(errors: readonly Fault[]): Fault[] {
  const union = [...errors]
    .filter(({ keyword }) => keyword === 'anyOf')
    .sort((a, b) => a.schemaPath.length - b.schemaPath.length)[0]
  if (!union) return [...errors]
  const { schemaPath, instancePath: at } = union
  const inside = errors.filter((error) => error.schemaPath.startsWith(`${schemaPath}/`))
  const outside = errors.filter((error) => error !== union && !error.schemaPath.startsWith(`${schemaPath}/`))
  const branches = new Map<string, Fault[]>()
  for (const error of inside) {
    const branch = error.schemaPath.slice(schemaPath.length + 1).split('/')[0] ?? ''
    branches.set(branch, [...(branches.get(branch) ?? []), error])
  }
  const meant = [...branches.values()].filter((branch) => !isOtherBranch(branch, at))
  if (meant.length === 1 && meant[0]) return [...withoutOtherBranches(meant[0]), ...withoutOtherBranches(outside)]
  const allowed = [
    ...new Set(literals(inside.filter(({ instancePath }) => instancePath === at || instancePath === `${at}/kind`))),
  ]
  const onKind = inside.some(({ instancePath }) => instancePath === `${at}/kind`)
  const data: unknown = onKind ? (union.data as { kind?: unknown }).kind : union.data
  const summary = {
    ...union,
    keyword: 'oneOfThese',
    instancePath: onKind ? `${at}/kind` : at,
    params: { allowed },
    data,
  }
  return [summary, ...withoutOtherBranches(outside)]
}

const shown = (data: unknown): string => {
  const json = data === undefined ? 'nothing' : JSON.stringify(data)
  return json.length > 40 ? `${json.slice(0, 37)}…` : json
}

function problemOf(error: Fault): Problem {
  const path = dotted(error.instancePath)
  const params = error.params as Record<string, unknown>
  switch (error.keyword) {
    case 'required':
      return { code: 'missing', path, what: `“${String(params.missingProperty)}”` }
    case 'additionalProperties':
      return {
        code: 'shape',
        path,
        detail: `“${String(params.additionalProperty)}” is not known here; remove it or check its spelling`,
      }
    case 'oneOfThese': {
      const allowed = params.allowed as string[]
      return {
        code: 'shape',
        path,
        detail: `${shown(error.data)} does not fit${allowed.length ? `; use one of: ${allowed.join(', ')}` : ''}`,
      }
    }
    case 'const':
      return { code: 'shape', path, detail: `this must be ${shown(params.allowedValue)}, not ${shown(error.data)}` }
    case 'type':
      return {
        code: 'shape',
        path,
        detail: `this must be ${String(params.type) === 'integer' ? 'a whole number' : `a ${String(params.type)}`}, not ${shown(error.data)}`,
      }
    case 'minimum':
    case 'maximum':
    case 'exclusiveMinimum':
    case 'exclusiveMaximum':
      return {
        code: 'shape',
        path,
        detail: `${shown(error.data)} must be ${String(params.comparison)} ${String(params.limit)}`,
      }
    case 'pattern':
      return {
        code: 'shape',
        path,
        detail:
          params.pattern === '\\S'
            ? 'this must not be empty'
            : `${shown(error.data)} must be a short name of letters, digits and hyphens`,
      }
    default:
      return { code: 'shape', path, detail: `${shown(error.data)} ${error.message ?? 'does not fit'}` }
  }
}

/** Problems that are named at most; a document with more is not mended one by one. */
const MOST_PROBLEMS = 50
/** Raw errors that are looked at: each branch of a union that does not fit makes some. */
const MOST_ERRORS = 3000

type Schema = Record<string, unknown>

/** What a schema says of lengths alone: a list that is too long is refused before anybody looks at what is in it, as every branch of every union
 *  is tried on each of its members otherwise. */
function lengthsOf(schema: Schema): Schema {
  const { maxItems, items, properties } = schema as {
    maxItems?: number
    items?: Schema
    properties?: Record<string, Schema>
  }
  return {
    ...(maxItems === undefined ? {} : { maxItems }),
    ...(items ? { items: lengthsOf(items) } : {}),
    ...(properties
      ? { properties: Object.fromEntries(Object.entries(properties).map(([key, inner]) => [key, lengthsOf(inner)])) }
      : {}),
  }
}

/** The schemas a page checks by, by name, for those who make their validators before it is built. */
export const namedSchemas = new Map<string, TSchema>()

const lengthsName = (name: string): string => `${name} lengths`

/** A function that turns unknown data into the schema's type, or names the places where it does not fit, 50 at most. First it is counted through,
 *  then lengths are looked at, then shapes. NaN and Infinity are no JSON numbers and are refused.
 *  @param name where pages check by it too: their validators are made at build time */
export function validator<T extends TSchema>(schema: T, name?: string): (data: unknown) => Outcome<Static<T>> {
  const lengths = lengthsOf(schema) as TSchema
  if (name !== undefined) namedSchemas.set(name, schema).set(lengthsName(name), lengths)
  const compiled = once(() => ({
    validate: compileSchema(schema, name),
    fitsLengths: compileSchema(lengths, name && lengthsName(name)),
  }))
  return (data) => {
    const { validate, fitsLengths } = compiled()
    const strange = unreasonable(data)
    if (strange) return bad(strange)
    const faults = (errors: readonly ErrorObject[] | null | undefined, most: number): Fault[] =>
      (errors ?? []).slice(0, most).map((error) => ({ ...error, data: dataAt(data, error.instancePath) }))
    if (!fitsLengths(data)) return bad(...faults(fitsLengths.errors, MOST_PROBLEMS).map(problemOf))
    if (validate(data)) return good(data as Static<T>)
    const problems = withoutOtherBranches(faults(validate.errors, MOST_ERRORS)).map(problemOf)
    return bad(...problems.slice(0, MOST_PROBLEMS))
  }
}

function once<T>(make: () => T): () => T {
  let made: T | undefined
  return () => (made ??= make())
}
