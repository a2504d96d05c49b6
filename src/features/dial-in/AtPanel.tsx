import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { HandStep } from '@/core/controller/guide'
import { panelShows, panelState, settingShownIn, type PanelNow } from '@/core/controller/panel'
import type { ControllerModel, Panel, Setting } from '@/core/controller/schema'
import { settingValueText } from '@/core/controller/settingText'
import { Key } from '@/features/dial-in/Parts'
import { Choice } from '@/ui/Choice'
import { PanelPicture } from '@/ui/PanelPicture'
import { usePreference } from '@/ui/preference'
import { TextButton } from '@/ui/TextButton'

type AtPanelProps = {
  controller: ControllerModel
  now: PanelNow
  setting: Setting
  steps: readonly HandStep[]
  /** The panel is in this state. */
  onAt: (state: string) => void
}

/** The panel as it is now, the touches from there, and the way out where it shows something else. */
export function AtPanel({ controller, now, setting, steps, onAt }: AtPanelProps) {
  const preference = usePreference()
  const [isElsewhere, setIsElsewhere] = useState(false)
  const { panel } = controller
  if (!panel) return null
  const showsIn = (id: string): string => {
    const state = panelState(panel, id)
    if (!state) return ''
    const own = settingShownIn(controller, state)
    return panelShows(state, own ? settingValueText(own, now.kept[own.id] ?? own.default, preference) : '…')
  }
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'flex-start' }}>
      <Box>
        <PanelPicture model={controller} shows={showsIn(now.state)} touched={steps[0]?.control} />
        <TextButton isOpen={isElsewhere} onClick={() => setIsElsewhere(!isElsewhere)}>
          It shows something else
        </TextButton>
        {isElsewhere && (
          <Box>
            <Choice
              label="what the panel shows"
              value={now.state}
              options={panel.states.map(({ id }) => [id, showsIn(id)] as const)}
              onChange={(state) => {
                onAt(state)
                setIsElsewhere(false)
              }}
            />
            <Typography variant="body2">None of these? Take the power off and on again; it then shows</Typography>
            <TextButton
              onClick={() => {
                onAt(panel.states[0]!.id)
                setIsElsewhere(false)
              }}
            >
              “{showsIn(panel.states[0]!.id)}”
            </TextButton>
          </Box>
        )}
      </Box>
      <Box
        component="ol"
        aria-label="For the hand"
        sx={{ m: 0, pl: 3, flex: 1, minWidth: 240, fontSize: '1.15rem', lineHeight: 2.1 }}
      >
        {steps.map((step, index) => (
          <li key={index}>
            <Hand step={step} panel={panel} />
          </li>
        ))}
        {steps.length === 0 && (
          <li>
            Nothing to press: see that it reads{' '}
            {settingValueText(setting, now.kept[setting.id] ?? setting.default, preference)}.
          </li>
        )}
      </Box>
    </Box>
  )
}

const TURNED = ['dial', 'knob', 'wheel', 'trimmer']
const PUT = ['plug', 'link']

function actWords(act: HandStep['act'], kind: string): string {
  if (act === 'press' || act === 'hold') return act === 'hold' ? 'and hold' : ''
  if (PUT.includes(kind)) return act === 'up' ? 'the next one up' : 'the next one down'
  return `${TURNED.includes(kind) ? 'turn' : 'move'} ${act}`
}

function Hand({ step, panel }: { step: HandStep; panel: Panel }) {
  const control = panel.controls.find(({ id }) => id === step.control)
  if (step.act === 'wait') return 'Touch nothing and wait'
  return (
    <>
      {step.act === 'press' || step.act === 'hold' ? 'Press' : ''}
      <Key>{control?.name ?? step.control}</Key> {actWords(step.act, control?.kind ?? 'key')}
      {step.times > 1 && <b> × {step.times}</b>}
    </>
  )
}
