'use client'

import Box from '@mui/material/Box'
import Link from '@mui/material/Link'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import NextLink from 'next/link'
import { useEffect, useEffectEvent, useMemo, useState, type ReactNode } from 'react'
import { formatNumber, formatPct, formatQuantity } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { fittingFeeds, type FeedColumn, type Feeds } from '@/core/rehearse/feeds'
import { fedResponse, readingsSeries, type ReadingTable } from '@/core/rehearse/readingsSeries'
import type { Replay } from '@/core/rehearse/replay'
import type { Space } from '@/core/space/schema'
import type { Series } from '@/core/rehearse/series'
import { watchedInput } from '@/core/rehearse/watched'
import { LearnSheet } from '@/features/rehearse/LearnSheet'
import { ReplayCharts } from '@/features/rehearse/ReplayCharts'
import { FeedTable } from '@/ui/FeedTable'
import { Notice } from '@/ui/Notice'
import { Ruled } from '@/ui/Ruled'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'
import { useDerived, usePart } from '@/ui/workingCopy/context'
import { rehearseInWorker } from '@/workers/rehearse'

export type FileSummary = {
  readonly id: string
  readonly name: string
  readonly lineCount: number
  readonly fromMs: number
  readonly toMs: number
  readonly zone: string
  readonly columns: readonly FeedColumn[]
  /** Which input takes which column, as a person said. */
  readonly feeds: Feeds | null
}
type Loaded = { readonly id: string; readonly table: ReadingTable }
type Run = { readonly replay: Replay; readonly series: Series; readonly response: Response; readonly tookMs: number }

const NOT_KEPT =
  'Which column is which input could not be kept just now; it counts on this page. Change it again in a moment.'

type Props = {
  title: ReactNode
  installationId: string
  file: FileSummary
  space: Space
  onFeeds: (input: unknown) => Promise<{ kind: string }>
}

/** The readings of a file, fetched when it is chosen. */
function useReadings(id: string | null, onProblem: (problem: string | null) => void): Loaded | null {
  const [loaded, setLoaded] = useState<Loaded | null>(null)
  const told = useEffectEvent(onProblem)
  useEffect(() => {
    if (id === null || loaded?.id === id) return
    let isCurrent = true
    void fetch(`/api/readings/${id}`)
      .then(async (answer) => (answer.ok ? ((await answer.json()) as ReadingTable) : null))
      .catch(() => null)
      .then((table) => {
        if (!isCurrent) return
        if (table) setLoaded({ id, table })
        told(table ? null : 'The readings could not be fetched; nothing was lost. Choose the file again in a moment.')
      })
    return () => {
      isCurrent = false
    }
  }, [id, loaded])
  return loaded?.id === id ? loaded : null
}

type ToRun = { readonly series: Series; readonly response: Response }

/** What is to be run, run in a worker, and how far that has come; the run before stays until the next is done. */
function useRun(toRun: ToRun | null, watch: { readonly input: string; readonly limit: number } | undefined) {
  const [progress, setProgress] = useState<number | null>(null)
  const [run, setRun] = useState<Run | null>(null)
  useEffect(() => {
    if (!toRun) return
    let isCurrent = true
    const startedAt = performance.now()
    void rehearseInWorker(toRun.response, toRun.series, watch, (share) => isCurrent && setProgress(share)).then(
      (done) => {
        if (!isCurrent) return
        setProgress(null)
        if (done) setRun({ replay: done, ...toRun, tookMs: performance.now() - startedAt })
      },
    )
    return () => {
      isCurrent = false
    }
  }, [toRun, watch])
  return { progress, run }
}

