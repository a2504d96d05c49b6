'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import type { ControllerModel } from '@/core/controller/schema'
import { derive } from '@/core/derive/derive'
import { plainCopy } from '@/core/json/plainCopy'
import { formatQuantity } from '@/core/quantity/format'
import { bestIn, differences } from '@/core/rehearse/compare'
import { dayNameAt, differencesText, hourText, measureName, measureValue, momentText } from '@/core/rehearse/words'
import type { Response } from '@/core/response/schema'
import { figureFields, withFigures } from '@/core/search/blanks'
import { asFound } from '@/core/start/asFound'
import { lanesOf, unitOf, type LaneOf } from '@/features/rehearse/lanes'
import { laneFigures } from '@/features/rehearse/laneFigures'
import { Lane, RIGHT_PX, SCALE_PX } from '@/features/rehearse/Lane'
import { wholeHours } from '@/features/rehearse/timeAxis'
import type { Job, Rehearsal } from '@/workers/rehearse.worker'
import { rehearseWorker } from '@/workers/rehearse'
import { Choice } from '@/ui/Choice'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { RuledField } from '@/ui/RuledField'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { ChartTools } from '@/ui/ChartTools'
import { usePreference } from '@/ui/preference'
import { useDerived, useSealed, useWorkingCopy } from '@/ui/workingCopy/context'

const LETTERS = ['A', 'B', 'C', 'D'] as const
const LOOKS = ['plain', 'dashed', 'dotted', 'dashed'] as const
const MOST = 4

/** One of those that stand side by side. */
type Variant = {
  readonly key: string
  readonly name: string
  readonly detail: string
  /** What is really given: fitted when it stands beside the others, not before. */
  readonly give: () => Response
  /** Whether the controller that is chosen can do it. */
  readonly isPossible: boolean
  /** What it puts into the working copy; null where it is there already or cannot be. */
  readonly asked: Response | null
}

type Figures = readonly { readonly place: string; readonly value: number }[]

/** Everything that can stand beside the working copy. */
function useVariants(models: readonly ControllerModel[], copy: Figures): readonly Variant[] {
  const derived = useDerived()
  const sealed = useSealed()
  const document = useWorkingCopy((state) => state.document)
  return useMemo(() => {
    const { asked, given } = derived
    const chosen = document.kit.controller
    const steps = given.response.steps.stepPct
    const found = chosen && document.dial.present.length > 0 ? asFound(document, chosen) : null
    const changed = copy.length > 0 ? withFigures(document.response, copy) : null
    const of = (response: Response) => derive({ ...document, response }).given.response
    return [
      {
        key: 'given',
        name: chosen ? 'As this controller gives' : 'As asked',
        detail: steps > 0 ? `steps of ${steps} %` : 'working copy',
        give: () => given.response,
        isPossible: true,
        asked: null,
      },
      ...(chosen
        ? [
            {
              key: 'asked',
              name: 'As asked',
              detail: 'not what it can do',
              give: () => asked.response,
              isPossible: false,
              asked: null,
            },
          ]
        : []),
      ...(sealed
        ? [
            {
              key: 'sealed',
              name: 'Last sealed',
              detail: 'the revision before',
              give: () => derive(sealed).given.response,
              isPossible: true,
              asked: sealed.response,
            },
          ]
        : []),
      ...(found
        ? [
            {
              key: 'found',
              name: 'As found',
              detail: 'what the panel showed',
              give: () => of(found),
              isPossible: true,
              asked: found,
            },
          ]
        : []),
      ...(changed
        ? [
            {
              key: 'copy',
              name: 'A copy with changes',
              detail: `${copy.length} figure${copy.length === 1 ? '' : 's'} changed`,
              give: () => of(changed),
              isPossible: true,
              asked: changed,
            },
          ]
        : []),
      ...models
        .filter(({ id }) => id !== chosen?.id)
        .map((model) => ({
          key: `model ${model.id}`,
          name: model.name,
          detail: 'another controller',
          give: () => derive({ ...document, kit: { ...document.kit, controller: model } }).given.response,
          isPossible: false,
          asked: null,
        })),
    ]
  }, [derived, sealed, document, models, copy])
}

function useRuns(job: Job | null, others: readonly Response[]): readonly (Rehearsal | null)[] | null {
  const [runs, setRuns] = useState<{ readonly key: unknown; readonly runs: readonly (Rehearsal | null)[] } | null>(null)
  const key = useMemo(() => ({ job, others }), [job, others])
  useEffect(() => {
    if (!job) return
    let isCurrent = true
    void rehearseWorker()
      .sideBySide(job, others)
      .then((answer) => isCurrent && setRuns({ key, runs: answer }))
    return () => {
      isCurrent = false
    }
  }, [job, others, key])
  return runs?.runs ?? null
}

