import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const airSplit = defineCalculation({
  id: 'air-split',
  name: 'Air split',
  group: 'refrigeration',
  words: 'return supply difference evaporator cooling delta',
  inputs: {
    tr: number('return air', 'temperature', 24, [-30, 60]),
    ts: number('supply air', 'temperature', 14, [-40, 60]),
  },
  outputs: { split: out('split', 'temperatureDifference') },
  formula: 'split = {tr} − {ts}',
  source: 'Definition; 8 to 12 K: common practice, no source',
  run: ({ tr, ts }) => ({ split: tr - ts }),
  verdict: (_given, { split }) =>
    split < 0
      ? 'The supply is warmer than the return: it heats, or the two were typed the wrong way round.'
      : split < 8
        ? 'Small: too much air, dirt, or charge. It does not say which.'
        : split > 12
          ? 'Large: too little air, or a cold coil. It does not say which.'
          : 'As usual. It does not prove the charge.',
})
