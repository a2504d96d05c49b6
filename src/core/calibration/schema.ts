import { Type, type Static } from '@sinclair/typebox'
import { Id, Percent, closed } from '@/core/json/vocabulary'

const orNull = (maximum: number) => Type.Union([Type.Number({ minimum: 0, maximum }), Type.Null()])

/** A day as people write it on a label: 2026-11-25. */
const Day = Type.String({ pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$' })

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
    /** What it was read with, from the register below; the day; the air it was read in (kg/m³). */
    instrument: Type.Optional(Id),
    takenOn: Type.Optional(Day),
    densityKgM3: Type.Optional(Type.Number({ minimum: 0.2, maximum: 3 })),
  },
  closed,
)
export type MapReading = Static<typeof MapReading>

/** One try at a start or a stall, kept as it is made. `trial` counts the trials of its kind from 0. */
export const Try = Type.Object(
  {
    of: Type.Union([Type.Literal('start'), Type.Literal('stall')]),
    trial: Type.Integer({ minimum: 0, maximum: 20 }),
    settingPct: Percent,
    turned: Type.Boolean(),
  },
  closed,
)
export type Try = Static<typeof Try>

export const FanCalibration = Type.Object(
  {
    fan: Id,
    /** Of each trial the lowest setting seen to turn from rest, and the highest at which it was seen to stop. */
    startsPct: Type.Array(Percent, { maxItems: 20 }),
    stallsPct: Type.Array(Percent, { maxItems: 20 }),
    tries: Type.Optional(Type.Array(Try, { maxItems: 400 })),
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

export const INSTRUMENT_KINDS = [
  'hood',
  'anemometer',
  'pitot',
  'tachometer',
  'sound-meter',
  'thermometer',
  'hygrometer',
  'gauges',
  'manometer',
  'voltmeter',
] as const

/** What readings were taken with. */
export const Instrument = Type.Object(
  {
    id: Id,
    name: Type.String({ minLength: 1, maxLength: 60 }),
    kind: Type.Union(INSTRUMENT_KINDS.map((kind) => Type.Literal(kind))),
    /** Percent of the reading, from its certificate; null where nobody knows. */
    accuracyPct: Type.Union([Type.Number({ minimum: 0, maximum: 50 }), Type.Null()]),
    /** Beside or instead of that, ± in its own unit: K, %RH, Pa, V. */
    accuracy: Type.Optional(Type.Union([Type.Number({ minimum: 0, maximum: 1000 }), Type.Null()])),
    calibratedOn: Type.Union([Day, Type.Null()]),
  },
  closed,
)
export type Instrument = Static<typeof Instrument>

/** A place tried for a probe: what it read in the mild case and in the hard one, in °C or %RH. */
export const ProbeSpot = Type.Object(
  {
    id: Id,
    probe: Id,
    place: Type.String({ maxLength: 200 }),
    mild: Type.Union([Type.Number({ minimum: -100, maximum: 1000 }), Type.Null()]),
    hard: Type.Union([Type.Number({ minimum: -100, maximum: 1000 }), Type.Null()]),
  },
  closed,
)
export type ProbeSpot = Static<typeof ProbeSpot>

/** Supply and extract read terminal by terminal, with each fan at one setting. */
export const Balance = Type.Object(
  {
    supplyPct: Percent,
    extractPct: Percent,
    /** How far the two totals may lie apart, and a terminal from what it should have, percent. */
    tolerancePct: Type.Number({ minimum: 1, maximum: 30 }),
    terminals: Type.Array(
      Type.Object(
        {
          id: Id,
          name: Type.String({ minLength: 1, maxLength: 60 }),
          side: Type.Union([Type.Literal('supply'), Type.Literal('extract')]),
          wantedLs: Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 1e5 }), Type.Null()]),
          readLs: Type.Union([Type.Number({ minimum: 0, maximum: 1e5 }), Type.Null()]),
        },
        closed,
      ),
      { maxItems: 40 },
    ),
  },
  closed,
)
export type Balance = Static<typeof Balance>

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
    instruments: Type.Optional(Type.Array(Instrument, { maxItems: 20 })),
    /** The air in the duct while reading: what makes a density of a velocity pressure and of a fan's power. */
    air: Type.Optional(
      Type.Object(
        {
          tempC: Type.Number({ minimum: -50, maximum: 300 }),
          humidityPct: Type.Number({ minimum: 0, maximum: 100 }),
          altitudeM: Type.Number({ minimum: -400, maximum: 5000 }),
        },
        closed,
      ),
    ),
    spots: Type.Optional(Type.Array(ProbeSpot, { maxItems: 40 })),
    /** High-side pressure on the gauges (kPa above the air) while the spots were read. */
    gaugeKpa: Type.Optional(Type.Number({ minimum: -100, maximum: 10000 })),
    balance: Type.Optional(Balance),
  },
  closed,
)
export type Calibration = Static<typeof Calibration>
