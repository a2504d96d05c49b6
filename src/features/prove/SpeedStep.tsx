'use client'

import { inputQuantity } from '@/core/rules/input'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import type { CheckOf } from '@/core/prove/check'
import { fanName, measuredOf, type ProveContext } from '@/core/prove/context'
import { expectStep, type SpeedExpectation } from '@/core/prove/expect'
import { fanSignal } from '@/core/kit/fanSignal'
import { signalAt } from '@/core/physics/signal'
import { signalText } from '@/core/physics/signalText'
import { formatPct } from '@/core/quantity/format'
import { inputCause } from '@/core/rules/sentence'
import { BigField } from '@/features/prove/BigField'
import { CheckCurve } from '@/features/prove/CheckCurve'
import { readingOf, withReading, type StepEntry } from '@/features/prove/stepEntry'
import { Tolerance } from '@/features/prove/Tolerance'
import { causeColour } from '@/ui/cause'
import { usePreference } from '@/ui/preference'

type Props = {
  context: ProveContext
  check: CheckOf<'speed'>
  step: number
  entries: readonly StepEntry[]
  inVolts: boolean
  onVolts: (inVolts: boolean) => void
  onChange: (entry: StepEntry) => void
}

const signalOf = ({ installation, response }: ProveContext, id: string) => {
  const fan = installation.kit.fans.find((candidate) => candidate.id === id)
  return fan && fanSignal(fan, response)
}

const takesVolts = (context: ProveContext, fan: string): boolean => signalOf(context, fan)?.kind === 'volts'
/** Without control: it stands or it runs. */
const isOnOff = ({ response }: ProveContext, fan: string): boolean =>
  response.stages?.fixed.some(({ fan: fixed }) => fixed === fan) ?? false

/** One step of a check: what each fan should show at what was really read, the readings, and what the band is made of. */
export function SpeedStep({ context, check, step, entries, inVolts, onVolts, onChange }: Props) {
  const entry = entries[step]!
  const readings = entries.map(readingOf)
  const expected = expectStep(context, check, step, readings)
  const { reads } = check.steps[step]!
  const canVolts = context.machine.fanIds.some((fan) => takesVolts(context, fan))
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' }, columnGap: 3 }}>
      <div>
        {reads.map((id) => {
          const input = measuredOf(context, id)
          if (!input) return null
          return (
            <BigField
              key={id}
              label={`${input.name} read`}
              hint="with the instrument beside the probe"
              quantity={inputQuantity(input)}
              value={entry.inputs[id] ?? null}
              step={context.installation.kit.probes.find((probe) => probe.input === id)?.resolution ?? 0.1}
              onChange={(x) => onChange(withReading(entry, 'inputs', id, x))}
              onClear={() => onChange(withReading(entry, 'inputs', id, null))}
              colour={causeColour(inputCause(input))}
            />
          )
        })}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, my: 1 }}>
          {expected.map((one) => (
            <Expected key={one.fan} context={context} expected={one} />
          ))}
        </Box>
        {canVolts && (
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label="Speeds are read in"
            value={inVolts ? 'V' : '%'}
            onChange={(_event, chosen: string | null) => chosen && onVolts(chosen === 'V')}
            sx={{ mb: 1, '& .MuiToggleButton-root': { minHeight: { xs: 44, md: 32 } } }}
          >
            <ToggleButton value="%">percent, on the display</ToggleButton>
            <ToggleButton value="V">volts, at the terminals</ToggleButton>
          </ToggleButtonGroup>
        )}
        {context.machine.fanIds.map((fan) => {
          const name = fanName(context, fan)
          const kind = inVolts && takesVolts(context, fan) ? 'fansV' : 'fansPct'
          const put = (value: number | null) => onChange(withReading(entry, kind, fan, value))
          return isOnOff(context, fan) ? (
            <OnOff key={fan} name={name} pct={entry.fansPct[fan] ?? null} onChange={put} />
          ) : (
            <BigField
              key={`${fan}-${kind}`}
              label={`${name} read`}
              quantity={kind === 'fansV' ? 'volts' : 'speed'}
              value={entry[kind][fan] ?? null}
              step={kind === 'fansV' ? 0.1 : 1}
              limits={kind === 'fansV' ? [0, 12] : [0, 100]}
              onChange={put}
              onClear={() => put(null)}
              colour="cause.speed"
            />
          )
        })}
      </div>
      <div>
        <CheckCurve {...{ context, check, step }} readings={readings} expected={expected[0]} />
        <Tolerance context={context} expected={expected} />
      </div>
    </Box>
  )
}

function Expected({ context, expected }: { context: ProveContext; expected: SpeedExpectation }) {
  const preference = usePreference()
  const { fan, expectPct, lowPct, highPct, isWide } = expected
  const signal = signalOf(context, fan)
  const shown = signal && signalAt(signal, expectPct)
  const says = isOnOff(context, fan) ? (expectPct > 0 ? 'runs' : 'stands') : `${formatPct(expectPct, preference)} %`
  return (
    <Box sx={{ flex: 1, minWidth: 150, bgcolor: 'ground.side', borderRadius: 1, p: 1.25 }}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {fanName(context, fan)} should show
      </Typography>
      <Typography
        variant="figure"
        component="p"
        sx={{ fontSize: '1.75rem', lineHeight: 1.25, color: 'cause.speed', fontWeight: 600 }}
      >
        {says}
      </Typography>
      <Typography variant="figure" component="p" sx={{ fontSize: '0.8125rem' }}>
        {isWide
          ? `${formatPct(lowPct, preference)} to ${formatPct(highPct, preference)}: too wide to tell alone`
          : `${formatPct(lowPct, preference)} to ${formatPct(highPct, preference)}`}
        {shown && shown.kind !== 'relay' ? ` · ${signalText(shown, preference).replace(' ', '\u00a0')}` : ''}
      </Typography>
    </Box>
  )
}

function OnOff({ name, pct, onChange }: { name: string; pct: number | null; onChange: (pct: number) => void }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.25, mb: 1 }}>
      <Typography sx={{ flex: 1 }}>{name}</Typography>
      {([0, 100] as const).map((value) => (
        <Button
          key={value}
          variant={pct === value ? 'contained' : 'outlined'}
          aria-pressed={pct === value}
          aria-label={`${name} ${value === 0 ? 'stands' : 'runs'}`}
          onClick={() => onChange(value)}
          sx={{ minHeight: { xs: 56, md: 40 }, minWidth: 96 }}
        >
          {value === 0 ? 'stands' : 'runs'}
        </Button>
      ))}
    </Box>
  )
}
