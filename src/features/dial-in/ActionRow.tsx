'use client'

import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import type { Action } from '@/core/controller/dialIn'
import { Parts, quantityColour } from '@/features/dial-in/Parts'
import { MONO } from '@/ui/theme'
import { SettingField } from '@/ui/SettingField'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type Props = {
  action: Action
  number: number
  /** What the panel shows now, in the base unit of its setting; null for what is no setting. */
  now: number | null
  isDone: boolean
  isNext: boolean
  /** Why it cannot be done here; null where nobody said so. */
  cannot: string | null
  onTick: (isTicked: boolean) => void
  onPresent: (value: number) => void
}

/** One action: tick it, what to press, what will be seen. The next one is open; what the panel shows now can be put right. */
export function ActionRow({ action, number, now, isDone, isNext, cannot, onTick, onPresent }: Props) {
  const endGesture = useWorkingCopy((state) => state.endGesture)
  return (
    <Box
      component="li"
      id={`action-${action.id}`}
      sx={{
        display: 'flex',
        gap: 2,
        alignItems: 'flex-start',
        borderBottom: 1,
        borderColor: 'divider',
        borderLeft: isNext ? '5px solid' : '5px solid transparent',
        borderLeftColor: isNext ? 'cause.speed' : 'transparent',
        bgcolor: isNext ? 'ground.side' : 'transparent',
        pl: 1,
        pr: 1,
        py: 1.1,
        flexWrap: { xs: 'wrap', sm: 'nowrap' },
      }}
    >
      <ButtonBase
        role="checkbox"
        aria-checked={isDone}
        aria-label={`Action ${number} done`}
        onClick={() => onTick(!isDone)}
        sx={{
          width: { xs: 48, sm: 34 },
          height: { xs: 48, sm: 34 },
          flexShrink: 0,
          border: '2px solid',
          borderColor: isDone ? 'cause.speed' : 'text.secondary',
          borderRadius: 1,
          bgcolor: isDone ? 'cause.speed' : 'ground.sheet',
          color: isDone ? 'ground.sheet' : 'text.primary',
          fontFamily: MONO,
          fontWeight: 700,
        }}
      >
        {isDone ? '✓' : number}
      </ButtonBase>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography component="div" sx={{ fontSize: isNext ? '1.0625rem' : undefined }}>
          <Parts parts={action.title} colour={quantityColour(action)} />
        </Typography>
        {action.how.length > 0 && isNext && (
          <Typography component="div" sx={{ mt: 0.25, lineHeight: 1.8 }}>
            <Parts parts={action.how} colour="text.primary" />
          </Typography>
        )}
        {isNext && action.setting && now !== null && (
          <Typography variant="body2" component="div" sx={{ color: 'text.secondary', mt: 0.5 }}>
            The panel shows now:{' '}
            <SettingField
              label={`what the panel shows now for ${action.setting.name}`}
              setting={action.setting}
              value={now}
              onDone={endGesture}
              onChange={onPresent}
            />
          </Typography>
        )}
      </Box>
      <Typography
        variant="body2"
        component="div"
        sx={{
          width: { xs: '100%', sm: 190 },
          flexShrink: 0,
          pl: 1.5,
          borderLeft: '2px solid',
          borderColor: 'divider',
          color: 'text.secondary',
        }}
      >
        {action.danger && (
          <Box component="b" sx={{ color: 'error.main' }}>
            Live parts.{' '}
          </Box>
        )}
        {cannot === null ? action.seen : <b>Cannot be done here: {cannot}</b>}
      </Typography>
    </Box>
  )
}
