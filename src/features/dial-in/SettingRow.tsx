'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useState, type ReactNode } from 'react'
import { purposeOf } from '@/core/controller/purposes'
import { isPart } from '@/core/controller/schema'
import { settingValueText } from '@/core/controller/settingText'
import { putValue, type ValueList } from '@/core/installation/dialProgress'
import type { DialState } from '@/core/installation/installation'
import type { SettingLine } from '@/core/installation/settingsList'
import { powerText, settingWhyText, TASK_WORDS, WHO_WORDS, writtenText } from '@/core/sentences/settingWords'
import { SettingEffect } from '@/features/dial-in/SettingEffect'
import { usePreference } from '@/ui/preference'
import { SettingField } from '@/ui/SettingField'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'
import { MONO } from '@/ui/theme'
import { useWorkingCopy } from '@/ui/workingCopy/context'

/** One grid for the heads and for each row: name, four figures, what to do. On a phone the figures stand two by two under the name. */
export const SETTING_GRID = {
  display: 'grid',
  gridTemplateColumns: { xs: '1fr 1fr', md: 'minmax(0, 2fr) repeat(4, minmax(76px, 0.8fr)) minmax(0, 2fr)' },
  columnGap: 1.25,
} as const

/** One setting of the panel. What is open stands out by its bar. */
export function SettingRow({ line }: { line: SettingLine }) {
  const { setting, found, wanted, task, why, isOpen, isEntered, readBack, isReadBackRight, reason } = line
  const [isUnfolded, setIsUnfolded] = useState(false)
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const { id, name, means, otherNames = [], who = 'user' } = setting
  const put = (list: ValueList, what: string) => (value: number | null) =>
    edit(`${what}: ${name}`, ({ dial }) => putValue(dial, list, id, value), `${list}-${id}`)
  const field = (list: ValueList, label: string, value: number | null) => (
    <SettingField
      label={`${label}: ${name}`}
      setting={setting}
      value={value}
      onChange={put(list, label)}
      onClear={() => put(list, label)(null)}
      onDone={onDone}
    />
  )
  const tells = (value: number | null) => (value === null ? '–' : settingValueText(setting, value, preference))
  const isDecision = !isPart(setting) && means === 'nothing' && setting.advice?.what === 'decide'
  return (
    <Box
      component="li"
      sx={{
        ...SETTING_GRID,
        rowGap: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
        borderLeft: '5px solid',
        borderLeftColor: isOpen ? 'cause.speed' : 'transparent',
        pl: 1,
        py: 1,
      }}
    >
      <Box sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}>
        <b>{name}</b>{' '}
        {who === 'commissioned' && (
          <Typography component="span" variant="body2" sx={{ color: 'text.secondary' }}>
            commissioned
          </Typography>
        )}
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {purposeOf(setting)}
        </Typography>
        <TextButton label={`More of ${name}`} isOpen={isUnfolded} onClick={() => setIsUnfolded(!isUnfolded)}>
          {isUnfolded ? 'Less' : 'More'}
        </TextButton>
      </Box>
      <Figure label="As found">{field('present', 'as found', found)}</Figure>
      <Figure label="Wanted">
        {isDecision ? (
          field('decided', 'decided', wanted)
        ) : (
          <Box component="b" sx={{ fontFamily: MONO }}>
            {tells(wanted)}
          </Box>
        )}
      </Figure>
      <Figure label="Maker’s">{tells(setting.default)}</Figure>
      <Figure label="Read back">
        {wanted === null ? '–' : field('readBack', 'read back', readBack)}
        {isReadBackRight !== null && (isReadBackRight ? ' ✓' : ' ✕ not as wanted')}
      </Figure>
      <Box sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}>
        <b>{TASK_WORDS[task]}.</b> {settingWhyText(why)}
        {task === 'change' && (
          <Typography variant="body2" sx={{ color: isEntered ? 'success.main' : 'text.secondary' }}>
            {isEntered ? '✓ Entered' : 'Not entered yet'}
          </Typography>
        )}
        {who === 'commissioned' && task === 'change' && (
          <TextLine
            label={`reason: ${name}`}
            placeholder="Why is a commissioned value changed?"
            value={reason ?? ''}
            maxLength={300}
            onChange={(text) => edit(`reason: ${name}`, ({ dial }) => putReason(dial, id, text), `reason-${id}`)}
            onDone={onDone}
          />
        )}
      </Box>
      {isUnfolded && (
        <Box sx={{ gridColumn: '1 / -1' }}>
          <Typography variant="body2">
            {setting.enter.where}. Changed by {WHO_WORDS[who]}; written {writtenText(setting)}; without power{' '}
            {powerText(setting)}.{otherNames.length > 0 && ` Leaflets also call it ${otherNames.join(', ')}.`}
          </Typography>
          {isPart(setting) && <SettingEffect setting={setting} wanted={wanted ?? setting.default} />}
        </Box>
      )}
    </Box>
  )
}

function putReason(dial: DialState, setting: string, text: string): void {
  const others = (dial.reasons ?? []).filter((held) => held.setting !== setting)
  // Shorter than a word it is no reason, and the document does not take it.
  dial.reasons = text.trim().length < 3 ? others : [...others, { setting, reason: text }]
}

const Figure = ({ label, children }: { label: string; children: ReactNode }) => (
  <Box>
    <Typography variant="body2" component="div" sx={{ color: 'text.secondary', display: { md: 'none' } }}>
      {label}
    </Typography>
    {children}
  </Box>
)
