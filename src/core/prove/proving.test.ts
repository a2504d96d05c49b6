import { readdirSync } from 'node:fs'
import { anyInstallation } from '@/testing/anyInstallation'
import { demoInstallation } from '@/testing/examples'
import { FAULT_KINDS } from '@/testing/faults'
import { playRight, playWrong } from '@/testing/proving'
import { seeded } from '@/testing/seeded'

// The prover is tested as an instrument is: by sites that are right and by sites with one fault. The bench prints the whole table; here it is
// the nine demos and 300 random installations once each for what is right, and every tenth of them for every fault.

const demos = readdirSync('demo/installations')
  .filter((file) => !file.includes('.rev'))
  .map((file) => demoInstallation(file.replace('.json', '')))
const random = Array.from({ length: 300 }, (_, index) => anyInstallation(5000 + index))

test('a site that does right passes the whole plan in at least 98 of 100 plays', () => {
  const { plays, falseAlarms } = playRight([...demos, ...demos, ...random], 1, seeded(1))
  expect(plays).toBe(random.length + 2 * demos.length)
  expect({ falseAlarms, share: falseAlarms.length / plays <= 0.02 }).toMatchObject({ share: true })
})

describe('a site with one fault of at least three tolerances fails', () => {
  const byKind = playWrong([...demos, ...random.filter((_installation, index) => index % 10 === 0)], seeded(2))

  test.each(FAULT_KINDS)('%s', (kind) => {
    const { caught, missed } = byKind[kind]
    expect(caught).toBeGreaterThan(0)
    expect({ missed, share: caught / (caught + missed.length) >= 0.95 }).toMatchObject({ share: true })
  })
})
