import { Type } from '@sinclair/typebox'

const UUID = '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$'

/** A client-made id: it makes each write safe to send twice. */
export const Uuid = Type.String({ pattern: UUID })
export const isUuid = (text: string): boolean => new RegExp(UUID).test(text)
