'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import { useMemo, useState, type RefObject } from 'react'
import type { Check, CheckOf } from '@/core/prove/check'
import { fanName, type ProveContext } from '@/core/prove/context'
import type { CheckReading } from '@/core/prove/reading'
import { judge, readPct, type Verdict } from '@/core/prove/verdict'
import { checkText, type CheckText } from '@/core/prove/words'
import { formatPct, formatTime } from '@/core/quantity/format'
import { BigField } from '@/features/prove/BigField'
import { Failing } from '@/features/prove/Failing'
import { ReadBackList } from '@/features/prove/ReadBackList'
import { SpeedStep } from '@/features/prove/SpeedStep'
import { useEnter } from '@/ui/useEnter'
import { VerdictLine } from '@/features/prove/VerdictLine'
import { EMPTY_STEP, isComplete, readingOf, type StepEntry } from '@/features/prove/stepEntry'
import { NextBar } from '@/ui/PhoneBar'
import { Stopwatch } from '@/ui/Stopwatch'
import type { ShownResult } from '@/ui/onSite/pack'
import type { Countdowns } from '@/ui/onSite/useCountdowns'
import { useDraft } from '@/ui/onSite/useDraft'
import { useSending } from '@/ui/useSending'
import { usePreference } from '@/ui/preference'

/** Where the focus goes when another check is opened. */
export const CHECK_TITLE = 'check-title'

type Props = {
  context: ProveContext
  check: Check
  last: Pick<ShownResult, 'verdict' | 'finding'> | undefined
  /** Where what is typed lies until it is kept. */
  draftKey: string
  /** Takes a likely cause as what was found. */
  onFound: (text: string) => void
  countdowns: Countdowns
  onKeep: (reading: CheckReading) => Promise<void>
}

type CardProps<C extends Check> = Omit<Props, 'check'> & { check: C; text: CheckText }

/** One check: what to do, what should be seen at what was really read, the readings, the verdict. */
export function CheckCard({ check, ...props }: Props) {
  const { context } = props
  const text = checkText(context, check)
  return (
    <Box sx={{ maxWidth: check.kind === 'speed' ? { md: 560, lg: 'none' } : 560 }}>
      <Typography
        component="p"
        id={CHECK_TITLE}
        tabIndex={-1}
        sx={{ fontSize: { xs: '1.45rem', sm: '1.3rem' }, fontWeight: 700, lineHeight: 1.3, outline: 'none' }}
      >
        {text.title}
      </Typography>
      <Typography sx={{ color: 'text.secondary', my: 0.5 }}>{text.how}</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        Measure with {text.measureWith}.
      </Typography>
      {check.kind === 'speed' && <SpeedCard {...props} {...{ check, text }} />}
      {check.kind === 'time' && <TimeCard {...props} {...{ check, text }} />}
      {check.kind === 'seen' && <SeenCard {...props} {...{ check, text }} />}
    </Box>
  )
}

/** Its steps one under the other, one open at a time. */
function SpeedCard({ context, check, text, last, draftKey, countdowns, onFound, onKeep }: CardProps<CheckOf<'speed'>>) {
  const preference = usePreference()
  const [entries, setEntries] = useDraft<readonly StepEntry[]>(
    draftKey,
    check.steps.map(() => EMPTY_STEP),
  )
  const [open, setOpen] = useState(0)
  const [inVolts, setInVolts] = useState(false)
  const { goesOn, onKeyDown } = useEnter()
  const { fanIds } = context.machine
  const isRead = (step: number) => isComplete(entries[step]!, check.steps[step]!.reads, fanIds)
  const isAllRead = check.steps.every((_step, step) => isRead(step))
  const readings = useMemo(() => entries.map(readingOf), [entries])
  const reading: CheckReading | null = isAllRead ? { kind: 'speed', steps: readings } : null
  const judged = reading && judge(context, check, reading)
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
      {waitS > 0 && (
        <Stopwatch
          key={open}
          steadyS={waitS}
          onStart={() => countdowns.start({ id: check.id, label: text.title, lengthS: waitS })}
          onStop={() => countdowns.end(check.id)}
        />
      )}
    </>
  )
  return (
    <Box onKeyDown={onKeyDown}>
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
                    {fanIds
                      .map((fan) => `${formatPct(readPct(context, readings[step], fan) ?? 0, preference)} %`)
                      .join(', ')}
                  </Typography>
                )}
              </ButtonBase>
              {step === open && form}
            </Box>
          ))}
      <Judged verdict={judged} last={last} ifFails={text.ifFails} />
      {judged?.verdict === 'fails' && <Failing context={context} check={check} readings={readings} onFound={onFound} />}
      {isLast || isAllRead ? (
        <Keep reading={reading} verdict={judged?.verdict ?? null} onKeep={onKeep} goesOn={goesOn} />
      ) : (
        <NextBar>
          <Button
            ref={goesOn}
            variant="contained"
            disabled={!isRead(open)}
            onClick={() => setOpen(open + 1)}
            sx={{ flex: 1 }}
          >
            Next step
          </Button>
        </NextBar>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        {fanIds.length > 1 ? `Every fan is read: ${fanIds.map((fan) => fanName(context, fan)).join(', ')}.` : ''}
      </Typography>
    </Box>
  )
}