type Props = {
  title: ReactNode
  onBack: () => void
  job: Job | null
  models: readonly ControllerModel[]
}

/** Up to four responses on the same day: their traces over one another, what each comes to, and the difference in a sentence. */
export function SideBySide({ title, onBack, job, models }: Props) {
  const preference = usePreference()
  const document = useWorkingCopy((state) => state.document)
  const [copy, setCopy] = useState<Figures>([])
  const variants = useVariants(models, copy)
  const [picked, setPicked] = useState<readonly string[]>(['asked', 'sealed', 'found'])
  const [pair, setPair] = useState<readonly [number, number]>([2, 0])
  const shown = useMemo(
    () =>
      [
        variants[0]!,
        ...variants.filter(({ key }) => key !== 'given' && (picked.includes(key) || key === 'copy')),
      ].slice(0, MOST),
    [variants, picked],
  )
  const others = useMemo(() => shown.slice(1).map(({ give }) => give()), [shown])
  const runs = useRuns(job, others)
  const present = shown.map((variant, index) => ({ variant, run: runs?.[index] ?? null }))
  const lanes = useMemo(() => (job && runs ? together(runs, job) : []), [job, runs])
  const [a, b] = [Math.min(pair[0], shown.length - 1), Math.min(pair[1], shown.length - 1)]
  const [one, other] = [present[a], present[b]]
  const sentence =
    one?.run && other?.run && a !== b
      ? differencesText([LETTERS[a]!, LETTERS[b]!], differences(one.run.measures, other.run.measures), preference)
      : ''
  return (
    <StageLayout
      title={title}
      aside={
        <Button variant="outlined" size="small" onClick={onBack}>
          Back to one
        </Button>
      }
      sideTitle="Difference"
      side={
        <>
          <Against shown={shown} a={a} b={b} onPair={setPair} />
          <Beside variants={variants} shown={shown} picked={picked} onPicked={setPicked} />
          <SideHeading>A copy with changes</SideHeading>
          <CopyFields figures={copy} onFigures={setCopy} />
        </>
      }
    >
      <Names shown={shown} />
      <Overlaid
        lanes={lanes}
        rows={runs?.[0]?.trace.filled ?? 1}
        stepS={job?.stepS ?? 60}
        startsOn={job?.scenario.startsOn ?? ''}
      >
        {job && runs && <Hours job={job} />}
      </Overlaid>
      {sentence !== '' && (
        <Typography variant="body2" sx={{ borderLeft: 4, borderColor: 'text.primary', pl: 1.25, my: 1 }}>
          {sentence}
        </Typography>
      )}
      <Comparison present={present} />
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
        All begin from the same state. {document.name}, {job ? momentText(job.scenario.startsOn, 0, preference) : ''}.
      </Typography>
    </StageLayout>
  )
}

type Shown = { readonly variant: Variant; readonly run: Rehearsal | null }

type AgainstProps = {
  shown: readonly Variant[]
  a: number
  b: number
  onPair: (pair: readonly [number, number]) => void
}

/** Which two are compared, and putting the first into the working copy. */
function Against({ shown, a, b, onPair }: AgainstProps) {
  const edit = useWorkingCopy((state) => state.edit)
  const one = shown[a]
  return (
    <>
      <SideHeading>
        {LETTERS[a]} against {LETTERS[b]}
      </SideHeading>
      <Typography variant="body2" component="div" sx={{ mb: 1 }}>
        Compare{' '}
        <Choice
          label="compare"
          value={String(a)}
          options={shown.map((_, index) => [String(index), LETTERS[index]!] as const)}
          onChange={(value) => onPair([Number(value), b])}
        />{' '}
        with{' '}
        <Choice
          label="with"
          value={String(b)}
          options={shown.map((_, index) => [String(index), LETTERS[index]!] as const)}
          onChange={(value) => onPair([a, Number(value)])}
        />
      </Typography>
      {one?.asked && (
        <Button
          variant="contained"
          fullWidth
          sx={{ mb: 1 }}
          onClick={() => {
            const { asked, name } = one
            if (asked) edit(`Use “${name}”`, (draft) => void (draft.response = plainCopy(asked)))
          }}
        >
          Use {LETTERS[a]} in the working copy
        </Button>
      )}
      {shown.map((variant, index) =>
        variant.key === 'asked' ? (
          <Notice key={variant.key} title={`${LETTERS[index]} cannot be dialled in.`}>
            It is what was asked; A is the nearest this controller can do.
          </Notice>
        ) : null,
      )}
    </>
  )
}

