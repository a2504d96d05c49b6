'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import { useState, type ReactNode } from 'react'
import type { Check, CheckOf } from '@/core/prove/check'
import { fanName, type ProveContext } from '@/core/prove/context'
import type { Finding } from '@/core/prove/finding'
import type { CheckReading } from '@/core/prove/reading'
import { judge, readPct, type VerdictKind } from '@/core/prove/verdict'
import { checkText, type CheckText } from '@/core/prove/words'
import { formatPct, formatTime } from '@/core/quantity/format'
import { BigField } from '@/features/prove/BigField'
import { SpeedStep } from '@/features/prove/SpeedStep'
import { VerdictLine } from '@/features/prove/VerdictLine'
import { EMPTY_STEP, isComplete, readingOf, type StepEntry } from '@/features/prove/stepEntry'
import { PhoneBar } from '@/ui/PhoneBar'
import { Stopwatch } from '@/ui/Stopwatch'
import { useSending } from '@/ui/useSending'

export type KeptResult = {
  readonly check: string
  readonly given: string
  readonly verdict: VerdictKind
  readonly finding: Finding
}

type Props = {
  context: ProveContext
  check: Check
  last: KeptResult | undefined
  onKeep: (reading: CheckReading) => Promise<void>
}

type CardProps<C extends Check> = Omit<Props, 'check'> & { check: C; text: CheckText }

/** One check: what to do, what should be seen at what was really read, the readings, the verdict. */
export function CheckCard({ context, check, last, onKeep }: Props) {
  const text = checkText(context, check)
  return (
    <Box sx={{ maxWidth: 560 }}>
      <Typography component="p" sx={{ fontSize: { xs: '1.45rem', sm: '1.3rem' }, fontWeight: 700, lineHeight: 1.3 }}>
        {text.title}
      </Typography>
      <Typography sx={{ color: 'text.secondary', my: 0.5 }}>{text.how}</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        Measure with {text.measureWith}.
      </Typography>
      {check.kind === 'speed' && <SpeedCard {...{ context, check, text, last, onKeep }} />}
      {check.kind === 'time' && <TimeCard {...{ context, check, text, last, onKeep }} />}
      {check.kind === 'seen' && <SeenCard {...{ context, check, text, last, onKeep }} />}
    </Box>
  )
}

