import { Type, type Static } from '@sinclair/typebox'
import { Brief } from '@/core/brief/schema'
import { Calibration } from '@/core/calibration/schema'
import { SEVERITIES } from '@/core/json/severity'
import { about, closed, documentSchema } from '@/core/json/vocabulary'
import { Kit } from '@/core/kit/schema'
import { Upkeep } from '@/core/installation/upkeep'
import { Response } from '@/core/response/schema'
import { MOST_REHEARSED, Rehearsed } from '@/core/scenario/rehearsed'
import { MOST_OWN_DAYS, Scenario } from '@/core/scenario/schema'
import { Space } from '@/core/space/schema'

const SettingValue = Type.Object(
  {
    setting: about('id of a setting of the controller', Type.String({ maxLength: 60 })),
    value: about('its value, in the base unit of the setting', Type.Number()),
  },
  closed,
)

/** Where the hand is at the controller: what the panel showed before, and which actions are done with which value. */
export const DialState = Type.Object(
  {
    present: about('what the panel showed before', Type.Array(SettingValue, { maxItems: 60 })),
    done: about(
      'actions that are done',
      Type.Array(
        Type.Object(
          {
            action: about('id of the action', Type.String({ maxLength: 80 })),
            value: about('with which value; null where it has none', Type.Union([Type.Number(), Type.Null()])),
          },
          closed,
        ),
        { maxItems: 100 },
      ),
    ),
    decided: about(
      'values decided here of settings that stand for nothing in the response',
      Type.Optional(Type.Array(SettingValue, { maxItems: 60 })),
    ),
    readBack: about(
      'what settings showed when they were read back after entering',
      Type.Optional(Type.Array(SettingValue, { maxItems: 60 })),
    ),
    cannot: about(
      'actions that cannot be done here, with why',
      Type.Optional(
        Type.Array(
          Type.Object(
            {
              action: about('id of the action', Type.String({ maxLength: 80 })),
              reason: about('why', Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' })),
            },
            closed,
          ),
          { maxItems: 100 },
        ),
      ),
    ),
    reasons: about(
      'why commissioned settings are changed',
      Type.Optional(
        Type.Array(
          Type.Object(
            {
              setting: about('id of a setting of the controller', Type.String({ maxLength: 60 })),
              reason: about('why', Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' })),
            },
            closed,
          ),
          { maxItems: 60 },
        ),
      ),
    ),
  },
  closed,
)
export type DialState = Static<typeof DialState>

/** A judgement that someone read and left as it is, with why: by its code and place, how grave it was and on which figure. `text` is for the
 *  record. */
export const Dismissed = Type.Object(
  {
    judgement: about('code and place of the judgement', Type.String({ minLength: 1, maxLength: 160 })),
    text: about('what it said, for the record', Type.String({ maxLength: 1200 })),
    reason: about('why it stays, at least three signs', Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' })),
    severity: about(
      'how grave it was',
      Type.Optional(Type.Union(SEVERITIES.map((severity) => Type.Literal(severity)))),
    ),
    figure: about('the figure it was about', Type.Optional(Type.Number())),
  },
  closed,
)
export type Dismissed = Static<typeof Dismissed>

export const INSTALLATION_SCHEMA = 'soft-gale/installation@2'

/** Everything that is decided about one installation: the working copy, and what a seal keeps for good. */
export const Installation = Type.Object(
  {
    schema: documentSchema(INSTALLATION_SCHEMA),
    name: about('what people call it', Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' })),
    brief: about('what it is for', Brief),
    kit: about('what it is made of', Kit),
    calibration: about('what was measured of it', Calibration),
    response: about('what it is to do', Response),
    dial: about('how far it is entered at the controller', DialState),
    dismissed: about(
      'judgements that someone read and left as they are',
      Type.Optional(Type.Array(Dismissed, { maxItems: 60 })),
    ),
    space: about('the space it is rehearsed in, where somebody changed or learnt it', Type.Optional(Space)),
    scenarios: about('days of its own', Type.Optional(Type.Array(Scenario, { maxItems: MOST_OWN_DAYS }))),
    upkeep: about('what comes after the job', Type.Optional(Upkeep)),
    rehearsed: about('what rehearsals came to', Type.Optional(Type.Array(Rehearsed, { maxItems: MOST_REHEARSED }))),
  },
  closed,
)
export type Installation = Static<typeof Installation>
