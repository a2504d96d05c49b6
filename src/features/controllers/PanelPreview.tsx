'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { settingValueText } from '@/core/controller/settingText'
import { panelShows, panelStart, panelState, touch } from '@/core/controller/panel'
import type { ControllerModel } from '@/core/controller/schema'
import type { UnitPreference } from '@/core/quantity/format'
import { Ruled } from '@/ui/Ruled'
import { MONO } from '@/ui/theme'

const ACT_WORDS = { press: 'press', hold: 'hold', up: 'up', down: 'down', wait: 'wait' } as const

/** The panel as it is described, to be played: what it shows, what a hand can do now, what is kept. */
export function PanelPreview({ model, preference }: { model: ControllerModel; preference: UnitPreference }) {
  const [held, setNow] = useState(() => panelStart(model, {}))
  const { panel, settings } = model
  // The model changes beneath the hand: where its panel still knows the state one is in, playing goes on.
  const now = panel && held && panelState(panel, held.state) ? held : panelStart(model, held?.kept)
  if (!panel || !now)
    return <Typography variant="body2">No panel is described yet; the actions below are made without it.</Typography>
  const state = panelState(panel, now.state)!
  const setting = settings.find(({ id }) => id === state.setting)
  const value = setting
    ? settingValueText(setting, now.pending ?? now.kept[setting.id] ?? setting.default, preference)
    : ''
  return (
    <>
      <Typography
        component="div"
        role="status"
        sx={{
          fontFamily: MONO,
          border: 1,
          borderColor: 'text.primary',
          p: 1.5,
          my: 1,
          minHeight: 56,
          whiteSpace: 'pre-wrap',
        }}
      >
        {panelShows(state, value)}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {state.moves.map(({ control, act }) => (
          <Button
            key={`${control}-${act}`}
            size="small"
            variant="outlined"
            onClick={() => setNow(touch(model, now, { control, act }))}
            sx={{ minHeight: { xs: 44, sm: 30 } }}
          >
            {act === 'wait'
              ? 'wait'
              : `${panel.controls.find(({ id }) => id === control)?.name ?? control}: ${ACT_WORDS[act]}`}
          </Button>
        ))}
        <Button size="small" onClick={() => setNow(panelStart(model, now.kept))} sx={{ minHeight: { xs: 44, sm: 30 } }}>
          Power off and on
        </Button>
      </Box>
      {now.pending !== null && <Typography variant="body2">Changed, and not kept yet.</Typography>}
      <Box sx={{ mt: 1 }}>
        {settings.map((one) => (
          <Ruled key={one.id} label={one.name}>
            {settingValueText(one, now.kept[one.id] ?? one.default, preference)}
          </Ruled>
        ))}
      </Box>
    </>
  )
}
