'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { ComponentProps, ReactNode } from 'react'
import { doneText, isDuring, VISIT_QUANTITIES, visitText, type Visit, type VisitQuantity } from '@/core/record/visit'
import { Row } from '@/features/hand-over/Row'
import { Choice } from '@/ui/Choice'
import { Moment } from '@/ui/Moment'
import { forgetDraft, useDraft } from '@/ui/onSite/useDraft'
import { usePutWork } from '@/ui/onSite/who'
import { AddPhoto } from '@/ui/onSite/AddPhoto'
import type { ShownLogEntry, ShownPhoto, ShownResult } from '@/ui/onSite/pack'
import { usePreference } from '@/ui/preference'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'
import { useDocument } from '@/ui/workingCopy/context'

type Props = {
  installationId: string
  results: readonly ShownResult[]
  log: readonly ShownLogEntry[]
  photos: readonly ShownPhoto[]
}

type Reading = Visit['readings'][number]
/** A visit that is not kept yet. */
type Open = Omit<Visit, 'endedAt' | 'done'>

const QUANTITIES = Object.entries(VISIT_QUANTITIES) as [VisitQuantity, string][]
const EMPTY: Reading = { quantity: 'temperature', where: '', instrument: '', found: null, left: null }
const SHORTEST_WHY = 3
const NOWHERE = 'place not said'

/** A visit: when it began, why, the weather, and what is read that belongs to no stage, as found and as left. Kept, it is an entry of the log. */
export function VisitForm({ installationId, results, log, photos }: Props) {
  const draftKey = `visit:${installationId}`
  const [visit, setVisit] = useDraft<Open | null>(draftKey, null)
  const put = usePutWork()
  const preference = usePreference()

  /** What else was done since it began. */
  const doneSince = (beganAt: string, endedAt: string): Visit['done'] => ({
    checks: results.filter(({ readAt }) => isDuring({ beganAt, endedAt }, readAt)).length,
    lines: log.filter(({ writtenAt }) => isDuring({ beganAt, endedAt }, writtenAt)).length,
  })

  async function keep(open: Open): Promise<void> {
    const id = crypto.randomUUID()
    const endedAt = new Date().toISOString()
    // A line that nobody filled in says nothing; a figure without a place is still a figure.
    const readings = open.readings
      .filter(({ where, found, left }) => where.trim() !== '' || found !== null || left !== null)
      .map((reading) => ({ ...reading, where: reading.where.trim() || NOWHERE }))
    const whole: Visit = { ...open, readings, endedAt, done: doneSince(open.beganAt, endedAt) }
    const shown: ShownLogEntry = {
      id,
      text: visitText(whole, preference),
      corrects: null,
      writtenBy: 'you',
      writtenAt: endedAt,
    }
    await put({
      id,
      installationId,
      kind: 'visit',
      label: `the visit “${open.why}”`,
      input: { id, installationId, visit: whole },
      shown,
    })
    setVisit(null)
    forgetDraft(draftKey)
  }

  if (!visit)
    return (
      <Box component="section" aria-label="Visit" sx={{ mb: 2 }}>
        <Typography variant="h2">This visit</Typography>
        <Typography variant="body2">
          Begun, it gathers what is read here and belongs to no stage, as found and as left.
        </Typography>
        <Button
          variant="outlined"
          onClick={() => setVisit({ beganAt: new Date().toISOString(), why: '', weather: '', readings: [EMPTY] })}
          sx={{ mt: 1, minHeight: 44 }}
        >
          Begin a visit
        </Button>
      </Box>
    )
  return (
    <OpenVisit
      visit={visit}
      done={doneSince(visit.beganAt, new Date().toISOString())}
      onVisit={setVisit}
      onKeep={() => void keep(visit)}
    >
      <AddPhoto installationId={installationId} about="visit" caption={`Visit: ${visit.why}`} photos={photos} />
    </OpenVisit>
  )
}

type OpenProps = {
  visit: Open
  done: Visit['done']
  onVisit: (visit: Open) => void
  onKeep: () => void
  children: ReactNode
}

