'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Setting } from '@/core/controller/schema'
import { readSettingsTable } from '@/core/controller/settingsTable'
import { problemLine } from '@/core/words/problems'

type Props = { settings: readonly Setting[]; onAdd: (made: readonly Setting[]) => void }

const EXAMPLE = 'name\tfrom\tto\tstep\tdefault\tunit\twhere\nRamp foot\t5\t40\t0.5\t20\t°C\tpage 3'

/** Settings pasted from a spreadsheet: what could be read is added, the rest is said and stays in the field. */
export function PasteSettings({ settings, onAdd }: Props) {
  const [text, setText] = useState('')
  const read =
    text.trim() === ''
      ? null
      : readSettingsTable(
          text,
          settings.map(({ id }) => id),
        )
  function add(): void {
    if (!read) return
    onAdd(read.settings)
    const bad = new Set(read.problems.map(({ path }) => Number(path.replace('line ', ''))))
    const lines = text.trim().split('\n')
    setText(bad.size === 0 ? '' : lines.filter((_line, index) => index === 0 || bad.has(index + 1)).join('\n'))
  }
  return (
    <Box sx={{ mt: 1.5, maxWidth: 760 }}>
      <TextField
        label="Paste settings from a spreadsheet"
        helperText="A heading line first: name, from, to, step, default; stands for, number, unit and where as far as they are known."
        multiline
        minRows={2}
        maxRows={10}
        fullWidth
        size="small"
        value={text}
        placeholder={EXAMPLE}
        onChange={(event) => setText(event.target.value)}
      />
      {read && (
        <Box role="status" sx={{ my: 1 }}>
          {read.problems.map((problem) => (
            <Typography variant="body2" key={`${problem.path}-${problem.code}`}>
              {problemLine(problem)}
            </Typography>
          ))}
          <Button variant="outlined" size="small" disabled={read.settings.length === 0} onClick={add}>
            {`Add ${read.settings.length} ${read.settings.length === 1 ? 'setting' : 'settings'}`}
          </Button>
        </Box>
      )}
    </Box>
  )
}
