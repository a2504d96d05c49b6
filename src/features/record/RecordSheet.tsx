'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, type ReactNode } from 'react'
import { dialIn, actionText, type Action } from '@/core/controller/dialIn'
import type { Fit } from '@/core/controller/fit'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { givenMark } from '@/core/prove/givenMark'
import { planFor } from '@/core/prove/plan'
import { findingText } from '@/core/prove/finding'
import type { VerdictKind } from '@/core/prove/verdict'
import { checkText } from '@/core/prove/words'
import type { UnitPreference } from '@/core/quantity/format'
import { afterOutage } from '@/core/record/afterOutage'
import { careLines } from '@/core/record/careLines'
import { facts } from '@/core/record/facts'
import { rehearsedLines } from '@/core/rehearse/rehearsedLines'
import { shortFingerprint } from '@/core/json/fingerprint'
import type { LocalRule } from '@/core/record/localRule'
import { sealState, sealStateText } from '@/core/record/sealState'
import { capital } from '@/core/sentences/words'
import { lastOf, openText, stillOpen, type OpenItem } from '@/core/record/stillOpen'
import { signalLines } from '@/core/record/signalLines'
import { lossText } from '@/core/sentences/lossText'
import { Moment } from '@/ui/Moment'
import { PreferenceProvider } from '@/ui/preference'
import type { ShownResult, ShownRevision } from '@/ui/onSite/pack'
import { SpeedRail } from '@/ui/rail/SpeedRail'

type Seal = Pick<ShownRevision, 'number' | 'reason' | 'sealedBy' | 'sealedAt' | 'open' | 'fingerprint' | 'localRules'>
type Props = {
  siteName: string
  document: Installation
  seal: Seal | null
  results: readonly ShownResult[]
  preference: UnitPreference
}

/** One sheet for the box: what is set, how to set it again, what was proved. */
export function RecordSheet({ siteName, document, seal, results, preference }: Props) {
  const derived = useMemo(() => derive(document), [document])
  const mark = givenMark(derived.given.response)
  const planned = planFor(document, derived, preference)
  const rehearsed = rehearsedLines(document, mark, preference)
  const { response } = document
  // What an older seal left open was not written down.
  const open = seal ? (seal.open ?? []) : stillOpen(document, derived, results, preference)
  return (
    <PreferenceProvider value={preference}>
      <Box component="main" sx={{ maxWidth: 820, mx: 'auto', p: 3, bgcolor: 'ground.sheet', minHeight: '100vh' }}>
        <Heading name={document.name} siteName={siteName} seal={seal} />
        {seal && (
          <Typography sx={{ my: 1 }}>
            Sealed <Moment at={seal.sealedAt} /> by {seal.sealedBy}: {seal.reason}
            {`. ${capital(sealStateText(sealState(seal.open)))}`}
            {open.length > 0 && `, with ${openText(open)}`}. Fingerprint {shortFingerprint(seal.fingerprint)}.
          </Typography>
        )}
        <Box sx={{ my: 1.5 }}>
          <SpeedRail
            startPct={derived.lead?.startPct ?? null}
            floorPct={response.floor.speedPct}
            ceilingPct={response.ceiling.speedPct}
            nowPct={null}
          />
        </Box>
        <Section title="What is set">
          {facts(document, preference).map(({ key, label, wording }) => (
            <Line key={key} label={label}>
              {wording}
            </Line>
          ))}
        </Section>
        <SetAgain document={document} fit={derived.fit} preference={preference} />
        <Section title="What was proved">
          {planned?.plan.map((check) => {
            const result = lastOf(results, planned.context, check)
            return (
              <Line key={check.id} label={result ? VERDICT_WORDS[result.verdict] : 'not proved'}>
                {checkText(planned.context, check).title}{' '}
                {result && (
                  <>
                    {findingText(result.finding, preference)} {result.readBy}, <Moment at={result.readAt} />.
                  </>
                )}
              </Line>
            )
          })}
        </Section>
        {rehearsed.length > 0 && (
          <Section title="What was rehearsed">
            {rehearsed.map(({ key, text, isCurrent }) => (
              <Line key={key} label={isCurrent ? 'rehearsed' : 'changed since'}>
                {text}
              </Line>
            ))}
          </Section>
        )}
        <StillOpen open={open} wasSealed={seal !== null} />
        <Section title="After the power has been away">
          {afterOutage(document, derived).map((line, index) => (
            <Line key={line} label={String(index + 1)}>
              {line}
            </Line>
          ))}
        </Section>
        <Codes document={document} />
        <Care document={document} rules={seal?.localRules} />
        <Typography sx={{ mt: 4 }}>Signed ______________________________ Date ________________</Typography>
      </Box>
    </PreferenceProvider>
  )
}

