import { Type, type Static } from '@sinclair/typebox'
import { about, closed, documentSchema, Id, orNull, Percent } from '@/core/json/vocabulary'
import { ANIMAL_IDS } from '@/core/physics/animals'
import { REFRIGERANTS } from '@/core/physics/saturation'

const number = (what: string, minimum: number, maximum: number) => about(what, Type.Number({ minimum, maximum }))
const positive = (what: string, maximum: number) => about(what, Type.Number({ exclusiveMinimum: 0, maximum }))
const share = (what: string) => number(what, 0, 1)

/** Air, fabric, water and leaks of a room: what rooms, houses and halls have in common. */
const air = {
  volumeM3: positive('volume of the air, m³', 1e6),
  airFactor: about(
    'how many times its own heat capacity the air carries with it: furniture, racks, surfaces that follow at once',
    Type.Number({ minimum: 1, maximum: 50 }),
  ),
  fabricKjK: positive('heat capacity of the fabric, kJ/K', 1e9),
  fabricWK: positive('conductance between air and fabric, W/K', 1e7),
  outerWK: number('conductance between fabric and outside, W/K', 0, 1e7),
  lossWK: number('conductance between air and outside past the fabric (panes, doors), W/K', 0, 1e7),
  sunM2: number('area that takes all of the sun, m²', 0, 1e5),
  heatW: number('heat given at a load of 1, W', 0, 1e8),
  lampW: number('heat of the lamps at a light of 1, W', 0, 1e7),
  waterGH: number('water given off at a load of 1, g/h', 0, 1e7),
  bufferKg: number('water held by surfaces, as kg of dry air that would hold as much', 0, 1e8),
  bufferS: positive('how long surfaces take to give or take it, s', 1e7),
  surfaceShare: share('how near the coldest surface is to the air: 1 is the air itself, 0 the outside'),
  leakLsAt50: number('leakage at 50 Pa, L/s', 0, 1e6),
  leakExponent: about('exponent of the leakage', Type.Number({ minimum: 0.5, maximum: 1 })),
  inletM2: number('open area of inlets, louvres and undercuts, m²', 0, 1000),
  doorM2: number('opening of its door, m²', 0, 200),
  intake: about(
    'where the air comes from that a supply fan or a leak brings',
    Type.Union([
      Type.Object({ from: about('outside air', Type.Literal('outside')) }, closed),
      Type.Object(
        {
          from: about('air of a room or passage beside it', Type.Literal('adjoining')),
          tempC: number('its temperature, °C', -40, 60),
          rhPct: number('its humidity, %RH', 1, 100),
          follows: share('how much of a change outside it follows'),
        },
        closed,
      ),
    ]),
  ),
  heating: about(
    'heating that holds the air, full one kelvin below',
    orNull(
      Type.Object({ toC: number('what it holds, °C', -20, 60), mostW: positive('most it gives, W', 1e7) }, closed),
    ),
  ),
  cooling: about(
    'cooling that holds the air, full one kelvin above',
    orNull(
      Type.Object({ toC: number('what it holds, °C', -20, 60), mostW: positive('most it takes, W', 1e7) }, closed),
    ),
  ),
  misting: about(
    'humidifying that holds the air, full two %RH below; it cools by what evaporates',
    orNull(
      Type.Object(
        { toRhPct: number('what it holds, %RH', 1, 100), mostGH: positive('most it gives, g/h', 1e7) },
        closed,
      ),
    ),
  ),
  recovery: about(
    'heat recovery between the two fans',
    orNull(
      Type.Object(
        {
          ratio: about(
            'share of the difference given to the supply air',
            Type.Number({ minimum: 0.05, maximum: 0.98 }),
          ),
          bypass: about('output of the response that opens the bypass; null: none', orNull(Id)),
        },
        closed,
      ),
    ),
  ),
}

export const Room = Type.Object({ kind: about('a room', Type.Literal('room')), ...air }, closed)
export type Room = Static<typeof Room>

export const House = Type.Object(
  {
    kind: about('a house with animals', Type.Literal('house')),
    ...air,
    animal: about('which animal', Type.Union(ANIMAL_IDS.map((id) => Type.Literal(id)))),
    count: about('how many at a load of 1', Type.Integer({ minimum: 1, maximum: 1e6 })),
    massKg: positive('mass of each on the first day, kg', 2000),
    gainKgDay: number('what each gains a day, kg', 0, 5),
  },
  closed,
)
export type House = Static<typeof House>

export const Condenser = Type.Object(
  {
    kind: about('a condenser', Type.Literal('condenser')),
    fluid: about('refrigerant', Type.Union(REFRIGERANTS.map((name) => Type.Literal(name)))),
    circuits: about('how many circuits share the fans', Type.Integer({ minimum: 1, maximum: 3 })),
    rejectedW: positive('heat to reject at a load of 1, all circuits together, W', 1e7),
    fullWK: positive('conductance of the coil at full air, all circuits together, W/K', 1e7),
    stillWK: positive('conductance without a fan in still dry air, W/K', 1e6),
    flowExponent: about('exponent of the conductance over the air', Type.Number({ minimum: 0.5, maximum: 0.8 })),
    coilKjK: positive('heat capacity of coil and liquid, all circuits together, kJ/K', 1e6),
    uneven: about(
      'how much more the first circuit carries than the last, as a share',
      Type.Number({ minimum: 0, maximum: 0.9 }),
    ),
    probeBelowK: number('how far the bend is below condensing, K', 0, 20),
    leastC: number('least condensing temperature that the valve needs, °C', -40, 60),
    tripC: number('condensing temperature at which the compressor trips, °C', 20, 95),
    recirculation: share('share of its own warm air that it draws in again'),
  },
  closed,
)
export type Condenser = Static<typeof Condenser>