/** Its steps one under the other, one open at a time. */
function SpeedCard({ context, check, text, last, onKeep }: CardProps<CheckOf<'speed'>>) {
  const [entries, setEntries] = useState<readonly StepEntry[]>(() => check.steps.map(() => EMPTY_STEP))
  const [open, setOpen] = useState(0)
  const [inVolts, setInVolts] = useState(false)
  const { fanIds } = context.machine
  const isRead = (step: number) => isComplete(entries[step]!, check.steps[step]!.reads, fanIds)
  const isAllRead = check.steps.every((_step, step) => isRead(step))
  const readings = entries.map(readingOf)
  const reading: CheckReading | null = isAllRead ? { kind: 'speed', steps: readings } : null
  const isLast = open === check.steps.length - 1
  const waitS = check.stages[check.steps[open]!.stage]!.forS
  const form = (
    <>
      <SpeedStep
        {...{ context, check, entries, inVolts }}
        step={open}
        onVolts={setInVolts}
        onChange={(entry) => setEntries(entries.map((before, step) => (step === open ? entry : before)))}
      />
      {waitS > 0 && <Stopwatch key={open} steadyS={waitS} />}
    </>
  )
  return (
    <>
      {check.steps.length === 1
        ? form
        : text.steps.map((bring, step) => (
            <Box
              key={`${step}-${bring}`}
              component="section"
              aria-label={`Step ${step + 1}`}
              sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}
            >
              <ButtonBase
                onClick={() => setOpen(step)}
                aria-expanded={step === open}
                sx={{
                  width: '100%',
                  justifyContent: 'flex-start',
                  textAlign: 'left',
                  gap: 1,
                  minHeight: { xs: 44, md: 32 },
                }}
              >
                <Typography component="span" sx={{ fontWeight: step === open ? 700 : 400 }}>
                  {step + 1}. {bring}
                </Typography>
                {step !== open && isRead(step) && (
                  <Typography component="span" variant="figure" sx={{ ml: 'auto', whiteSpace: 'nowrap' }}>
                    {fanIds.map((fan) => `${formatPct(readPct(context, readings[step], fan) ?? 0)} %`).join(', ')}
                  </Typography>
                )}
              </ButtonBase>
              {step === open && form}
            </Box>
          ))}
      <Judged {...{ context, check, reading, last }} ifFails={text.ifFails} />
      {isLast || isAllRead ? (
        <Keep reading={reading} verdict={reading && judge(context, check, reading).verdict} onKeep={onKeep} />
      ) : (
        <Bar>
          <Button variant="contained" disabled={!isRead(open)} onClick={() => setOpen(open + 1)} sx={{ flex: 1 }}>
            Next step
          </Button>
        </Bar>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        {fanIds.length > 1 ? `Every fan is read: ${fanIds.map((fan) => fanName(context, fan)).join(', ')}.` : ''}
      </Typography>
    </>
  )
}

function TimeCard({ context, check, text, last, onKeep }: CardProps<CheckOf<'time'>>) {
  const [timeS, setTimeS] = useState<number | null>(null)
  const reading: CheckReading | null = timeS === null ? null : { kind: 'time', timeS }
  return (
    <>
      <Typography>
        Should take <b>{formatTime(check.expectS)}</b>.
      </Typography>
      <Stopwatch onStop={setTimeS} />
      <BigField
        label="Time read"
        hint="minutes:seconds, or with a unit"
        quantity="time"
        value={timeS}
        step={1}
        limits={[0, 604800]}
        onChange={setTimeS}
        onClear={() => setTimeS(null)}
        colour="cause.time"
      />
      <Judged {...{ context, check, reading, last }} ifFails={text.ifFails} />
      <Keep reading={reading} verdict={reading && judge(context, check, reading).verdict} onKeep={onKeep} />
    </>
  )
}

function SeenCard({ context, check, text, last, onKeep }: CardProps<CheckOf<'seen'>>) {
  const [isSending, send] = useSending(onKeep)
  return (
    <>
      <Typography sx={{ fontSize: '1.1rem', my: 1 }}>Should be seen: {text.expect}</Typography>
      <Judged {...{ context, check, reading: null, last }} ifFails={text.ifFails} />
      <Bar>
        <Button
          variant="outlined"
          disabled={isSending}
          onClick={() => send({ kind: 'seen', asExpected: false })}
          sx={{ flex: 1 }}
        >
          Fails
        </Button>
        <Button
          variant="contained"
          disabled={isSending}
          onClick={() => send({ kind: 'seen', asExpected: true })}
          sx={{ flex: 2 }}
        >
          Seen, next
        </Button>
      </Bar>
    </>
  )
}

function Judged({
  context,
  check,
  reading,
  last,
  ifFails,
}: Pick<Props, 'context' | 'check' | 'last'> & { reading: CheckReading | null; ifFails: string }) {
  const verdict = reading && judge(context, check, reading)
  return (
    <Box role="status" sx={{ minHeight: 44, my: 1 }}>
      {verdict && <VerdictLine {...verdict} ifFails={ifFails} />}
      {!verdict && last && <VerdictLine verdict={last.verdict} finding={last.finding} isFormer ifFails={ifFails} />}
    </Box>
  )
}

const KEEP_WORDS = { passes: 'Keep and next', fails: 'Keep as failed, next', 'cannot-tell': 'Keep as not told, next' }

function Keep({
  reading,
  verdict,
  onKeep,
}: Pick<Props, 'onKeep'> & { reading: CheckReading | null; verdict: keyof typeof KEEP_WORDS | null }) {
  const [isSending, send] = useSending(onKeep)
  return (
    <Bar>
      <Button
        variant="contained"
        disabled={!reading || isSending}
        onClick={() => reading && send(reading)}
        sx={{ flex: 1 }}
      >
        {KEEP_WORDS[verdict ?? 'passes']}
      </Button>
    </Bar>
  )
}

/** What is pressed next: at the bottom of a phone, under the card on a desk. */
const Bar = ({ children }: { children: ReactNode }) => (
  <>
    <PhoneBar>{children}</PhoneBar>
    <Box sx={{ display: { xs: 'none', md: 'flex' }, gap: 1.25, mt: 1.5 }}>{children}</Box>
  </>
)
