import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { freeId } from '@/core/json/freeId'
import { MEASURED } from '@/core/rules/input'
import type { ControllerModel } from '@/core/controller/schema'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'

type Model = Pick<ControllerModel, 'inputs' | 'outputs'>
type Props = { model: Model; onChange: (path: readonly (string | number)[], value: unknown) => void }

const INPUT_KINDS = [...MEASURED, 'switch' as const].map((kind) => [kind, kind] as const)
const OUTPUT_KINDS = [
  ['volts', '0–10 V'],
  ['pwm', 'pulse width'],
  ['phase-cut', 'cut phase'],
  ['levels', 'levels'],
  ['relay', 'relay'],
] as const

/** What it reads and what it drives, a line each; what an input or an output has besides stands in the text. */
export function TerminalsForm({ model: { inputs = [], outputs }, onChange }: Props) {
  const added = (list: readonly { readonly id: string }[], id: string) =>
    freeId(
      list.map((held) => held.id),
      id,
    )
  return (
    <>
      {inputs.map((input, index) => (
        <Line key={input.id}>
          <TextLine
            grow={false}
            label={`name of input ${index + 1}`}
            value={input.name}
            onChange={(name) => onChange(['inputs', index, 'name'], name)}
          />
          <Typography>reads</Typography>
          <Choice
            label={`what input ${index + 1} reads`}
            value={input.kind}
            options={INPUT_KINDS}
            onChange={(kind) => onChange(['inputs', index, 'kind'], kind)}
          />
          <TextButton label={`Take input ${index + 1} away`} onClick={() => onChange(['inputs', index], undefined)}>
            take away
          </TextButton>
        </Line>
      ))}
      <TextButton
        onClick={() =>
          onChange(['inputs'], [...inputs, { id: added(inputs, 'input'), name: 'input', kind: 'temperature' }])
        }
      >
        Add an input
      </TextButton>
      {outputs.map((output, index) => (
        <Line key={output.id}>
          <TextLine
            grow={false}
            label={`name of output ${index + 1}`}
            value={output.name}
            onChange={(name) => onChange(['outputs', index, 'name'], name)}
          />
          <Typography>gives</Typography>
          <Choice
            label={`what output ${index + 1} gives`}
            value={output.kind}
            options={OUTPUT_KINDS}
            onChange={(kind) => onChange(['outputs', index, 'kind'], kind)}
          />
          <Typography>in steps of</Typography>
          <QuantityField
            label={`step of output ${index + 1}`}
            quantity="speed"
            value={output.stepPct}
            limits={[0, 50]}
            onChange={(pct) => onChange(['outputs', index, 'stepPct'], pct)}
          />
          {outputs.length > 1 && (
            <TextButton label={`Take output ${index + 1} away`} onClick={() => onChange(['outputs', index], undefined)}>
              take away
            </TextButton>
          )}
        </Line>
      ))}
      <TextButton
        onClick={() =>
          onChange(
            ['outputs'],
            [...outputs, { id: added(outputs, 'output'), name: 'output', kind: 'volts', stepPct: 1 }],
          )
        }
      >
        Add an output
      </TextButton>
    </>
  )
}

const Line = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5, py: 0.5 }}>{children}</Box>
)
