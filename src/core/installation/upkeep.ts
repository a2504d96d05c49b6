import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Day, Id, Name } from '@/core/json/vocabulary'

/** Something that is done again and again: a filter, an alarm that is tried, a generator that is run. */
export const UpkeepTask = Type.Object(
  {
    id: about('of the task', Id),
    name: about('what is done', Name),
    everyDays: about('how often, days', Type.Integer({ minimum: 1, maximum: 3660 })),
    lastOn: about('when it was done last; null: not yet', Type.Union([Day, Type.Null()])),
  },
  closed,
)
export type UpkeepTask = Static<typeof UpkeepTask>

export const MOST_TASKS = 20

/** What comes after the job: who was shown how it works, the next visit, what is done again and again. */
export const Upkeep = Type.Object(
  {
    told: about(
      'who was shown how it works, and when',
      Type.Optional(
        Type.Object({ who: about('by name or part', Name), on: about('the day, YYYY-MM-DD', Day) }, closed),
      ),
    ),
    nextVisitOn: about('when somebody looks at it again', Type.Optional(Day)),
    tasks: about('what is done again and again', Type.Optional(Type.Array(UpkeepTask, { maxItems: MOST_TASKS }))),
  },
  closed,
)
export type Upkeep = Static<typeof Upkeep>