function OpenVisit({ visit, done, onVisit: setVisit, onKeep, children }: OpenProps) {
  const instruments = (useDocument().calibration.instruments ?? []).map(({ name }) => name)
  const change = (index: number, changed: Partial<Reading>) =>
    setVisit({
      ...visit,
      readings: visit.readings.map((reading, place) => (place === index ? { ...reading, ...changed } : reading)),
    })
  return (
    <Box component="section" aria-label="Visit" sx={{ mb: 2 }}>
      <Typography variant="h2">
        This visit, since <Moment at={visit.beganAt} />
      </Typography>
      <Words
        name="Why"
        label="Why this visit"
        placeholder="yearly look, noise at night, new tenant"
        value={visit.why}
        maxLength={200}
        onChange={(why) => setVisit({ ...visit, why })}
      />
      <Words
        name="Weather"
        label="Weather at this visit"
        placeholder="4 °C, dry, wind on the outlet"
        value={visit.weather}
        maxLength={120}
        onChange={(weather) => setVisit({ ...visit, weather })}
      />
      {visit.readings.map((reading, index) => (
        <ReadingRow
          key={index}
          reading={reading}
          number={index + 1}
          instruments={instruments}
          onChange={(changed) => change(index, changed)}
          onAway={() => setVisit({ ...visit, readings: visit.readings.filter((_one, place) => place !== index) })}
        />
      ))}
      {children}
      <Typography variant="body2" sx={{ my: 1 }}>
        Done meanwhile: {doneText(done) || 'nothing yet'}.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          disabled={visit.readings.length >= 40}
          onClick={() => setVisit({ ...visit, readings: [...visit.readings, EMPTY] })}
          sx={{ minHeight: 44 }}
        >
          Another reading
        </Button>
        <Button
          variant="contained"
          disabled={visit.why.trim().length < SHORTEST_WHY}
          onClick={onKeep}
          sx={{ minHeight: 44 }}
        >
          End and save the visit
        </Button>
      </Box>
    </Box>
  )
}

/** A field for words, as wide as the line, with its name before it. */
const Words = ({ name, ...field }: ComponentProps<typeof TextLine> & { name: string }) => (
  <Row>
    <Box component="span" sx={{ width: 70 }}>
      {name}
    </Box>
    <Box sx={{ flex: 1, minWidth: 0 }}>
      <TextLine {...field} />
    </Box>
  </Row>
)

type RowProps = {
  reading: Reading
  number: number
  instruments: readonly string[]
  onChange: (changed: Partial<Reading>) => void
  onAway: () => void
}

function ReadingRow({ reading, number, instruments, onChange, onAway }: RowProps) {
  const { quantity, where, instrument, found, left } = reading
  const figure = (when: 'found' | 'left', value: number | null) => (
    <QuantityField
      label={`reading ${number}, as ${when}`}
      quantity={quantity}
      value={value}
      onChange={(x) => onChange({ [when]: x })}
      onClear={() => onChange({ [when]: null })}
    />
  )
  return (
    <Row>
      <Choice
        label={`reading ${number}: what`}
        value={quantity}
        options={QUANTITIES}
        // Another quantity has other figures.
        onChange={(next) => onChange({ quantity: next, found: null, left: null })}
      />
      <TextLine
        label={`reading ${number}: where`}
        placeholder="at the desk, supply grille"
        value={where}
        maxLength={120}
        grow={false}
        onChange={(text) => onChange({ where: text })}
      />
      <span>found {figure('found', found)}</span>
      <span>left {figure('left', left)}</span>
      <span>
        with{' '}
        <TextLine
          label={`reading ${number}: instrument`}
          placeholder={instruments[0] ?? 'instrument'}
          value={instrument}
          maxLength={120}
          grow={false}
          onChange={(text) => onChange({ instrument: text })}
        />
      </span>
      <TextButton label={`Take reading ${number} away`} onClick={onAway}>
        take away
      </TextButton>
    </Row>
  )
}
