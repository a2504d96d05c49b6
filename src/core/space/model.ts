import type { Quantity } from '@/core/quantity/units'

/** What moves a space from outside, in the order of a row: weather, people and loads, supply. */
export const DRIVES = [
  'outdoorC',
  'outdoorRhPct',
  'sunWM2',
  'windMs',
  'rain',
  'load',
  'people',
  'waterGH',
  'light',
  'doorOpen',
  'fuelKgH',
  'otherExtractLs',
  'request',
  'supplyPct',
] as const
export type Drive = (typeof DRIVES)[number]
export const DRIVE: Readonly<Record<Drive, number>> = Object.fromEntries(
  DRIVES.map((name, index) => [name, index]),
) as Record<Drive, number>

/** What a line of each may hold, and what it stands at where no line speaks of it. */
export const DRIVE_RANGES: Readonly<
  Record<
    Drive,
    {
      readonly name: string
      readonly unit: string
      readonly from: number
      readonly to: number
      readonly rest: number
      readonly quantity?: Quantity
    }
  >
> = {
  outdoorC: { name: 'outdoor temperature', unit: '°C', from: -50, to: 60, rest: 15, quantity: 'temperature' },
  outdoorRhPct: { name: 'outdoor humidity', unit: '%RH', from: 1, to: 100, rest: 65, quantity: 'humidity' },
  sunWM2: { name: 'sun', unit: 'W/m²', from: 0, to: 1400, rest: 0 },
  windMs: { name: 'wind', unit: 'm/s', from: 0, to: 60, rest: 2, quantity: 'airSpeed' },
  rain: { name: 'rain', unit: '0 to 1', from: 0, to: 1, rest: 0 },
  load: { name: 'load', unit: 'share of full', from: 0, to: 3, rest: 0 },
  people: { name: 'people', unit: '', from: 0, to: 1000, rest: 0 },
  waterGH: { name: 'water given off', unit: 'g/h', from: 0, to: 1e6, rest: 0, quantity: 'moistureRate' },
  light: { name: 'light', unit: '0 to 1', from: 0, to: 1, rest: 0 },
  doorOpen: { name: 'door open', unit: '0 to 1', from: 0, to: 1, rest: 0 },
  fuelKgH: { name: 'fuel put on', unit: 'kg/h', from: 0, to: 1e4, rest: 0 },
  otherExtractLs: { name: 'another extract', unit: 'l/s', from: 0, to: 1e5, rest: 0, quantity: 'flow' },
  request: { name: 'somebody asks for air', unit: '0 or 1', from: 0, to: 1, rest: 0 },
  supplyPct: { name: 'supply', unit: '% of its voltage', from: 0, to: 120, rest: 100 },
}

/** What can be read of a space, in the order of a row; what a model does not have stays NaN. */
export const READS = [
  'airC',
  'rhPct',
  'surfaceC',
  'supplyC',
  'supplyRhPct',
  'co2Ppm',
  'pressurePa',
  'surfaceWaterG',
  'coil1C',
  'coil2C',
  'coil3C',
  'headKpa',
  'flueC',
  'shellC',
  'draughtPa',
  'componentC',
  'heatOn',
  'heatingW',
  'airHeatW',
  'floorReached',
] as const
export type Read = (typeof READS)[number]
export const READ: Readonly<Record<Read, number>> = Object.fromEntries(
  READS.map((name, index) => [name, index]),
) as Record<Read, number>

/** What fans move, in the order of a row: out of the space, into it, over something in it (a coil, a shell, a door, all of it as a share of
 *  full), and how fast the fan of a flue turns. */
export const FLOWS = ['outLs', 'inLs', 'overLs', 'overShare', 'flueShare'] as const
export const FLOW = { outLs: 0, inLs: 1, overLs: 2, overShare: 3, flueShare: 4 } as const

/** A space that answers. `step` allocates nothing; the row of reads holds what is there at the end of the step, heat and water as means over it. */
export type RunningSpace = {
  /** Which reads it has. */
  readonly reads: readonly Read[]
  /** Its state while these drives have stood for long without a fan. */
  start(drives: Float64Array): Float64Array
  /** Puts its stores of heat to temperatures (°C), what is read of it and what lies behind that, and its water to a humidity where it has any. */
  begin(state: Float64Array, readC: number, behindC: number, rhPct?: number): void
  step(
    state: Float64Array,
    drives: Float64Array,
    flows: Float64Array,
    outputsOn: Uint8Array,
    dtS: number,
    reads: Float64Array,
  ): void
  /** What is stored in it, J and kg of water, for the balance. */
  stored(state: Float64Array): { readonly heatJ: number; readonly waterKg: number }
  /** What passed its edge since the state was made: heat (J) and water (kg) that came in less what went out. */
  passed(state: Float64Array): {
    readonly heatJ: number
    readonly waterKg: number
    readonly allHeatJ: number
    readonly allWaterKg: number
  }
}

/** How a model finds the outputs of the response that it knows of (a bypass damper): their ids in the order of the row. */
export type SpaceContext = { readonly outputIds: readonly string[] }
