import type { Problem } from '@/core/json/problem'
import { twice } from '@/core/json/twice'
import { fanTable, tableAt } from '@/core/space/fanTables'
import { readInputs, fansOf, type Where } from '@/core/space/starting'
import type { AirSpace, Serves, Space } from '@/core/space/schema'

/** Quickest change of air that steps of ten seconds can follow, s. */
const QUICKEST_S = 15

const hasAir = (serves: Serves): serves is AirSpace =>
  serves.kind === 'room' || serves.kind === 'house' || serves.kind === 'hall'

function checkServes(serves: Serves): Problem[] {
  if (serves.kind === 'condenser' && serves.leastC >= serves.tripC)
    return [
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
  return []
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
  const [knownFans, knownInputs] = [fansOf(where.response), readInputs(where.response).map(({ id }) => id)]
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
    ...(quickestS < QUICKEST_S
      ? [{ code: 'too_quick', path: 'serves.volumeM3', quickestS, leastS: QUICKEST_S } as const]
      : []),
  ]
}
