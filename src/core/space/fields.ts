import type { Quantity } from '@/core/quantity/units'
import type { Serves } from '@/core/space/schema'

/** A figure of a space as a person reads and changes it. */
export type SpaceField = {
  readonly key: string
  readonly name: string
  readonly quantity: Quantity
  /** What a figure is counted in that has the same unit for everybody. */
  readonly unit?: string
}

const field = (key: string, name: string, quantity: Quantity, unit?: string): SpaceField => ({
  key,
  name,
  quantity,
  ...(unit !== undefined && { unit }),
})

const AIR: readonly SpaceField[] = [
  field('volumeM3', 'volume of the air', 'volume'),
  field('heatW', 'heat at full load', 'power'),
  field('lossWK', 'air to outside', 'conductance'),
  field('fabricKjK', 'heat capacity of the fabric', 'heatCapacity'),
  field('fabricWK', 'air to fabric', 'conductance'),
  field('outerWK', 'fabric to outside', 'conductance'),
  field('sunM2', 'area that takes the sun', 'area'),
  field('waterGH', 'water at full load', 'moistureRate'),
  field('bufferKg', 'water held by surfaces, as air', 'mass'),
  field('surfaceShare', 'coldest surface: 1 air, 0 outside', 'count'),
  field('leakLsAt50', 'leakage at 50 Pa', 'flow'),
  field('inletM2', 'inlets, louvres, undercuts', 'area'),
  field('doorM2', 'door', 'area'),
]

/** The figures of each kind of space, those that matter most first. */
export const SERVES_FIELDS: Readonly<Record<Serves['kind'], readonly SpaceField[]>> = {
  room: AIR,
  house: [
    field('count', 'animals', 'count'),
    field('massKg', 'mass of each', 'mass'),
    field('volumeM3', 'volume of the air', 'volume'),
    field('inletM2', 'open area of all inlets', 'area'),
    field('gainKgDay', 'gain of each a day', 'mass'),
    ...AIR.filter(({ key }) => !['volumeM3', 'inletM2', 'heatW', 'waterGH'].includes(key)),
  ],
  hall: [
    field('volumeM3', 'volume of the air', 'volume'),
    field('doorM2', 'door', 'area'),
    field('floorPct', 'stream reaches the floor from', 'count', '% of air'),
    field('heaterW', 'heater of the curtain', 'power'),
    field('doorHeightM', 'height of the door', 'length'),
    field('holds', 'held back by the stream, 0 to 1', 'count'),
    ...AIR.filter(({ key }) => !['volumeM3', 'doorM2'].includes(key)),
  ],
  condenser: [
    field('rejectedW', 'heat to reject at full load', 'power'),
    field('fullWK', 'coil at full air', 'conductance'),
    field('leastC', 'least condensing for the valve', 'temperature'),
    field('tripC', 'compressor trips at', 'temperature'),
    field('stillWK', 'coil without a fan', 'conductance'),
    field('flowExponent', 'exponent of the air', 'count'),
    field('coilKjK', 'heat capacity of coil and liquid', 'heatCapacity'),
    field('uneven', 'first circuit more than the last', 'count'),
    field('probeBelowK', 'bend below condensing', 'temperatureDifference'),
    field('recirculation', 'own warm air drawn in again', 'count'),
  ],
  stove: [
    field('mostW', 'fire at its hottest', 'power'),
    field('chargeKg', 'fuel of one filling', 'mass'),
    field('flueM', 'height of the flue', 'length'),
    field('flueFanPa', 'fan in the flue at full', 'pressure'),
    field('gasShare', 'share of the heat up the flue', 'count'),
    field('shellKjK', 'heat capacity of the stove', 'heatCapacity'),
    field('shellWK', 'shell to room', 'conductance'),
    field('blowerWK', 'blower adds at full', 'conductance'),
    field('flueKjK', 'heat capacity of the flue', 'heatCapacity'),
    field('flueWK', 'flue to outside', 'conductance'),
    field('flueLsAt10', 'gas through the flue at 10 Pa', 'flow'),
    field('houseLeakLsAt10', 'leakage of the house at 10 Pa', 'flow'),
  ],
  electronics: [
    field('heatW', 'heat at full load', 'power'),
    field('fullWK', 'full air adds, sink to air', 'conductance'),
    field('stillWK', 'sink to air, still', 'conductance'),
    field('sunM2', 'area that takes the sun', 'area'),
    field('sinkKjK', 'heat capacity of the sink', 'heatCapacity'),
    field('airKjK', 'heat capacity of the cupboard', 'heatCapacity'),
    field('wallWK', 'cupboard to outside', 'conductance'),
    field('junctionKW', 'part above its sink', 'count', 'K/W'),
    field('dustPctMonth', 'air lost to dust a month', 'count', '%'),
  ],
}
