import { choice, defineCalculation, number, out } from '@/core/calculation/calculation'

export const roomLevel = defineCalculation({
  id: 'room-level',
  name: 'Sound level in a room from sound power',
  group: 'fans',
  words: 'noise db lw lp absorption reverberant distance grille direct',
  inputs: {
    Lw: number('sound power level of the source', 'sound', 48, [0, 140]),
    Q: choice('where it stands', '2', [
      ['1', 'in the middle of the room'],
      ['2', 'on a surface'],
      ['4', 'where two surfaces meet'],
      ['8', 'in a corner'],
    ]),
    r: number('distance', 'length', 2, [0.1, 100]),
    S: number('area of all surfaces', 'area', 60, [5, 100]),
    a: number('what they absorb on average', 'share', 20, [1, 99]),
  },
  outputs: {
    Lp: out('level there', 'sound', 1),
    direct: out('of it straight from the source', 'sound', 1),
    field: out('of it from the room', 'sound', 1),
  },
  formula: 'Lp = {Lw} + 10 · log₁₀(Q / 4π{r}² + 4 / R); Q of {Q}; R = {S} · {a} / (1 − {a})',
  source: 'Classical room acoustics (Beranek), from memory. Diffuse field; small or long rooms differ',
  run({ Lw, Q, r, S, a }) {
    const R = (S * (a / 100)) / (1 - a / 100)
    const [near, far] = [Number(Q) / (4 * Math.PI * r ** 2), 4 / R]
    const level = (x: number) => Lw + 10 * Math.log10(x)
    return { Lp: level(near + far), direct: level(near), field: level(far) }
  },
  verdict: (_given, { direct, field }) =>
    field > direct
      ? 'The room makes most of it: what absorbs helps.'
      : 'Most comes straight from it: distance or a screen helps.',
})
