'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { inputCause } from '@/core/response/rules/sentence'
import { formatNumber, formatPct, formatTime } from '@/core/quantity/format'
import { inputQuantity } from '@/core/response/rules/kind'
import type { Machine } from '@/core/response/compile'
import type { Check } from '@/core/prove/plan'
import type { CheckReading } from '@/core/prove/reading'
import { expectSpeeds, judge } from '@/core/prove/verdict'
import { BigField } from '@/features/prove/BigField'
import type { KeptResult } from '@/features/prove/ProveStage'
import { Stopwatch } from '@/ui/Stopwatch'
import { causeColour } from '@/ui/cause'
import { PhoneBar } from '@/ui/PhoneBar'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

type Props = {
  check: Check
  machine: Machine
  last: KeptResult | undefined
  onKeep: (reading: CheckReading) => Promise<void>
}

/** One check: what to do, what should be seen at the input really read, the reading, the verdict. */
export function CheckCard({ check, machine, last, onKeep }: Props) {
  const { kit } = useDocument()
  const [inputRead, setInputRead] = useState<number | null>(
    check.kind === 'speed' && check.readInput !== null ? (check.inputs[check.readInput] ?? null) : null,
  )
  const [fansPct, setFansPct] = useState<Readonly<Record<string, number>>>({})
  const [timeS, setTimeS] = useState<number | null>(null)
  const [isSending, setSending] = useState(false)
  const reading: CheckReading | null =
    check.kind === 'speed'
      ? Object.keys(fansPct).length > 0
        ? { kind: 'speed', inputRead, fansPct }
        : null
      : check.kind === 'time'
        ? timeS === null
          ? null
          : { kind: 'time', timeS }
        : null
  const verdict = reading && judge(check, reading, machine, kit)

  async function keep(chosen: CheckReading): Promise<void> {
    setSending(true)
    await onKeep(chosen)
    setSending(false)
  }

  const actions = (
    <Actions
      isSeen={check.kind === 'seen'}
      isSending={isSending}
      reading={reading}
      hasFailed={verdict?.verdict === 'fails'}
      onKeep={(chosen) => void keep(chosen)}
    />
  )
  return (
    <Box sx={{ maxWidth: 560 }}>
      <Typography component="p" sx={{ fontSize: { xs: '1.45rem', sm: '1.3rem' }, fontWeight: 700, lineHeight: 1.3 }}>
        {check.title}
      </Typography>
      <Typography sx={{ color: 'text.secondary', my: 0.5 }}>{check.how}</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        Measure with {check.measureWith}.
      </Typography>
      {check.kind === 'speed' && <SpeedReading {...{ check, machine, inputRead, setInputRead, fansPct, setFansPct }} />}
      {check.kind === 'time' && (
        <>
          <Typography>
            Should take <b>{formatTime(check.expectS)}</b>.
          </Typography>
          <Stopwatch onStop={setTimeS} />
          <BigField
            label="Time read"
            quantity="time"
            value={timeS}
            step={1}
            limits={[0, 86400]}
            onChange={setTimeS}
            colour="cause.time"
          />
        </>
      )}
      {check.kind === 'seen' && (
        <Typography sx={{ fontSize: '1.1rem', my: 1 }}>Should be seen: {check.expect}</Typography>
      )}
      <Box role="status" sx={{ minHeight: 44, my: 1 }}>
        {verdict && <VerdictLine verdict={verdict.verdict} sentence={verdict.sentence} ifFails={check.ifFails} />}
        {!verdict && last && (
          <VerdictLine verdict={last.verdict} sentence={`${last.sentence} (kept before)`} ifFails={check.ifFails} />
        )}
      </Box>
      {check.kind === 'speed' && check.waitS > 0 && <Stopwatch steadyS={check.waitS} />}
      <PhoneBar>{actions}</PhoneBar>
      <Box sx={{ display: { xs: 'none', md: 'flex' }, gap: 1.25, mt: 1.5 }}>{actions}</Box>
    </Box>
  )
}

type ActionsProps = {
  isSeen: boolean
  isSending: boolean
  reading: CheckReading | null
  hasFailed: boolean
  onKeep: (reading: CheckReading) => void
}