function TimeCard({ context, check, text, last, draftKey, countdowns, onKeep }: CardProps<CheckOf<'time'>>) {
  const preference = usePreference()
  const { goesOn, onKeyDown } = useEnter()
  const [timeS, setTimeS] = useDraft<number | null>(draftKey, null)
  const reading: CheckReading | null = timeS === null ? null : { kind: 'time', timeS }
  const judged = reading && judge(context, check, reading)
  return (
    <Box onKeyDown={onKeyDown}>
      <Typography>
        Should take <b>{formatTime(check.expectS, preference)}</b>.
      </Typography>
      <Stopwatch
        draftKey={`stopwatch:${draftKey}`}
        onStart={() => countdowns.start({ id: check.id, label: text.title, lengthS: check.expectS })}
        onStop={(timeS) => {
          countdowns.end(check.id)
          setTimeS(timeS)
        }}
      />
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
      <Judged verdict={judged} last={last} ifFails={text.ifFails} />
      <Keep reading={reading} verdict={judged?.verdict ?? null} onKeep={onKeep} goesOn={goesOn} />
    </Box>
  )
}

function SeenCard({ check, text, last, countdowns, onKeep }: CardProps<CheckOf<'seen'>>) {
  const preference = usePreference()
  const [isSending, send] = useSending(onKeep)
  return (
    <>
      <Typography sx={{ fontSize: '1.1rem', my: 1 }}>Should be seen: {text.expect}</Typography>
      {check.id === 'read-back' && <ReadBackList />}
      {check.waitS > 0 && (
        <Button
          variant="outlined"
          onClick={() => countdowns.start({ id: check.id, label: text.title, lengthS: check.waitS })}
          sx={{ minHeight: { xs: 56, sm: 36 } }}
        >
          Count {formatTime(check.waitS, preference)}
        </Button>
      )}
      <Judged verdict={null} last={last} ifFails={text.ifFails} />
      <NextBar>
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
      </NextBar>
    </>
  )
}

type JudgedProps = Pick<Props, 'last'> & { verdict: Verdict | null; ifFails: string }

function Judged({ verdict, last, ifFails }: JudgedProps) {
  return (
    <Box role="status" sx={{ minHeight: 44, my: 1 }}>
      {verdict && <VerdictLine {...verdict} ifFails={ifFails} />}
      {!verdict && last && <VerdictLine verdict={last.verdict} finding={last.finding} isFormer ifFails={ifFails} />}
    </Box>
  )
}

const KEEP_WORDS = { passes: 'Keep and next', fails: 'Keep as failed, next', 'cannot-tell': 'Keep as not told, next' }

type KeepProps = Pick<Props, 'onKeep'> & {
  reading: CheckReading | null
  verdict: keyof typeof KEEP_WORDS | null
  goesOn: RefObject<HTMLButtonElement | null>
}

function Keep({ reading, verdict, onKeep, goesOn }: KeepProps) {
  const [isSending, send] = useSending(onKeep)
  return (
    <NextBar>
      <Button
        // What fails is kept by a touch of its own.
        ref={verdict === 'passes' ? goesOn : undefined}
        variant="contained"
        disabled={!reading || isSending}
        onClick={() => reading && send(reading)}
        sx={{ flex: 1 }}
      >
        {KEEP_WORDS[verdict ?? 'passes']}
      </Button>
    </NextBar>
  )
}
