import { Type, type Static } from '@sinclair/typebox'
import { about, closed, documentSchema, Id, Percent } from '@/core/json/vocabulary'
import { DRIVES } from '@/core/space/model'

const DriveName = about('what it moves', Type.Union(DRIVES.map((drive) => Type.Literal(drive))))
const AtS = about('when, seconds from the start', Type.Number({ minimum: 0, maximum: 400 * 86400 }))
const LengthS = about('how long, seconds', Type.Number({ exclusiveMinimum: 0, maximum: 400 * 86400 }))

/** One thing that moves, as points over time. */
const Line = Type.Object(
  {
    drive: DriveName,
    how: about(
      'straight from point to point, or held until the next',
      Type.Union([Type.Literal('straight'), Type.Literal('steps')]),
    ),
    daily: about('points of one day from midnight, over again each day', Type.Boolean()),
    points: about(
      'the points, seconds from the start (or from midnight) and the value there, in time order',
      Type.Array(
        Type.Object(
          { atS: AtS, value: about('the value there, in its own unit', Type.Number({ minimum: -1e6, maximum: 1e6 })) },
          closed,
        ),
        {
          minItems: 1,
          maxItems: 12000,
        },
      ),
    ),
    dayShift: about(
      'what each day adds to a daily line, first day first, over again where there are more days',
      Type.Optional(Type.Array(Type.Number({ minimum: -1e5, maximum: 1e5 }), { maxItems: 400 })),
    ),
    wander: about(
      'how far it wanders about the line by chance, and how slowly; by the seed',
      Type.Optional(
        Type.Object(
          {
            by: about('root mean square, in its own unit', Type.Number({ minimum: 0, maximum: 1e5 })),
            overS: about('correlation time, seconds', Type.Number({ exclusiveMinimum: 0, maximum: 1e6 })),
          },
          closed,
        ),
      ),
    ),
  },
  closed,
)
export type Line = Static<typeof Line>

const called = about('what it is called on the time line', Type.Optional(Type.String({ minLength: 1, maxLength: 60 })))
const whole = { name: called, atS: AtS, lengthS: LengthS }

/** A thing that happens. */
const ScenarioEvent = Type.Union([
  Type.Object({ kind: about('the supply is away', Type.Literal('power-cut')), ...whole }, closed),
  Type.Object(
    {
      kind: about('the supply dips', Type.Literal('brown-out')),
      ...whole,
      supplyPct: about('what is left of its voltage, percent', Type.Number({ minimum: 30, maximum: 99 })),
    },
    closed,
  ),
  Type.Object({ kind: about('a contact is closed', Type.Literal('contact')), ...whole, input: Id }, closed),
  Type.Object(
    {
      kind: about('something is wrong with a probe', Type.Literal('probe')),
      ...whole,
      input: Id,
      fault: about(
        'what is wrong: lead off, leads touching, stays at a reading, drifts, leads of two changed over',
        Type.Union((['open', 'short', 'stuck', 'drifting', 'swapped'] as const).map((fault) => Type.Literal(fault))),
      ),
      driftPerH: about(
        'of a drifting one: how fast, a unit an hour',
        Type.Optional(Type.Number({ minimum: -100, maximum: 100 })),
      ),
      swappedWith: about('of a swapped one: the input whose lead it has', Type.Optional(Id)),
    },
    closed,
  ),
  Type.Object(
    {
      kind: about('something is wrong with a fan', Type.Literal('fan')),
      ...whole,
      fan: Id,
      toPct: about('what is left of its flow: 0 where it stands', Percent),
      gradual: about('comes on over the length, as a filter loads', Type.Boolean()),
    },
    closed,
  ),
  Type.Object(
    {
      kind: about('something is at another value', Type.Literal('drive')),
      ...whole,
      drive: DriveName,
      value: about('the value it is at, in its own unit', Type.Number({ minimum: -1e6, maximum: 1e6 })),
    },
    closed,
  ),
])
export type ScenarioEvent = Static<typeof ScenarioEvent>

export const SCENARIO_SCHEMA = 'soft-gale/scenario@1'
/** What happens: weather, people and loads as lines, events and faults, for so many days. */
export const Scenario = Type.Object(
  {
    schema: documentSchema(SCENARIO_SCHEMA),
    id: Id,
    name: about('what people call it', Type.String({ minLength: 1, maxLength: 60 })),
    tries: about('what it tries', Type.String({ maxLength: 200 })),
    days: about('how many days', Type.Integer({ minimum: 1, maximum: 366 })),
    startsOn: about('its first day', Type.String({ pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$' })),
    seed: about('seed of all that is by chance', Type.Integer({ minimum: 0, maximum: 4294967295 })),
    lines: about('what moves', Type.Array(Line, { maxItems: DRIVES.length })),
    traffic: about(
      'people through the door by chance',
      Type.Optional(
        Type.Object(
          {
            perHour: about(
              'openings an hour, for each hour of the day',
              Type.Array(Type.Number({ minimum: 0, maximum: 600 }), { minItems: 24, maxItems: 24 }),
            ),
            openS: about('how long it stands open, mean, seconds', Type.Number({ minimum: 1, maximum: 3600 })),
          },
          closed,
        ),
      ),
    ),
    events: about('what happens', Type.Array(ScenarioEvent, { maxItems: 60 })),
  },
  closed,
)
export type Scenario = Static<typeof Scenario>

/** Days of its own that an installation may have. */
export const MOST_OWN_DAYS = 6
