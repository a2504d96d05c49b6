'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Slider from '@mui/material/Slider'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { parseEpw } from '@/core/formats/epw/parse'
import { freeId } from '@/core/json/freeId'
import { plainCopy } from '@/core/json/plainCopy'
import { clockText } from '@/core/quantity/clock'
import { formatFigure, formatNumber, formatQuantity, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import { checkScenario } from '@/core/scenario/checkScenario'
import { driveColumns } from '@/core/scenario/driveColumns'
import { yearDayText } from '@/core/rules/yearDay'
import { MOST_OWN_DAYS, type Line, type Scenario, type ScenarioEvent } from '@/core/scenario/schema'
import { epwLines, hourOfDate, readingsLine } from '@/core/scenario/weatherFile'
import type { ReadingTable } from '@/core/rehearse/readingsSeries'
import { hourText } from '@/core/rehearse/words'
import { DRIVE, DRIVE_RANGES, DRIVES, type Drive } from '@/core/space/model'
import type { FileSummary } from '@/features/rehearse/ReplayView'
import { Choice } from '@/ui/Choice'
import { ClockField } from '@/ui/ClockField'
import { FileButton } from '@/ui/FileButton'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { RuledField } from '@/ui/RuledField'
import { SideHeading } from '@/ui/StageLayout'
import { TextLine } from '@/ui/TextLine'
import { useDates, usePreference, useProblemWords } from '@/ui/preference'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const PAINTED: readonly Drive[] = [
  'outdoorC',
  'outdoorRhPct',
  'sunWM2',
  'windMs',
  'load',
  'people',
  'waterGH',
  'doorOpen',
  'fuelKgH',
  'otherExtractLs',
  'light',
]
const EVERY_H = 2
const HOURS = Array.from({ length: 24 / EVERY_H }, (_, index) => index * EVERY_H)

type File = Pick<FileSummary, 'id' | 'name' | 'columns'>
type Props = { scenario: Scenario; onChosen: (id: string) => void; files: readonly File[] }

/** A day of one’s own: begun from the one that is shown, painted hour by hour, with weather from a file and events on its time line. */
export function DaySheet({ scenario, onChosen, files }: Props) {
  const edit = useWorkingCopy((state) => state.edit)
  const document = useDocument()
  const own = document.scenarios ?? []
  const isOwn = own.some(({ id }) => id === scenario.id)
  function begin(): void {
    const id = freeId(
      own.map((one) => one.id),
      'own',
    )
    edit('A day of one’s own', (draft) => {
      draft.scenarios = [...own, { ...plainCopy(scenario), id, name: `${scenario.name}, changed` }]
    })
    onChosen(id)
  }
  if (!isOwn)
    return (
      <>
        <SideHeading>The day</SideHeading>
        <Typography variant="body2">Tries {scenario.tries}.</Typography>
        <Button
          variant="outlined"
          size="small"
          fullWidth
          sx={{ mt: 1 }}
          onClick={begin}
          disabled={own.length >= MOST_OWN_DAYS}
        >
          Paint a day from this one
        </Button>
        {own.length >= MOST_OWN_DAYS && (
          <Typography variant="body2">
            There are {MOST_OWN_DAYS} painted days, the most there can be: choose one above and take it away first.
          </Typography>
        )}
      </>
    )
  return <OwnDay scenario={scenario} files={files} onGone={() => onChosen('hot-spell')} />
}

const MOST_TOLD = 3

/** Weather from a file, put into a day; what is wrong with it is said. */
function useWeatherFiles(scenario: Scenario, change: Change, setProblem: (problem: string | null) => void) {
  const dates = useDates()
  const { line: problemLine } = useProblemWords()
  function putLines(lines: readonly Line[], remarks: readonly string[] = []): void {
    const problems = checkScenario({ ...scenario, lines: [...lines] })
    if (problems.length > 0) return setProblem(problems.slice(0, MOST_TOLD).map(problemLine).join(' '))
    setProblem(remarks.length > 0 ? remarks.join(' ') : null)
    change('Weather from a file', (day) => {
      day.lines = [...day.lines.filter((line) => !lines.some((next) => next.drive === line.drive)), ...plainCopy(lines)]
    })
  }
  async function readWeather(file: Blob): Promise<void> {
    const epw = parseEpw(await file.text())
    if (!epw.ok) return setProblem(epw.problems.map(problemLine).join(' '))
    const [, month, day] = scenario.startsOn.split('-').map(Number)
    const from = hourOfDate(epw.value, month!, day!)
    const { bad, badCount } = epw.value
    putLines(epwLines(epw.value, Math.max(0, from), scenario.days), [
      ...(from < 0
        ? [`The file has no ${yearDayText(scenario.startsOn.slice(5), dates)}; it is taken from its start.`]
        : []),
      ...bad.slice(0, MOST_TOLD).map(problemLine),
      ...(badCount > MOST_TOLD ? [`And ${badCount - MOST_TOLD} more.`] : []),
      ...(badCount > 0 ? ['Where something could not be used the line runs straight over the gap.'] : []),
    ])
  }
  async function readReadings(drive: Drive, id: string, column: number): Promise<void> {
    const answer = await fetch(`/api/readings/${id}`).catch(() => null)
    if (!answer?.ok)
      return setProblem('The readings could not be fetched; nothing was lost. Choose the file again in a moment.')
    const table = (await answer.json()) as ReadingTable
    const first = table.atMs[0] ?? 0
    const atS = Float64Array.from(table.atMs, (ms) => (ms - first) / 1000)
    putLines([readingsLine(drive, atS, Float64Array.from(table.values[column] ?? []))])
  }
  return { readWeather, readReadings }
}

function OwnDay({ scenario, files, onGone }: { scenario: Scenario; files: readonly File[]; onGone: () => void }) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const [drive, setDrive] = useState<Drive>('outdoorC')
  const [problem, setProblem] = useState<string | null>(null)
  const change = (label: string, recipe: (draft: Scenario) => void, key?: string) =>
    edit(
      label,
      (draft) => {
        const day = draft.scenarios?.find(({ id }) => id === scenario.id)
        if (day) recipe(day)
      },
      key,
    )
  const { readWeather, readReadings } = useWeatherFiles(scenario, change, setProblem)
  return (
    <>
      <SideHeading>The day, painted</SideHeading>
      <TextLine
        label="its name"
        value={scenario.name}
        maxLength={60}
        onChange={(name) => change('Name of the day', (day) => void (day.name = name || 'day'), 'day.name')}
      />
      {problem !== null && <Notice title={problem} />}
      <Box sx={{ my: 0.5 }}>
        <Choice
          label="what to paint"
          value={drive}
          options={PAINTED.map(
            (name) => [name, `${DRIVE_RANGES[name].name}, ${driveFigures(name, preference).unit}`] as const,
          )}
          onChange={setDrive}
        />
      </Box>
      <Painter
        scenario={scenario}
        drive={drive}
        onPainted={(line) =>
          change(
            `Paint ${DRIVE_RANGES[drive].name}`,
            (day) => {
              day.lines = [...day.lines.filter((other) => other.drive !== drive), line]
            },
            `paint.${drive}`,
          )
        }
      />
      <Events scenario={scenario} onChange={change} />
      <SideHeading>Weather from a file</SideHeading>
      <FileButton
        label="weather file"
        accept=".epw,text/csv"
        variant="outlined"
        size="small"
        fullWidth
        onFile={(file) => void readWeather(file)}
      >
        An EPW file…
      </FileButton>
      {files.length > 0 && (
        <Choice
          label={`${DRIVE_RANGES[drive].name} from readings`}
          value=""
          options={[
            ['', `${DRIVE_RANGES[drive].name} from readings…`] as const,
            ...files.flatMap(({ id, name, columns }) =>
              columns.map((column, index) => [`${id}/${index}`, `${name}: ${column.name}`] as const),
            ),
          ]}
          onChange={(chosen) => {
            const [id, column] = chosen.split('/')
            if (id) void readReadings(drive, id, Number(column))
          }}
        />
      )}
      <Button
        size="small"
        color="error"
        sx={{ mt: 1 }}
        onClick={() => {
          edit(
            'Take the painted day away',
            (draft) => void (draft.scenarios = draft.scenarios?.filter(({ id }) => id !== scenario.id)),
          )
          onGone()
        }}
      >
        Take this day away
      </Button>
    </>
  )
}

