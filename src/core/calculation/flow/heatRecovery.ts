import { defineCalculation, number, out } from '@/core/calculation/calculation'

export const heatRecovery = defineCalculation({
  id: 'heat-recovery',
  name: 'Temperature ratio of a heat-recovery unit',
  group: 'flow',
  words: 'efficiency balanced mvhr supply extract',
  inputs: {
    to: number('outdoor air', 'temperature', 0, [-40, 50]),
    te: number('extract air', 'temperature', 20, [-20, 50]),
    ts: number('supply air', 'temperature', 17, [-40, 60]),
  },
  outputs: { eta: out('temperature ratio', 'share') },
  formula: 'η = ({ts} − {to}) / ({te} − {to})',
  source: 'EN 308 and EN 13141-7, definition. Only with equal flows; fan heat makes it look better',
  run: ({ to, te, ts }) =>
    te === to
      ? 'Extract and outdoor air are equally warm: there is nothing to recover.'
      : { eta: (100 * (ts - to)) / (te - to) },
  verdict: (_given, { eta }) =>
    eta > 100
      ? 'More than all of it cannot be recovered: heat from the fan or a heater, unequal flows, or probes that stand in the wrong air.'
      : eta < 0
        ? 'Below nothing: the supply air leaves farther from the extract air than it came. Look at which probe is which.'
        : 'It holds for these flows; unequal ones make it look better or worse.',
})
