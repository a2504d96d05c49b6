'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useState } from 'react'
import type { Action } from '@/core/controller/dialIn'
import { guideTo } from '@/core/controller/guide'
import { panelStart, panelState, type PanelNow } from '@/core/controller/panel'
import type { ControllerModel, Setting } from '@/core/controller/schema'
import { settingValueText } from '@/core/controller/settingText'
import { presentValue, valueFor } from '@/core/controller/settingValue'
import { isDone, putValue, whyCannot } from '@/core/installation/dialProgress'
import type { DialState } from '@/core/installation/installation'
import { formatTime } from '@/core/quantity/format'
import { AtPanel } from '@/features/dial-in/AtPanel'
import { Cannot } from '@/features/dial-in/Cannot'
import { Parts, quantityColour } from '@/features/dial-in/Parts'
import { Notice } from '@/ui/Notice'
import { NextBar } from '@/ui/PhoneBar'
import type { Countdowns } from '@/ui/onSite/useCountdowns'
import { usePreference } from '@/ui/preference'
import { SettingField } from '@/ui/SettingField'
import { TextButton } from '@/ui/TextButton'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = {
  controller: ControllerModel
  actions: readonly Action[]
  countdowns: Countdowns
  onTick: (action: Action, isTicked: boolean) => void
  onPresent: (action: Action, value: number) => void
  /** The way on where everything is entered. */
  prove: string
}

/** What every setting of the panel stands at now: as entered, or as it was found. */
const keptNow = (settings: readonly Setting[], actions: readonly Action[], dial: DialState): PanelNow['kept'] =>
  Object.fromEntries(
    settings.map((setting) => {
      const action = actions.find((one) => one.setting?.id === setting.id)
      const entered = action && isDone(action, dial) ? action.value : null
      return [setting.id, entered ?? presentValue(setting, dial.present)]
    }),
  )

