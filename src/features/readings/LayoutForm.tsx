'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { LayoutGuess } from '@/core/formats/readingsCsv/guessLayout'
import {
  AS_WRITTEN,
  DATE_ORDERS,
  READING_QUANTITIES,
  type DateOrder,
  type ReadingColumn,
  type ReadingLayout,
} from '@/core/formats/readingsCsv/layout'
import { rowReader } from '@/core/formats/readingsCsv/reader'
import { formatQuantity } from '@/core/quantity/format'
import { quantitySpec } from '@/core/quantity/units'
import { fittingFeeds, type Fed, type Feed, type Feeds } from '@/core/rehearse/feeds'
import { problemText } from '@/core/words/problems'
import { wallText } from '@/ui/wallText'
import { Choice } from '@/ui/Choice'
import { FeedTable } from '@/ui/FeedTable'
import { FormRow } from '@/ui/FormRow'
import { knownZones } from '@/ui/zones'
import { Notice } from '@/ui/Notice'
import { usePreference } from '@/ui/preference'

const ORDERS: Record<DateOrder, string> = {
  ymd: 'year, month, day (or day. month. year)',
  dmy: 'day / month / year',
  mdy: 'month / day / year',
  unix: 'seconds since 1970',
}
const LEFT_OUT = ''
const DELIMITERS = { ',': 'commas', ';': 'semicolons', '\t': 'tabs' } as const

const zones = (): readonly (readonly [string, string])[] => [[AS_WRITTEN, 'as the logger wrote them'], ...knownZones()]

function movedFeeds(feeds: Feeds, before: readonly ReadingColumn[], after: readonly ReadingColumn[]): Feeds {
  return Object.fromEntries(
    Object.entries(feeds).flatMap(([id, feed]): [string, Feed][] => {
      if (feed.kind !== 'column') return [[id, feed]]
      const column = after.findIndex(({ index }) => index === before[feed.column]?.index)
      return column < 0 ? [] : [[id, { kind: 'column', column }]]
    }),
  )
}

type Props = {
  name: string
  guess: LayoutGuess
  /** What the columns may be the readings of. */
  where: Fed
  onImport: (layout: ReadingLayout, feeds: Feeds) => void
  onLeave: () => void
}

