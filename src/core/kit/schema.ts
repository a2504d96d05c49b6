import { Type, type Static } from '@sinclair/typebox'
import { ControllerModel } from '@/core/controller/schema'
import { about, Id, Percent, closed, orNull, documentSchema } from '@/core/json/vocabulary'
import { BEARINGS, MOTOR_KINDS } from '@/core/kit/kinds'
import { Signal } from '@/core/physics/signal'

const Positive = (maximum: number) => Type.Number({ exclusiveMinimum: 0, maximum })

export const Fan = Type.Object(
  {
    id: Id,
    name: about('what people call it', Type.String({ minLength: 1, maxLength: 60 })),
    output: about(
      'the output of the controller that drives it; null: none yet',
      orNull(Type.String({ maxLength: 40 })),
    ),
    count: about(
      'how many like it hang on this output, run together; one where nothing is said',
      Type.Optional(orNull(Type.Integer({ minimum: 1, maximum: 24 }))),
    ),
    signal: about('what its motor is driven by', Signal),
    motor: about('what kind of motor it is', Type.Union(MOTOR_KINDS.map((kind) => Type.Literal(kind)))),
    bearings: about('what its motor runs in', Type.Union(BEARINGS.map((kind) => Type.Literal(kind)))),
    ratedFlowLs: about('free-blowing flow by its plate, L/s; null: not known', orNull(Positive(1e5))),
    ratedPowerW: about('power by its plate, W; null: not known', orNull(Positive(1e5))),
    ratedCurrentA: about('current by its plate, A; null: not known', orNull(Positive(200))),
    ratedRpm: about('revolutions a minute by its plate; null: not known', orNull(Positive(30000))),
    coolingFloorPct: about(
      'lowest speed at which the motor still cools itself, from its plate or leaflet',
      orNull(Percent),
    ),
  },
  closed,
)
export type Fan = Static<typeof Fan>

/** How many fans hang on an output under one name. */
export const countOf = ({ count }: Pick<Fan, 'count'>): number => count ?? 1

export const Probe = Type.Object(
  {
    id: Id,
    input: about('the response input it serves', Id),
    name: about('what people call it', Type.String({ minLength: 1, maxLength: 60 })),
    quantity: about('what it measures', Type.Union([Type.Literal('temperature'), Type.Literal('humidity')])),
    survivesToC: about(
      'hottest it survives (°C); null where nobody knows',
      orNull(Type.Number({ minimum: -60, maximum: 1000 })),
    ),
    resolution: about('smallest change it shows, in K or %RH', Type.Number({ exclusiveMinimum: 0, maximum: 20 })),
    accuracy: about(
      'how far it may be off, ± in K or %RH, from its leaflet; null where nobody knows',
      Type.Optional(orNull(Type.Number({ minimum: 0, maximum: 20 }))),
    ),
    builtIn: about('sits inside the controller and cannot be unplugged', Type.Optional(Type.Boolean())),
    place: about('where it hangs', Type.String({ maxLength: 200 })),
  },
  closed,
)
export type Probe = Static<typeof Probe>

/** What is wired where, as the technician wrote it down. */
export const Terminal = Type.Object(
  {
    terminal: about('the mark at the controller', Type.String({ maxLength: 80 })),
    wire: about('colour or mark of the wire', Type.String({ maxLength: 80 })),
    goesTo: about('where it goes', Type.String({ maxLength: 80 })),
  },
  closed,
)
export type Terminal = Static<typeof Terminal>

export const KIT_SCHEMA = 'soft-gale/kit@2'
export const Kit = Type.Object(
  {
    schema: documentSchema(KIT_SCHEMA),
    controller: about('the chosen controller, whole; null: not chosen', orNull(ControllerModel)),
    deratedToPct: about(
      'what the place where it hangs leaves of the controller’s rated current, from its leaflet; all of it where nothing is said',
      Type.Optional(Type.Number({ minimum: 10, maximum: 100 })),
    ),
    fans: about('the fans', Type.Array(Fan, { minItems: 1, maxItems: 8 })),
    probes: about('the probes', Type.Array(Probe, { maxItems: 12 })),
    mounting: about(
      'answers to the looks at wiring and mounting, by the question’s id; one that is missing was not looked at yet',
      Type.Optional(
        Type.Record(
          Type.String({ pattern: '^[a-z][a-z-]{0,30}$' }),
          Type.Union([Type.Literal('yes'), Type.Literal('no')]),
        ),
      ),
    ),
    terminals: about('what is wired where', Type.Optional(Type.Array(Terminal, { maxItems: 40 }))),
  },
  closed,
)
export type Kit = Static<typeof Kit>
