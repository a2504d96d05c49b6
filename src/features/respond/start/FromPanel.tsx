'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { judgeInstallation } from '@/core/advise/judge'
import { judgementText } from '@/core/advise/words'
import { asFound } from '@/core/start/asFound'
import { isPart, type Setting } from '@/core/controller/schema'
import { presentValue } from '@/core/controller/settingValue'
import { derive } from '@/core/derive/derive'
import { putValue } from '@/core/installation/dialProgress'
import type { Response } from '@/core/response/schema'
import { Sentences } from '@/features/respond/start/Sentences'
import { Notice } from '@/ui/Notice'
import { usePreference } from '@/ui/preference'
import { SettingField } from '@/ui/SettingField'
import { useDocument, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** What the panel shows now is typed in; the response that means is said, and what is odd about it. */
export function FromPanel({ onTake }: { onTake: (label: string, response: Response) => void }) {
  const document = useDocument()
  const preference = usePreference()
  const { controller } = document.kit
  const found = useMemo(() => controller && asFound(document, controller), [document, controller])
  const odd = useMemo(() => {
    if (!found) return []
    const installation = { ...document, response: found }
    return judgeInstallation(installation, derive(installation))
  }, [document, found])
  if (!controller || !found)
    return <Typography>Choose the controller under Kit first: its settings are what is read.</Typography>
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 2 }}>
      <Box component="section" aria-label="On the panel now">
        <Typography variant="h2">On the panel now</Typography>
        {controller.settings.filter(isPart).map((setting) => (
          <PresentField key={setting.id} setting={setting} />
        ))}
      </Box>
      <Box component="section" aria-label="What it means">
        <Typography variant="h2">What it means</Typography>
        <Sentences of={{ response: found, kit: document.kit }} />
        {odd.length > 0 && <Typography variant="h2">What is odd about it</Typography>}
        {odd.map((judgement) => {
          const { title, detail } = judgementText(judgement, preference)
          return (
            <Notice key={judgement.id} grave={judgement.severity === 'hurts'} title={title}>
              {detail}
            </Notice>
          )
        })}
        <Button variant="contained" onClick={() => onTake('start from the controller as found', found)}>
          Start with this
        </Button>
      </Box>
    </Box>
  )
}

function PresentField({ setting }: { setting: Setting }) {
  const { present } = usePart('dial')
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const value = presentValue(setting, present)
  const put = (next: number) =>
    edit(
      `on the panel: ${setting.name}`,
      ({ dial }) => putValue(dial, 'present', setting.id, next),
      `panel-${setting.id}`,
    )
  return (
    <Box
      sx={{
        display: 'flex',
        justifyContent: 'space-between',
        borderBottom: '1px dotted',
        borderColor: 'divider',
        py: 0.25,
      }}
    >
      <span>{setting.name}</span>
      <SettingField label={setting.name} setting={setting} value={value} onChange={put} onDone={onDone} />
    </Box>
  )
}
