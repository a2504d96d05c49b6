'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import IconButton from '@mui/material/IconButton'
import LinearProgress from '@mui/material/LinearProgress'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import { plainCopy } from '@/core/json/plainCopy'
import { formatNumber, formatQuantity, type UnitPreference } from '@/core/quantity/format'
import type { Measure } from '@/core/rehearse/measures'
import { measureName, measureValue } from '@/core/rehearse/words'
import type { Aims } from '@/core/scenario/aims'
import type { MeasureId } from '@/core/scenario/measureIds'
import type { Scenario } from '@/core/scenario/schema'
import type { Blank } from '@/core/search/blanks'
import type { Costs } from '@/core/search/costs'
import type { Proposal } from '@/core/search/proposals'
import { defaultAims } from '@/features/rehearse/defaultAims'
import { FrontChart } from '@/features/rehearse/FrontChart'
import type { Run } from '@/features/rehearse/useRun'
import { useSearch, type Search } from '@/features/rehearse/useSearch'
import { uncapital } from '@/core/sentences/words'
import { Choice } from '@/ui/Choice'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'
import { useWorkingCopy } from '@/ui/workingCopy/context'
import { rehearseWorker } from '@/workers/rehearse'

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
    void rehearseWorker()
      .blanksOf(installation)
      .then((found) => isCurrent && setBlanks(found))
    return () => {
      isCurrent = false
    }
  }, [installation])
  return blanks
}

/** Looks for better settings of this controller: what counts, what may move, the front of what is possible, five proposals. */
export function BetterSettings({ title, onBack, run, days, onRehearse }: Props) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const { installation, space, scenario } = run.job
  const blanks = useBlanks(run)
  const [own, setOwn] = useState<Aims | null>(null)
  const [still, setStill] = useState<readonly string[]>([])
  const [ranges, setRanges] = useState<Readonly<Record<string, readonly [number, number]>>>({})
  const [chosen, setChosen] = useState(0)
  const { search, look, stop } = useSearch()
  const others = days
    .filter(({ id }) => id !== scenario.id && (id === 'mild' || id === 'cold-snap'))
    .map(({ id }) => id)
  const aims = own ?? defaultAims(installation.brief, run.measures, [scenario.id, ...others].slice(0, 3))
  const measureOf = (id: MeasureId) => run.measures.find((measure) => measure.id === id)
  const moving = useMemo(
    () =>
      (blanks ?? [])
        .filter(({ place }) => !still.includes(place))
        .map((blank) => {
          const [low, high] = ranges[blank.place] ?? [-Infinity, Infinity]
          return {
            ...blank,
            values: blank.values.filter(
              (value) => (value >= low - 1e-9 && value <= high + 1e-9) || value === blank.now,
            ),
          }
        })
        .filter(({ values }) => values.length > 1),
    [blanks, still, ranges],
  )
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
              onUse={() =>
                edit(`Use proposal ${chosen + 1}`, (draft) => void (draft.response = plainCopy(proposal.response)))
              }
              onRehearse={() => {
                edit(`Use proposal ${chosen + 1}`, (draft) => void (draft.response = plainCopy(proposal.response)))
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
          {found && found.result.judged.length > 1 && aims.then.length > 0 && (
            <Box
              tabIndex={0}
              role="group"
              aria-label="walk along the front with the arrow keys"
              onKeyDown={({ key }) => {
                const count = found.found.proposals.length
                if (key === 'ArrowRight') setChosen(Math.min(count - 1, chosen + 1))
                if (key === 'ArrowLeft') setChosen(Math.max(0, chosen - 1))
              }}
            >
              <Typography variant="body2">
                {axisName(aims.then[1]?.measure ?? aims.then[0]!.measure, run.measures, preference)} ↑
              </Typography>
              <FrontChart
                judged={found.result.judged.map(({ score }) => score)}
                front={found.result.front.map(({ score }) => score)}
                present={found.found.present.score}
                proposals={found.found.proposals.map(({ score }) => score)}
                chosen={chosen}
                onChoose={setChosen}
                xName={axisName(aims.then[0]!.measure, run.measures, preference)}
                yName={aims.then[1] ? axisName(aims.then[1].measure, run.measures, preference) : ''}
                toX={(value) => onAxis(measureOf(aims.then[0]!.measure) ?? { unit: 'count' }, value)}
                toY={(value) => onAxis(measureOf(aims.then[1]?.measure ?? 'starts') ?? { unit: 'count' }, value)}
              />
              <Typography variant="body2" sx={{ fontSize: 12, color: 'text.secondary' }}>
                ● within every limit × past a limit; walk with ← →
              </Typography>
            </Box>
          )}
        </Box>
      </Box>
      {found?.found.nothingBetter && (
        <Notice title="Nothing better than yours.">
          Of {formatNumber(found.result.tried, 0)} settings tried none gains in one thing without losing in another.
          {found.found.proposals.length > 0 && ' What is listed below trades one for the other.'}
        </Notice>
      )}
      {found && found.found.proposals.length > 0 && (
        <ProposalTable found={found} run={run} aims={aims} chosen={chosen} onChosen={setChosen} />
      )}
    </StageLayout>
  )
}

