'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { observeWindowOffset, useWindowVirtualizer, type Virtualizer } from '@tanstack/react-virtual'
import Link from 'next/link'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { flushSync } from 'react-dom'
import { dayText } from '@/core/rules/yearDay'
import { COLUMN_IDS, useYardColumns, YARD_COLUMNS } from '@/features/yard/columns'
import { TakeAlong } from '@/features/yard/TakeAlong'
import { useYardRows, type YardRowLine } from '@/features/yard/useYardRows'
import type { BadLine, YardLine } from '@/features/yard/yardLine'
import { placeAction } from '@/server/actions'
import { PlaceButton } from '@/ui/PlaceButton'
import { outageAtSite, sitePath } from '@/ui/places'
import { paletteVar } from '@/ui/paletteVar'
import { usePreference } from '@/ui/preference'
import { SpeedRail } from '@/ui/rail/SpeedRail'
import { TextButton } from '@/ui/TextButton'

const TONES = { plain: 'text.primary', working: 'ground.warnInk', needs: 'ground.warnInk', hurts: 'error.main' }

/** How high a row is until it was drawn, px. */
const ROW_PX = 66
const NONE: readonly string[] = []

/** Rows drawn above and below what is seen: a page of them, so that a yard that has no more is drawn whole, and the browser’s own search finds in it. */
const BEYOND = 50
/** What is drawn before a browser says how high it is: a whole first page. */
const FIRST_RECT = { width: 1280, height: 4000 }

const NAME_WIDTH = 'minmax(120px, 1.1fr)'
const STANDING_WIDTH = 'minmax(100px, 0.8fr)'
/** Where a desk is narrow the day of the next check has no room. */
const WHERE_WIDE = 'check'

/** One style for all rows: a hundred of them may be drawn. */
const ROWS = {
  '& .row': {
    display: 'grid',
    columnGap: 2,
    alignItems: 'center',
    color: 'text.primary',
    textDecoration: 'none',
    borderBottom: 1,
    borderColor: 'divider',
    py: 1.25,
    '&:hover, &:focus-visible': { bgcolor: 'ground.side' },
  },
  '& .row b': { display: 'block', fontWeight: 700 },
  '& .row small': { fontSize: '0.8125rem', color: 'text.secondary' },
  '& .rail': { order: { xs: 3, md: 0 }, gridColumn: { xs: '1 / -1', md: 'auto' } },
  '& .speed, & .gives': { typography: 'figure', textAlign: 'right' },
  '& .speed': { fontWeight: 600, fontSize: '1.0625rem' },
  '& .gives': { fontSize: '0.875rem', display: { xs: 'none', md: 'block' } },
  '& .check': { fontSize: '0.875rem', textAlign: 'right', display: { xs: 'none', lg: 'block' } },
  '& .standing': { typography: 'body2' },
} as const

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
  const widthsOf = (shown: Columns) =>
    [NAME_WIDTH, ...shown.map((id) => YARD_COLUMNS[id].width), STANDING_WIDTH].join(' ')
  const grid = {
    gridTemplateColumns: {
      xs: '1fr auto',
      md: widthsOf(columns.filter((id) => id !== WHERE_WIDE)),
      lg: widthsOf(columns),
    },
  }
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
      <Heads columns={columns} sx={grid} />
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
                    {!line && <Awaited isCut={isCut} onTryAgain={onTryAgain} />}
                    {line && 'wrong' in line && <BadRow {...line} mayArchive={mayArchive} />}
                    {line && !('wrong' in line) && <Row line={line} columns={columns} withSite={!isBySite} />}
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

type Columns = readonly (typeof COLUMN_IDS)[number][]

