'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { settingValueText } from '@/core/controller/settingText'
import { putValue } from '@/core/installation/dialProgress'
import { settingsList, type SettingLine } from '@/core/installation/settingsList'
import { usePreference } from '@/ui/preference'
import { SettingField } from '@/ui/SettingField'
import { MONO } from '@/ui/theme'
import { useDerived, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** Every setting that is wanted at something, one touch a line where it shows just that. */
export function ReadBackList() {
  const { controller } = usePart('kit')
  const dial = usePart('dial')
  const { fit } = useDerived()
  if (!controller || !fit) return null
  const lines = settingsList(controller, fit, dial).filter(({ wanted }) => wanted !== null)
  const right = lines.filter(({ isReadBackRight }) => isReadBackRight).length
  return (
    <Box component="section" aria-label="Read back" sx={{ my: 1 }}>
      <Typography variant="body2">
        Does it show that? {right} of {lines.length} as wanted.
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {lines.map((line) => (
          <ReadBackLine key={line.setting.id} line={line} />
        ))}
      </Box>
    </Box>
  )
}

function ReadBackLine({ line: { setting, wanted, readBack, isReadBackRight } }: { line: SettingLine }) {
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const [isOther, setIsOther] = useState(false)
  const { id, name } = setting
  const put = (value: number | null) =>
    edit(`read back: ${name}`, ({ dial }) => putValue(dial, 'readBack', id, value), `readBack-${id}`)
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'center',
        borderBottom: '1px dotted',
        borderColor: isReadBackRight === false ? 'error.main' : 'divider',
        py: 0.5,
      }}
    >
      <Typography sx={{ flex: 1, minWidth: 0 }}>
        {name}{' '}
        <Box component="b" sx={{ fontFamily: MONO, whiteSpace: 'nowrap' }}>
          {settingValueText(setting, wanted!, preference)}
        </Box>
      </Typography>
      {isReadBackRight === false && <b>✕ shows</b>}
      {(isOther || readBack !== null) && !isReadBackRight && (
        <SettingField
          label={`read back: ${name}`}
          setting={setting}
          value={readBack}
          onChange={put}
          onClear={() => put(null)}
          onDone={onDone}
        />
      )}
      <Button
        variant={isReadBackRight ? 'contained' : 'outlined'}
        aria-pressed={isReadBackRight === true}
        aria-label={`${name}: as wanted`}
        onClick={() => put(isReadBackRight ? null : wanted)}
        sx={{ minHeight: { xs: 44, sm: 32 }, minWidth: 56 }}
      >
        {isReadBackRight ? '✓' : 'yes'}
      </Button>
      {readBack === null && !isOther && (
        <Button
          aria-label={`${name}: shows something else`}
          onClick={() => setIsOther(true)}
          sx={{ minHeight: { xs: 44, sm: 32 }, minWidth: 56 }}
        >
          no…
        </Button>
      )}
    </Box>
  )
}
