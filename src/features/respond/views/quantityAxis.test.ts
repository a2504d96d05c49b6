import { CUSTOMARY, METRIC } from '@/core/quantity/format'
import { quantityAxis, quantityAxisFromZero } from '@/features/respond/views/quantityAxis'
import { seeded } from '@/testing/seeded'

test.each([
  ['°C', METRIC, ['10', '15', '20', '25', '30', '35', '40']],
  ['°F', CUSTOMARY, ['50', '60', '70', '80', '90', '100']],
] as const)('ticks of a temperature are even in %s', (unit, preference, texts) => {
  const { ticks = [], format, ...axis } = quantityAxis('temperature', preference, 10, 40)
  expect(axis).toEqual({ from: 10, to: 40, unit })
  expect(ticks.map((tick) => format!(tick))).toEqual(texts)
})

test('from zero it ends at an even figure above the most', () => {
  const { ticks = [], to, format } = quantityAxisFromZero('flow', METRIC, 3605)
  expect([ticks.map((tick) => format!(tick)), to]).toEqual([['0', '1000', '2000', '3000', '4000'], 4000])
})

test.each([1, 2, 3])(
  'property, seed %i: every tick lies within, and the steps are alike in both unit systems',
  (seed) => {
    const random = seeded(seed)
    for (let round = 0; round < 100; round++) {
      const from = -40 + random() * 60
      const to = from + 2 + random() * 200
      for (const preference of [METRIC, CUSTOMARY]) {
        const { ticks = [], format } = quantityAxis('temperature', preference, from, to)
        expect(ticks.every((tick) => tick >= from - 1e-9 && tick <= to + 1e-9)).toBe(true)
        const shown = ticks.map((tick) => Number(format!(tick).replace('−', '-')))
        const steps = new Set(shown.slice(1).map((figure, index) => Number((figure - shown[index]!).toFixed(6))))
        expect(steps.size).toBeLessThanOrEqual(1)
      }
    }
  },
)
