import { fanIdsOf } from '@/core/response/fanIds'
import type { Problem } from '@/core/json/problem'
import { twice } from '@/core/json/twice'
import { fanTable, tableAt } from '@/core/space/fanTables'
import { readInputs, type Where } from '@/core/space/starting'
import type { AirSpace, Serves, Space } from '@/core/space/schema'

/** Quickest answer that steps of ten seconds can follow, s. */
const QUICKEST_S = 15

const hasAir = (serves: Serves): serves is AirSpace =>
  serves.kind === 'room' || serves.kind === 'house' || serves.kind === 'hall'

/** How quickly a store answers at full air, where it lies in the document, and what it is; air is looked at with its fans. */
function quickest(serves: Serves): readonly (readonly [path: string, what: string, seconds: number])[] {
  switch (serves.kind) {
    case 'condenser':
      return [['serves.coilKjK', 'the heat capacity of coil and liquid', (serves.coilKjK * 1000) / serves.fullWK]]
    case 'electronics':
      return [
        ['serves.sinkKjK', 'the heat capacity of the sink', (serves.sinkKjK * 1000) / (serves.stillWK + serves.fullWK)],
      ]
    case 'stove':
      return [
        [
          'serves.flueKjK',
          'the heat capacity of the flue',
          (serves.flueKjK * 1000) / (serves.flueWK + serves.flueLsAt10),
        ],
        [
          'serves.shellKjK',
          'the heat capacity of the stove',
          (serves.shellKjK * 1000) / (serves.shellWK + serves.blowerWK),
        ],
      ]
    case 'room':
    case 'house':
    case 'hall':
      return []
  }
}

const tooQuick = (path: string, what: string, quickestS: number): Problem[] =>
  quickestS < QUICKEST_S ? [{ code: 'too_quick', path, what, quickestS, leastS: QUICKEST_S }] : []

function checkServes(serves: Serves): Problem[] {
  const quick = quickest(serves).flatMap(([path, what, seconds]) => tooQuick(path, what, seconds))
  if (serves.kind !== 'condenser' || serves.leastC < serves.tripC) return quick
  return [
    ...quick,
    {
      code: 'order',
      path: 'serves.leastC',
      low: 'The least condensing temperature',
      lowValue: serves.leastC,
      high: 'where the compressor trips',
      highValue: serves.tripC,
      unit: '°C',
    },
  ]
}

/** What is wrong with a space by itself: every figure has its own bounds in the schema. */
export const checkSpace = ({ serves, fans, probes }: Space): Problem[] => [
  ...checkServes(serves),
  ...twice(
    'fans',
    'fan',
    'fans',
    fans.map(({ fan }) => fan),
  ),
  ...twice(
    'probes',
    'input',
    'probes',
    probes.map(({ input }) => input),
  ),
]

/** What is wrong with a space among the documents it is rehearsed with. */
export function checkSpaceHere(space: Space, where: Where): Problem[] {
  const { serves, fans, probes } = space
  const [knownFans, knownInputs] = [fanIdsOf(where.response), readInputs(where.response).map(({ id }) => id)]
  const unknown = [
    ...fans.flatMap(({ fan }, index): Problem[] =>
      knownFans.includes(fan)
        ? []
        : [{ code: 'unknown_id', path: `fans.${index}.fan`, what: 'fan', got: fan, known: knownFans }],
    ),
    ...probes.flatMap(({ input }, index): Problem[] =>
      knownInputs.includes(input)
        ? []
        : [{ code: 'unknown_id', path: `probes.${index}.input`, what: 'input', got: input, known: knownInputs }],
    ),
  ]
  const ways = (way: 'in' | 'out') =>
    fans.filter((fan) => fan.way === way).reduce((sum, fan) => sum + tableAt(fanTable(fan, where).flowLs, 100), 0)
  if (!hasAir(serves)) return unknown
  const [outLs, inLs] = [ways('out'), ways('in')]
  const leaks = serves.leakLsAt50 > 0 || serves.inletM2 > 0
  const quickestS = (serves.volumeM3 * 1000 * serves.airFactor) / Math.max(outLs, inLs, 1e-9)
  return [
    ...unknown,
    ...(leaks || Math.abs(outLs - inLs) < 0.5
      ? []
      : [{ code: 'leakless', path: 'serves.leakLsAt50', outLs, inLs } as const]),
    ...tooQuick('serves.volumeM3', 'the volume', quickestS),
  ]
}