/** How what drives a day is said to a reader: its figures, given as the core has them, and their unit. */
function driveFigures(drive: Drive, preference: UnitPreference) {
  const { unit, quantity } = DRIVE_RANGES[drive]
  return quantity === undefined
    ? { figure: (x: number, decimals: number) => formatNumber(x, decimals, preference), unit }
    : {
        figure: (x: number, decimals: number) => formatFigure(x, quantity, preference, decimals),
        unit: preferredUnit(quantity, preference).symbol,
      }
}

/** A handle every two hours: drag it, or turn it by the arrow keys. */
function Painter({
  scenario,
  drive,
  onPainted,
}: {
  scenario: Scenario
  drive: Drive
  onPainted: (line: Line) => void
}) {
  const preference = usePreference()
  const { from, to, name } = DRIVE_RANGES[drive]
  const { figure, unit } = driveFigures(drive, preference)
  const line = scenario.lines.find((one) => one.drive === drive)
  const plain: Scenario = {
    ...scenario,
    days: 1,
    events: [],
    lines: line ? [{ ...line, wander: { by: 0, overS: 1 } }] : [],
  }
  const column = driveColumns(plain, 600).columns[DRIVE[drive]]!
  const values = HOURS.map((hour) => column[hour * 6]!)
  const most = Math.max(...values)
  const least = Math.min(...values)
  const reach = Math.max((most - least) / 2, DRIVES.indexOf(drive) < 2 ? 8 : Math.max(1, most / 2))
  const [low, high] = [Math.max(from, Math.floor(least - reach)), Math.min(to, Math.ceil(most + reach))]
  return (
    <Box role="group" aria-label={`${name} over the day`}>
      <Box sx={{ display: 'flex', height: 120, justifyContent: 'space-between' }}>
        {HOURS.map((hour, index) => (
          <Slider
            key={hour}
            orientation="vertical"
            size="small"
            value={Math.min(high, Math.max(low, values[index]!))}
            min={low}
            max={high}
            step={(high - low) / 60}
            aria-label={`${name} at ${clockText(hour * 60, preference.dates)}`}
            getAriaValueText={(value) => `${figure(value, 1)} ${unit}`}
            valueLabelDisplay="auto"
            valueLabelFormat={(value) => figure(value, 1)}
            onChange={(_, value) =>
              onPainted({
                drive,
                how: 'straight',
                daily: true,
                points: HOURS.map((at, place) => ({
                  atS: at * 3600,
                  value: Math.round((place === index ? value : values[place]!) * 100) / 100,
                })),
              })
            }
            sx={{ color: drive === 'outdoorC' ? 'cause.temperature' : 'cause.humidity' }}
          />
        ))}
      </Box>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', fontSize: 11.5, color: 'text.secondary' }}>
        {HOURS.filter((hour) => hour % 6 === 0).map((hour) => (
          <span key={hour}>{clockText(hour * 60, preference.dates)}</span>
        ))}
        <span>
          {figure(low, 0)} to {figure(high, 0)} {unit}
        </span>
      </Box>
    </Box>
  )
}

