'use client'

import Box from '@mui/material/Box'
import { observeWindowOffset, useWindowVirtualizer, type Virtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { flushSync } from 'react-dom'
import { COLUMN_IDS, useYardColumns } from '@/features/yard/columns'
import { gridOf, ROW_PX, ROWS } from '@/features/yard/rowGrid'
import { SiteHeading } from '@/features/yard/SiteHeading'
import { useYardRows, type YardRowLine } from '@/features/yard/useYardRows'
import { YardHeads } from '@/features/yard/YardHeads'
import { AwaitedRow, BadRow, YardRow } from '@/features/yard/YardRow'

const NONE: readonly string[] = []

/** Rows drawn above and below what is seen: a page of them, so that a yard that has no more is drawn whole, and the browser’s own search finds in it. */
const BEYOND = 50
/** What is drawn before a browser says how high it is: a whole first page. */
const FIRST_RECT = { width: 1280, height: 4000 }

type Props = {
  /** The first page of them. */
  first: readonly YardRowLine[]
  count: number
  /** What is asked for, as the end of an address. */
  address: string
  /** Whether they come by site, each with its heading. */
  isBySite: boolean
  sites: readonly { readonly id: string; readonly name: string }[]
  /** The site that needs no heading: the only one, called as the yard. */
  unnamed: string | null
  mayArchive: boolean
}

/** The rows of the yard, drawn as far as they are seen; arrows go from one to the next. */
export function YardRows({ first, count, address, isBySite, sites, unnamed, mayArchive }: Props) {
  const list = useRef<HTMLDivElement>(null)
  const isPrinting = usePrinting()
  const [topPx, setTopPx] = useState(0)
  const { hidden } = useYardColumns()
  const columns = COLUMN_IDS.filter((id) => !hidden.includes(id))
  const grid = gridOf(columns)
  useEffect(() => {
    const measure = () => list.current && setTopPx(list.current.getBoundingClientRect().top + window.scrollY)
    measure()
    window.addEventListener('resize', measure)
    return () => window.removeEventListener('resize', measure)
  }, [])
  const virtual = useWindowVirtualizer({
    count,
    estimateSize: () => ROW_PX,
    overscan: BEYOND,
    scrollMargin: topPx,
    initialRect: FIRST_RECT,
    initialOffset: 0,
    observeElementOffset: observeFromHere,
    scrollToFn: stayHere,
  })
  const items = virtual.getVirtualItems()
  const total = virtual.getTotalSize()
  const [from, to] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0]
  const { lineAt, idsBySite, isCut, onTryAgain } = useYardRows(first, count, address, [from, to])
  const drawn = isPrinting ? Array.from({ length: count }, (_, index) => index) : items.map(({ index }) => index)

  /** From row to row: the browser draws the next ones as they come into view. */
  function onKeyDown(event: KeyboardEvent<HTMLElement>): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    const here = Number((event.target as Element).closest('[data-index]')?.getAttribute('data-index') ?? NaN)
    if (step === undefined || Number.isNaN(here)) return
    const next = list.current?.querySelector<HTMLElement>(`[data-index="${here + step}"] a.row`)
    if (!next) return
    event.preventDefault()
    next.focus()
    next.scrollIntoView({ block: 'nearest' })
  }

  return (
    <Box sx={{ mb: 3 }}>
      <YardHeads columns={columns} />
      <Box ref={list} onKeyDown={onKeyDown} sx={{ ...ROWS, '& .row': { ...ROWS['& .row'], ...grid } }}>
        <div
          style={
            isPrinting
              ? {}
              : {
                  paddingTop: (items[0]?.start ?? topPx) - topPx,
                  paddingBottom: topPx + total - (items.at(-1)?.end ?? topPx),
                }
          }
        >
          {inSections(drawn, (index) => (isBySite ? lineAt(index)?.site : ALL_SITES)).map(({ name, rows }) => (
            <section key={name} aria-label={name}>
              {rows.map((index) => {
                const line = lineAt(index)
                const isFirstOfSite = isBySite && line !== undefined && line.site !== lineAt(index - 1)?.site
                return (
                  <div key={index} data-index={index} ref={virtual.measureElement}>
                    {isFirstOfSite && (
                      <SiteHeading
                        site={line.site}
                        isNamed={line.site !== unnamed}
                        siteId={sites.find(({ name: called }) => called === line.site)?.id}
                        ids={idsBySite.get(line.site) ?? NONE}
                      />
                    )}
                    {!line && <AwaitedRow isCut={isCut} onTryAgain={onTryAgain} />}
                    {line && 'wrong' in line && <BadRow {...line} mayArchive={mayArchive} />}
                    {line && !('wrong' in line) && <YardRow line={line} columns={columns} withSite={!isBySite} />}
                  </div>
                )
              })}
            </section>
          ))}
        </div>
      </Box>
    </Box>
  )
}

/** A page may have been scrolled before it came alive: where it is counts from the start, not from the next move. */
function observeFromHere(list: Virtualizer<Window, Element>, onOffset: (offset: number, isScrolling: boolean) => void) {
  const stop = observeWindowOffset(list, onOffset)
  onOffset(window.scrollY, false)
  return stop
}

/** The list never moves the page under a finger; where rows above the window turn out higher the browser keeps in place what is looked at. */
const stayHere = () => undefined

const ALL_SITES = 'All sites'

/** Rows that follow one another under one name; one that is not here yet goes with those before it. */
function inSections(rows: readonly number[], nameOf: (row: number) => string | undefined) {
  const sections: { readonly name: string; readonly rows: number[] }[] = []
  for (const row of rows) {
    const last = sections.at(-1)
    const name = nameOf(row) ?? last?.name ?? ALL_SITES
    if (last?.name === name) last.rows.push(row)
    else sections.push({ name, rows: [row] })
  }
  return sections
}

/** On paper there is no window to look through. */
function usePrinting(): boolean {
  const [isPrinting, setPrinting] = useState(false)
  useEffect(() => {
    const before = () => flushSync(() => setPrinting(true))
    const after = () => setPrinting(false)
    window.addEventListener('beforeprint', before)
    window.addEventListener('afterprint', after)
    return () => {
      window.removeEventListener('beforeprint', before)
      window.removeEventListener('afterprint', after)
    }
  }, [])
  return isPrinting
}
