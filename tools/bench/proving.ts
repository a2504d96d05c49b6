import { readdirSync } from 'node:fs'
import { anyInstallation } from '@/testing/anyInstallation'
import { demoInstallation } from '@/testing/examples'
import { playRight, playWrong, provingLines } from '@/testing/proving'
import { seeded } from '@/testing/seeded'

/** The prover as an instrument: the nine demos twenty times and 300 random installations, right and with every fault. */
export function provingTable(): string[] {
  const random = seeded(7)
  const demos = readdirSync('demo/installations')
    .filter((file) => !file.includes('.rev'))
    .map((file) => demoInstallation(file.replace('.json', '')))
  const others = Array.from({ length: 300 }, (_, index) => anyInstallation(1000 + index))
  const asDemos = playRight(demos, 20, random)
  const asOthers = playRight(others, 3, random)
  return [
    'prove, played at simulated sites:',
    ...provingLines({
      plays: asDemos.plays + asOthers.plays,
      falseAlarms: [...asDemos.falseAlarms, ...asOthers.falseAlarms],
      byKind: playWrong([...demos, ...others], random),
    }),
  ]
}
