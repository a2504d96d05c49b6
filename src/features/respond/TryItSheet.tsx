'use client'

import type { Input } from '@/core/rules/input'
import Box from '@mui/material/Box'
import Slider from '@mui/material/Slider'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { memo, useState } from 'react'
import { inputCause } from '@/core/rules/sentence'
import { signalText } from '@/core/physics/signalText'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import { weekClockText } from '@/core/rules/localClock'
import { goesByDate } from '@/core/response/dates'
import { weekSpans } from '@/core/response/weekSpans'
import { dateOf, dateText, dayText } from '@/core/rules/yearDay'
import { capital, ruleName } from '@/core/sentences/words'
import { Moments } from '@/features/respond/Moments'
import { TimeControl } from '@/features/respond/TimeControl'
import { JudgementList } from '@/features/respond/JudgementList'
import { causeColour, ruleCause } from '@/ui/cause'
import { Ruled } from '@/ui/Ruled'
import { TextButton } from '@/ui/TextButton'
import { SideHeading } from '@/ui/StageLayout'
import { NOON_ON_TUESDAY, useInstant, useTryIt } from '@/ui/TryItValues'
import { today } from '@/ui/clock'
import { useDates, usePreference } from '@/ui/preference'
import { useDocument, usePart } from '@/ui/workingCopy/context'

/** One control for each input, and the answer below: speed, signal, flow, and the reason. */
export function TryItSheet() {
  const response = usePart('response')
  const { values, set } = useTryIt()
  return (
    <>
      <SideHeading>Try it</SideHeading>
      {/* A combined input follows from the others; it has no slider of its own. */}
      {response.inputs
        .filter((input) => input.kind === 'switch' || !input.combines)
        .map((input) => (
          <InputControl key={input.id} input={input} held={values[input.id] ?? 0} set={set} />
        ))}
      {weekSpans(response).length > 0 && <ClockControl />}
      {goesByDate(response) && <DateControl />}
      <TimeControl />
      <Answer />
      <Moments />
      <JudgementList />
    </>
  )
}

type ControlProps = { input: Input; held: number; set: (input: string, value: number) => void }