function Actions({ isSeen, isSending, reading, hasFailed, onKeep }: ActionsProps) {
  if (isSeen)
    return (
      <>
        <Button
          variant="outlined"
          disabled={isSending}
          onClick={() => onKeep({ kind: 'seen', asExpected: false })}
          sx={{ flex: 1 }}
        >
          Fails
        </Button>
        <Button
          variant="contained"
          disabled={isSending}
          onClick={() => onKeep({ kind: 'seen', asExpected: true })}
          sx={{ flex: 2 }}
        >
          Seen, next
        </Button>
      </>
    )
  return (
    <Button
      variant="contained"
      disabled={!reading || isSending}
      onClick={() => reading && onKeep(reading)}
      sx={{ flex: 1 }}
    >
      {hasFailed ? 'Keep as failed, next' : 'Keep and next'}
    </Button>
  )
}

type SpeedProps = {
  check: Extract<Check, { kind: 'speed' }>
  machine: Machine
  inputRead: number | null
  setInputRead: (x: number) => void
  fansPct: Readonly<Record<string, number>>
  setFansPct: (fansPct: Readonly<Record<string, number>>) => void
}

function SpeedReading({ check, machine, inputRead, setInputRead, fansPct, setFansPct }: SpeedProps) {
  const { kit, response } = useDocument()
  const { fans } = useDerived()
  const input = response.inputs.find(({ id }) => id === check.readInput)
  const expectations = expectSpeeds(check, machine, kit, inputRead)
  const nameOf = (id: string) => kit.fans.find((fan) => fan.id === id)?.name ?? id
  const signalText = (id: string, pct: number): string => {
    const signal = fans.find(({ fan }) => fan.id === id)?.signal(pct)
    return signal ? `${formatNumber(signal.value, signal.unit === 'V' ? 1 : 0)} ${signal.unit}` : ''
  }
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.25, mb: 1.5 }}>
        {expectations.map(({ fan, expectPct, lowPct, highPct, reasons }) => (
          <Box key={fan} title={reasons.join('; ')} sx={{ flex: 1, bgcolor: 'ground.side', borderRadius: 1, p: 1.25 }}>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {nameOf(fan)} should show
            </Typography>
            <Typography
              variant="figure"
              component="p"
              sx={{ fontSize: '1.75rem', lineHeight: 1.25, color: 'cause.speed', fontWeight: 600 }}
            >
              {formatPct(expectPct)} %
            </Typography>
            <Typography variant="figure" component="p" sx={{ fontSize: '0.8125rem' }}>
              {formatPct(lowPct)} to {formatPct(highPct)} · {signalText(fan, expectPct)}
            </Typography>
          </Box>
        ))}
      </Box>
      {input && input.kind !== 'switch' && (
        <BigField
          label={`${input.name} read`}
          quantity={inputQuantity(input)}
          value={inputRead}
          step={kit.probes.find((probe) => probe.input === input.id)?.resolution ?? 0.1}
          onChange={setInputRead}
          colour={causeColour(inputCause(input))}
        />
      )}
      {expectations.map(({ fan, expectPct }) => (
        <BigField
          key={fan}
          label={`${nameOf(fan)} read`}
          hint={`expected ${formatPct(expectPct)} here`}
          quantity="speed"
          value={fansPct[fan] ?? null}
          startAt={expectPct}
          step={1}
          limits={[0, 100]}
          onChange={(pct) => setFansPct({ ...fansPct, [fan]: pct })}
          colour="cause.speed"
        />
      ))}
    </>
  )
}

const VerdictLine = ({
  verdict,
  sentence,
  ifFails,
}: {
  verdict: 'holds' | 'fails'
  sentence: string
  ifFails: string
}) => (
  <Box
    sx={{
      borderLeft: '5px solid',
      borderColor: verdict === 'holds' ? 'success.main' : 'error.main',
      bgcolor: verdict === 'holds' ? 'ground.holds' : 'transparent',
      px: 1.25,
      py: 1,
    }}
  >
    <b>{verdict === 'holds' ? 'Holds.' : 'Fails.'}</b> {sentence}
    {verdict === 'fails' && <Typography variant="body2">{ifFails}</Typography>}
  </Box>
)
