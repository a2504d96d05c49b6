'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import { plainCopy } from '@/core/json/plainCopy'
import { formatNumber, type UnitPreference } from '@/core/quantity/format'
import type { Measure } from '@/core/rehearse/measures'
import { measureName } from '@/core/rehearse/words'
import type { Aims } from '@/core/scenario/aims'
import type { MeasureId } from '@/core/scenario/measureIds'
import type { Scenario } from '@/core/scenario/schema'
import type { Blank } from '@/core/search/blanks'
import type { Proposal } from '@/core/search/proposals'
import { AimsForm } from '@/features/rehearse/AimsForm'
import { defaultAims } from '@/features/rehearse/defaultAims'
import { FrontChart } from '@/features/rehearse/FrontChart'
import { MayMove } from '@/features/rehearse/MayMove'
import { Chosen, CostNotice, ProposalTable, type Found } from '@/features/rehearse/Proposals'
import type { Run } from '@/features/rehearse/useRun'
import { useSearch, type Search } from '@/features/rehearse/useSearch'
import { Notice } from '@/ui/Notice'
import { StageLayout } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'
import { useWorkingCopy } from '@/ui/workingCopy/context'
import { patientWorker } from '@/workers/rehearse'

type Props = { title: ReactNode; onBack: () => void; run: Run; days: readonly Scenario[]; onRehearse: () => void }

/** Hours where a measure is a time, and its own unit else: what an axis shows. */
const onAxis = ({ unit }: Pick<Measure, 'unit'>, value: number): number => (unit === 's' ? value / 3600 : value)
const axisUnit = ({ unit }: Pick<Measure, 'unit'>): string =>
  unit === 's'
    ? 'h'
    : unit === 'sound'
      ? 'dB'
      : unit === 'kWh'
        ? 'kWh'
        : unit === 'temperature'
          ? '°C'
          : unit === 'humidity'
            ? '%RH'
            : ''

/** Which figures may move: found by the worker, as each is fitted to the controller value by value. */
function useBlanks(run: Run): readonly Blank[] | null {
  const [blanks, setBlanks] = useState<readonly Blank[] | null>(null)
  const { installation } = run.job
  useEffect(() => {
    let isCurrent = true
    void patientWorker()
      .blanksOf(installation)
      .then((found) => isCurrent && setBlanks(found))
    return () => {
      isCurrent = false
    }
  }, [installation])
  return blanks
}

type Ranges = Readonly<Record<string, readonly [number, number]>>

/** The figures that are free, each with the values of its range; its own value is always one of them. */
const withinRanges = (blanks: readonly Blank[], still: readonly string[], ranges: Ranges): Blank[] =>
  blanks
    .filter(({ place }) => !still.includes(place))
    .map((blank) => {
      const [low, high] = ranges[blank.place] ?? [-Infinity, Infinity]
      const isWithin = (value: number) => (value >= low - 1e-9 && value <= high + 1e-9) || value === blank.now
      return { ...blank, values: blank.values.filter(isWithin) }
    })
    .filter(({ values }) => values.length > 1)

/** Looks for better settings of this controller: what counts, what may move, the front of what is possible, five proposals. */
export function BetterSettings({ title, onBack, run, days, onRehearse }: Props) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const { installation, space, scenario } = run.job
  const blanks = useBlanks(run)
  const [own, setOwn] = useState<Aims | null>(null)
  const [still, setStill] = useState<readonly string[]>([])
  const [ranges, setRanges] = useState<Ranges>({})
  const [chosen, setChosen] = useState(0)
  const { search, look, stop } = useSearch(setChosen)
  const others = days
    .filter(({ id }) => id !== scenario.id && (id === 'mild' || id === 'cold-snap'))
    .map(({ id }) => id)
  const aims = own ?? defaultAims(installation.brief, run.measures, [scenario.id, ...others].slice(0, 3))
  const measureOf = (id: MeasureId) => run.measures.find((measure) => measure.id === id)
  const moving = useMemo(() => withinRanges(blanks ?? [], still, ranges), [blanks, still, ranges])
  function start(): void {
    const byId = new Map(days.map((day) => [day.id, day]))
    const scenarios = aims.over.flatMap((id) => {
      const day = byId.get(id)
      return day ? [day] : []
    })
    setChosen(0)
    void look({ installation, space, scenarios, blanks: moving, aims })
  }
  const found = search?.kind === 'found' ? search : null
  const use = (proposal: Proposal) =>
    edit(`Use proposal ${chosen + 1}`, (draft) => void (draft.response = plainCopy(proposal.response)))
  const proposal = found?.found.proposals[chosen] ?? null
  return (
    <StageLayout
      title={title}
      aside={
        <Button variant="outlined" size="small" onClick={onBack}>
          Back to one
        </Button>
      }
      sideTitle="Proposal"
      side={
        <>
          {found && proposal ? (
            <Chosen
              number={chosen + 1}
              proposal={proposal}
              found={found}
              run={run}
              onUse={() => use(proposal)}
              onRehearse={() => {
                use(proposal)
                onRehearse()
              }}
            />
          ) : (
            <Typography variant="body2">
              Say what counts and what may move. Every setting that is tried is one this controller can have; it is
              tried over all the days named, so that it is not tuned to one.
            </Typography>
          )}
          {found && <CostNotice costs={found.costs} measureOf={measureOf} />}
        </>
      }
    >
      <Progress search={search} onStart={start} onStop={stop} isReady={blanks !== null} seed={aims.seed} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '290px 1fr' }, gap: 2 }}>
        <Box>
          <AimsForm aims={aims} measures={run.measures} onAims={setOwn} days={days} />
          <MayMove blanks={blanks} still={still} onStill={setStill} ranges={ranges} onRanges={setRanges} />
        </Box>
        <Box sx={{ minWidth: 0 }}>
          {found && found.result.judged.length > 1 && (
            <Front found={found} run={run} aims={aims} chosen={chosen} onChosen={setChosen} />
          )}
          {found?.found.nothingBetter && (
            <Notice title="Nothing better than yours.">
              Of {formatNumber(found.result.tried, 0, preference)} settings tried none gains in one thing without losing
              in another.
              {found.found.proposals.length > 0 && ' What is listed below trades one for the other.'}
            </Notice>
          )}
          {found && found.found.proposals.length > 0 && (
            <ProposalTable found={found} run={run} aims={aims} chosen={chosen} onChosen={setChosen} />
          )}
        </Box>
      </Box>
    </StageLayout>
  )
}

