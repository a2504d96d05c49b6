import { defineCalculation, number, out, readings } from '@/core/calculation/calculation'

const velocityMs = (pressurePa: number, densityKgM3: number): number =>
  pressurePa > 0 ? Math.sqrt((2 * pressurePa) / densityKgM3) : 0

export const velocityFromPressure = defineCalculation({
  id: 'velocity-pressure',
  name: 'Velocity from velocity pressure',
  group: 'flow',
  words: 'pitot tube differential dynamic mean',
  inputs: {
    dp: readings('velocity pressures', 'pressure', [20, 25, 30, 22, 18, 28, 35, 24]),
    rho: number('density of the air', 'density', 1.2),
  },
  outputs: { v: out('mean velocity', 'airSpeed'), wrong: out('from the mean pressure (wrong)', 'airSpeed') },
  formula: 'v = mean of √(2 · {dp} / {rho}), each reading by itself; the root of the mean pressure is too high',
  source: 'Bernoulli; ISO 3966, ASHRAE 111, from memory. A negative reading counts as 0',
  run({ dp, rho }) {
    if (dp.length === 0) return 'Type at least one reading.'
    const mean = (values: readonly number[]) => values.reduce((total, x) => total + x, 0) / values.length
    return { v: mean(dp.map((pa) => velocityMs(pa, rho))), wrong: velocityMs(mean(dp), rho) }
  },
})
