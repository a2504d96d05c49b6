/** What a request carried: its JSON, or that it was longer than it may be. Anything that is no JSON is null, and refused where it is read. */
export type Body = { readonly kind: 'json'; readonly json: unknown } | { readonly kind: 'too-long' }

/** Reads a body as it comes, counting its bytes whatever its head says of its length, and stops at the limit: no more than that is ever held. Null
 *  where it is longer than it may be. */
export async function readBytes(request: Request, mostBytes: number): Promise<Buffer | null> {
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) return null
  const pieces: Uint8Array[] = []
  let bytes = 0
  const reader = request.body?.getReader()
  for (let piece = await reader?.read(); piece && !piece.done; piece = await reader?.read()) {
    const value = piece.value as Uint8Array
    bytes += value.byteLength
    if (bytes > mostBytes) {
      await reader?.cancel()
      return null
    }
    pieces.push(value)
  }
  return Buffer.concat(pieces)
}

/** The same for a body of JSON. */
export async function readBody(request: Request, mostBytes: number): Promise<Body> {
  const bytes = await readBytes(request, mostBytes)
  if (!bytes) return { kind: 'too-long' }
  try {
    return { kind: 'json', json: JSON.parse(bytes.toString('utf8')) as unknown }
  } catch {
    return { kind: 'json', json: null }
  }
}
