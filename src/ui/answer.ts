import type { Problem } from '@/core/json/problem'
import { problemLine } from '@/core/words/problems'

/** What the server answers to something that was to be done; see `server/result`. */
export type Answer = {
  readonly kind: string
  readonly problems?: readonly Problem[]
  /** Why somebody of this role may not. */
  readonly text?: string
  readonly why?: string
}

/** What a lost line is answered as. */
export const NO_ANSWER: Answer = { kind: 'unavailable', why: 'gone' }

const SAYS: Record<string, string> = {
  'signed-out': 'You are signed out; sign in again in another tab, then try again. What you typed is still here.',
  unknown: 'It is not there any more; load the page again.',
  behind: 'Somebody kept something newer meanwhile; load the page again.',
  gone: 'The server cannot be reached. What you typed is still here; try again in a moment.',
  busy: 'The server has too much to do just now. What you typed is still here; try again in a moment.',
  full: 'The disk of the server is full: this was not kept. What you typed is still here; tell who looks after the server.',
}

/** Why something was not done, as a sentence with a way out. */
export function whyNot({ kind, problems, text, why }: Answer): string {
  if (kind === 'invalid') return (problems ?? []).map(problemLine).join(' ')
  if (kind === 'forbidden') return text ?? 'Your role does not let you do that here.'
  return SAYS[why ?? kind] ?? SAYS.gone!
}
