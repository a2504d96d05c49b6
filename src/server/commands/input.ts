import { Type } from '@sinclair/typebox'

const UUID = '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$'

/** A client-made id: it makes each write safe to send twice. */
export const Uuid = Type.String({ pattern: UUID })
export const isUuid = (text: string): boolean => new RegExp(UUID).test(text)

/** An instant by the clock of whoever sends it. */
export const Instant = Type.String({ maxLength: 40, pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?Z$' })

/** What people call something: one word at least. */
export const Named = Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' })
