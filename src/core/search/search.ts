import { seededRandom } from '@/core/json/seededRandom'
import { crowding, dominates, frontOf, ranksOf, type Score } from '@/core/search/front'

/** A setting as the place of each blank's value in its list. */
export type Choice = readonly number[]

export type Evaluated = { readonly choice: Choice; readonly score: Score }

/** Judges settings: on the hardest day alone, or on all days. In whatever order, on whatever worker: the answer comes in the order asked. */
export type Evaluate = (choices: readonly Choice[], level: 'hard-day' | 'all') => Promise<readonly Score[]>

export type SearchOptions = {
  /** How many values each blank has. */
  readonly sizes: readonly number[]
  readonly present: Choice
  readonly evaluate: Evaluate
  readonly tries: number
  readonly seed: number
  /** Called after each batch: how many were tried, and what is best so far on all days (empty before). */
  readonly onProgress?: (tried: number, best: readonly Evaluated[]) => void
  readonly isStopped?: () => boolean
}

export type SearchResult = {
  readonly tried: number
  /** All that were judged on all days, the present one first. */
  readonly judged: readonly Evaluated[]
  /** Those of them that nothing is better than in everything. */
  readonly front: readonly Evaluated[]
  /** Whether every setting there is was tried. */
  readonly isComplete: boolean
}

const BATCH = 100
/** How many of the best so far are kept to breed from, and of the hard day's best to be judged on all days. */
const KEPT = 150

const keyOf = (choice: Choice): string => choice.join(' ')

/** Every choice there is, counted through. */
function everyChoice(sizes: readonly number[]): Choice[] {
  return sizes.reduce<Choice[]>(
    (all, size) => all.flatMap((before) => Array.from({ length: size }, (_, value) => [...before, value])),
    [[]],
  )
}

/** The best by rank and by how alone they stand. */
function best(all: readonly Evaluated[], count: number): Evaluated[] {
  if (all.length <= count) return [...all]
  const scores = all.map(({ score }) => score)
  const ranks = ranksOf(scores)
  const apart = crowding(scores)
  return all
    .map((_, place) => place)
    .sort((a, b) => ranks[a]! - ranks[b]! || apart[b]! - apart[a]! || a - b)
    .slice(0, count)
    .map((place) => all[place]!)
}

/** New choices out of the best so far: two parents mixed, and a blank or two moved by a step or two. */
function children(
  parents: readonly Evaluated[],
  sizes: readonly number[],
  random: () => number,
  known: Set<string>,
  count: number,
): Choice[] {
  const one = () => {
    const [a, b] = [0, 1].map(() => parents[Math.floor(random() * parents.length)]!)
    return dominates(a!.score, b!.score) ? a! : b!
  }
  const made: Choice[] = []
  for (let attempt = 0; made.length < count && attempt < count * 20; attempt++) {
    const [mother, father] = [one(), one()]
    const child = mother.choice.map((value, gene) => (random() < 0.5 ? value : father.choice[gene]!))
    const moves = random() < 0.5 ? 1 : 2
    for (let move = 0; move < moves; move++) {
      const gene = Math.floor(random() * sizes.length)
      const far = random() < 0.15 ? Math.floor(random() * sizes[gene]!) - child[gene]! : random() < 0.5 ? -1 : 1
      child[gene] = Math.min(sizes[gene]! - 1, Math.max(0, child[gene]! + far * (random() < 0.3 ? 2 : 1)))
    }
    const key = keyOf(child)
    if (known.has(key)) continue
    known.add(key)
    made.push(child)
  }
  return made
}

/** Choices to begin with: the present one, each blank moved alone, and some by chance. */
function firstChoices(
  { sizes, present, tries }: Pick<SearchOptions, 'sizes' | 'present' | 'tries'>,
  random: () => number,
): Choice[] {
  const alone = sizes.flatMap((size, gene) =>
    Array.from({ length: size }, (_, value) => present.map((own, at) => (at === gene ? value : own))),
  )
  const byChance = Array.from({ length: Math.min(400, Math.ceil(tries / 8)) }, () =>
    sizes.map((size) => Math.floor(random() * size)),
  )
  const seen = new Set<string>()
  return [present, ...alone, ...byChance]
    .filter((choice) => {
      const isNew = !seen.has(keyOf(choice))
      seen.add(keyOf(choice))
      return isNew
    })
    .slice(0, tries)
}

type Asked = { readonly choices: readonly Choice[]; readonly level: 'hard-day' | 'all' }
type Asking<T> = Generator<Asked, T, readonly Score[]>

/** A search that asks for judgements and goes on with them: who judges, and where, is somebody else's. */
function* steps(options: Omit<SearchOptions, 'evaluate'>): Asking<SearchResult> {
  const { sizes, present, tries, seed, onProgress, isStopped = () => false } = options
  const random = seededRandom(seed)
  const combinations = sizes.reduce((product, size) => product * size, 1)
  const isComplete = combinations <= Math.min(tries, KEPT)
  let tried = 0

  function* judge(choices: readonly Choice[], level: Asked['level']): Asking<Evaluated[]> {
    const found: Evaluated[] = []
    for (let from = 0; from < choices.length && !isStopped(); from += BATCH) {
      const batch = choices.slice(from, from + BATCH)
      const scores = yield { choices: batch, level }
      batch.forEach((choice, index) => found.push({ choice, score: scores[index]! }))
      if (level === 'hard-day' || isComplete) tried += batch.length
      onProgress?.(tried, level === 'all' ? frontOf(found.map(({ score }) => score)).map((place) => found[place]!) : [])
    }
    return found
  }

  function* sortOut(): Asking<Choice[]> {
    if (isComplete) return everyChoice(sizes)
    const isSmall = combinations <= tries
    const first = isSmall ? everyChoice(sizes) : firstChoices(options, random)
    const known = new Set(first.map(keyOf))
    let kept: Evaluated[] = []
    // Batch by batch, so that ranking stays a matter of a few hundred however many there are.
    for (let from = 0; from < first.length && !isStopped(); from += BATCH)
      kept = best([...kept, ...(yield* judge(first.slice(from, from + BATCH), 'hard-day'))], KEPT)
    while (!isSmall && tried < tries && !isStopped()) {
      const next = children(kept, sizes, random, known, Math.min(BATCH, tries - tried))
      if (next.length === 0) break
      kept = best([...kept, ...(yield* judge(next, 'hard-day'))], KEPT)
    }
    return kept.map(({ choice }) => choice)
  }

  const promoted = yield* sortOut()
  const rest = promoted.filter((choice) => keyOf(choice) !== keyOf(present))
  const judged = yield* judge([present, ...rest], 'all')
  const front = frontOf(judged.map(({ score }) => score)).map((place) => judged[place]!)
  return { tried, judged, front, isComplete }
}

/** Looks for better settings: everything where that is little, else the hard day sorts out and the best of it are judged on all days. The same
 *  seed finds the same. */
export async function searchSettings({ evaluate, ...options }: SearchOptions): Promise<SearchResult> {
  const search = steps(options)
  let next = search.next([])
  while (!next.done) next = search.next(await evaluate(next.value.choices, next.value.level))
  return next.value
}

/** The same without waiting, for who judges at once. */
export function searchNow(
  options: Omit<SearchOptions, 'evaluate'>,
  score: (choice: Choice, level: 'hard-day' | 'all') => Score,
): SearchResult {
  const search = steps(options)
  let next = search.next([])
  while (!next.done) {
    const { choices, level } = next.value
    next = search.next(choices.map((choice) => score(choice, level)))
  }
  return next.value
}
