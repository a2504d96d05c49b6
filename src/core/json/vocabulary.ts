import { Type, type TSchema } from '@sinclair/typebox'

// What the schemas of all documents share.

/** Nothing but what the schema names is accepted. */
export const closed = { additionalProperties: false } as const

/** A field with what it means: shape, unit, range. It goes into the published schema. */
export const about = <T extends TSchema>(description: string, schema: T): T => ({ ...schema, description })

export const Id = Type.String({
  pattern: '^[A-Za-z][A-Za-z0-9-]{0,39}$',
  description: 'a short name: letters, digits and hyphens',
})
export const Percent = Type.Number({ minimum: 0, maximum: 100, description: 'percent of the fan’s own range' })
export const Seconds = Type.Number({ minimum: 0, maximum: 604800, description: 'seconds' })
export const Name = Type.String({ minLength: 1, maxLength: 80, description: 'what people call it' })

/** The line of a document that says what it is, and its version. */
export const documentSchema = <T extends string>(name: T) =>
  about('what this document is, and its version', Type.Literal(name))

/** A value, or null where nothing is known of it. */
export const orNull = <T extends TSchema>(schema: T) => Type.Union([schema, Type.Null()])

/** A date, YYYY-MM-DD. */
export const Day = Type.String({ pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$' })
