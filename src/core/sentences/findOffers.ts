import { whyNotHere } from '@/core/glossary/glossary'
import { hasWords } from '@/core/glossary/hasWords'
import { parseQuantity } from '@/core/quantity/parse'
import type { Offer } from '@/core/sentences/behaviour'

export type Found<O extends Offer = Offer> = {
  readonly offer: O
  /** What was typed as a figure, in the base unit. */ readonly figure: number | null
}

/** The offers that have all the words typed, the best first; a figure among them (“run on 10”, “temp 24c”) is taken where the offer has a use for it. */
export function findOffers<O extends Offer>(offers: readonly O[], typed: string): readonly Found<O>[] {
  if (whyNotHere(typed) !== null) return []
  const tokens = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const words = tokens.filter((token) => !/^[-−]?\d/.test(token) && !isUnitAfterFigure(tokens, token))
  const figureText = figureOf(tokens)
  const phrase = words.join(' ')
  const found = offers.flatMap((offer): Found<O>[] => {
    if (!hasWords(`${offer.sentence} ${offer.words} ${(offer.also ?? []).join(' ')}`, phrase)) return []
    if (figureText === null) return [{ offer, figure: null }]
    if (!offer.figure) return []
    const parsed = parseQuantity(figureText, offer.figure.quantity, { typedUnit: offer.figure.typedUnit })
    return parsed.ok ? [{ offer, figure: parsed.value }] : []
  })
  return found.sort((a, b) => rank(a.offer, phrase) - rank(b.offer, phrase))
}

/** What is called so comes before what has the words in a row, and that before what has them somewhere. */
const rank = ({ sentence, words, also = [] }: Offer, phrase: string): number => {
  if (words.startsWith(phrase)) return 0
  if (`${sentence} ${words}`.toLowerCase().includes(phrase)) return 1
  return also.some((word) => word.toLowerCase().startsWith(phrase)) ? 1 : 2
}

const UNIT_WORDS = ['s', 'sec', 'min', 'minutes', 'h', 'hours', '%', 'k', 'c', 'f', '°c', '°f', 'lx']

const isUnitAfterFigure = (tokens: readonly string[], token: string): boolean =>
  UNIT_WORDS.includes(token) && /^[-−]?\d[\d.,]*$/.test(tokens[tokens.indexOf(token) - 1] ?? '')

/** “10”, “10min” or “10 min” out of the words. */
function figureOf(tokens: readonly string[]): string | null {
  const at = tokens.findIndex((token) => /^[-−]?\d/.test(token))
  if (at < 0) return null
  const next = tokens[at + 1]
  return next !== undefined && isUnitAfterFigure(tokens, next) ? `${tokens[at]} ${next}` : tokens[at]!
}