type BesideProps = {
  variants: readonly Variant[]
  shown: readonly Variant[]
  picked: readonly string[]
  onPicked: (keys: readonly string[]) => void
}

/** What else can stand beside it. */
function Beside({ variants, shown, picked, onPicked }: BesideProps) {
  return (
    <>
      <SideHeading>Stand beside it</SideHeading>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {variants.slice(1).map(({ key, name }) => {
          const isShown = shown.some((variant) => variant.key === key)
          return (
            <Typography key={key} component="li" variant="body2" sx={{ py: 0.25 }}>
              <TextButton
                label={`${isShown ? 'Take away' : 'Put beside'}: ${name}`}
                onClick={() =>
                  onPicked(isShown ? picked.filter((own) => own !== key) : [key, ...picked].slice(0, MOST - 1))
                }
              >
                {isShown ? '✓ ' : '+ '}
                {name}
              </TextButton>
            </Typography>
          )
        })}
      </Box>
    </>
  )
}

const Names = ({ shown }: { shown: readonly Variant[] }) => (
  <Box
    sx={{
      display: 'grid',
      gridTemplateColumns: `repeat(${shown.length}, 1fr)`,
      borderTop: 1,
      borderBottom: 1,
      borderColor: 'divider',
      mb: 1,
    }}
  >
    {shown.map(({ key, name, detail }, index) => (
      <Box key={key} sx={{ px: 1, py: 0.5, borderLeft: index > 0 ? 1 : 0, borderColor: 'divider' }}>
        <Typography variant="body2" sx={{ fontWeight: 700 }}>
          {LETTERS[index]} <Dash look={LOOKS[index]!} thin={index === 3} /> {name}
        </Typography>
        <Typography variant="body2" sx={{ fontSize: 12, color: 'text.secondary' }}>
          {detail}
        </Typography>
      </Box>
    ))}
  </Box>
)

type OverlaidProps = {
  lanes: readonly LaneOf[]
  rows: number
  stepS: number
  startsOn: string
  /** The hours below them. */
  children: ReactNode
}

function Overlaid({ lanes, rows, stepS, startsOn, children }: OverlaidProps) {
  const preference = usePreference()
  const span = useMemo(() => ({ fromRow: 0, toRow: rows }), [rows])
  return (
    <ChartTools name="Side by side" figures={() => laneFigures(lanes, span, { startsOn, stepS }, preference)}>
      {lanes.map((lane) => (
        <Box key={lane.id} sx={{ display: 'flex' }}>
          <Box
            sx={{
              width: { xs: 70, sm: 92 },
              flexShrink: 0,
              fontSize: 13.5,
              fontWeight: 700,
              pt: 0.5,
              color: lane.cause === 'ink' ? 'text.primary' : `cause.${lane.cause}`,
            }}
          >
            {lane.name}
            <Box sx={{ fontSize: 12, fontWeight: 400 }}>{unitOf(lane, preference)}</Box>
          </Box>
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <Lane lane={lane} span={span} stepS={stepS} preference={preference} />
          </Box>
        </Box>
      ))}
      {children}
    </ChartTools>
  )
}