const axisName = (id: MeasureId, measures: readonly Measure[], preference: UnitPreference): string => {
  const measure = measures.find((one) => one.id === id)
  return measure ? `${measureName(measure, preference)}, ${axisUnit(measure)}` : id
}

type ProgressProps = { search: Search | null; onStart: () => void; onStop: () => void; isReady: boolean; seed: number }

function Progress({ search, onStart, onStop, isReady, seed }: ProgressProps) {
  const share = search?.kind === 'looking' ? Math.min(1, search.tried / search.of) : search?.kind === 'found' ? 1 : 0
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 1, flexWrap: 'wrap' }}>
      <LinearProgress variant="determinate" value={share * 100} aria-label="Looking" sx={{ width: 200, height: 8 }} />
      <Typography variant="body2" role="status" sx={{ flex: 1, minWidth: 200 }}>
        {search === null && (isReady ? 'Nothing tried yet.' : 'Finding out which figures this controller can move…')}
        {search?.kind === 'looking' &&
          (search.best.length > 0
            ? `${formatNumber(search.tried, 0)} tried; the best are judged on all days, ${search.best.length} on the front`
            : `${formatNumber(search.tried, 0)} of ${formatNumber(search.of, 0)} tried`)}
        {search?.kind === 'found' &&
          `${formatNumber(search.result.tried, 0)} tried${search.result.isComplete ? ', every setting there is' : ''} in ${formatNumber(search.tookMs / 1000, 1)} s · ${search.result.front.length} on the front · seed ${seed}${search.wasStopped ? ' · stopped' : ''}`}
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

type AimsProps = { aims: Aims; measures: readonly Measure[]; onAims: (next: Aims) => void; days: readonly Scenario[] }

const isTime = (measures: readonly Measure[], id: MeasureId) => measures.find((one) => one.id === id)?.unit === 's'

