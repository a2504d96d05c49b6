import { emptyReading } from '@/core/calibration/empty'
import { noiseVerdict } from '@/core/calibration/noise'
import type { MapReading } from '@/core/calibration/schema'
import { normal, seeded } from '@/testing/seeded'

const RUNS = 2000
const SCATTER_DB = 1.5
const SETTINGS = [20, 30, 40, 50, 60, 70, 80, 90, 100]

/** A fan by its law over the noise of a room, with a hump of so many dB at one or two settings. */
const heard = (
  random: () => number,
  at: readonly number[],
  settings: readonly number[],
  humpDb: number,
): MapReading[] =>
  settings.map((settingPct) => {
    const fanDb = 60 + 50 * Math.log10(settingPct / 100) + (at.includes(settingPct) ? humpDb : 0)
    const soundDb = 10 * Math.log10(10 ** (fanDb / 10) + 10 ** (25 / 10)) + SCATTER_DB * normal(random)
    return { ...emptyReading(`m${settingPct}`, settingPct), soundDb }
  })

/** One sweep, and what it asks to be read once more. */
function verdictOf(random: () => number, at: readonly number[], humpDb: number) {
  const map = heard(random, at, SETTINGS, humpDb)
  const first = noiseVerdict(map)
  return first.kind === 'again' ? noiseVerdict([...map, ...heard(random, at, first.settingsPct, humpDb)]) : first
}

test('with 1.5 dB of scatter at most one fan in twenty is said to ring that does not', () => {
  const random = seeded(91)
  let wrongly = 0
  for (let run = 0; run < RUNS; run++) wrongly += Number(verdictOf(random, [], 0).kind === 'resonance')
  expect(wrongly / RUNS).toBeLessThanOrEqual(0.05)
})

test.each([[[40]], [[60]], [[50, 60]], [[70]]])(
  'a hump of 6 dB at %j %% is found in 95 of 100, and where it is',
  (at) => {
    const random = seeded(92)
    let found = 0
    for (let run = 0; run < RUNS; run++) {
      const verdict = verdictOf(random, at, 6)
      found += Number(verdict.kind === 'resonance' && at.some((pct) => verdict.fromPct <= pct && verdict.toPct >= pct))
    }
    expect(found / RUNS).toBeGreaterThanOrEqual(0.95)
  },
)

test('readings at one setting count as their mean', () => {
  const map = heard(() => 0.5, [50], SETTINGS, 8)
  const twice = [...map, ...map.map((reading) => ({ ...reading, id: `${reading.id}b`, soundDb: reading.soundDb! }))]
  expect(noiseVerdict(twice)).toEqual(noiseVerdict(map))
})
