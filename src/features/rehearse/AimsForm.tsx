import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import type { Measure } from '@/core/rehearse/measures'
import { measureName } from '@/core/rehearse/words'
import type { Aims } from '@/core/scenario/aims'
import type { MeasureId } from '@/core/scenario/measureIds'
import type { Scenario } from '@/core/scenario/schema'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { RuledField } from '@/ui/RuledField'
import { SideHeading } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'

type Props = { aims: Aims; measures: readonly Measure[]; onAims: (next: Aims) => void }

const isTime = (measures: readonly Measure[], id: MeasureId) => measures.find((one) => one.id === id)?.unit === 's'

/** The measures that can count, by what they are called. */
function useNames(measures: readonly Measure[]) {
  const preference = usePreference()
  const options = measures
    .filter(({ better }) => better !== null)
    .map((measure) => [measure.id, measureName(measure, preference)] as const)
  return { options, nameOf: (id: MeasureId) => options.find(([known]) => known === id)?.[1] ?? id }
}

/** What counts: over which days, what must be kept, what is better after that, and how many settings are tried. */
export const AimsForm = ({ days, ...props }: Props & { days: readonly Scenario[] }) => {
  const { aims, onAims } = props
  return (
    <>
      <OverDays {...props} days={days} />
      <HardLimits {...props} />
      <ThenInOrder {...props} />
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 0.75, mt: 0.5 }}>
        <Typography variant="body2" sx={{ flex: 1 }}>
          settings to try
        </Typography>
        <QuantityField
          label="settings to try"
          quantity="count"
          limits={[10, 100000]}
          value={aims.tries}
          onChange={(tries) => onAims({ ...aims, tries: Math.round(tries) })}
        />
      </Box>
    </>
  )
}

function OverDays({ aims, onAims, days }: Props & { days: readonly Scenario[] }) {
  return (
    <>
      <SideHeading>Over these days</SideHeading>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        {days.map(({ id, name }) => (
          <FormControlLabel
            key={id}
            sx={{ mr: 1.5, '& .MuiTypography-root': { fontSize: 13.5 } }}
            control={
              <Checkbox
                size="small"
                sx={{ p: 0.5 }}
                checked={aims.over.includes(id)}
                onChange={(_, checked) => {
                  const over = checked ? [...aims.over, id].slice(0, 6) : aims.over.filter((own) => own !== id)
                  if (over.length > 0) onAims({ ...aims, over })
                }}
              />
            }
            label={name}
          />
        ))}
      </Box>
    </>
  )
}

function HardLimits({ aims, measures, onAims }: Props) {
  const { options, nameOf } = useNames(measures)
  const unlimited = options.filter(([id]) => !aims.hard.some(({ measure }) => measure === id))
  return (
    <>
      <SideHeading>Hard limits</SideHeading>
      {aims.hard.map(({ measure, atMost = 0 }, index) => (
        <RuledField key={measure} label={`! ${nameOf(measure)} at most`}>
          <QuantityField
            label={`${nameOf(measure)} at most`}
            quantity={isTime(measures, measure) ? 'time' : 'count'}
            limits={[0, 1e7]}
            value={atMost}
            onChange={(value) =>
              onAims({ ...aims, hard: aims.hard.map((one, at) => (at === index ? { measure, atMost: value } : one)) })
            }
          />
          <IconButton
            size="small"
            aria-label={`no limit for ${nameOf(measure)}`}
            onClick={() => onAims({ ...aims, hard: aims.hard.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </RuledField>
      ))}
      {unlimited.length > 0 && (
        <Choice
          label="add a limit"
          value=""
          options={[['', 'add a limit…'] as const, ...unlimited]}
          onChange={(id) =>
            id !== '' &&
            onAims({
              ...aims,
              hard: [...aims.hard, { measure: id, atMost: measures.find((one) => one.id === id)?.value ?? 0 }],
            })
          }
        />
      )}
    </>
  )
}

function ThenInOrder({ aims, measures, onAims }: Props) {
  const { options, nameOf } = useNames(measures)
  const unused = options.filter(([id]) => !aims.then.some(({ measure }) => measure === id))
  const swap = (index: number) => {
    const then = [...aims.then]
    const [moved] = then.splice(index, 1)
    then.splice(index - 1, 0, moved!)
    onAims({ ...aims, then })
  }
  return (
    <>
      <SideHeading>Then, in this order</SideHeading>
      {aims.then.map(({ measure, weight }, index) => (
        <RuledField
          key={measure}
          label={`${index + 1} ${measure === 'lowest-flow' ? 'most' : 'least'} ${nameOf(measure)}`}
        >
          <QuantityField
            label={`weight of ${nameOf(measure)}`}
            quantity="count"
            limits={[0.01, 1000]}
            value={weight ?? 0.5 ** index}
            onChange={(next) =>
              onAims({ ...aims, then: aims.then.map((one, at) => (at === index ? { measure, weight: next } : one)) })
            }
          />
          {index > 0 && (
            <IconButton size="small" aria-label={`${nameOf(measure)} counts more`} onClick={() => swap(index)}>
              ↑
            </IconButton>
          )}
          <IconButton
            size="small"
            aria-label={`${nameOf(measure)} does not count`}
            onClick={() => onAims({ ...aims, then: aims.then.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </RuledField>
      ))}
      {unused.length > 0 && (
        <Choice
          label="add what counts"
          value=""
          options={[['', 'add what counts…'] as const, ...unused]}
          onChange={(id) => id !== '' && onAims({ ...aims, then: [...aims.then, { measure: id }] })}
        />
      )}
    </>
  )
}
