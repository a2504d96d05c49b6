import { Type } from '@sinclair/typebox'
import { validator } from '@/core/json/validator'
import { OpenItem } from '@/core/record/stillOpen'

/** What was open at a seal, as it was stored. */
export const readOpenItems = validator(Type.Array(OpenItem))
