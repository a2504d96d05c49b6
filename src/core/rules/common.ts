import { Type } from '@sinclair/typebox'
import { about, Id } from '@/core/json/vocabulary'
import { PlainCondition } from '@/core/rules/condition'

export const MODES = ['day', 'night'] as const
/** What every rule has. */
export const common = {
  id: Id,
  off: about('switched off without being lost', Type.Optional(Type.Boolean())),
  note: about('what was noted beside it', Type.Optional(Type.String({ maxLength: 400 }))),
  modes: about(
    'the modes it belongs to; all where none is named',
    Type.Optional(Type.Array(Type.Union(MODES.map((mode) => Type.Literal(mode))), { minItems: 1, maxItems: 2 })),
  ),
  onlyWhile: about(
    'it may ask only while all of these stand; its times run on meanwhile',
    Type.Optional(Type.Array(PlainCondition, { minItems: 1, maxItems: 6 })),
  ),
}
