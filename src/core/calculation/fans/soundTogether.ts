import { defineCalculation, out, readings } from '@/core/calculation/calculation'

/** Sound levels together (dB), of sources that have nothing to do with each other. Source: definition of the level. */
const togetherDb = (levelsDb: readonly number[]): number =>
  10 * Math.log10(levelsDb.reduce((sum, level) => sum + 10 ** (level / 10), 0))

export const soundTogether = defineCalculation({
  id: 'sound-together',
  name: 'Sound levels together',
  group: 'fans',
  words: 'noise add db decibel sum background several',
  inputs: { L: readings('levels, each by itself', 'sound', [38, 38, 32]) },
  outputs: {
    total: out('together', 'sound', 1),
    without: out('without the loudest', 'sound', 1),
  },
  formula: 'L = 10 · log₁₀ Σ 10^(Lᵢ / 10) of {L}',
  source: 'Definition of the sound level; for sources that are not in step',
  run({ L }) {
    if (L.length === 0) return 'Type at least one level.'
    const rest = [...L].sort((a, b) => b - a).slice(1)
    return { total: togetherDb(L), without: rest.length === 0 ? NaN : togetherDb(rest) }
  },
  verdict: (_given, { total, without }) =>
    total - without < 3 ? 'Silencing the loudest alone gains less than 3 dB.' : 'The loudest one makes most of it.',
})
