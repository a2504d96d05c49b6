'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { ControllerModel } from '@/core/controller/schema'
import type { Fit } from '@/core/controller/fit'
import { inFilter, SETTING_FILTERS, settingsList, type SettingFilter } from '@/core/installation/settingsList'
import { FILTER_WORDS } from '@/core/sentences/settingWords'
import { SETTING_GRID, SettingRow } from '@/features/dial-in/SettingRow'
import { usePart } from '@/ui/workingCopy/context'

/** Every setting of the panel: what it is for, as found, wanted, as the maker leaves it, what to do and why. */
export function SettingsList({ controller, fit }: { controller: ControllerModel; fit: Fit }) {
  const dial = usePart('dial')
  const [filter, setFilter] = useState<SettingFilter>('all')
  const lines = settingsList(controller, fit, dial)
  const shown = lines.filter((line) => inFilter(line, filter))
  return (
    <>
      <Box role="group" aria-label="Which settings" sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap', mb: 1 }}>
        {SETTING_FILTERS.map((each) => (
          <Button
            key={each}
            size="small"
            variant={each === filter ? 'contained' : 'outlined'}
            aria-pressed={each === filter}
            onClick={() => setFilter(each)}
          >
            {FILTER_WORDS[each]} {lines.filter((line) => inFilter(line, each)).length}
          </Button>
        ))}
      </Box>
      {shown.length === 0 && <Typography>None of its settings.</Typography>}
      <Box
        aria-hidden="true"
        sx={{
          ...SETTING_GRID,
          display: { xs: 'none', md: 'grid' },
          color: 'text.secondary',
          fontSize: '0.875rem',
          pl: 1.6,
        }}
      >
        {['Setting', 'As found', 'Wanted', 'Maker’s', 'Read back', 'What to do, and why'].map((heading) => (
          <span key={heading}>{heading}</span>
        ))}
      </Box>
      <Box component="ul" aria-label="Settings" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((line) => (
          <SettingRow key={line.setting.id} line={line} />
        ))}
      </Box>
    </>
  )
}