const Heading = ({ name, siteName, seal }: { name: string; siteName: string; seal: Seal | null }) => (
  <Box
    sx={{
      display: 'flex',
      justifyContent: 'space-between',
      alignItems: 'baseline',
      gap: 2,
      borderBottom: '2px solid',
      borderColor: 'text.primary',
      pb: 1,
    }}
  >
    <Box>
      <Typography variant="h1">{name}</Typography>
      <Typography>
        {siteName} · {seal ? `revision ${seal.number}` : 'working copy, not sealed'}
      </Typography>
    </Box>
    <Button variant="outlined" onClick={() => window.print()} sx={{ displayPrint: 'none' }}>
      Print
    </Button>
  </Box>
)

type SetAgainProps = { document: Installation; fit: Fit | null; preference: UnitPreference }

/** What to press to set it again, from a new controller and from the panel as it was; and what it does not do exactly. */
function SetAgain({ document, fit, preference }: SetAgainProps) {
  const { kit, dial, response } = document
  if (!kit.controller || !fit) return null
  const fromPanel = dialIn(kit.controller, fit, dial, preference).filter(
    ({ presses }) => presses !== null && presses.way !== 'none',
  )
  return (
    <>
      <Section title="To set it again, from a controller as its maker leaves it">
        <Actions actions={dialIn(kit.controller, fit, { ...dial, present: 'reset' }, preference)} />
        {fit.losses.map((loss, index) => {
          const { title, detail } = lossText(loss, response, preference)
          return (
            <Line key={`loss-${index}`} label="Not exactly">
              {title} {detail}
            </Line>
          )
        })}
      </Section>
      {dial.present.length > 0 && (
        <Section title="From what its panel showed when this was written">
          <Actions actions={fromPanel} />
        </Section>
      )}
    </>
  )
}

function StillOpen({ open, wasSealed }: { open: readonly OpenItem[]; wasSealed: boolean }) {
  if (open.length === 0) return null
  return (
    <Section title={wasSealed ? 'What was open when it was sealed' : 'What is open'}>
      {open.map(({ kind, key, title, detail, reason }) =>
        kind === 'danger' || kind === 'warning' ? (
          <Line key={`${kind}-${key}`} label={OPEN_WORDS[kind]}>
            {title} {detail}
            {reason !== undefined && <strong> Left as it is: {reason}</strong>}
          </Line>
        ) : null,
      )}
      {(['action', 'check', 'question', 'told'] as const).map((kind) => {
        const titles = open.filter((item) => item.kind === kind).map(({ title }) => title)
        return titles.length === 0 ? null : (
          <Line key={kind} label={`${OPEN_WORDS[kind]} (${titles.length})`}>
            {titles.join(' ')}
          </Line>
        )
      })}
    </Section>
  )
}

/** What lamps, codes and beeps of its panel tell. */
function Codes({ document: { kit } }: { document: Installation }) {
  const signals = kit.controller ? signalLines(kit.controller) : []
  return signals.length === 0 ? null : (
    <Section title="Lamps and codes">
      {signals.map(({ text, urgent }) => (
        <Line key={text} label={urgent ? '!' : '·'}>
          {text}
        </Line>
      ))}
    </Section>
  )
}

const Care = ({ document, rules }: { document: Installation; rules: readonly LocalRule[] | undefined }) => (
  <Section title="Care">
    {careLines(document, rules).map((line) => (
      <Line key={line} label="!">
        {line}
      </Line>
    ))}
  </Section>
)

const VERDICT_WORDS: Record<VerdictKind, string> = {
  passes: 'passes',
  fails: 'fails',
  'cannot-tell': 'cannot be told',
}
const OPEN_WORDS: Record<OpenItem['kind'], string> = {
  danger: 'danger',
  warning: 'warning',
  action: 'not entered',
  check: 'not passed',
  question: 'not answered',
  told: 'not shown',
}

const Actions = ({ actions }: { actions: readonly Action[] }) =>
  actions.map(({ id, title, how }, index) => (
    <Line key={id} label={String(index + 1)}>
      {actionText(title)} {actionText(how)}
    </Line>
  ))

const Section = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" sx={{ mt: 2 }}>
    <Typography variant="h2">{title}</Typography>
    {children}
  </Box>
)

const Line = ({ label, children }: { label: string; children: ReactNode }) => (
  <Box
    sx={{
      display: 'grid',
      gridTemplateColumns: { xs: '90px 1fr', sm: '190px 1fr' },
      gap: 1.5,
      borderBottom: '1px dotted',
      borderColor: 'divider',
      py: 0.4,
      breakInside: 'avoid',
    }}
  >
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      {label}
    </Typography>
    <Typography variant="body2">{children}</Typography>
  </Box>
)