/** Runs a readings file through the response, open loop: what the fan would have done. */
export function ReplayView({ title, installationId, file, onFeeds, space }: Props) {
  const preference = usePreference()
  const brief = usePart('brief')
  const response = usePart('response')
  const { given } = useDerived()
  const [problem, setProblem] = useState<string | null>(null)
  const target = brief.targets.find(({ quantity }) => quantity === 'temperature')
  const limit = target?.limitAbove ?? null
  const loaded = useReadings(file.id, setProblem)
  const where = useMemo(() => ({ brief, response }), [brief, response])
  const [changed, setChanged] = useState<Readonly<Record<string, Feeds>>>({})
  const feeds = useMemo(
    () => fittingFeeds(changed[file.id] ?? file.feeds ?? {}, file.columns, where),
    [file, changed, where],
  )
  function changeFeeds(next: Feeds): void {
    setChanged((before) => ({ ...before, [file.id]: next }))
    void onFeeds({ fileId: file.id, feeds: next }).then(
      ({ kind }) => setProblem(kind === 'done' ? null : NOT_KEPT),
      () => setProblem(NOT_KEPT),
    )
  }
  const toRun = useMemo(() => {
    if (!given.machine) return null
    return loaded ? { series: readingsSeries(loaded.table, feeds), response: fedResponse(given.response, feeds) } : null
  }, [loaded, feeds, given])
  const watched = watchedInput('temperature', where)?.id ?? null
  const watch = useMemo(
    () => (watched !== null && limit !== null ? { input: watched, limit } : undefined),
    [watched, limit],
  )
  const { run, progress } = useRun(toRun, watch)
  return (
    <StageLayout
      title={title}
      aside={
        run
          ? `${formatNumber(run.series.atS.length, 0, preference)} readings in ${formatNumber(run.tookMs / 1000, 2, preference)} s`
          : ''
      }
      side={
        <>
          <SideHeading>Measures</SideHeading>
          {run && <Measures run={run} limit={limit} />}
          {limit === null && (
            <Notice title="No temperature limit under Brief.">Minutes above it cannot be counted.</Notice>
          )}
          <LearnSheet key={file.id} name={file.name} table={loaded?.table ?? null} space={space} />
          <AboutReadings file={file} feeds={feeds} table={loaded?.table ?? null} onFeeds={changeFeeds} />
          <BringReadings installationId={installationId} hasSome />
          <Notice title="Open loop.">
            The readings do not answer to the fan: they show what it would have done, not what the room would have
            become.
          </Notice>
        </>
      }
      sideTitle="Measures"
    >
      {problem !== null && <Notice title={problem} />}
      <Box sx={{ height: 4 }}>
        {progress !== null && <LinearProgress variant="determinate" value={progress * 100} aria-label="Replaying" />}
      </Box>
      {!given.machine && (
        <Typography>The response contradicts itself; mend it under Respond and it is replayed here.</Typography>
      )}
      {run && given.machine && (
        <ReplayCharts
          series={run.series}
          replay={run.replay}
          response={run.response}
          target={target ?? null}
          watched={watched}
          startsAtMs={file.fromMs}
          zone={file.zone}
        />
      )}
    </StageLayout>
  )
}

type AboutProps = {
  file: FileSummary
  feeds: Feeds
  table: ReadingTable | null
  onFeeds: (feeds: Feeds) => void
}

/** What is replayed: which column is which input, and how closely a long file is looked at. */
function AboutReadings({ file, feeds, table, onFeeds }: AboutProps) {
  const preference = usePreference()
  const response = usePart('response')
  return (
    <>
      {table?.meanOverMs !== undefined && (
        <Notice
          title={`A long file: means of ${formatNumber(table.meanOverMs / 1000, 0, preference)} s are replayed.`}
        />
      )}
      <SideHeading>Taken for</SideHeading>
      <FeedTable inputs={response.inputs} columns={file.columns} feeds={feeds} onChange={onFeeds} />
    </>
  )
}

export const BringReadings = ({ installationId, hasSome }: { installationId: string; hasSome: boolean }) => (
  <>
    <SideHeading>Readings of your own</SideHeading>
    <Typography variant="body2" sx={{ mb: 1 }}>
      <Link component={NextLink} href={`/installation/${installationId}/readings`}>
        {hasSome ? 'Bring a file in, or look closer at one' : 'Bring a logger’s file in'}
      </Link>
    </Typography>
  </>
)

function Measures({ run: { replay }, limit: above }: { run: Run; limit: number | null }) {
  const preference = usePreference()
  const { measures } = replay
  return (
    <>
      <Ruled label="Over">{formatNumber(measures.hours, 1, preference)} h</Ruled>
      <Ruled
        label={above === null ? 'Minutes above the limit' : `Above ${formatQuantity(above, 'temperature', preference)}`}
        strong
      >
        {measures.minutesAbove === null ? '–' : `${formatNumber(measures.minutesAbove, 0, preference)} min`}
      </Ruled>
      <Ruled label="Starts from rest">{measures.starts}</Ruled>
      <Ruled label="Speed changes an hour">
        {measures.hours > 0 ? formatNumber(measures.speedChanges / measures.hours, 1, preference) : '–'}
      </Ruled>
      <Ruled label="Mean speed">{formatPct(measures.meanPct, preference)} %</Ruled>
      <Ruled label="At the ceiling">{formatNumber(measures.minutesAtCeiling, 0, preference)} min</Ruled>
      {measures.hottest !== null && (
        <Ruled label="Hottest">{formatQuantity(measures.hottest, 'temperature', preference)}</Ruled>
      )}
    </>
  )
}