const InputControl = memo(function InputControl({ input, held, set }: ControlProps) {
  const preference = usePreference()
  const isLost = Number.isNaN(held)
  const value = isLost && input.kind !== 'switch' ? input.from : held
  const colour = causeColour(inputCause(input))
  const name = capital(input.name)
  return (
    <Box sx={{ mb: 0.25 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
        <Typography variant="body2" sx={{ color: colour }}>
          {name}
        </Typography>
        <Typography variant="figure" sx={{ fontSize: '0.875rem' }}>
          {input.kind !== 'switch' && (
            <Box component="span" sx={{ fontSize: '0.6875rem' }}>
              <TextButton
                label={isLost ? `${name} reads again` : `Try ${name} without a reading`}
                onClick={() => set(input.id, isLost ? (input.from + input.to) / 2 : NaN)}
              >
                {isLost ? 'plug in' : 'unplug'}
              </TextButton>
            </Box>
          )}{' '}
          {input.kind === 'switch'
            ? value >= 0.5
              ? 'on'
              : 'off'
            : isLost
              ? 'no reading'
              : formatQuantity(value, input.kind, preference)}
          {input.kind === 'switch' && (
            <Switch
              size="small"
              checked={value >= 0.5}
              onChange={(_event, isOn) => set(input.id, isOn ? 1 : 0)}
              slotProps={{ input: { 'aria-label': name } }}
            />
          )}
        </Typography>
      </Box>
      {input.kind !== 'switch' && (
        <Slider
          size="small"
          aria-label={name}
          getAriaValueText={(x) => formatQuantity(x, input.kind, preference)}
          min={input.from}
          max={input.to}
          step={0.1}
          value={value}
          disabled={isLost}
          onChange={(_event, x) => set(input.id, x)}
          sx={{
            color: colour,
            py: { xs: 1.5, md: 0.75 },
            '& .MuiSlider-thumb': { bgcolor: 'ground.side', border: '3px solid currentColor', width: 15, height: 15 },
          }}
        />
      )}
    </Box>
  )
})

/** Day and time of the week, where a rule goes by the clock. */
function ClockControl() {
  const { values, set } = useTryIt()
  const value = values.clock ?? NOON_ON_TUESDAY
  const dates = useDates()
  return (
    <Box sx={{ mb: 0.25 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <Typography variant="body2" sx={{ color: 'cause.time' }}>
          Clock
        </Typography>
        <Typography variant="figure" sx={{ fontSize: '0.875rem' }}>
          {weekClockText(value, dates)}
        </Typography>
      </Box>
      <Slider
        size="small"
        aria-label="Clock"
        getAriaValueText={(weekS) => weekClockText(weekS, dates)}
        min={0}
        max={604740}
        step={600}
        value={value}
        onChange={(_event, x) => set('clock', x)}
        sx={{ color: 'cause.time', py: { xs: 1.5, md: 0.75 } }}
      />
    </Box>
  )
}

/** The date, where something goes by the season or by age: a year around the day it is tried on. */
function DateControl() {
  const { values, set } = useTryIt()
  const value = values.date ?? dateOf(today())
  const [middle] = useState(value)
  const dates = useDates()
  const wording = (date: number) => dayText(dateText(date), dates)
  return (
    <Box sx={{ mb: 0.25 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <Typography variant="body2" sx={{ color: 'cause.time' }}>
          Date
        </Typography>
        <Typography variant="figure" sx={{ fontSize: '0.875rem' }}>
          {wording(value)}
        </Typography>
      </Box>
      <Slider
        size="small"
        aria-label="Date"
        getAriaValueText={wording}
        min={middle - 183}
        max={middle + 183}
        step={1}
        value={value}
        onChange={(_event, x) => set('date', x)}
        sx={{ color: 'cause.time', py: { xs: 1.5, md: 0.75 } }}
      />
    </Box>
  )
}

/** “make-up” is said as “make-up fan”, “fixed fan 1” as it is. */
const fanLabel = (name: string): string => (/\bfan\b/.test(name) ? name : `${name} fan`)

function Answer() {
  const document = useDocument()
  const { given, asked } = useInstant()
  const preference = usePreference()
  const [lead, ...others] = given?.evaluation.fans ?? []
  if (!given || !asked || !lead) return null
  const { response } = document
  const askedPct = asked.evaluation.fans[0]?.speedPct ?? 0
  return (
    <Box sx={{ mt: 1 }}>
      <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}>
        <Typography
          component="p"
          data-testid="speed-now"
          sx={{ color: 'cause.speed', fontWeight: 700, fontSize: '2.9rem', lineHeight: 1, whiteSpace: 'nowrap' }}
        >
          {formatPct(lead.speedPct, preference)}
          <Box component="span" sx={{ fontSize: '1.25rem' }}>
            %
          </Box>
        </Typography>
        <Typography variant="figure" component="div" sx={{ fontSize: '0.8125rem', lineHeight: 1.45 }}>
          {Math.abs(askedPct - lead.speedPct) > 0.05 && (
            <div>
              asked {formatPct(askedPct, preference)}, gives {formatPct(lead.speedPct, preference)}
            </div>
          )}
          <div>
            {signalText(lead.signal, preference)} {lead.signal.kind === 'pwm' ? 'duty' : 'at the output'}
          </div>
          <div>
            {lead.flowLs === null
              ? 'flow not mapped yet'
              : `${formatQuantity(lead.flowLs, 'flow', preference)}${preference.flow === 'l/s' ? ` · ${formatQuantity(lead.flowLs, 'flow', { ...preference, flow: 'm³/h' })}` : ''}`}
          </div>
        </Typography>
      </Box>
      <Typography variant="body2" role="status" data-testid="reason" sx={{ my: 0.75 }}>
        {asked.evaluation.reason}
        {Math.abs(askedPct - lead.speedPct) > 0.05 &&
          ` This controller gives ${formatPct(lead.speedPct, preference)} %.`}
      </Typography>
      {response.rules
        .filter(({ off }) => !off)
        .map((rule) => {
          const ask = asked.evaluation.asks.find(({ rule: id }) => id === rule.id)?.asksPct
          const name = ruleName(response, rule)
          return (
            <Ruled
              key={rule.id}
              label={capital(name)}
              colour={causeColour(ruleCause(response, rule))}
              strong={asked.explanation.inCharge?.id === rule.id}
            >
              {ask == null ? '–' : `${formatPct(ask, preference)} %`}
            </Ruled>
          )
        })}
      <Ruled
        label="Floor"
        strong={asked.explanation.inCharge === null}
      >{`${formatPct(response.floor.speedPct, preference)} %`}</Ruled>
      {others.map(({ id, speedPct, flowLs }) => (
        <Ruled
          key={id}
          label={fanLabel(document.kit.fans.find((fan) => fan.id === id)?.name ?? id)}
          colour="cause.speed"
        >
          {formatPct(speedPct, preference)} %{flowLs === null ? '' : ` · ${formatQuantity(flowLs, 'flow', preference)}`}
        </Ruled>
      ))}
    </Box>
  )
}
