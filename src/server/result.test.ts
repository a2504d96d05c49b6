import { database, inWorkspace, isDatabaseBusy, isDatabaseGone, isDiskFull } from '@/db/client'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { answering, UNAVAILABLE_SAYS, type Result } from '@/server/result'

useThrowawayDatabase()

/** Lets the database end a statement with one of its own errors. */
const raising = (code: string) => `do $$ begin raise exception 'as if' using errcode = '${code}'; end $$`

test.each([
  { name: 'a full disk', code: '53100', why: 'full' },
  { name: 'too many connections', code: '53300', why: 'busy' },
  { name: 'a database that shuts down', code: '57P01', why: 'gone' },
] as const)('$name is an answer with its own words, and the next one is served', async ({ code, why }) => {
  const scope = await newScope()
  const answer = await answering(async (): Promise<Result> =>
    inWorkspace(scope, async (tx) => void (await tx.execute(raising(code)))).then(() => ({ kind: 'done' })),
  )
  expect(answer).toEqual({ kind: 'unavailable', why })
  expect(UNAVAILABLE_SAYS[why]).toMatch(/nothing was lost|everything before it was/)
  expect((await database().execute('select 1 as one')).rows).toEqual([{ one: 1 }])
})

test('a fault of the program is none of these, and goes on up', async () => {
  const scope = await newScope()
  await expect(
    answering(async (): Promise<Result> =>
      inWorkspace(scope, async (tx) => void (await tx.execute('select 1 / 0'))).then(() => ({ kind: 'done' })),
    ),
  ).rejects.toThrow()
})

test('all connections in use is busy, not gone; a full queue of workers too', () => {
  const waited = new Error('timeout exceeded when trying to connect')
  expect([isDatabaseBusy(waited), isDatabaseGone(waited)]).toEqual([true, false])
  expect(isDatabaseBusy(new Error('Task queue is at limit'))).toBe(true)
  expect(isDiskFull(Object.assign(new Error('write'), { code: 'ENOSPC' }))).toBe(true)
})

test.each([
  ['08P01', 'server login has been failing, try again later (server_login_retry)'],
  ['08P01', 'server conn crashed?'],
  ['08006', 'connection failure'],
  ['57P01', 'terminating connection due to unexpected postmaster exit'],
])('what a pooler or a server in trouble says is “gone”: %s %s', (code, message) => {
  const thrown = Object.assign(new Error(message), { code })
  expect([isDatabaseGone(thrown), isDatabaseGone(new Error('Failed query', { cause: thrown }))]).toEqual([true, true])
})