type FrontProps = { found: Found; run: Run; aims: Aims; chosen: number; onChosen: (index: number) => void }

/** The front of what is possible, walked by the arrow keys. */
function Front({ found, run, aims, chosen, onChosen }: FrontProps) {
  const preference = usePreference()
  const [first, second] = aims.then
  const measureOf = (id: MeasureId) => run.measures.find((measure) => measure.id === id)
  if (!first) return null
  return (
    <Box
      tabIndex={0}
      role="group"
      aria-label="walk along the front with the arrow keys"
      onKeyDown={({ key }) => {
        const count = found.found.proposals.length
        if (key === 'ArrowRight') onChosen(Math.min(count - 1, chosen + 1))
        if (key === 'ArrowLeft') onChosen(Math.max(0, chosen - 1))
      }}
    >
      <Typography variant="body2">{axisName(second?.measure ?? first.measure, run.measures, preference)} ↑</Typography>
      <FrontChart
        judged={found.result.judged.map(({ score }) => score)}
        front={found.result.front.map(({ score }) => score)}
        present={found.found.present.score}
        proposals={found.found.proposals.map(({ score }) => score)}
        chosen={chosen}
        onChoose={onChosen}
        xName={axisName(first.measure, run.measures, preference)}
        yName={second ? axisName(second.measure, run.measures, preference) : ''}
        toX={(value) => onAxis(measureOf(first.measure) ?? { unit: 'count' }, value)}
        toY={(value) => onAxis(measureOf(second?.measure ?? 'starts') ?? { unit: 'count' }, value)}
      />
      <Typography variant="body2" sx={{ fontSize: 12, color: 'text.secondary' }}>
        ● within every limit × past a limit; walk with ← →
      </Typography>
    </Box>
  )
}

const axisName = (id: MeasureId, measures: readonly Measure[], preference: UnitPreference): string => {
  const measure = measures.find((one) => one.id === id)
  return measure ? `${measureName(measure, preference)}, ${axisUnit(measure)}` : id
}

type ProgressProps = { search: Search | null; onStart: () => void; onStop: () => void; isReady: boolean; seed: number }

function Progress({ search, onStart, onStop, isReady, seed }: ProgressProps) {
  const preference = usePreference()
  const share = search?.kind === 'looking' ? Math.min(1, search.tried / search.of) : search?.kind === 'found' ? 1 : 0
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 1, flexWrap: 'wrap' }}>
      <LinearProgress variant="determinate" value={share * 100} aria-label="Looking" sx={{ width: 200, height: 8 }} />
      <Typography variant="body2" role="status" sx={{ flex: 1, minWidth: 200 }}>
        {search === null && (isReady ? 'Nothing tried yet.' : 'Finding out which figures this controller can move…')}
        {search?.kind === 'looking' &&
          (search.best.length > 0
            ? `${formatNumber(search.tried, 0, preference)} tried; the best are judged on all days, ${search.best.length} on the front`
            : `${formatNumber(search.tried, 0, preference)} of ${formatNumber(search.of, 0, preference)} tried`)}
        {search?.kind === 'found' &&
          `${formatNumber(search.result.tried, 0, preference)} tried${search.result.isComplete ? ', every setting there is' : ''} in ${formatNumber(search.tookMs / 1000, 1, preference)} s · ${search.result.front.length} on the front · seed ${seed}${search.wasStopped ? ' · stopped' : ''}`}
        {search?.kind === 'refused' && search.text}
      </Typography>
      {search?.kind === 'looking' ? (
        <Button variant="outlined" onClick={onStop}>
          Stop here
        </Button>
      ) : (
        <Button variant="contained" onClick={onStart} disabled={!isReady}>
          {search?.kind === 'found' ? 'Look again' : 'Look for better'}
        </Button>
      )}
    </Box>
  )
}
