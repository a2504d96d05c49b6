import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { panelShows } from '@/core/controller/panel'
import { settingValueText } from '@/core/controller/settingText'
import type { ControllerModel, Panel } from '@/core/controller/schema'
import { MONO } from '@/ui/theme'

type Kind = Panel['controls'][number]['kind']

const INK = { fill: 'none', stroke: 'currentColor', strokeWidth: 2 } as const

/** A control as it looks from the front, in a square of 40. */
const SHAPES: Record<Kind, ReactNode> = {
  key: <rect x={8} y={12} width={24} height={16} rx={3} {...INK} />,
  pad: <ellipse cx={20} cy={20} rx={14} ry={9} {...INK} strokeDasharray="4 3" />,
  dial: (
    <>
      <circle cx={20} cy={20} r={14} {...INK} />
      <path d="M20 20 L29 11" {...INK} />
    </>
  ),
  knob: (
    <>
      <circle cx={20} cy={20} r={11} {...INK} />
      <path d="M20 20 L20 9 M8 33 L11 30 M32 33 L29 30" {...INK} />
    </>
  ),
  wheel: <path d="M10 12 h20 M8 17 h24 M7 22 h26 M8 27 h24 M10 32 h20" {...INK} />,
  lever: <path d="M20 5 V35 M13 14 h14 v7 h-14 z" {...INK} />,
  rocker: <path d="M12 6 h16 v28 h-16 z M12 20 h16 M17 13 h6 M17 27 h6" {...INK} />,
  trimmer: (
    <>
      <circle cx={20} cy={20} r={9} {...INK} />
      <path d="M14 26 L26 14" {...INK} />
    </>
  ),
  plug: <path d="M10 24 h20 v9 h-20 z M15 24 v-10 M25 24 v-10" {...INK} />,
  link: <path d="M8 30 C8 8, 32 8, 32 30" {...INK} />,
}

type Props = {
  model: ControllerModel
  /** What the display shows; where nothing is said, what it shows after power-up. */
  shows?: string
  /** Id of the control that is touched next. */
  touched?: string | undefined
}

/** What the panel shows in its first state, as the maker leaves it. */
function firstShown({ panel, settings }: ControllerModel): string {
  const first = panel?.states[0]
  const setting = settings.find(({ id }) => id === first?.setting)
  return first ? panelShows(first, setting ? settingValueText(setting, setting.default) : '–') : ''
}

/** The panel from the front, drawn from its description: display, lamps, and what a hand finds on it. */
export function PanelPicture({ model, shows = firstShown(model), touched }: Props) {
  const { panel } = model
  if (!panel) return null
  return (
    <Box
      role="img"
      aria-label={`Panel of ${model.name}, showing “${shows}”: ${panel.controls.map(({ name }) => name).join(', ')}`}
      sx={{
        border: '2px solid',
        borderColor: 'text.secondary',
        borderRadius: 1.5,
        bgcolor: 'ground.side',
        p: 1.25,
        width: 200,
        flexShrink: 0,
        display: 'flex',
        flexDirection: 'column',
        gap: 1,
      }}
    >
      {panel.display.kind !== 'none' && (
        <Box
          sx={{
            fontFamily: MONO,
            fontSize: '0.75rem',
            bgcolor: 'text.primary',
            color: 'ground.sheet',
            px: 0.75,
            py: 0.5,
            minHeight: 28,
            overflowWrap: 'anywhere',
          }}
        >
          {shows}
        </Box>
      )}
      {panel.lamps.length > 0 && (
        <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap' }}>
          {panel.lamps.map(({ id }, index) => (
            <svg key={id} width={10} height={10} viewBox="0 0 10 10" aria-hidden="true">
              <circle cx={5} cy={5} r={4} fill={index === 0 ? 'currentColor' : 'none'} stroke="currentColor" />
            </svg>
          ))}
        </Box>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {panel.controls.map(({ id, kind, name }) => (
          <Box
            key={id}
            sx={{
              width: 52,
              textAlign: 'center',
              fontSize: '0.6875rem',
              lineHeight: 1.2,
              ...(id === touched && {
                outline: '3px solid',
                outlineColor: 'cause.speed',
                outlineOffset: 2,
                fontWeight: 700,
              }),
            }}
          >
            <svg width={40} height={40} viewBox="0 0 40 40" aria-hidden="true">
              {SHAPES[kind]}
            </svg>
            <Box>{name}</Box>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
