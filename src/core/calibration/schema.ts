import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Day, documentSchema, Id, Percent } from '@/core/json/vocabulary'

const orNull = (maximum: number) => Type.Union([Type.Number({ minimum: 0, maximum }), Type.Null()])

/** One line of a speed map: what was set and what was read there. Null: not read. */
export const MapReading = Type.Object(
  {
    id: Id,
    settingPct: about('what was set, percent', Percent),
    rpm: about('revolutions a minute; null: not read', orNull(30000)),
    velocityMs: about("velocity (m/s); with the duct's area it gives flow, as weak evidence", orNull(60)),
    flowLs: about('flow read directly, by hood or traverse (L/s)', orNull(1e5)),
    soundDb: about('sound pressure level, dB(A); null: not read', orNull(140)),
    powerW: about('power taken by all on this output, W; null: not read', Type.Optional(orNull(1e5))),
    setAside: about('doubted, and left out of the map', Type.Boolean()),
    note: about('what was noted beside it', Type.String({ maxLength: 200 })),
    instrument: about('what it was read with, an id of the register of instruments', Type.Optional(Id)),
    takenOn: about('the day it was read', Type.Optional(Day)),
    densityKgM3: about(
      'density of the air it was read in, kg/m³',
      Type.Optional(Type.Number({ minimum: 0.2, maximum: 3 })),
    ),
  },
  closed,
)
export type MapReading = Static<typeof MapReading>

/** One try at a start or a stall, kept as it is made. `trial` counts the trials of its kind from 0. */
export const Try = Type.Object(
  {
    of: about(
      'what was tried: a start from rest, a stall from running',
      Type.Union([Type.Literal('start'), Type.Literal('stall')]),
    ),
    trial: about('which trial of its kind, counted from 0', Type.Integer({ minimum: 0, maximum: 20 })),
    settingPct: about('what was set, percent', Percent),
    turned: about('whether the fan turned', Type.Boolean()),
  },
  closed,
)
export type Try = Static<typeof Try>

export const FanCalibration = Type.Object(
  {
    fan: about('the fan, an id of the kit', Id),
    startsPct: about(
      'of each trial the lowest setting seen to turn it from rest, percent',
      Type.Array(Percent, { maxItems: 20 }),
    ),
    stallsPct: about(
      'of each trial the highest setting at which it was seen to stop, percent',
      Type.Array(Percent, { maxItems: 20 }),
    ),
    tries: about('every try as it was made', Type.Optional(Type.Array(Try, { maxItems: 400 }))),
    restartMarginPct: about(
      'what is added to the start so that it restarts by itself',
      Type.Number({ minimum: 0, maximum: 30 }),
    ),
    shutters: about(
      'back-draught shutters of the fan',
      Type.Optional(
        Type.Object(
          {
            opensInS: about(
              'how long the shutters took to open, one a trial, seconds',
              Type.Array(Type.Number({ minimum: 0, maximum: 600 }), { maxItems: 20 }),
            ),
            openFromPct: about(
              'lowest speed at which they stay open, percent; null: not tried',
              Type.Union([Percent, Type.Null()]),
            ),
          },
          closed,
        ),
      ),
    ),
    areaM2: about(
      'free area where velocity was read, m²; null: not known',
      Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 100 }), Type.Null()]),
    ),
    map: about('readings of the speed map', Type.Array(MapReading, { maxItems: 60 })),
  },
  closed,
)
export type FanCalibration = Static<typeof FanCalibration>

/** A reference and a probe read at the same moment, in °C or %RH. */
export const SensorReading = Type.Object(
  {
    reference: about('what the reference read, °C or %RH', Type.Number({ minimum: -100, maximum: 1000 })),
    read: about(
      'what the probe read at the same moment, in the same unit',
      Type.Number({ minimum: -100, maximum: 1000 }),
    ),
  },
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
    name: about('what people call it', Type.String({ minLength: 1, maxLength: 60 })),
    kind: about('what it is', Type.Union(INSTRUMENT_KINDS.map((kind) => Type.Literal(kind)))),
    accuracyPct: about(
      'percent of the reading, from its certificate; null where nobody knows',
      Type.Union([Type.Number({ minimum: 0, maximum: 50 }), Type.Null()]),
    ),
    accuracy: about(
      'beside or instead of that, ± in its own unit: K, %RH, Pa, V',
      Type.Optional(Type.Union([Type.Number({ minimum: 0, maximum: 1000 }), Type.Null()])),
    ),
    calibratedOn: about('day of its last calibration; null: not known', Type.Union([Day, Type.Null()])),
  },
  closed,
)
export type Instrument = Static<typeof Instrument>

