/** @jest-environment jsdom */
import { act, renderHook, waitFor } from '@testing-library/react'
import { useYardRows, type YardRowLine } from '@/features/yard/useYardRows'

const line = (row: number): YardRowLine => ({ id: `id-${row}`, site: 'Lock', name: `No. ${row}`, wrong: 'nothing' })
const page = (number: number) => Array.from({ length: 10 }, (_, index) => line(number * 10 + index))
const first = page(0)

const openable = (id: string) => ({ id, site: 'Lock', name: id }) as YardRowLine
/** Two that can be opened, and one that cannot. */
const opened = [openable('a'), openable('b'), line(2)]

const asked: string[] = []
let isUp = true
beforeEach(() => {
  asked.length = 0
  isUp = true
  globalThis.fetch = ((address: string) => {
    asked.push(address)
    if (!isUp) return Promise.reject(new TypeError('no network'))
    const number = Number(/page=(\d+)/.exec(address)![1]) - 1
    return Promise.resolve({ ok: true, json: () => Promise.resolve({ lines: page(number) }) })
  }) as unknown as typeof fetch
})

type Props = { rows: readonly YardRowLine[]; view: readonly [number, number] }
const show = (view: Props['view'], address = '?duty=exhaust') =>
  renderHook(({ rows, view: inView }: Props) => useYardRows(rows, 45, address, inView), {
    initialProps: { rows: first, view },
  })

test('the first page is there, and nothing else is asked for', () => {
  const { result } = show([0, 9])
  expect([result.current.lineAt(9)?.name, result.current.lineAt(10)]).toEqual(['No. 9', undefined])
  expect(asked).toEqual([])
})

test('what comes into view is fetched, once, with what was asked for', async () => {
  const { result, rerender } = show([5, 14])
  await waitFor(() => expect(result.current.lineAt(14)?.name).toBe('No. 14'))
  rerender({ rows: first, view: [12, 19] })
  expect(asked).toEqual(['/api/yard?duty=exhaust&page=2'])
  rerender({ rows: first, view: [38, 60] })
  await waitFor(() =>
    expect([result.current.lineAt(39)?.name, result.current.lineAt(44)?.name]).toEqual(['No. 39', 'No. 44']),
  )
  expect(asked.slice(1)).toEqual(['/api/yard?duty=exhaust&page=4', '/api/yard?duty=exhaust&page=5'])
})

test('every page between the ends of what is in view is fetched', async () => {
  const { result } = show([5, 44])
  await waitFor(() => expect([12, 25, 38, 44].map((row) => result.current.lineAt(row)?.name)).not.toContain(undefined))
  expect(asked.map((address) => /page=(\d+)/.exec(address)![1])).toEqual(['2', '3', '4', '5'])
})

test('those of a site are the same list until more rows are here', () => {
  const { result, rerender } = renderHook(
    ({ view }: { view: readonly [number, number] }) => useYardRows(opened, 45, '', view),
    { initialProps: { view: [0, 2] } },
  )
  const before = result.current.idsBySite
  expect(before.get('Lock')).toEqual(['a', 'b'])
  rerender({ view: [0, 1] })
  expect(result.current.idsBySite).toBe(before)
})

test('without signal it waits until somebody tries again', async () => {
  isUp = false
  const { result } = show([10, 19], '')
  await waitFor(() => expect(result.current.isCut).toBe(true))
  expect(asked).toEqual(['/api/yard?page=2'])
  isUp = true
  act(() => result.current.onTryAgain())
  await waitFor(() => expect(result.current.lineAt(10)?.name).toBe('No. 10'))
})

test('a yard that the server draws anew is fetched anew', async () => {
  const { result, rerender } = show([10, 19])
  await waitFor(() => expect(result.current.lineAt(10)).toBeDefined())
  rerender({ rows: [...first], view: [10, 19] })
  await waitFor(() => expect(asked).toHaveLength(2))
  await waitFor(() => expect(result.current.lineAt(10)).toBeDefined())
})
