import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const specificFanPower = defineCalculation({
  id: 'specific-fan-power',
  name: 'Specific fan power',
  group: 'fans',
  words: 'sfp efficiency watts',
  inputs: { P: number('electrical power', 'power', 6), q: number('flow', 'flow', 15, [0.01, 100000]) },
  outputs: { sfp: out('specific fan power', 'specificPower') },
  formula: 'SFP = {P} / {q}',
  source: 'Definition; all fans of the unit together, over the greater of supply and extract',
  run: ({ P, q }) => ({ sfp: P / q }),
})
