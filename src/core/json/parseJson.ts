import { fail, ok, type Outcome } from '@/core/json/problem'

/** Parses text as JSON, naming the place where it breaks. */
export function parseJson(text: string): Outcome<unknown> {
  try {
    return ok(JSON.parse(text) as unknown)
  } catch (error) {
    if (error instanceof SyntaxError) return fail({ code: 'not_json', path: '', detail: error.message })
    throw error
  }
}
