'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useMemo, useState, type ReactNode } from 'react'
import { putAt } from '@/core/json/path'
import { givenMark } from '@/core/prove/givenMark'
import { formatNumber, formatQuantity } from '@/core/quantity/format'
import { huntText, momentText, POWER_WORDS } from '@/core/rehearse/words'
import { readColumn } from '@/core/rehearse/trace'
import { MOST_REHEARSED } from '@/core/scenario/rehearsed'
import { reasonText } from '@/core/sentences/words'
import { fanTable } from '@/core/space/fanTables'
import { lanesOf } from '@/features/rehearse/lanes'
import { Lanes } from '@/features/rehearse/Lanes'
import { MeasureList } from '@/features/rehearse/MeasureList'
import { useCalm, useWhy, type Run } from '@/features/rehearse/useRun'
import { Notice } from '@/ui/Notice'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'
import { rehearseWorker } from '@/workers/rehearse'

type Props = { title: ReactNode; actions: ReactNode; run: Run | null; more: ReactNode }

/** Where the cursor stands and which rows are shown. */
type Look = { readonly cursor: number; readonly fromRow: number; readonly toRow: number }

/** Where a run is looked at: at its worst moment to begin with, or in the afternoon. Another day begins anew. */
function useLook(run: Run | null): { readonly look: Look; readonly put: (next: Partial<Look>) => void } {
  const [held, setHeld] = useState<{ readonly of: string; readonly look: Look } | null>(null)
  if (!run) return { look: { cursor: 0, fromRow: 0, toRow: 1 }, put: () => undefined }
  const { trace, measures, job } = run
  const name = `${job.scenario.id} ${trace.stepS} ${trace.steps}`
  const worst = measures.find(({ verdict, atS }) => verdict === 'fail' && atS !== null)?.atS ?? null
  const start: Look = {
    fromRow: 0,
    toRow: trace.steps,
    cursor: worst === null ? Math.round((trace.steps * 15) / 24) : Math.round(worst / trace.stepS) - 1,
  }
  const look = held?.of === name ? held.look : start
  return { look, put: (next) => setHeld({ of: name, look: { ...look, ...next } }) }
}

/** One response on one day: what the space did, how the fan ran and why, and what it comes to. */
export function OneRun({ title, actions, run, more }: Props) {
  const { look, put } = useLook(run)
  function showMoment(atS: number): void {
    if (!run) return
    const row = Math.max(0, Math.round(atS / run.trace.stepS) - 1)
    const isInside = row >= look.fromRow && row < look.toRow
    put({ cursor: row, ...(isInside ? {} : { fromRow: 0, toRow: run.trace.steps }) })
  }
  return (
    <StageLayout
      title={title}
      aside={actions}
      side={
        <>
          {run && (
            <>
              <Side run={run} onMoment={showMoment} />
              {more}
            </>
          )}
        </>
      }
      sideTitle="Against the brief"
    >
      <Box sx={{ minHeight: 4 }}>
        {run && !run.isWhole && (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <LinearProgress
              variant="determinate"
              value={(run.trace.filled / run.trace.steps) * 100}
              aria-label="Rehearsing"
              sx={{ flex: 1 }}
            />
            <TextButton onClick={() => void rehearseWorker().stopRun()}>Stop here</TextButton>
          </Box>
        )}
      </Box>
      {run ? (
        <Shown run={run} look={look} put={put} />
      ) : (
        // The first lanes take its place: what lies below does not move.
        <Typography sx={{ minHeight: '100vh' }}>Rehearsing…</Typography>
      )}
    </StageLayout>
  )
}

function Shown({ run, look, put }: { run: Run; look: Look; put: (next: Partial<Look>) => void }) {
  const preference = usePreference()
  const { trace, job } = run
  const kit = usePart('kit')
  const brief = usePart('brief')
  const { space, scenario } = job
  const lanes = useMemo(() => lanesOf(trace, { brief, kit, space }), [trace, brief, kit, space])
  const span = useMemo(
    () => ({ fromRow: look.fromRow, toRow: Math.min(look.toRow, trace.filled) }),
    [look.fromRow, look.toRow, trace.filled],
  )
  return (
    <>
      <Lanes
        trace={trace}
        lanes={lanes}
        response={job.given}
        events={scenario.events}
        preference={preference}
        span={span}
        onSpan={put}
        cursor={look.cursor}
        onCursor={(cursor) => put({ cursor })}
      />
      <WhyThen run={run} row={Math.min(trace.filled - 1, Math.max(0, look.cursor))} />
    </>
  )
}

