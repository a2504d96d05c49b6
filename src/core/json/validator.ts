import type { Static, TSchema } from '@sinclair/typebox'
import type { ErrorObject } from 'ajv'
import { compileSchema } from '#compileSchema'
import { fail, ok, type Outcome, type Problem } from '@/core/json/problem'
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

const LENGTHS: Readonly<Record<string, 'items' | 'characters' | 'properties'>> = {
  maxItems: 'items',
  minItems: 'items',
  maxLength: 'characters',
  minLength: 'characters',
  maxProperties: 'properties',
}

function problemOf(error: Fault): Problem {
  const { keyword } = error
  const path = dotted(error.instancePath)
  const params = error.params as Record<string, unknown>
  const got = shown(error.data)
  switch (keyword) {
    case 'required':
      return { code: 'missing', path, what: `“${String(params.missingProperty)}”` }
    case 'additionalProperties':
      return { code: 'unknown_key', path, key: String(params.additionalProperty) }
    case 'oneOfThese':
      return { code: 'not_one_of', path, got, known: params.allowed as string[] }
    case 'const':
      return { code: 'other_value', path, got, wanted: shown(params.allowedValue) }
    case 'type':
      return { code: 'other_type', path, got, wanted: String(params.type) }
    case 'minimum':
    case 'maximum':
    case 'exclusiveMinimum':
    case 'exclusiveMaximum':
      return { code: 'out_of_bound', path, got, bound: `${String(params.comparison)} ${String(params.limit)}` }
    case 'pattern':
      return params.pattern === '\\S' ? { code: 'blank', path } : { code: 'no_short_name', path, got }
    default: {
      const of = LENGTHS[keyword]
      return of
        ? { code: 'length', path, got, of, isMost: keyword.startsWith('max'), limit: Number(params.limit) }
        : { code: 'does_not_fit', path, got, rule: keyword }
    }
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
    if (strange) return fail(strange)
    const faults = (errors: readonly ErrorObject[] | null | undefined, most: number): Fault[] =>
      (errors ?? []).slice(0, most).map((error) => ({ ...error, data: dataAt(data, error.instancePath) }))
    if (!fitsLengths(data)) return fail(...faults(fitsLengths.errors, MOST_PROBLEMS).map(problemOf))
    if (validate(data)) return ok(data as Static<T>)
    const problems = withoutOtherBranches(faults(validate.errors, MOST_ERRORS)).map(problemOf)
    return fail(...problems.slice(0, MOST_PROBLEMS))
  }
}

function once<T>(make: () => T): () => T {
  let made: T | undefined
  return () => (made ??= make())
}
