import { Type, type Static } from '@sinclair/typebox'
import { ControllerModel } from '@/core/controller/schema'
import { Id, Percent, closed, orNull } from '@/core/json/vocabulary'
import { BEARINGS, MOTOR_KINDS } from '@/core/kit/kinds'
import { Signal } from '@/core/physics/signal'

const Positive = (maximum: number) => Type.Number({ exclusiveMinimum: 0, maximum })

export const Fan = Type.Object(
  {
    id: Id,
    name: Type.String({ minLength: 1, maxLength: 60 }),
    output: orNull(Type.String({ maxLength: 40 })),
    signal: Signal,
    motor: Type.Union(MOTOR_KINDS.map((kind) => Type.Literal(kind))),
    bearings: Type.Union(BEARINGS.map((kind) => Type.Literal(kind))),
    ratedFlowLs: orNull(Positive(1e5)),
    ratedPowerW: orNull(Positive(1e5)),
    ratedCurrentA: orNull(Positive(200)),
    ratedRpm: orNull(Positive(30000)),
    /** Lowest speed at which the motor still cools itself, from its plate or leaflet. */
    coolingFloorPct: orNull(Percent),
  },
  closed,
)
export type Fan = Static<typeof Fan>

export const Probe = Type.Object(
  {
    id: Id,
    /** The response input it serves. */
    input: Id,
    name: Type.String({ minLength: 1, maxLength: 60 }),
    quantity: Type.Union([Type.Literal('temperature'), Type.Literal('humidity')]),
    /** Hottest it survives (°C); null where nobody knows. */
    survivesToC: orNull(Type.Number({ minimum: -60, maximum: 1000 })),
    /** Smallest change it shows, in K or %RH. */
    resolution: Type.Number({ exclusiveMinimum: 0, maximum: 20 }),
    /** How far it may be off, ± in K or %RH, from its leaflet; null where nobody knows. */
    accuracy: Type.Optional(orNull(Type.Number({ minimum: 0, maximum: 20 }))),
    /** Sits inside the controller and cannot be unplugged. */
    builtIn: Type.Optional(Type.Boolean()),
    place: Type.String({ maxLength: 200 }),
  },
  closed,
)
export type Probe = Static<typeof Probe>

/** What is wired where, as the technician wrote it down. */
export const Terminal = Type.Object(
  {
    terminal: Type.String({ maxLength: 80 }),
    wire: Type.String({ maxLength: 80 }),
    goesTo: Type.String({ maxLength: 80 }),
  },
  closed,
)
export type Terminal = Static<typeof Terminal>

export const KIT_SCHEMA = 'soft-gale/kit@1'
export const Kit = Type.Object(
  {
    schema: Type.Literal(KIT_SCHEMA),
    controller: orNull(ControllerModel),
    /** What the place where it hangs leaves of the controller’s rated current, from its leaflet; all of it where nothing is said. */
    deratedToPct: Type.Optional(Type.Number({ minimum: 10, maximum: 100 })),
    fans: Type.Array(Fan, { minItems: 1, maxItems: 8 }),
    probes: Type.Array(Probe, { maxItems: 12 }),
    /** Answers to the looks at wiring and mounting, by the question’s id; one that is missing was not looked at yet. */
    mounting: Type.Optional(
      Type.Record(
        Type.String({ pattern: '^[a-z][a-z-]{0,30}$' }),
        Type.Union([Type.Literal('yes'), Type.Literal('no')]),
      ),
    ),
    terminals: Type.Optional(Type.Array(Terminal, { maxItems: 40 })),
  },
  closed,
)
export type Kit = Static<typeof Kit>
