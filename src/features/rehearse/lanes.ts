import type { Brief, Target } from '@/core/brief/schema'
import type { Kit } from '@/core/kit/schema'
import { preferredUnit, type UnitPreference } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import { readColumn, type Trace } from '@/core/rehearse/trace'
import type { Cause } from '@/core/rules/kind'
import { primaryReads } from '@/core/space/primary'
import type { Read } from '@/core/space/model'
import type { Space } from '@/core/space/schema'

/** One curve of a lane. */
export type Curve = {
  readonly name: string
  readonly values: Float64Array
  readonly look: 'plain' | 'dashed' | 'dotted'
}

/** One quantity over the time of a rehearsal. */
export type LaneOf = {
  readonly id: string
  readonly name: string
  readonly quantity: Quantity
  readonly cause: Cause | 'ink'
  readonly curves: readonly Curve[]
  readonly target: Target | null
  readonly isStepped: boolean
  readonly height: number
  /** Where it begins at nought. */
  readonly fromZero: boolean
}

const PRIMARY_NAMES: Record<Space['serves']['kind'], string> = {
  room: 'Room',
  house: 'House',
  hall: 'Hall',
  condenser: 'Coil',
  stove: 'Fire',
  electronics: 'Part',
}

const EXTRA: readonly (readonly [read: Read, name: string, quantity: Quantity, cause: Cause])[] = [
  ['headKpa', 'Head', 'gaugePressure', 'pressure'],
  ['draughtPa', 'Draught', 'pressure', 'pressure'],
  ['pressurePa', 'Pressure', 'pressure', 'pressure'],
]

type Where = { readonly brief: Brief; readonly kit: Kit; readonly space: Space }

const moves = (values: Float64Array): boolean => values.some((value) => Math.abs(value - values[0]!) > 0.05)

function flowCurves(trace: Trace, space: Space): Curve[] {
  const through = space.fans.some(({ way }) => way === 'out' || way === 'in')
  if (through)
    return [
      { name: 'out', values: trace.outLs, look: 'plain' },
      ...(space.fans.some(({ way }) => way === 'in')
        ? [{ name: 'in', values: trace.inLs, look: 'dotted' as const }]
        : []),
    ]
  return space.fans.some(({ way }) => way === 'over') ? [{ name: 'over', values: trace.overLs, look: 'plain' }] : []
}

/** The lanes of a rehearsal: what the space did, how the fans ran, what they moved and how it sounded. */
export function lanesOf(trace: Trace, { brief, kit, space }: Where): LaneOf[] {
  const target = (quantity: Target['quantity']) => brief.targets.find((one) => one.quantity === quantity) ?? null
  const fanName = (id: string) => kit.fans.find((fan) => fan.id === id)?.name ?? id
  const lane = (parts: Partial<LaneOf> & Pick<LaneOf, 'id' | 'name' | 'quantity' | 'cause' | 'curves'>): LaneOf => ({
    target: null,
    isStepped: false,
    height: 84,
    fromZero: false,
    ...parts,
  })
  const reads = primaryReads(space).flatMap((name, index, all): Curve[] => {
    const values = readColumn(trace, name)
    return values
      ? [{ name: all.length === 1 ? 'inside' : `circuit ${index + 1}`, values, look: index === 0 ? 'plain' : 'dashed' }]
      : []
  })
  const humidity = readColumn(trace, 'rhPct')
  const water = humidity && (target('humidity') || trace.inputIds.some((id) => /humid|damp/i.test(id)))
  const [firstFan, ...others] = trace.fansPct
  const flows = flowCurves(trace, space)
  return [
    lane({
      id: 'primary',
      name: PRIMARY_NAMES[space.serves.kind],
      quantity: 'temperature',
      cause: 'temperature',
      curves: [...reads, { name: 'outside', values: trace.outdoorC, look: 'dotted' }],
      target: target('temperature'),
      height: 112,
    }),
    ...(water
      ? [
          lane({
            id: 'humidity',
            name: 'Humidity',
            quantity: 'humidity',
            cause: 'humidity',
            curves: [{ name: 'air', values: humidity, look: 'plain' }],
            target: target('humidity'),
          }),
        ]
      : []),
    lane({
      id: 'speed',
      name: fanName(trace.fanIds[0] ?? ''),
      quantity: 'speed',
      cause: 'speed',
      isStepped: true,
      fromZero: true,
      curves: [
        { name: 'given', values: firstFan!, look: 'plain' },
        { name: 'as asked', values: trace.askedPct, look: 'dashed' },
        ...others.map((values, index) => ({
          name: fanName(trace.fanIds[index + 1] ?? ''),
          values,
          look: 'dotted' as const,
        })),
      ],
    }),
    ...(flows.length > 0
      ? [
          lane({
            id: 'flow',
            name: 'Flow',
            quantity: 'flow',
            cause: 'speed',
            curves: flows,
            isStepped: true,
            fromZero: true,
            height: 62,
          }),
        ]
      : []),
    ...EXTRA.flatMap(([read, name, quantity, cause]) => {
      const values = readColumn(trace, read)
      const isShown = values && (read === 'headKpa' || moves(values))
      return isShown
        ? [lane({ id: read, name, quantity, cause, curves: [{ name: '', values, look: 'plain' }], height: 62 })]
        : []
    }),
    ...(trace.soundDb.some((db) => db > 0)
      ? [
          lane({
            id: 'sound',
            name: 'Sound',
            quantity: 'sound',
            cause: 'ink',
            curves: [{ name: '', values: trace.soundDb, look: 'plain' }],
            isStepped: true,
            height: 56,
          }),
        ]
      : []),
  ]
}

export const unitOf = ({ quantity }: Pick<LaneOf, 'quantity'>, preference: UnitPreference): string =>
  preferredUnit(quantity, preference).symbol