/** A place tried for a probe: what it read in the mild case and in the hard one, in °C or %RH. */
export const ProbeSpot = Type.Object(
  {
    id: Id,
    probe: about('the probe, an id of the kit', Id),
    place: about('where it was held', Type.String({ maxLength: 200 })),
    mild: about(
      'what it read in the mild case, °C or %RH; null: not read',
      Type.Union([Type.Number({ minimum: -100, maximum: 1000 }), Type.Null()]),
    ),
    hard: about(
      'what it read in the hard case, in the same unit; null: not read',
      Type.Union([Type.Number({ minimum: -100, maximum: 1000 }), Type.Null()]),
    ),
  },
  closed,
)
export type ProbeSpot = Static<typeof ProbeSpot>

/** Supply and extract read terminal by terminal, with each fan at one setting. */
export const Balance = Type.Object(
  {
    supplyPct: about('setting of the supply fan, percent', Percent),
    extractPct: about('setting of the extract fan, percent', Percent),
    tolerancePct: about(
      'how far the two totals may lie apart, and a terminal from what it should have, percent',
      Type.Number({ minimum: 1, maximum: 30 }),
    ),
    terminals: about(
      'the terminals as they were read',
      Type.Array(
        Type.Object(
          {
            id: Id,
            name: about('what people call it', Type.String({ minLength: 1, maxLength: 60 })),
            side: about('which fan it belongs to', Type.Union([Type.Literal('supply'), Type.Literal('extract')])),
            wantedLs: about(
              'flow it should have, L/s; null: not known',
              Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 1e5 }), Type.Null()]),
            ),
            readLs: about(
              'flow that was read, L/s; null: not read',
              Type.Union([Type.Number({ minimum: 0, maximum: 1e5 }), Type.Null()]),
            ),
          },
          closed,
        ),
        { maxItems: 40 },
      ),
    ),
  },
  closed,
)
export type Balance = Static<typeof Balance>

export const CALIBRATION_SCHEMA = 'soft-gale/calibration@1'
export const Calibration = Type.Object(
  {
    schema: documentSchema(CALIBRATION_SCHEMA),
    fans: about('what was found out of each fan', Type.Array(FanCalibration, { maxItems: 8 })),
    sensors: about(
      'probes read beside a reference',
      Type.Optional(
        Type.Array(
          Type.Object(
            {
              probe: about('the probe, an id of the kit', Id),
              readings: about('both, read at the same moments', Type.Array(SensorReading, { maxItems: 10 })),
            },
            closed,
          ),
          {
            maxItems: 12,
          },
        ),
      ),
    ),
    instruments: about('the register of instruments', Type.Optional(Type.Array(Instrument, { maxItems: 20 }))),
    air: about(
      "the air in the duct while reading: what makes a density of a velocity pressure and of a fan's power",
      Type.Optional(
        Type.Object(
          {
            tempC: about('temperature, °C', Type.Number({ minimum: -50, maximum: 300 })),
            humidityPct: about('relative humidity, %', Type.Number({ minimum: 0, maximum: 100 })),
            altitudeM: about('above sea level, m', Type.Number({ minimum: -400, maximum: 5000 })),
          },
          closed,
        ),
      ),
    ),
    spots: about('places tried for probes', Type.Optional(Type.Array(ProbeSpot, { maxItems: 40 }))),
    gaugeKpa: about(
      'high-side pressure on the gauges (kPa above the air) while the spots were read',
      Type.Optional(Type.Number({ minimum: -100, maximum: 10000 })),
    ),
    balance: about('supply and extract read terminal by terminal', Type.Optional(Balance)),
  },
  closed,
)
export type Calibration = Static<typeof Calibration>
