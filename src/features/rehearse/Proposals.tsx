import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { formatQuantity, type UnitPreference } from '@/core/quantity/format'
import type { Measure } from '@/core/rehearse/measures'
import { measureName, measureValue } from '@/core/rehearse/words'
import { uncapital } from '@/core/sentences/words'
import type { Aims } from '@/core/scenario/aims'
import type { MeasureId } from '@/core/scenario/measureIds'
import type { Blank } from '@/core/search/blanks'
import type { Costs } from '@/core/search/costs'
import type { Proposal } from '@/core/search/proposals'
import type { Run } from '@/features/rehearse/useRun'
import type { Search } from '@/features/rehearse/useSearch'
import { Notice } from '@/ui/Notice'
import { SideHeading } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'

/** A search that came to an end. */
export type Found = Extract<Search, { kind: 'found' }>

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

/** The proposals, each against one’s own. */
export function ProposalTable({ found, run, aims, chosen, onChosen }: TableProps) {
  const preference = usePreference()
  const { proposals, present } = found.found
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label="proposals">
        <TableHead>
          <TableRow>
            <TableCell sx={{ minWidth: 230 }}>Proposal</TableCell>
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
                  {index === found.found.best && ' · best by your order'}
                </TextButton>
                <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>
                  {proposal.moves.map((move) => moveText(move, found.task.blanks, preference)).join(', ')}
                </Box>
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

/** One proposal: what moves, what it gains and costs, its worst day. */
export function Chosen({ number, proposal, found, run, onUse, onRehearse }: ChosenProps) {
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

/** Which limit of the controller or its probes costs most. */
export function CostNotice({
  costs,
  measureOf,
}: {
  costs: Costs | null
  measureOf: (id: MeasureId) => Measure | undefined
}) {
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
