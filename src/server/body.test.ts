import { readBody } from '@/server/body'

/** A request whose body comes in pieces and says nothing of its length. */
const inPieces = (pieces: readonly string[], onPull: () => void = () => undefined): Request =>
  new Request('http://localhost/', {
    method: 'PUT',
    body: new ReadableStream<Uint8Array>(
      {
        pull(controller) {
          onPull()
          const [next, ...rest] = pieces
          pieces = rest
          if (next === undefined) controller.close()
          else controller.enqueue(new TextEncoder().encode(next))
        },
      },
      { highWaterMark: 0 },
    ),
    duplex: 'half',
  } as RequestInit)

test('JSON, wherever its bytes are cut', async () =>
  expect(await readBody(inPieces(['{"a":', '[1,2', ']}']), 100)).toEqual({ kind: 'json', json: { a: [1, 2] } }))

test('what is no JSON is nothing', async () =>
  expect(await readBody(inPieces(['{"a":']), 100)).toEqual({ kind: 'json', json: null }))

test('no body is nothing', async () =>
  expect(await readBody(new Request('http://localhost/'), 100)).toEqual({ kind: 'json', json: null }))

test('bytes are counted whatever the head says, and no more is read than that', async () => {
  let pulls = 0
  const endless = inPieces(
    Array.from({ length: 1000 }, () => 'x'.repeat(10)),
    () => pulls++,
  )
  expect(await readBody(endless, 55)).toEqual({ kind: 'too-long' })
  expect(pulls).toBeLessThan(10)
})

test('a length that is too long is believed at once', async () => {
  const request = new Request('http://localhost/', { method: 'PUT', body: 'x'.repeat(200) })
  request.headers.set('content-length', '200')
  expect(await readBody(request, 100)).toEqual({ kind: 'too-long' })
})