/** What each comes to, the better one marked. */
function Comparison({ present }: { present: readonly Shown[] }) {
  const preference = usePreference()
  const rows = (present[0]?.run?.measures ?? []).filter(
    ({ id, value, better }) =>
      better !== null &&
      (value !== 0 ||
        present.some(({ run }) => (run?.measures.find((measure) => measure.id === id)?.value ?? 0) !== 0)),
  )
  const compared = present.map(({ variant, run }) => ({
    measures: run?.measures ?? [],
    isPossible: variant.isPossible,
  }))
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label="measures side by side">
        <TableHead>
          <TableRow>
            <TableCell>✓ the best this controller can do</TableCell>
            {present.map(({ variant }, index) => (
              <TableCell key={variant.key} align="right">
                <strong>{LETTERS[index]}</strong> {variant.isPossible ? '' : 'not possible here'}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((measure) => {
            const best = bestIn(measure.id, compared)
            return (
              <TableRow key={measure.id}>
                <TableCell>{measureName(measure, preference)}</TableCell>
                {present.map(({ run }, index) => {
                  const own = run?.measures.find(({ id }) => id === measure.id)
                  return (
                    <TableCell key={index} align="right">
                      <Typography
                        variant="figure"
                        sx={{ fontSize: 13.5, fontWeight: best.includes(index) ? 700 : 400 }}
                      >
                        {best.includes(index) ? '✓ ' : ''}
                        {own ? measureValue(own, preference) : '–'}
                      </Typography>
                    </TableCell>
                  )
                })}
              </TableRow>
            )
          })}
        </TableBody>
      </Table>
    </Box>
  )
}

const Dash = ({ look, thin }: { look: 'plain' | 'dashed' | 'dotted'; thin: boolean }) => (
  <svg width="34" height="8" aria-hidden>
    <line
      x1="0"
      x2="34"
      y1="4"
      y2="4"
      stroke="currentColor"
      strokeWidth={thin ? 1 : 2}
      strokeDasharray={{ plain: '', dashed: thin ? '10 3 2 3' : '6 4', dotted: '2 3' }[look]}
    />
  </svg>
)

/** The first, the speed and the sound lane with a curve for each variant: what makes the difference. */
function together(runs: readonly (Rehearsal | null)[], job: Job): LaneOf[] {
  const byRun = runs.map((run) => (run ? lanesOf(run.trace, { ...job.installation, space: job.space }) : []))
  return (byRun[0] ?? [])
    .filter(({ id }) => ['primary', 'humidity', 'speed', 'sound', 'headKpa'].includes(id))
    .map((lane) => ({
      ...lane,
      height: lane.id === 'primary' ? 140 : 96,
      curves: byRun.flatMap((lanes, index) => {
        const own = lanes.find(({ id }) => id === lane.id)?.curves[0]
        return own ? [{ ...own, name: LETTERS[index]!, look: LOOKS[index]! }] : []
      }),
    }))
}

function Hours({ job }: { job: Job }) {
  const endS = job.scenario.days * 86400
  const ticks = wholeHours(0, endS)
  const preference = usePreference()
  const isByDay = ticks.length > 1 && ticks[1]! - ticks[0]! >= 86400
  return (
    <Box
      sx={{
        position: 'relative',
        height: 20,
        ml: { xs: `${70 + SCALE_PX}px`, sm: `${92 + SCALE_PX}px` },
        mr: `${RIGHT_PX}px`,
      }}
    >
      {ticks.map((atS, index) => (
        <Typography
          key={atS}
          variant="figure"
          sx={{
            display: { xs: index % 3 === 0 ? 'inline' : 'none', sm: 'inline' },
            position: 'absolute',
            left: `${(atS / endS) * 100}%`,
            transform: 'translateX(-50%)',
            fontSize: 11.5,
            color: 'text.secondary',
            whiteSpace: 'nowrap',
          }}
        >
          {!isByDay
            ? hourText(atS, preference.dates)
            : atS % 86400 === 0
              ? dayNameAt(job.scenario.startsOn, atS)
              : momentText(job.scenario.startsOn, atS, preference)}
        </Typography>
      ))}
    </Box>
  )
}

/** Figures of the response, to be changed in a copy beside it. */
function CopyFields({ figures, onFigures }: { figures: Figures; onFigures: (next: Figures) => void }) {
  const preference = usePreference()
  const document = useWorkingCopy((state) => state.document)
  const fields = useMemo(() => figureFields(document, preference), [document, preference])
  return (
    <>
      {fields.map(({ place, name, quantity, now, perBase, cause }) => {
        const changed = figures.find((figure) => figure.place === place)
        return (
          <RuledField
            key={place}
            label={
              <Box component="span" sx={{ color: `cause.${cause}` }}>
                {name}
                {changed && (
                  <Box component="span" sx={{ color: 'text.secondary' }}>
                    {' '}
                    was {formatQuantity(now * perBase, quantity, preference)}
                  </Box>
                )}
              </Box>
            }
          >
            <QuantityField
              label={`in the copy: ${name}`}
              quantity={quantity}
              value={(changed?.value ?? now) * perBase}
              onChange={(value) =>
                onFigures([
                  ...figures.filter((figure) => figure.place !== place),
                  ...(Math.abs(value / perBase - now) > 1e-9 ? [{ place, value: value / perBase }] : []),
                ])
              }
            />
          </RuledField>
        )
      })}
      {figures.length > 0 && <TextButton onClick={() => onFigures([])}>Take the copy away</TextButton>}
    </>
  )
}
