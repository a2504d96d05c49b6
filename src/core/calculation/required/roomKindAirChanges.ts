import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'

// Hints only, low confidence; reference-values `req.typicalACH`.
const KINDS = {
  'public-wc': { name: 'public toilet', changes: [6, 10], from: 'CIBSE Guide B and BS 6465 practice' },
  changing: { name: 'changing room with showers', changes: [10, 10], from: 'sports-building guidance' },
  bath: { name: 'bathroom or shower, not a dwelling', changes: [6, 10], from: 'CIBSE and fan-trade practice' },
  kitchen: { name: 'commercial kitchen, first guess only', changes: [20, 40], from: 'trade practice' },
  laundry: { name: 'laundry or utility', changes: [10, 15], from: 'trade practice' },
  workshop: { name: 'garage or workshop', changes: [6, 10], from: 'trade practice' },
  plant: { name: 'plant or electrical room', changes: [6, 15], from: 'trade practice; size by heat instead' },
  grow: { name: 'grow room, full exhaust', changes: [20, 60], from: 'horticulture practice' },
} as const
type Kind = keyof typeof KINDS

export const roomKindAirChanges = defineCalculation({
  id: 'air-changes-by-room',
  name: 'Flow from usual air changes',
  group: 'required flow',
  words: 'room kind typical rule of thumb ach',
  inputs: {
    kind: choice(
      'kind of room',
      'changing',
      (Object.keys(KINDS) as Kind[]).map((id) => [id, KINDS[id].name] as const),
    ),
    V: number('volume of the room', 'volume', 96),
  },
  outputs: { low: out('at the lower figure', 'flow'), high: out('at the higher figure', 'flow') },
  formula: 'q = n · {V} / 3.6, n of a {kind}',
  source: 'Trade practice, low confidence: a hint, never a requirement',
  run({ kind, V }) {
    const [low, high] = KINDS[kind].changes
    return { low: (low * V) / 3.6, high: (high * V) / 3.6 }
  },
})
