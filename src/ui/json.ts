/** Asks the server for something; null when it cannot be had. */
export async function getJson<T>(path: string): Promise<T | null> {
  try {
    const answer = await fetch(path, { cache: 'no-store' })
    return answer.ok ? ((await answer.json()) as T) : null
  } catch {
    return null
  }
}

/** Tells the server something; null when it cannot be reached. */
export async function postJson<T>(path: string, body: unknown): Promise<T | null> {
  try {
    const answer = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    return (await answer.json()) as T
  } catch {
    return null
  }
}