/** The sentence of why, at a fixed height so that nothing jumps while the cursor moves. */
function WhyThen({ run, row }: { run: Run; row: number }) {
  const preference = usePreference()
  const explanation = useWhy(run, row)
  const { trace, job } = run
  const moved = [
    trace.outLs[row]! > 0 ? `${formatQuantity(trace.outLs[row]!, 'flow', preference)} out` : '',
    trace.inLs[row]! > 0 ? `${formatQuantity(trace.inLs[row]!, 'flow', preference)} in` : '',
    trace.overLs[row]! > 0 ? `${formatQuantity(trace.overLs[row]!, 'flow', preference)} over it` : '',
  ].filter((part) => part !== '')
  const pressure = readColumn(trace, 'pressurePa')?.[row]
  const happening = job.scenario.events.filter(
    ({ atS, lengthS }) => row * trace.stepS >= atS && row * trace.stepS < atS + lengthS,
  )
  return (
    <Box aria-live="polite" sx={{ borderLeft: 4, borderColor: 'cause.temperature', pl: 1.25, mt: 1, minHeight: 66 }}>
      <Typography variant="body2" component="p">
        <strong>{momentText(trace.startsOn, row * trace.stepS, preference)}</strong>:{' '}
        {explanation ? reasonText(job.given, explanation, preference) : '…'} {moved.join(', ')}
        {moved.length > 0 && pressure !== undefined && Math.abs(pressure) >= 0.5
          ? `, ${pressure < 0 ? 'suction' : 'overpressure'} ${formatNumber(Math.abs(pressure), 1, preference)} Pa`
          : ''}
        {moved.length > 0 && '.'}
        {happening.length > 0 && ` Meanwhile: ${happening.map(({ name, kind }) => name ?? kind).join(', ')}.`}
      </Typography>
    </Box>
  )
}

function Side({ run, onMoment }: { run: Run; onMoment: (atS: number) => void }) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const { trace, measures, hunts, job } = run
  const calm = useCalm(run)
  const [hunt] = hunts
  const words = hunt && huntText(job.given, hunt, calm, trace.startsOn, preference)
  // The cursor draws this anew at every move; these hang on the job alone.
  const { powerBy, mark } = useMemo(() => {
    const fan = job.space.fans[0]
    return { powerBy: fan ? fanTable(fan, job.installation).powerBy : 'unknown', mark: givenMark(job.given) } as const
  }, [job])
  const rehearsed = usePart('rehearsed') ?? []
  const kept = rehearsed.find(({ scenario, days }) => scenario === job.scenario.id && days === job.scenario.days)
  const isKept = kept?.given === mark
  const others = rehearsed.filter((one) => one !== kept)
  const givesWay = others.length >= MOST_REHEARSED ? others[0] : undefined
  function keep(): void {
    const { id, name, days, startsOn } = job.scenario
    edit(`Keep the rehearsal “${name}”`, (draft) => {
      draft.rehearsed = [
        ...others.slice(1 - MOST_REHEARSED),
        {
          scenario: id,
          name,
          days,
          startsOn,
          given: mark,
          measures: measures.map(({ id: measure, value, unit, against, atS, verdict }) => ({
            id: measure,
            value,
            unit,
            against,
            atS,
            verdict,
          })),
        },
      ]
    })
  }
  return (
    <>
      <SideHeading>Against the brief</SideHeading>
      <MeasureList measures={measures} startsOn={trace.startsOn} onMoment={onMoment} />
      {powerBy !== 'unknown' && (
        <Typography variant="body2" sx={{ fontSize: 12, color: 'text.secondary', mt: 0.5 }}>
          Energy {POWER_WORDS[powerBy]}.
        </Typography>
      )}
      {words && (
        <Box sx={{ mt: 1 }}>
          <Notice
            title={`△ ${words.title}`}
            {...(calm
              ? {
                  action: {
                    label: `Try ${words.cure ?? ''}`,
                    onClick: () =>
                      edit(`A band of ${words.cure ?? ''}`, (draft) =>
                        putAt(draft, `response.rules.${calm.rule}.${calm.key}`, calm.value),
                      ),
                  },
                }
              : {})}
          >
            Wear or nuisance. {words.text}
          </Notice>
        </Box>
      )}
      {run.isWhole && (
        <Button variant="outlined" size="small" fullWidth sx={{ my: 1 }} onClick={keep} disabled={isKept}>
          {isKept ? 'Kept for the record' : kept ? 'Keep this result instead' : 'Keep for the record'}
        </Button>
      )}
      {run.isWhole && !isKept && givesWay && (
        <Typography variant="body2">
          {MOST_REHEARSED} are kept; the oldest, “{givesWay.name}”, gives way.
        </Typography>
      )}
    </>
  )
}