/** One action, large: the panel as it must look, what the hand does from where the panel is now, what is seen then. */
export function OneAction({ controller, actions, countdowns, onTick, onPresent, prove }: Props) {
  const dial = usePart('dial')
  const isOpen = (action: Action) => !isDone(action, dial) && whyCannot(action, dial) === null
  const [chosen, setChosen] = useState<string | null>(null)
  const [at, setAt] = useState<string | null>(null)
  const next = actions.find(isOpen)
  const action = actions.find(({ id }) => id === chosen) ?? next ?? actions.at(-1)
  const start = panelStart(controller, keptNow(controller.settings, actions, dial))
  if (!action) return <Typography>There is nothing to enter.</Typography>
  const place = actions.indexOf(action)
  const now: PanelNow | null =
    start && controller.panel && at !== null && panelState(controller.panel, at) ? { ...start, state: at } : start
  const guide =
    now && action.setting && action.value !== null ? guideTo(controller, now, action.setting.id, action.value) : null
  const go = (by: 1 | -1) => setChosen(actions[place + by]?.id ?? null)

  function done(): void {
    if (!action) return
    onTick(action, true)
    if (guide) setAt(guide.end.state)
    const after = actions.find((one) => one !== action && isOpen(one))
    setChosen(after?.id ?? action.id)
  }

  return (
    <Box component="section" aria-label={`Action ${place + 1} of ${actions.length}`} sx={{ maxWidth: 760 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', gap: 1 }}>
        <Button onClick={() => go(-1)} disabled={place === 0} sx={{ minHeight: 44 }}>
          ← Before
        </Button>
        <Typography variant="body2">
          Action {place + 1} of {actions.length}
          {isDone(action, dial) && ' · ✓ done'}
        </Typography>
        <Button onClick={() => go(1)} disabled={place === actions.length - 1} sx={{ minHeight: 44 }}>
          After →
        </Button>
      </Box>
      {action.danger && (
        <Notice grave title="Live parts.">
          Isolate, and prove it dead, before the lid is off.
        </Notice>
      )}
      <Typography
        component="p"
        sx={{ fontSize: { xs: '1.5rem', sm: '1.6rem' }, fontWeight: 700, lineHeight: 1.3, my: 1 }}
      >
        <Parts parts={action.title} colour={quantityColour(action)} />
      </Typography>
      {action.setting && now && guide && (
        <AtPanel controller={controller} now={now} setting={action.setting} steps={guide.steps} onAt={setAt} />
      )}
      {action.how.length > 0 && (
        <Typography
          component="div"
          sx={guide ? { color: 'text.secondary', mt: 1 } : { fontSize: '1.15rem', lineHeight: 1.9 }}
        >
          {guide && 'In words, from the front: '}
          <Parts parts={action.how} colour="text.primary" />
        </Typography>
      )}
      {action.setting && <Found setting={action.setting} action={action} dial={dial} onPresent={onPresent} />}
      <Typography sx={{ fontSize: '1.1rem', my: 1, borderLeft: '4px solid', borderColor: 'divider', pl: 1.25 }}>
        Then seen: {action.seen}
      </Typography>
      {action.setting && <LateWrite setting={action.setting} countdowns={countdowns} />}
      <Cannot key={action.id} action={action} reason={whyCannot(action, dial)} onSaid={() => setChosen(null)} />
      <NextBar>
        {isDone(action, dial) ? (
          <Button variant="outlined" onClick={() => onTick(action, false)} sx={{ flex: 1 }}>
            Not done after all
          </Button>
        ) : (
          <Button variant="contained" onClick={done} sx={{ flex: 2 }}>
            Done, next
          </Button>
        )}
        {!next && (
          <Button variant="contained" component={Link} href={prove} sx={{ flex: 1 }}>
            {actions.every((one) => isDone(one, dial)) ? 'All entered, go prove' : 'Go prove; the rest stays open'}
          </Button>
        )}
      </NextBar>
    </Box>
  )
}

type FoundProps = { setting: Setting; action: Action; dial: DialState; onPresent: Props['onPresent'] }

/** What it shows before a hand touches it, and what it shows when it is read back. */
function Found({ setting, action, dial, onPresent }: FoundProps) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const endGesture = useWorkingCopy((state) => state.endGesture)
  const readBack = valueFor(dial.readBack ?? [], setting.id) ?? null
  const isRight = readBack !== null && action.value !== null && Math.abs(readBack - action.value) < 1e-6
  const put = (value: number | null) =>
    edit(
      `read back: ${setting.name}`,
      (draft) => putValue(draft.dial, 'readBack', setting.id, value),
      `readBack-${setting.id}`,
    )
  if (!isDone(action, dial))
    return (
      <Typography component="div" sx={{ mt: 1 }}>
        It stands now at{' '}
        <SettingField
          label={`what the panel shows now for ${setting.name}`}
          setting={setting}
          value={presentValue(setting, dial.present)}
          onDone={endGesture}
          onChange={(value) => onPresent(action, value)}
        />
      </Typography>
    )
  return (
    <Typography component="div" sx={{ mt: 1 }}>
      Read back:{' '}
      <SettingField
        label={`read back: ${setting.name}`}
        setting={setting}
        value={readBack}
        onDone={endGesture}
        onChange={put}
        onClear={() => put(null)}
      />
      {readBack === null && action.value !== null && (
        <TextButton onClick={() => put(action.value)}>
          it shows {settingValueText(setting, action.value, preference)}
        </TextButton>
      )}
      {readBack !== null && (isRight ? ' ✓ saved and read back' : ' ✕ not as entered')}
    </Typography>
  )
}

/** A controller that writes late forgets what is cut off before: its time is counted down here. */
function LateWrite({ setting, countdowns }: { setting: Setting; countdowns: Countdowns }) {
  const preference = usePreference()
  const lengthS = setting.written?.when === 'after' ? setting.written.afterS : undefined
  if (lengthS === undefined) return null
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      <Button
        variant="outlined"
        onClick={() => countdowns.start({ id: `write-${setting.id}`, label: `${setting.name} is written`, lengthS })}
        sx={{ minHeight: 48 }}
      >
        Let go: count {formatTime(lengthS, preference)}
      </Button>
      <Typography variant="body2">
        Written only {formatTime(lengthS, preference)} after the last touch: leave power and panel alone till then.
      </Typography>
    </Box>
  )
}