function AimsForm({ aims, measures, onAims, days }: AimsProps) {
  const preference = usePreference()
  const countable = measures.filter(({ better }) => better !== null)
  const options = countable.map((measure) => [measure.id, measureName(measure, preference)] as const)
  const unused = options.filter(([id]) => !aims.then.some(({ measure }) => measure === id))
  const unlimited = options.filter(([id]) => !aims.hard.some(({ measure }) => measure === id))
  const nameOf = (id: MeasureId) => options.find(([known]) => known === id)?.[1] ?? id
  const swap = (index: number) => {
    const then = [...aims.then]
    const [moved] = then.splice(index, 1)
    then.splice(index - 1, 0, moved!)
    onAims({ ...aims, then })
  }
  return (
    <>
      <SideHeading>Over these days</SideHeading>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        {days.map(({ id, name }) => (
          <FormControlLabel
            key={id}
            sx={{ mr: 1.5, '& .MuiTypography-root': { fontSize: 13.5 } }}
            control={
              <Checkbox
                size="small"
                sx={{ p: 0.5 }}
                checked={aims.over.includes(id)}
                onChange={(_, checked) => {
                  const over = checked ? [...aims.over, id].slice(0, 6) : aims.over.filter((own) => own !== id)
                  if (over.length > 0) onAims({ ...aims, over })
                }}
              />
            }
            label={name}
          />
        ))}
      </Box>
      <SideHeading>Hard limits</SideHeading>
      {aims.hard.map(({ measure, atMost = 0 }, index) => (
        <Box
          key={measure}
          sx={{
            display: 'flex',
            alignItems: 'baseline',
            gap: 0.75,
            borderBottom: '1px dotted',
            borderColor: 'divider',
          }}
        >
          <Typography variant="body2" sx={{ flex: 1 }}>
            ! {nameOf(measure)} at most
          </Typography>
          <QuantityField
            label={`${nameOf(measure)} at most`}
            quantity={isTime(measures, measure) ? 'time' : 'count'}
            limits={[0, 1e7]}
            value={atMost}
            onChange={(value) =>
              onAims({ ...aims, hard: aims.hard.map((one, at) => (at === index ? { measure, atMost: value } : one)) })
            }
          />
          <IconButton
            size="small"
            aria-label={`no limit for ${nameOf(measure)}`}
            onClick={() => onAims({ ...aims, hard: aims.hard.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </Box>
      ))}
      {unlimited.length > 0 && (
        <Choice
          label="add a limit"
          value=""
          options={[['', 'add a limit…'] as const, ...unlimited]}
          onChange={(id) =>
            id !== '' &&
            onAims({
              ...aims,
              hard: [...aims.hard, { measure: id, atMost: measures.find((one) => one.id === id)?.value ?? 0 }],
            })
          }
        />
      )}
      <SideHeading>Then, in this order</SideHeading>
      {aims.then.map(({ measure }, index) => (
        <Box
          key={measure}
          sx={{ display: 'flex', alignItems: 'center', gap: 0.75, borderBottom: '1px dotted', borderColor: 'divider' }}
        >
          <Typography variant="body2" sx={{ flex: 1 }}>
            {index + 1} {measure === 'lowest-flow' ? 'most' : 'least'} {nameOf(measure)}
          </Typography>
          {index > 0 && (
            <IconButton size="small" aria-label={`${nameOf(measure)} counts more`} onClick={() => swap(index)}>
              ↑
            </IconButton>
          )}
          <IconButton
            size="small"
            aria-label={`${nameOf(measure)} does not count`}
            onClick={() => onAims({ ...aims, then: aims.then.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </Box>
      ))}
      {unused.length > 0 && (
        <Choice
          label="add what counts"
          value=""
          options={[['', 'add what counts…'] as const, ...unused]}
          onChange={(id) => id !== '' && onAims({ ...aims, then: [...aims.then, { measure: id }] })}
        />
      )}
    </>
  )
}

type MoveProps = {
  blanks: readonly Blank[] | null
  still: readonly string[]
  onStill: (next: readonly string[]) => void
  ranges: Readonly<Record<string, readonly [number, number]>>
  onRanges: (next: Readonly<Record<string, readonly [number, number]>>) => void
}

function MayMove({ blanks, still, onStill, ranges, onRanges }: MoveProps) {
  const preference = usePreference()
  return (
    <>
      <SideHeading>May move, in the controller’s steps</SideHeading>
      {(blanks ?? []).map(({ place, name, cause, quantity, perBase, values }) => {
        const isMoving = !still.includes(place)
        const [low, high] = ranges[place] ?? [values[0]!, values.at(-1)!]
        const show = (value: number) => formatQuantity(value * perBase, quantity, preference)
        const put = (next: readonly [number, number]) => onRanges({ ...ranges, [place]: next })
        return (
          <Box key={place} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.25 }}>
            <FormControlLabel
              sx={{ mr: 0, '& .MuiTypography-root': { fontSize: 13.5, color: `cause.${cause}` } }}
              control={
                <Checkbox
                  size="small"
                  sx={{ p: 0.5 }}
                  checked={isMoving}
                  onChange={(_, checked) => onStill(checked ? still.filter((own) => own !== place) : [...still, place])}
                />
              }
              label={name}
            />
            {isMoving && (
              <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline', pl: 3.5 }}>
                <Choice
                  label={`${name}, from`}
                  value={String(low)}
                  options={values.map((value) => [String(value), show(value)] as const)}
                  onChange={(value) => put([Number(value), Math.max(Number(value), high)])}
                />
                –
                <Choice
                  label={`${name}, to`}
                  value={String(high)}
                  options={values.map((value) => [String(value), show(value)] as const)}
                  onChange={(value) => put([Math.min(low, Number(value)), Number(value)])}
                />
              </Box>
            )}
          </Box>
        )
      })}
    </>
  )
}

type Found = Extract<Search, { kind: 'found' }>

const nameOfProposal = (
  { bestIn }: Proposal,
  aims: Aims,
  measures: readonly Measure[],
  preference: UnitPreference,
): string => {
  const id = bestIn === null ? null : aims.then[bestIn]?.measure
  const measure = id && measures.find((one) => one.id === id)
  return measure ? `Least: ${uncapital(measureName(measure, preference))}` : 'Some of each'
}

const moveText = (
  { name, to, place }: Proposal['moves'][number],
  blanks: readonly Blank[],
  preference: UnitPreference,
): string => {
  const blank = blanks.find((one) => one.place === place)
  return `${name} ${blank ? formatQuantity(to * blank.perBase, blank.quantity, preference) : to}`
}

type TableProps = { found: Found; run: Run; aims: Aims; chosen: number; onChosen: (index: number) => void }

function ProposalTable({ found, run, aims, chosen, onChosen }: TableProps) {
  const preference = usePreference()
  const { proposals, present } = found.found
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label="proposals">
        <TableHead>
          <TableRow>
            <TableCell>Proposal</TableCell>
            <TableCell>moves to</TableCell>
            {aims.then.map(({ measure }) => (
              <TableCell key={measure} align="right">
                {run.measures.find(({ id }) => id === measure)
                  ? measureName(
                      run.measures.find(({ id }) => id === measure)!,
                      preference,
                    )
                  : measure}
              </TableCell>
            ))}
            <TableCell align="right">worst day</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {proposals.map((proposal, index) => (
            <TableRow
              key={index}
              selected={index === chosen}
              onClick={() => onChosen(index)}
              sx={{ cursor: 'pointer' }}
            >
              <TableCell>
                <TextButton label={`proposal ${index + 1}`} onClick={() => onChosen(index)}>
                  {index + 1} {nameOfProposal(proposal, aims, run.measures, preference)}
                </TextButton>
              </TableCell>
              <TableCell sx={{ fontSize: 12.5 }}>
                {proposal.moves.map((move) => moveText(move, found.task.blanks, preference)).join(', ')}
              </TableCell>
              {aims.then.map(({ measure }) => {
                const [now, then] = [present.together.get(measure) ?? 0, proposal.together.get(measure) ?? 0]
                const unit = run.measures.find(({ id }) => id === measure)?.unit ?? 'count'
                return (
                  <TableCell key={measure} align="right">
                    <Typography
                      variant="figure"
                      sx={{ fontSize: 13, fontWeight: then < now ? 700 : 400, whiteSpace: 'nowrap' }}
                    >
                      {then < now ? '✓ −' : then > now ? '+' : ''}
                      {measureValue(
                        { value: Math.abs(then - now), unit: unit === 'temperature' ? 'count' : unit },
                        preference,
                      )}
                    </Typography>
                  </TableCell>
                )
              })}
              <TableCell align="right">{found.task.scenarios[proposal.worstDay]?.name ?? '–'}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  )
}

type ChosenProps = {
  number: number
  proposal: Proposal
  found: Found
  run: Run
  onUse: () => void
  onRehearse: () => void
}

function Chosen({ number, proposal, found, run, onUse, onRehearse }: ChosenProps) {
  const preference = usePreference()
  const { present } = found.found
  const { blanks, scenarios, aims } = found.task
  const changed = run.measures.filter(({ id, better, unit }) => {
    const [now, then] = [present.together.get(id), proposal.together.get(id)]
    return (
      better !== null &&
      now !== undefined &&
      then !== undefined &&
      measureValue({ value: now, unit }, preference) !== measureValue({ value: then, unit }, preference)
    )
  })
  const worst = proposal.byDay[proposal.worstDay]?.find(({ id }) => id === aims.then[0]?.measure)
  return (
    <>
      <SideHeading>
        {number} {nameOfProposal(proposal, aims, run.measures, preference)}
      </SideHeading>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        What moves, {proposal.moves.length} of {blanks.length} figures
      </Typography>
      {proposal.moves.map(({ place, name, from, to }) => {
        const blank = blanks.find((one) => one.place === place)
        const show = (value: number) =>
          blank ? formatQuantity(value * blank.perBase, blank.quantity, preference) : String(value)
        return (
          <Moved key={place} name={name} colour={`cause.${blank?.cause ?? 'speed'}`}>
            {show(from)} → <strong>{show(to)}</strong>
          </Moved>
        )
      })}
      <SideHeading>What it gains and costs</SideHeading>
      {changed.map((measure) => {
        const [now, then] = [present.together.get(measure.id)!, proposal.together.get(measure.id)!]
        const isGain = measure.better === 'less' ? then < now : then > now
        return (
          <Moved
            key={measure.id}
            name={measureName(measure, preference)}
            colour={isGain ? 'cause.switch' : 'warning.main'}
          >
            {measureValue({ value: now, unit: measure.unit }, preference)} →{' '}
            {measureValue({ value: then, unit: measure.unit }, preference)} {isGain ? '✓ gain' : 'cost'}
          </Moved>
        )
      })}
      <Typography variant="body2" sx={{ my: 1 }}>
        <strong>Worst day: {scenarios[proposal.worstDay]?.name ?? '–'}</strong>
        {worst ? `, ${uncapital(measureName(worst, preference))} ${measureValue(worst, preference)}` : ''}.
      </Typography>
      <Button variant="contained" fullWidth onClick={onUse}>
        Use it
      </Button>
      <Button variant="outlined" fullWidth sx={{ mt: 1 }} onClick={onRehearse}>
        Use it and rehearse
      </Button>
      <Typography variant="body2" sx={{ fontSize: 12, color: 'text.secondary', mt: 0.5 }}>
        One edit of {proposal.moves.length} {proposal.moves.length === 1 ? 'figure' : 'figures'}; undo brings yours
        back.
      </Typography>
    </>
  )
}

/** A figure before and after: its name above, so that both fit. */
const Moved = ({ name, colour, children }: { name: string; colour: string; children: ReactNode }) => (
  <Box sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.25 }}>
    <Typography variant="body2" sx={{ fontSize: 13, color: colour, lineHeight: 1.3 }}>
      {name}
    </Typography>
    <Typography variant="figure" component="p" sx={{ fontSize: 13.5, textAlign: 'right' }}>
      {children}
    </Typography>
  </Box>
)

const LIMIT_WORDS = {
  steps: ['The steps of the output cost most.', 'Without them'],
  digit: ['The digits of the probes cost most.', 'Read twenty times finer'],
  fit: ['This controller costs most.', 'As it was asked, on one that can do all of it,'],
} as const

function CostNotice({ costs, measureOf }: { costs: Costs | null; measureOf: (id: MeasureId) => Measure | undefined }) {
  const preference = usePreference()
  const measure = costs && measureOf(costs.measure)
  if (!costs || !measure) return null
  const [title, how] = LIMIT_WORDS[costs.limit]
  const show = (value: number) => measureValue({ value, unit: measure.unit }, preference)
  return (
    <Box sx={{ mt: 1 }}>
      <Notice title={title}>
        {how} it would be {show(costs.without)}, not {show(costs.now)}: {uncapital(measureName(measure, preference))}.
      </Notice>
    </Box>
  )
}
