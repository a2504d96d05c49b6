'use client'

import { useEffect, useMemo, useState } from 'react'
import type { BadLine, YardLine } from '@/features/yard/yardLine'

export type YardRowLine = YardLine | BadLine

type Loaded = {
  /** The line of a row; undefined where it is not here yet. */
  readonly lineAt: (row: number) => YardRowLine | undefined
  /** Those that are here and can be opened, by their site. */
  readonly idsBySite: ReadonlyMap<string, readonly string[]>
  /** Whether some rows could not be fetched. */
  readonly isCut: boolean
  readonly onTryAgain: () => void
}

/** The rows of a yard as far as they are looked at: the first page came with the page, others are fetched once they come into view.
 *  @param first the rows of the first page, and how many a page has
 *  @param address of what is asked for, without the page
 *  @param inView places of the rows that are looked at */
export function useYardRows(
  first: readonly YardRowLine[],
  count: number,
  address: string,
  inView: readonly [from: number, to: number],
): Loaded {
  const [pages, setPages] = useState<ReadonlyMap<number, readonly YardRowLine[]>>(new Map())
  const [isCut, setCut] = useState(false)
  const [drawnFrom, setDrawnFrom] = useState(first)
  // The server has drawn the yard anew: what else was fetched may be old.
  if (drawnFrom !== first) {
    setDrawnFrom(first)
    setPages(new Map())
  }
  const pageOf = (row: number) => (row < first.length ? 0 : Math.floor(row / first.length))
  const [from, to] = inView.map((row) => pageOf(Math.min(row, count - 1))) as [number, number]
  // The first of those in view that is not here: the next is asked for once it is.
  const inRange = Array.from({ length: to - from + 1 }, (_, index) => from + index)
  const wanted = inRange.find((page) => page > 0 && !pages.has(page))
  const idsBySite = useMemo(() => idsOf([first, ...pages.values()].flat()), [first, pages])
  useEffect(() => {
    if (wanted === undefined || isCut) return
    let isCurrent = true
    const query = `${address === '' ? '?' : `${address}&`}page=${wanted + 1}`
    void fetch(`/api/yard${query}`)
      .then(async (answer) => (answer.ok ? ((await answer.json()) as { lines: YardRowLine[] }).lines : null))
      .catch(() => null)
      .then((lines) => {
        if (!isCurrent) return
        if (lines) setPages((before) => new Map(before).set(wanted, lines))
        else setCut(true)
      })
    return () => {
      isCurrent = false
    }
  }, [wanted, address, isCut])
  return {
    lineAt: (row) => (row < first.length ? first[row] : pages.get(pageOf(row))?.[row % first.length]),
    idsBySite,
    isCut,
    onTryAgain: () => setCut(false),
  }
}

function idsOf(lines: readonly YardRowLine[]): ReadonlyMap<string, readonly string[]> {
  const bySite = new Map<string, string[]>()
  for (const line of lines) if (!('wrong' in line)) bySite.set(line.site, [...(bySite.get(line.site) ?? []), line.id])
  return bySite
}
