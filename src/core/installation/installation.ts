import { Type, type Static } from '@sinclair/typebox'
import { Brief } from '@/core/brief/schema'
import { Calibration } from '@/core/calibration/schema'
import { SEVERITIES } from '@/core/json/severity'
import { closed } from '@/core/json/vocabulary'
import { Kit } from '@/core/kit/schema'
import { Response } from '@/core/response/schema'

const SettingValue = Type.Object({ setting: Type.String({ maxLength: 60 }), value: Type.Number() }, closed)

/** Where the hand is at the controller: what the panel showed before, and which actions are done with which value. */
export const DialState = Type.Object(
  {
    present: Type.Array(SettingValue, { maxItems: 60 }),
    done: Type.Array(
      Type.Object({ action: Type.String({ maxLength: 80 }), value: Type.Union([Type.Number(), Type.Null()]) }, closed),
      { maxItems: 100 },
    ),
  },
  closed,
)
export type DialState = Static<typeof DialState>

/** A judgement that someone read and left as it is, with why: by its code and place, how grave it was and on which figure. `said` is for the
 *  record. */
export const Dismissed = Type.Object(
  {
    judgement: Type.String({ minLength: 1, maxLength: 160 }),
    said: Type.String({ maxLength: 1200 }),
    reason: Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' }),
    severity: Type.Optional(Type.Union(SEVERITIES.map((severity) => Type.Literal(severity)))),
    figure: Type.Optional(Type.Number()),
  },
  closed,
)
export type Dismissed = Static<typeof Dismissed>

export const INSTALLATION_SCHEMA = 'soft-gale/installation@1'

/** Everything that is decided about one installation: the working copy, and what a seal keeps for good. */
export const Installation = Type.Object(
  {
    schema: Type.Literal(INSTALLATION_SCHEMA),
    name: Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' }),
    brief: Brief,
    kit: Kit,
    calibration: Calibration,
    response: Response,
    dial: DialState,
    dismissed: Type.Optional(Type.Array(Dismissed, { maxItems: 60 })),
  },
  closed,
)
export type Installation = Static<typeof Installation>
