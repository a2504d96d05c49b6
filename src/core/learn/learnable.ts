import type { Serves } from '@/core/space/schema'

/** A figure of a space that readings can tell: which, and how many times more or less than its start it may be. */
export type Learnable = {
  readonly key: string
  readonly name: string
  readonly unit: string
  readonly times: number
}

const AIR: readonly Learnable[] = [
  { key: 'fabricKjK', name: 'heat capacity of the fabric', unit: 'kJ/K', times: 10 },
  { key: 'fabricWK', name: 'air to fabric', unit: 'W/K', times: 8 },
  { key: 'lossWK', name: 'air to outside', unit: 'W/K', times: 12 },
  { key: 'heatW', name: 'own heat', unit: 'W', times: 5 },
]

/** What can be learnt of each kind of space from its temperature. */
export function learnables({ kind, ...serves }: Serves): readonly Learnable[] {
  switch (kind) {
    case 'room':
    case 'house':
    case 'hall':
      return AIR.filter(({ key }) => Number((serves as Record<string, unknown>)[key]) > 0)
    case 'electronics':
      return [
        { key: 'sinkKjK', name: 'heat capacity of the sink', unit: 'kJ/K', times: 8 },
        { key: 'stillWK', name: 'sink to air, still', unit: 'W/K', times: 6 },
        { key: 'fullWK', name: 'what full air adds', unit: 'W/K', times: 6 },
        { key: 'heatW', name: 'heat', unit: 'W', times: 4 },
      ]
    case 'condenser':
      return [
        { key: 'rejectedW', name: 'heat to reject', unit: 'W', times: 4 },
        { key: 'fullWK', name: 'coil at full air', unit: 'W/K', times: 5 },
        { key: 'coilKjK', name: 'heat capacity of coil and liquid', unit: 'kJ/K', times: 8 },
      ]
    case 'stove':
      return [
        { key: 'mostW', name: 'heat of the fire', unit: 'W', times: 4 },
        { key: 'flueKjK', name: 'heat capacity of the flue', unit: 'kJ/K', times: 6 },
        { key: 'flueWK', name: 'flue to outside', unit: 'W/K', times: 6 },
      ]
  }
}

/** The water of a room, told by its humidity once its heat is known. */
export const waterLearnables = (serves: Serves): readonly Learnable[] =>
  'waterGH' in serves
    ? [
        { key: 'waterGH', name: 'water given off', unit: 'g/h', times: 40 },
        { key: 'bufferKg', name: 'water held by surfaces', unit: 'kg of air', times: 10 },
      ].filter(({ key }) => Number((serves as unknown as Record<string, number>)[key]) > 0)
    : []
