import type { TSchema } from '@sinclair/typebox'
import Ajv from 'ajv'
import { oneOf } from '@/testing/seeded'

type Random = () => number
type Json = null | boolean | number | string | Json[] | { [key: string]: Json }

const ajv = new Ajv({ strict: false })
const compiled = new WeakMap<TSchema, (data: unknown) => boolean>()
function fits(schema: TSchema, data: unknown): boolean {
  let check = compiled.get(schema)
  if (!check) {
    const made = ajv.compile(schema)
    check = (value) => made(value)
    compiled.set(schema, check)
  }
  return check(data)
}

const isObject = (value: unknown): value is { [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Figures at which programs break, and plain ones. */
const FIGURES = [0, 1, 20, 21.5, 40, 99, 100, -1, -40, 0.1, 1e-9, 300, 1440, 86400, 1e6, 1e15, 1e300, -1e300]
const WORDS = [
  'a',
  'fan',
  'Ü “quoted” ✓',
  '=1+1',
  '2026-02-31',
  '2026-11-12',
  '  x  ',
  'x'.repeat(60),
  'startKick',
  'finalRunOn',
  'rate',
  'scanS',
  'stages',
  'keeps',
  'heaterPurge',
  'light',
  'dayByWeek',
  'overrides.overheat',
  'overrides.test',
  'overrides.isolated',
  'reductions.0',
  'skipBands.0',
  'rules.none',
]

function number(schema: TSchema, random: Random): number {
  const { minimum, maximum, exclusiveMinimum, type } = schema as {
    minimum?: number
    maximum?: number
    exclusiveMinimum?: number
    type?: string
  }
  const low = minimum ?? exclusiveMinimum
  const edges = [
    low,
    maximum,
    low !== undefined && maximum !== undefined ? low + (maximum - low) * random() : undefined,
  ]
  const all = [...FIGURES, ...edges.filter((x) => x !== undefined)].map((x) => (type === 'integer' ? Math.round(x) : x))
  const fitting = all.filter((x) => fits(schema, x))
  return fitting.length > 0 ? oneOf(random, fitting) : (low ?? 0)
}

/** Any value of a schema, at its edges more often than inside; `words` are ids that mean something in the document. */
function anyValue(schema: TSchema, random: Random, words: readonly string[], depth = 0): Json {
  const {
    anyOf,
    items,
    properties,
    required = [],
    patternProperties,
    minItems = 0,
    maxItems = 3,
  } = schema as {
    anyOf?: TSchema[]
    items?: TSchema
    properties?: Record<string, TSchema>
    required?: string[]
    patternProperties?: Record<string, TSchema>
    minItems?: number
    maxItems?: number
  }
  if (anyOf) return anyValue(oneOf(random, anyOf), random, words, depth)
  if ('const' in schema) return schema.const as Json
  const { type = 'object' } = schema as { type?: string }
  switch (type) {
    case 'null':
      return null
    case 'boolean':
      return random() < 0.5
    case 'integer':
    case 'number':
      return number(schema, random)
    case 'string': {
      const fitting = [...words, ...WORDS].filter((word) => fits(schema, word))
      return fitting.length > 0 ? oneOf(random, fitting) : 'x'
    }
    case 'array': {
      const most = Math.max(minItems, Math.min(maxItems, depth > 3 ? 1 : 3))
      const count = minItems + Math.floor(random() * (most - minItems + 1))
      return Array.from({ length: count }, () => anyValue(items!, random, words, depth + 1))
    }
    default: {
      const held = Object.entries(properties ?? {}).filter(([key]) => required.includes(key) || random() < 0.3)
      const named = Object.entries(patternProperties ?? {}).flatMap(([pattern, of]) =>
        random() < 0.5
          ? [...words, ...WORDS]
              .filter((word) => new RegExp(pattern).test(word))
              .slice(0, 2)
              .map((word) => [word, of] as const)
          : [],
      )
      return Object.fromEntries([...held, ...named].map(([key, of]) => [key, anyValue(of, random, words, depth + 1)]))
    }
  }
}

/** The branch of a schema that a value was made by. */
const branchOf = (schema: TSchema, value: Json): TSchema => {
  const { anyOf } = schema as { anyOf?: TSchema[] }
  const branch = anyOf?.find((candidate) => fits(candidate, value))
  return branch ? branchOf(branch, value) : schema
}

function words(value: Json, found = new Set<string>()): Set<string> {
  if (typeof value === 'string' && value.length <= 40) found.add(value)
  else if (Array.isArray(value)) value.forEach((item) => words(item, found))
  else if (isObject(value)) Object.values(value).forEach((item) => words(item, found))
  return found
}

function change(schema: TSchema, value: Json, random: Random, known: readonly string[]): Json {
  const branch = branchOf(schema, value)
  const stops = random() < 0.12
  if (Array.isArray(value) && 'items' in branch && !stops) {
    const of = (branch as unknown as { items: TSchema }).items
    const turn = random()
    const at = Math.floor(random() * value.length)
    if (value.length === 0 || turn < 0.15) return [...value, anyValue(of, random, known)]
    if (turn < 0.25) return value.filter((_item, index) => index !== at)
    if (turn < 0.32) return [...value, structuredClone(value[at]!)]
    return value.map((item, index) => (index === at ? change(of, item, random, known) : item))
  }
  if (isObject(value) && 'properties' in branch && !stops) {
    const { properties, required = [] } = branch as unknown as {
      properties: Record<string, TSchema>
      required?: string[]
    }
    const key = oneOf(random, Object.keys(properties))
    if (key === 'schema') return value
    if (!(key in value)) return { ...value, [key]: anyValue(properties[key]!, random, known) }
    if (!required.includes(key) && random() < 0.2)
      return Object.fromEntries(Object.entries(value).filter(([name]) => name !== key))
    return { ...value, [key]: change(properties[key]!, value[key]!, random, known) }
  }
  return anyValue(schema, random, known)
}

/** A document of a schema with some of its parts put to other values that the schema allows. It may well contradict itself. */
export function mutate(schema: TSchema, document: unknown, random: Random, changes: number): unknown {
  const known = [...words(document as Json)]
  let value = document as Json
  for (let count = 0; count < changes; count++) value = change(schema, value, random, known)
  return value
}