export const Stove = Type.Object(
  {
    kind: about('a stove with its flue', Type.Literal('stove')),
    mostW: positive('heat of the fire at its hottest, W', 1e6),
    chargeKg: positive('fuel of one filling, kg', 1000),
    lightS: positive('how long the fire takes to catch, s', 36000),
    gasShare: about('share of the heat that goes up the flue', Type.Number({ minimum: 0.05, maximum: 0.9 })),
    shellKjK: positive('heat capacity of the stove, kJ/K', 1e6),
    shellWK: positive('heat the shell gives its room by itself, W/K', 1e5),
    blowerWK: number('what a room-air blower adds at full, W/K', 0, 1e5),
    flueKjK: positive('heat capacity of the flue, kJ/K', 1e6),
    flueWK: positive('heat the flue loses outside, W/K', 1e5),
    flueM: positive('height of the flue, m', 100),
    flueLsAt10: positive('gas through the flue at 10 Pa, L/s', 1e5),
    flueFanPa: number('pressure of a fan in the flue at full, Pa', 0, 2000),
    houseLeakLsAt10: positive('leakage of the house at 10 Pa, L/s', 1e6),
    roomWK: positive('heat the room loses outside, W/K', 1e6),
    roomKjK: positive('heat capacity of the room, kJ/K', 1e7),
  },
  closed,
)
export type Stove = Static<typeof Stove>

export const Electronics = Type.Object(
  {
    kind: about('a cupboard with electronics', Type.Literal('electronics')),
    heatW: positive('heat at a load of 1, W', 1e6),
    sinkKjK: positive('heat capacity of the heat sink, kJ/K', 1e5),
    stillWK: positive('heat sink to air without a fan, W/K', 1e5),
    fullWK: positive('what full air adds, W/K', 1e5),
    flowExponent: about('exponent of that over the air', Type.Number({ minimum: 0.5, maximum: 1 })),
    airKjK: positive('heat capacity of air and cupboard, kJ/K', 1e5),
    wallWK: positive('cupboard to outside, W/K', 1e5),
    sunM2: number('area that takes all of the sun, m²', 0, 100),
    junctionKW: number('part above its sink, K/W', 0, 100),
    dustPctMonth: number('air lost to dust a month, percent', 0, 50),
  },
  closed,
)
export type Electronics = Static<typeof Electronics>

export const Hall = Type.Object(
  {
    kind: about('a hall behind a door', Type.Literal('hall')),
    ...air,
    doorHeightM: positive('height of the door, m', 20),
    floorPct: about('share of full air from which the stream reaches the floor, percent', Percent),
    holds: share('share of the exchange through the door that the stream holds back when it reaches the floor'),
    heaterW: number('heater of the curtain, W', 0, 1e6),
    heaterToC: number('what its thermostat holds, °C', -20, 60),
  },
  closed,
)
export type Hall = Static<typeof Hall>

/** What moves with which fan. */
const WAYS = ['out', 'in', 'over', 'flue'] as const
export type Way = (typeof WAYS)[number]

const SpaceFan = Type.Object(
  {
    fan: about('the fan, an id of the kit', Id),
    way: about(
      'out of the space, into it, over something in it, or in the flue',
      Type.Union(WAYS.map((way) => Type.Literal(way))),
    ),
    fullLs: positive('flow at full, L/s, where no calibration says it', 1e6),
    runUpS: number('how long it takes to follow a change, s', 0, 600),
  },
  closed,
)
export type SpaceFan = Static<typeof SpaceFan>

const SpaceProbe = Type.Object(
  {
    input: about('the input of the response it gives', Id),
    lagS: number('how long it takes to follow, s', 0, 36000),
    offset: number('what it reads too much, K or %RH', -50, 50),
    resolution: number('smallest change it shows, K, %RH or Pa; 0: every one', 0, 50),
    sunK: number('what full sun (1000 W/m²) adds, K', 0, 40),
    draught: share('how much it reads of the air that comes in from outside'),
    ownAir: share('how much it is cooled by the fan’s own air'),
  },
  closed,
)

export const SPACE_SCHEMA = 'soft-gale/space@1'
/** The space a fan serves, as it answers: what is stored in it, what passes through it, where the probes hang. */
export const Space = Type.Object(
  {
    schema: documentSchema(SPACE_SCHEMA),
    serves: about('what it is', Type.Union([Room, House, Condenser, Stove, Electronics, Hall])),
    fans: about('what moves with each fan', Type.Array(SpaceFan, { minItems: 1, maxItems: 12 })),
    probes: about('how each input reads it', Type.Array(SpaceProbe, { maxItems: 16 })),
    nightDb: about(
      'sound not to pass at night, dB(A); null: nothing asked',
      orNull(Type.Number({ minimum: 10, maximum: 120 })),
    ),
    learnt: about(
      'from which readings its figures were learnt, and how far off they were',
      Type.Optional(
        Type.Object(
          {
            from: about('which readings', Type.String({ maxLength: 120 })),
            offBy: number('root mean square of what was left over, K', 0, 100),
          },
          closed,
        ),
      ),
    ),
  },
  closed,
)
export type Space = Static<typeof Space>
export type Serves = Space['serves']
export type AirSpace = Room | House | Hall