const Heads = ({ columns, sx }: { columns: Columns; sx: object }) => (
  <Box
    aria-hidden="true"
    sx={{
      ...sx,
      display: { xs: 'none', md: 'grid' },
      columnGap: 2,
      borderBottom: '2px solid',
      borderColor: 'text.primary',
      pb: 0.75,
      '& > *': { color: 'text.secondary', fontSize: '0.8125rem' },
    }}
  >
    <span>Installation</span>
    {columns.map((id) => (
      <Box
        key={id}
        component="span"
        sx={{
          textAlign: id === 'rail' ? 'left' : 'right',
          display: { xs: id === WHERE_WIDE ? 'none' : 'inline', lg: 'inline' },
        }}
      >
        {YARD_COLUMNS[id].name}
      </Box>
    ))}
    <span>Standing</span>
  </Box>
)

type HeadingProps = { site: string; isNamed: boolean; siteId: string | undefined; ids: readonly string[] }

const SiteHeading = ({ site, isNamed, siteId, ids }: HeadingProps) => (
  <Box
    sx={{
      display: 'flex',
      columnGap: 2,
      alignItems: 'center',
      flexWrap: 'wrap',
      pt: 1.5,
      pb: 0.5,
      '& a': { display: 'inline-flex', alignItems: 'center', minHeight: 24 },
    }}
  >
    {isNamed && <Typography variant="h2">{site}</Typography>}
    {siteId !== undefined && <Link href={sitePath(siteId)}>Site</Link>}
    <Link href={outageAtSite(site)}>After an outage</Link>
    <TakeAlong site={site} ids={ids} />
  </Box>
)

type RowProps = { line: YardLine; columns: Columns; withSite: boolean }

function Row({ line, columns, withSite }: RowProps) {
  const { dates } = usePreference()
  const cells = {
    rail: () => (
      <div key="rail" className="rail">
        <SpeedRail {...line.rail} />
      </div>
    ),
    speed: () => (
      <span
        key="speed"
        className="speed"
        title={`active: ${line.speed.rule}`}
        style={{ color: paletteVar(`cause.${line.speed.cause}`) }}
      >
        {line.speed.text}
      </span>
    ),
    gives: () => (
      <span key="gives" className="gives">
        {line.gives}
      </span>
    ),
    check: () => (
      <span key="check" className="check">
        {line.nextVisitOn === null ? '' : dayText(line.nextVisitOn, dates)}
      </span>
    ),
  }
  return (
    <Link prefetch={false} href={`/installation/${line.id}/respond`} className="row">
      <span>
        <b>{line.name}</b>
        <small>
          {withSite && `${line.site} · `}
          {line.about}
        </small>
      </span>
      {columns.map((id) => cells[id]())}
      <span
        className="standing"
        style={{
          color: paletteVar(TONES[line.standing.tone]),
          fontWeight: line.standing.tone === 'plain' ? 400 : 700,
        }}
      >
        {line.standing.text}
      </span>
    </Link>
  )
}

/** A row that is on its way. */
const Awaited = ({ isCut, onTryAgain }: { isCut: boolean; onTryAgain: () => void }) => (
  <Box sx={{ height: ROW_PX, borderBottom: 1, borderColor: 'divider', color: 'text.secondary', pt: 1.5 }}>
    {isCut ? (
      <>
        The server cannot be reached. <TextButton onClick={onTryAgain}>Try again</TextButton>
      </>
    ) : (
      '…'
    )}
  </Box>
)

/** One that cannot be opened: what is wrong with it, and the ways out. */
const BadRow = ({ id, name, wrong, mayArchive }: BadLine & { mayArchive: boolean }) => (
  <Box sx={{ borderBottom: 1, borderColor: 'divider', py: 1.25 }}>
    <Typography sx={{ fontWeight: 700 }}>{name}</Typography>
    <Typography variant="body2" sx={{ color: 'ground.warnInk' }}>
      It cannot be opened. {wrong}
    </Typography>
    <Typography variant="body2" component="div" sx={{ display: 'flex', gap: 2 }}>
      <Link href={`/installation/${id}/respond`}>Open as text</Link>
      <a href={`/api/installation/${id}/export`} download>
        Export
      </a>
      {mayArchive && (
        <PlaceButton onPlace={placeAction} id={id} name={name} place="aside">
          Archive
        </PlaceButton>
      )}
    </Typography>
  </Box>
)
