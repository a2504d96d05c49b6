/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { act, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { KeptState } from '@/features/frame/KeptState'
import { StandingNotice } from '@/features/frame/StandingNotice'
import { demoInstallation } from '@/testing/examples'
import { renderOverCopy, startBrowser } from '@/testing/workingCopy'
import { useWorkingCopy } from '@/ui/workingCopy/context'

// What a person is told of their changes and the server, for each way it can go.

type Answer = { status: number; body: object } | 'no line'
let answers: Answer[]
let theirs: { version: number; savedAt: string; savedBy: string; document: ReturnType<typeof demoInstallation> }

beforeEach(() => {
  jest.useFakeTimers()
  answers = []
  meanwhile = () => undefined
  theirs = { version: 1, savedAt: '2026-11-09T08:00:00Z', savedBy: 'Tam', document: demoInstallation('fruiting-room') }
  startBrowser((_address, init) => {
    if (init?.method !== 'PUT')
      return Promise.resolve({ ok: true, json: () => Promise.resolve({ kind: 'done', ...theirs }) })
    const answer = answers.length > 1 ? answers.shift()! : answers[0]!
    return answer === 'no line'
      ? Promise.reject(new TypeError('no line'))
      : Promise.resolve({ ok: answer.status < 300, json: () => Promise.resolve(answer.body) })
  })
})
afterEach(() => jest.useRealTimers())

function Change() {
  const edit = useWorkingCopy((state) => state.edit)
  const floor = useWorkingCopy((state) => state.document.response.floor.speedPct)
  return (
    <button onClick={() => edit('floor', (draft) => void (draft.response.floor.speedPct += 1))}>floor {floor}</button>
  )
}

let meanwhile: () => void

async function changed(...wanted: Answer[]) {
  answers = wanted
  renderOverCopy(
    <>
      <KeptState />
      <StandingNotice />
      <Change />
    </>,
  )
  const user = userEvent.setup({ advanceTimers: (ms) => jest.advanceTimersByTime(ms) })
  await act(() => jest.advanceTimersByTimeAsync(50))
  meanwhile()
  await user.click(screen.getByRole('button', { name: /^floor/ }))
  await act(() => jest.advanceTimersByTimeAsync(1500))
  return user
}

const done = { status: 200, body: { kind: 'done', version: 2, savedAt: '2026-11-09T08:05:00Z' } }

test('a change that is kept needs no notice', async () => {
  await changed(done)
  expect(screen.getByRole('status')).toHaveTextContent(/kept \d\d:05/)
  expect(screen.queryByRole('alert')).toBeNull()
})

test.each<[string, Answer, RegExp]>([
  ['no line', 'no line', /The server cannot be reached. Your change is kept in this browser/],
  ['a busy server', { status: 503, body: { kind: 'unavailable', why: 'busy' } }, /too much to do/],
  ['a full disk', { status: 503, body: { kind: 'unavailable', why: 'full' } }, /disk of the server is full/],
  ['signed out', { status: 401, body: { kind: 'signed-out' } }, /You are signed out/],
  ['gone from the workspace', { status: 404, body: { kind: 'unknown' } }, /not in your workspace any more/],
])('%s is told, and what becomes of the change', async (_, answer, text) => {
  await changed(answer)
  expect(screen.getByRole('alert')).toHaveTextContent(text)
  expect(localStorage.length).toBe(1)
})

test('when the line is back it is sent by itself, and the notice goes', async () => {
  await changed('no line', done)
  await act(() => jest.advanceTimersByTimeAsync(3000))
  expect(screen.queryByRole('alert')).toBeNull()
  expect(localStorage.length).toBe(0)
})

test('who may only look is told so, with the way back', async () => {
  const user = await changed({ status: 403, body: { kind: 'forbidden', text: 'As a reader you look.' } })
  expect(screen.getByRole('alert')).toHaveTextContent(/As a reader you look/)
  await user.click(screen.getByRole('button', { name: 'Show what is kept' }))
  await act(() => jest.advanceTimersByTimeAsync(50))
  expect(screen.getByRole('button', { name: 'floor 22' })).toBeInTheDocument()
})

test('both changed the same: both figures are named, and either can be had', async () => {
  const { document } = theirs
  const response = { ...document.response, floor: { ...document.response.floor, speedPct: 30 } }
  meanwhile = () => (theirs = { ...theirs, version: 4, document: { ...document, response } })
  const user = await changed(
    { status: 409, body: { kind: 'behind', version: 4, savedBy: 'Tam', savedAt: '2026-11-09T08:04:00Z' } },
    done,
  )
  await act(() => jest.advanceTimersByTimeAsync(500))
  expect(screen.getByRole('alert')).toHaveTextContent(/Tam kept a newer working copy.*23 %.*here, 30 %.*there/)
  await user.click(screen.getByRole('button', { name: 'Show the newer one' }))
  await act(() => jest.advanceTimersByTimeAsync(50))
  expect(screen.getByRole('button', { name: 'floor 30' })).toBeInTheDocument()
})
