import { defineCalculation, number, out } from '@/core/calculation/calculation'

/** Discharge of a sharp-edged opening. Handbook value. */
const DISCHARGE = 0.61
/** Exponent of leaks of a building; EN ISO 9972 finds 0.6 to 0.7. */
const LEAK_EXPONENT = 0.65

export const depressurisation = defineCalculation({
  id: 'depressurisation',
  name: 'How far an extract draws the building down, and the opening it needs',
  group: 'flow',
  words: 'make-up air inlet opening open flue spillage negative pressure n50 airtightness leakage',
  inputs: {
    q: number('all extract together', 'flow', 90, [0.01, 100000]),
    V: number('volume that is drawn on', 'volume', 240, [5, 100000]),
    n50: number('air changes by a door-blower test at 50 Pa', 'airChanges', 3, [0.1, 50]),
    p: number('depressurisation allowed', 'pressure', 4, [0.5, 100]),
  },
  outputs: {
    dp: out('depressurisation with no opening', 'pressure', 1),
    leaks: out('through the leaks at what is allowed', 'flow'),
    A: out('free area of an opening for the rest', 'area', 4),
  },
  formula:
    'Δp = 50 · ({q} / q50)^(1/0.65), q50 = {n50} · {V} / 3.6; A = ({q} − q50 · ({p}/50)^0.65) / (0.61 · √(2 · {p} / 1.2))',
  source: 'Power law of leaks (EN ISO 9972), orifice with 0.61; 4 Pa for natural draught from memory',
  caution:
    'A sum proves nothing of a flue: a certified person tests for spillage with every extract at full. Wind and stack come on top.',
  run({ q, V, n50, p }) {
    const q50 = (n50 * V) / 3.6
    const leaks = q50 * (p / 50) ** LEAK_EXPONENT
    const rest = Math.max(0, q - leaks)
    return {
      dp: 50 * (q / q50) ** (1 / LEAK_EXPONENT),
      leaks,
      A: rest / 1000 / (DISCHARGE * Math.sqrt((2 * p) / 1.2)),
    }
  },
  verdict: ({ p }, { dp }) =>
    dp <= p
      ? 'The leaks alone give it, by this figure.'
      : 'More than is allowed without an opening. It must not be one that people close.',
})