const KINDS = [
  ['power-cut', 'power cut'],
  ['door', 'door open'],
  ['probe', 'probe off its lead'],
  ['fan', 'a fan stands'],
  ['brown-out', 'supply dips'],
] as const
type Kind = (typeof KINDS)[number][0]

type Change = (label: string, recipe: (draft: Scenario) => void, key?: string) => void

/** Events on the time line: what, when and how long. */
function Events({ scenario, onChange }: { scenario: Scenario; onChange: Change }) {
  const preference = usePreference()
  const { response } = useDocument()
  const [first] = response.inputs
  const make = (kind: Kind): ScenarioEvent => {
    const whole = { atS: 14 * 3600, lengthS: 1800 }
    if (kind === 'door') return { kind: 'drive', name: 'door open', drive: 'doorOpen', value: 1, ...whole }
    if (kind === 'probe' && first) return { kind: 'probe', name: 'lead off', input: first.id, fault: 'open', ...whole }
    if (kind === 'fan')
      return { kind: 'fan', name: 'fan stands', fan: response.lead, toPct: 0, gradual: false, ...whole }
    if (kind === 'brown-out') return { kind: 'brown-out', name: 'supply dips', supplyPct: 75, ...whole }
    return { kind: 'power-cut', name: 'power cut', ...whole }
  }
  return (
    <>
      <SideHeading>Events</SideHeading>
      {scenario.events.map((event, index) => (
        <RuledField
          key={index}
          label={`${event.name ?? event.kind}${event.atS >= 86400 ? `, day ${Math.floor(event.atS / 86400) + 1}` : ''}`}
        >
          <ClockField
            label={`${event.name ?? event.kind} begins`}
            value={Math.floor((event.atS % 86400) / 60)}
            most={1439}
            onChange={(minutes) =>
              onChange(
                'When it begins',
                (day) => void (day.events[index]!.atS = Math.floor(event.atS / 86400) * 86400 + minutes * 60),
                `event.${index}`,
              )
            }
          />
          <QuantityField
            label={`${event.name ?? event.kind} lasts`}
            quantity="time"
            limits={[1, 400 * 86400]}
            value={event.lengthS}
            onChange={(lengthS) =>
              onChange('How long it lasts', (day) => void (day.events[index]!.lengthS = lengthS), `event.${index}`)
            }
          />
          <IconButton
            size="small"
            aria-label={`take ${event.name ?? event.kind} at ${hourText(event.atS, preference.dates)} away, ${formatQuantity(event.lengthS, 'time', preference)}`}
            onClick={() => onChange('Take an event away', (day) => void day.events.splice(index, 1))}
          >
            ×
          </IconButton>
        </RuledField>
      ))}
      <Choice
        label="add an event"
        value=""
        options={[['', 'add an event…'] as const, ...KINDS]}
        onChange={(kind) => kind !== '' && onChange('Add an event', (day) => void day.events.push(make(kind)))}
      />
    </>
  )
}
