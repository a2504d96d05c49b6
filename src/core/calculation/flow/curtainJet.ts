import { defineCalculation, number, out } from '@/core/calculation/calculation'

/** Plane jet: uₘ/u₀ = 3.50 / √(x/b₀) and Q/Q₀ = 0.44 · √(x/b₀) with half the width b₀ of the slot. Source: Rajaratnam 1976, from memory. */
const DECAY = 3.5
const ENTRAINED = 0.44
/** The core of a jet reaches about so many half-widths. */
const CORE = 12

export const curtainJet = defineCalculation({
  id: 'curtain-jet',
  name: 'Stream of a door curtain',
  group: 'flow',
  words: 'air curtain nozzle slot velocity floor jet door width height',
  inputs: {
    v: number('velocity at the nozzle', 'airSpeed', 9, [0.5, 40]),
    b: number('width of the slot', 'length', 0.07, [0.005, 0.5]),
    w: number('length of the slot', 'length', 1.2, [0.2, 20]),
    H: number('height of the nozzle over the floor', 'length', 2.3, [0.5, 10]),
    ti: number('air inside', 'temperature', 20, [-20, 40]),
    to: number('air outside', 'temperature', 2, [-40, 40]),
  },
  outputs: {
    q0: out('flow of the nozzle', 'flow'),
    vf: out('velocity at the floor', 'airSpeed'),
    qf: out('flow at the floor', 'flow'),
    dp: out('pressure it has to hold at the floor', 'pressure', 1),
  },
  formula:
    'q₀ = {v} · {b} · {w}; velocity {v} · 3.5 / √(2 {H} / {b}); flow q₀ · 0.44 · √(2 {H} / {b}); Δp = ρ · g · {H} / 2 · ({ti} − {to}) / T',
  source: 'Plane free jet, Rajaratnam 1976, from memory; stack over half the height. A warm stream reaches less far',
  run({ v, b, w, H, ti, to }) {
    const reach = (2 * H) / b
    const q0 = v * b * w * 1000
    return {
      q0,
      vf: reach <= CORE ? v : (v * DECAY) / Math.sqrt(reach),
      qf: q0 * Math.max(1, ENTRAINED * Math.sqrt(reach)),
      dp: (1.2 * 9.81 * (H / 2) * (ti - to)) / (to + 273.15),
    }
  },
  // Common practice, no source: 2 to 4 m/s at the floor.
  verdict: (_given, { vf }) =>
    vf < 2
      ? 'It hardly reaches the floor: cold comes in under it. Faster, or a wider slot.'
      : vf > 4
        ? 'More than people like to walk through, and it stirs the cold in.'
        : 'It reaches the floor.',
})
