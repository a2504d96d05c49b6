import { defineSum, number, out } from '@/core/sum/sum'

export const airSplit = defineSum({
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
  source:
    'Common practice, no source: 8 to 12 K is usual. A good split does not prove the charge; a poor one may be air, dirt or charge',
  run: ({ tr, ts }) => ({ split: tr - ts }),
})