/** What was found in a readings file, to be confirmed or corrected, with its first lines as they would be read. */
export function LayoutForm({
  name,
  guess: { layout: found, header, sample, unsure },
  where,
  onImport,
  onLeave,
}: Props) {
  const [layout, setLayout] = useState(found)
  const change = (part: Partial<ReadingLayout>) => setLayout((before) => ({ ...before, ...part }))
  const times = [layout.timeIndex, layout.timeOfDayIndex]
  // Null while nobody has chosen: then they are as proposed for the columns as they are now.
  const [chosen, setChosen] = useState<Feeds | null>(null)
  const feeds = fittingFeeds(chosen ?? {}, layout.columns, where)
  const setColumn = (index: number, column: ReadingColumn | null) => {
    const columns = [...layout.columns.filter((held) => held.index !== index), ...(column ? [column] : [])].sort(
      (a, b) => a.index - b.index,
    )
    // What was chosen for a column goes with it to its new place.
    if (chosen) setChosen(movedFeeds(chosen, layout.columns, columns))
    change({ columns })
  }
  const read = layout.columns.length > 0 ? rowReader(layout) : null
  const rows = sample.map((cells, line) => read?.(cells, layout.skipLines + line + 2))
  const problem = rows.find((row) => row && !row.ok)
  return (
    <Dialog open onClose={onLeave} fullWidth maxWidth="md" aria-labelledby="layout-title">
      <DialogTitle id="layout-title">{name}: is this right?</DialogTitle>
      <DialogContent>
        {unsure.includes('date-order') && (
          <Notice title="Day and month could be either way round.">Say below which comes first.</Notice>
        )}
        {unsure.includes('unit') && (
          <Notice title="A heading names no unit.">Look whether the first lines make sense in the one taken.</Notice>
        )}
        <Written layout={layout} onChange={change} />
        <Typography variant="h2" sx={{ mt: 2 }}>
          Columns
        </Typography>
        {header.map((heading, index) =>
          times.includes(index) ? null : (
            <ColumnRow
              key={index}
              index={index}
              heading={heading}
              column={layout.columns.find((held) => held.index === index) ?? null}
              onChange={(column) => setColumn(index, column)}
            />
          ),
        )}
        <Typography variant="h2" sx={{ mt: 2 }}>
          Which column is which input
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          For replaying it; it can be changed later, under Rehearse.
        </Typography>
        <FeedTable inputs={where.response.inputs} columns={layout.columns} feeds={feeds} onChange={setChosen} />
        <Typography variant="h2" sx={{ mt: 2 }}>
          The first lines, as they would be read
        </Typography>
        <FirstLines layout={layout} rows={rows} />
        {problem && !problem.ok && (
          <Typography variant="body2">Change what is said above until the lines can be read.</Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onLeave}>Leave it</Button>
        <Button variant="contained" disabled={read === null} onClick={() => onImport(layout, feeds)}>
          Import it
        </Button>
      </DialogActions>
    </Dialog>
  )
}

/** How the file is written: marks, dates, clock. */
const Written = ({ layout, onChange }: { layout: ReadingLayout; onChange: (part: Partial<ReadingLayout>) => void }) => (
  <>
    <FormRow label="Columns are apart by">
      {DELIMITERS[layout.delimiter]}; decimal{' '}
      <Choice
        label="decimal mark"
        value={layout.decimal ?? ''}
        options={[
          ['', 'mark as found'],
          ['.', 'point'],
          [',', 'comma'],
        ]}
        onChange={(mark) => onChange({ decimal: mark || null })}
      />
    </FormRow>
    <FormRow label="Dates are written">
      <Choice
        label="order of the date"
        value={layout.dateOrder}
        options={DATE_ORDERS.map((order) => [order, ORDERS[order]] as const)}
        onChange={(dateOrder) => onChange({ dateOrder })}
      />
    </FormRow>
    <FormRow
      label="The logger’s clock"
      hint="With a zone, the hour that comes twice in autumn stays in order; without one, times stay as they are."
    >
      <Choice label="time zone" value={layout.zone} options={zones()} onChange={(zone) => onChange({ zone })} />
    </FormRow>
  </>
)

type ColumnProps = {
  index: number
  heading: string
  column: ReadingColumn | null
  onChange: (column: ReadingColumn | null) => void
}

/** What a column is, and in which unit. */
function ColumnRow({ index, heading, column, onChange }: ColumnProps) {
  const name = heading || `column ${index + 1}`
  const called = heading || index + 1
  return (
    <FormRow label={name}>
      <Choice
        label={`what ${called} is`}
        value={column?.quantity ?? LEFT_OUT}
        options={[
          [LEFT_OUT, 'left out'],
          ...READING_QUANTITIES.map((quantity) => [quantity, quantitySpec(quantity).label] as const),
        ]}
        onChange={(quantity) =>
          onChange(
            quantity === LEFT_OUT ? null : { index, name, quantity, unit: quantitySpec(quantity).units[0].symbol },
          )
        }
      />
      {column && (
        <>
          {' in '}
          <Choice
            label={`unit of ${called}`}
            value={column.unit}
            options={quantitySpec(column.quantity).units.map(({ symbol }) => [symbol, symbol] as const)}
            onChange={(unit) => onChange({ ...column, unit })}
          />
        </>
      )}
    </FormRow>
  )
}

type Rows = readonly (ReturnType<ReturnType<typeof rowReader>> | undefined)[]

function FirstLines({ layout, rows }: { layout: ReadingLayout; rows: Rows }) {
  const preference = usePreference()
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Time</TableCell>
            {layout.columns.map((column) => (
              <TableCell key={column.index}>{column.name}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row, index) => (
            <TableRow key={index}>
              {row?.ok ? (
                <>
                  <TableCell>{wallText(row.row.atMs, layout.zone, preference.dates)}</TableCell>
                  {row.row.values.map((value, place) => (
                    <TableCell key={place}>
                      {formatQuantity(value, layout.columns[place]!.quantity, preference)}
                    </TableCell>
                  ))}
                </>
              ) : (
                <TableCell colSpan={1 + layout.columns.length}>{row ? problemText(row.problem) : '–'}</TableCell>
              )}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  )
}
