'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState, type ReactNode } from 'react'
import { ACTS, CONTROL_KINDS, type ControllerModel, type Panel, type PanelMove } from '@/core/controller/schema'
import { describeState, EMPTY_PANEL, stepBack, stepOn } from '@/core/controller/walkPanel'
import { freeId } from '@/core/json/freeId'
import { Choice } from '@/ui/Choice'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'

type Props = { model: Pick<ControllerModel, 'panel' | 'settings'>; onChange: (panel: Panel) => void }
type Does = NonNullable<PanelMove['does']> | ''

const DOES: readonly (readonly [Does, string])[] = [
  ['', 'nothing to the setting'],
  ['step-up', 'a step up'],
  ['step-down', 'a step down'],
  ['keep', 'keeps it'],
  ['drop', 'drops it'],
]

const controlName = ({ controls }: Panel, id: string): string =>
  controls.find((held) => held.id === id)?.name ?? 'nothing'

/** The panel walked as a finger walks it: what is shown here, what the hand can do, and where that leads. Each step writes the state it comes to. */
export function PanelWalk({ model, onChange }: Props) {
  const panel = model.panel ?? EMPTY_PANEL
  const [wanted, setAt] = useState(panel.states[0]!.id)
  const here = panel.states.find(({ id }) => id === wanted) ?? panel.states[0]!
  const describe = (seen: { shows?: string; setting?: string | undefined }) =>
    onChange(describeState(panel, here.id, { shows: here.shows, setting: here.setting, ...seen }))
  return (
    <Box sx={{ maxWidth: 760 }} role="group" aria-label="Walk the panel">
      <Controls panel={panel} onChange={onChange} />
      <Row>
        <Typography>At</Typography>
        <Choice
          label="state of the panel"
          value={here.id}
          options={panel.states.map(({ id }) => [id, id] as const)}
          onChange={setAt}
        />
        <Typography>it shows</Typography>
        <TextLine
          grow={false}
          label="what it shows here"
          value={here.shows}
          onChange={(shows) => describe({ shows })}
        />
        <Typography>open for change:</Typography>
        <Choice
          label="setting that is open here"
          value={here.setting ?? ''}
          options={[['', 'none'] as const, ...model.settings.map(({ id, name }) => [id, name] as const)]}
          onChange={(setting) => describe({ setting: setting === '' ? undefined : setting })}
        />
      </Row>
      {here.moves.map((move) => (
        <Row key={`${move.control}-${move.act}`}>
          <Typography>
            {move.act === 'wait' ? 'wait' : `${controlName(panel, move.control)}: ${move.act}`}
            {move.does ? `, ${DOES.find(([does]) => does === move.does)?.[1] ?? ''}` : ''}
          </Typography>
          {move.to !== undefined && move.to !== here.id && (
            <TextButton onClick={() => setAt(move.to!)}>{`go to ${move.to}`}</TextButton>
          )}
          <TextButton
            label={`take ${controlName(panel, move.control)} ${move.act} away`}
            onClick={() => onChange(stepBack(panel, here.id, move))}
          >
            take away
          </TextButton>
        </Row>
      ))}
      <NextStep
        key={here.id}
        panel={panel}
        hasSetting={here.setting !== undefined}
        onStep={(move, to) => {
          const walked = stepOn(panel, here.id, move, to)
          onChange(walked.panel)
          setAt(walked.at)
        }}
      />
    </Box>
  )
}

type StepProps = {
  panel: Panel
  hasSetting: boolean
  onStep: (move: Pick<PanelMove, 'control' | 'act' | 'does'>, to: { state: string } | 'stays' | 'new') => void
}

/** What the hand does next, and where it finds itself. */
function NextStep({ panel, hasSetting, onStep }: StepProps) {
  const [control, setControl] = useState(panel.controls[0]!.id)
  const [act, setAct] = useState<PanelMove['act']>('press')
  const [does, setDoes] = useState<Does>('')
  const [to, setTo] = useState('.new')
  const leads = to === '.new' ? 'new' : to === '.stays' ? 'stays' : { state: to }
  return (
    <Row>
      <Choice
        label="control that is touched"
        value={control}
        options={panel.controls.map(({ id, name }) => [id, name] as const)}
        onChange={setControl}
      />
      <Choice
        label="what the hand does"
        value={act}
        options={ACTS.map((one) => [one, one] as const)}
        onChange={setAct}
      />
      {hasSetting && <Choice label="what happens to the setting" value={does} options={DOES} onChange={setDoes} />}
      <Choice
        label="where it leads"
        value={to}
        options={[
          ['.new', 'something new is shown'] as const,
          ['.stays', 'it stays here'] as const,
          ...panel.states.map(({ id }) => [id, `to ${id}`] as const),
        ]}
        onChange={setTo}
      />
      <Button
        size="small"
        variant="outlined"
        onClick={() => onStep({ control: act === 'wait' ? '' : control, act, ...(does === '' ? {} : { does }) }, leads)}
      >
        Do it
      </Button>
    </Row>
  )
}

function Controls({ panel, onChange }: { panel: Panel; onChange: (panel: Panel) => void }) {
  const put = (index: number, change: Partial<Panel['controls'][number]>) =>
    onChange({
      ...panel,
      controls: panel.controls.map((held, place) => (place === index ? { ...held, ...change } : held)),
    })
  return (
    <Row>
      {panel.controls.map(({ id, name, kind }, index) => (
        <Box key={id} sx={{ display: 'flex', gap: 0.5 }}>
          <TextLine
            grow={false}
            label={`name of control ${index + 1}`}
            value={name}
            onChange={(to) => put(index, { name: to })}
          />
          <Choice
            label={`kind of control ${index + 1}`}
            value={kind}
            options={CONTROL_KINDS.map((one) => [one, one] as const)}
            onChange={(to) => put(index, { kind: to })}
          />
        </Box>
      ))}
      <TextButton
        onClick={() => {
          const id = freeId(
            panel.controls.map((held) => held.id),
            'control',
          )
          onChange({ ...panel, controls: [...panel.controls, { id, name: id, kind: 'key' }] })
        }}
      >
        Add a control
      </TextButton>
    </Row>
  )
}

const Row = ({ children }: { children: ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: 1.5,
      py: 0.75,
      borderBottom: 1,
      borderColor: 'divider',
    }}
  >
    {children}
  </Box>
)
