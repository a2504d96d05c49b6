import type { Serves } from '@/core/space/schema'

/** A figure of a space as a person reads and changes it. */
export type SpaceField = { readonly key: string; readonly name: string; readonly unit: string }

const field = (key: string, name: string, unit: string): SpaceField => ({ key, name, unit })

const AIR: readonly SpaceField[] = [
  field('volumeM3', 'volume of the air', 'm³'),
  field('heatW', 'heat at full load', 'W'),
  field('lossWK', 'air to outside', 'W/K'),
  field('fabricKjK', 'heat capacity of the fabric', 'kJ/K'),
  field('fabricWK', 'air to fabric', 'W/K'),
  field('outerWK', 'fabric to outside', 'W/K'),
  field('sunM2', 'area that takes the sun', 'm²'),
  field('waterGH', 'water at full load', 'g/h'),
  field('bufferKg', 'water held by surfaces, as air', 'kg'),
  field('surfaceShare', 'coldest surface: 1 air, 0 outside', ''),
  field('leakLsAt50', 'leakage at 50 Pa', 'L/s'),
  field('inletM2', 'inlets, louvres, undercuts', 'm²'),
  field('doorM2', 'door', 'm²'),
]

/** The figures of each kind of space, those that matter most first. */
export const SERVES_FIELDS: Readonly<Record<Serves['kind'], readonly SpaceField[]>> = {
  room: AIR,
  house: [
    field('count', 'animals', ''),
    field('massKg', 'mass of each', 'kg'),
    field('volumeM3', 'volume of the air', 'm³'),
    field('inletM2', 'open area of all inlets', 'm²'),
    field('gainKgDay', 'gain of each a day', 'kg'),
    ...AIR.filter(({ key }) => !['volumeM3', 'inletM2', 'heatW', 'waterGH'].includes(key)),
  ],
  hall: [
    field('volumeM3', 'volume of the air', 'm³'),
    field('doorM2', 'door', 'm²'),
    field('floorPct', 'stream reaches the floor from', '% of air'),
    field('heaterW', 'heater of the curtain', 'W'),
    field('doorHeightM', 'height of the door', 'm'),
    field('holds', 'held back by the stream, 0 to 1', ''),
    ...AIR.filter(({ key }) => !['volumeM3', 'doorM2'].includes(key)),
  ],
  condenser: [
    field('rejectedW', 'heat to reject at full load', 'W'),
    field('fullWK', 'coil at full air', 'W/K'),
    field('leastC', 'least condensing for the valve', '°C'),
    field('tripC', 'compressor trips at', '°C'),
    field('stillWK', 'coil without a fan', 'W/K'),
    field('flowExponent', 'exponent of the air', ''),
    field('coilKjK', 'heat capacity of coil and liquid', 'kJ/K'),
    field('uneven', 'first circuit more than the last', ''),
    field('probeBelowK', 'bend below condensing', 'K'),
    field('recirculation', 'own warm air drawn in again', ''),
  ],
  stove: [
    field('mostW', 'fire at its hottest', 'W'),
    field('chargeKg', 'fuel of one filling', 'kg'),
    field('flueM', 'height of the flue', 'm'),
    field('flueFanPa', 'fan in the flue at full', 'Pa'),
    field('gasShare', 'share of the heat up the flue', ''),
    field('shellKjK', 'heat capacity of the stove', 'kJ/K'),
    field('shellWK', 'shell to room', 'W/K'),
    field('blowerWK', 'blower adds at full', 'W/K'),
    field('flueKjK', 'heat capacity of the flue', 'kJ/K'),
    field('flueWK', 'flue to outside', 'W/K'),
    field('flueLsAt10', 'gas through the flue at 10 Pa', 'L/s'),
    field('houseLeakLsAt10', 'leakage of the house at 10 Pa', 'L/s'),
  ],
  electronics: [
    field('heatW', 'heat at full load', 'W'),
    field('fullWK', 'full air adds, sink to air', 'W/K'),
    field('stillWK', 'sink to air, still', 'W/K'),
    field('sunM2', 'area that takes the sun', 'm²'),
    field('sinkKjK', 'heat capacity of the sink', 'kJ/K'),
    field('airKjK', 'heat capacity of the cupboard', 'kJ/K'),
    field('wallWK', 'cupboard to outside', 'W/K'),
    field('junctionKW', 'part above its sink', 'K/W'),
    field('dustPctMonth', 'air lost to dust a month', '%'),
  ],
}
