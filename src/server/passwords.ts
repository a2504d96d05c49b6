import { dictionary } from '@zxcvbn-ts/language-common'

export const SHORTEST_PASSWORD = 10
export const LONGEST_PASSWORD = 128

const held = globalThis as { galeCommon?: Set<string> }
const common = (): Set<string> =>
  (held.galeCommon ??= new Set((dictionary['passwords-common'] as readonly string[]).map((word) => word.toLowerCase())))

/** A word written in a row, such as "abcabcabc", is no longer than the word. */
const withoutRepeats = (text: string): string => /^(.+?)\1+$/.exec(text)?.[1] ?? text

/** Why a password is not taken; null when it is. Its length counts, not which signs are in it; what everybody chooses is refused.
 *  Source: NIST SP 800-63B, 3.1.1.2 (length, list of common ones, no composition rules).
 *  @param own words of the person: the name and the address */
export function passwordProblem(password: string, own: readonly string[] = []): string | null {
  if (password.length < SHORTEST_PASSWORD)
    return `A password has at least ${SHORTEST_PASSWORD} characters; three or four words do well.`
  if (password.length > LONGEST_PASSWORD) return `A password has at most ${LONGEST_PASSWORD} characters.`
  const lower = password.toLowerCase()
  const core = lower.replace(/[^\p{L}]+$/u, '')
  const words = [lower, core, withoutRepeats(lower)]
  if (words.some((word) => common().has(word)) || new Set(lower).size < 4)
    return 'That password is among those that are guessed first; choose another. Three or four words do well.'
  const mine = own.flatMap((word) => [word, word.split('@')[0] ?? '']).map((word) => word.toLowerCase())
  if (mine.some((word) => word.length >= 4 && lower.includes(word) && lower.length - word.length < 6))
    return 'That password is little more than your name or address; choose another.'
  return null
}
