import { Type, type Static } from '@sinclair/typebox'
import { Id, Percent } from '@/core/response/schema'

const closed = { additionalProperties: false } as const
const orNull = (maximum: number) => Type.Union([Type.Number({ minimum: 0, maximum }), Type.Null()])

/** One line of a speed map: what was set and what was read there. Null: not read. */
export const MapReading = Type.Object(
  {
    id: Id,
    settingPct: Percent,
    rpm: orNull(30000),
    /** Velocity (m/s); with the duct's area it gives flow, as weak evidence. */
    velocityMs: orNull(60),
    /** Flow read directly, by hood or traverse (L/s). */
    flowLs: orNull(1e5),
    soundDb: orNull(140),
    setAside: Type.Boolean(),
    note: Type.String({ maxLength: 200 }),
  },
  closed,
)
export type MapReading = Static<typeof MapReading>

export const FanCalibration = Type.Object(
  {
    fan: Id,
    /** Settings at which it began to turn when raised, and stopped when lowered, one per trial. */
    startsPct: Type.Array(Percent, { maxItems: 20 }),
    stallsPct: Type.Array(Percent, { maxItems: 20 }),
    /** What is added to the start so that it restarts by itself. */
    restartMarginPct: Type.Number({ minimum: 0, maximum: 30 }),
    /** Seconds that the shutters took to open, one a trial, and the lowest speed at which they stay open. */
    shutters: Type.Optional(
      Type.Object(
        {
          opensInS: Type.Array(Type.Number({ minimum: 0, maximum: 600 }), { maxItems: 20 }),
          openFromPct: Type.Union([Percent, Type.Null()]),
        },
        closed,
      ),
    ),
    areaM2: Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 100 }), Type.Null()]),
    map: Type.Array(MapReading, { maxItems: 60 }),
  },
  closed,
)
export type FanCalibration = Static<typeof FanCalibration>

/** A reference and a probe read at the same moment, in °C or %RH. */
export const SensorReading = Type.Object(
  { reference: Type.Number({ minimum: -100, maximum: 1000 }), read: Type.Number({ minimum: -100, maximum: 1000 }) },
  closed,
)
export type SensorReading = Static<typeof SensorReading>

export const CALIBRATION_SCHEMA = 'soft-gale/calibration@1'
export const Calibration = Type.Object(
  {
    schema: Type.Literal(CALIBRATION_SCHEMA),
    fans: Type.Array(FanCalibration, { maxItems: 8 }),
    sensors: Type.Optional(
      Type.Array(Type.Object({ probe: Id, readings: Type.Array(SensorReading, { maxItems: 10 }) }, closed), {
        maxItems: 12,
      }),
    ),
  },
  closed,
)
export type Calibration = Static<typeof Calibration>
