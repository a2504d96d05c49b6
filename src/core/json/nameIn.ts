/** What a document is called, whatever else is wrong with it. */
export function nameIn(data: unknown): string {
  const name = typeof data === 'object' && data !== null && 'name' in data ? data.name : undefined
  return typeof name === 'string' && name.trim() !== '' ? name : '(without a name)'
}
