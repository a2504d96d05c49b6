'use client'

import Box from '@mui/material/Box'
import InputBase from '@mui/material/InputBase'
import { useState } from 'react'
import { readCalculationField } from '@/core/calculation/runCalculation'
import type { ListInput } from '@/core/calculation/calculation'
import { formatFigure, preferredUnit } from '@/core/quantity/format'
import { problemText } from '@/core/words/problems'
import { usePreference } from '@/ui/preference'
import { MONO } from '@/ui/theme'

type Props = { input: ListInput; values: readonly number[]; onChange: (values: readonly number[]) => void }

/** Several readings in one field, with spaces between; what cannot be read is said and the last good ones stay. */
export function ReadingsField({ input, values, onChange }: Props) {
  const preference = usePreference()
  const unit = preferredUnit(input.quantity, preference)
  const [text, setText] = useState(() => values.map((x) => formatFigure(x, input.quantity, preference)).join(' '))
  const [problem, setProblem] = useState<string | null>(null)

  function type(next: string): void {
    setText(next)
    const read = readCalculationField(input, next, unit.symbol, preference.decimalMark)
    setProblem(read.ok ? null : read.problems.map(problemText).join(' '))
    if (read.ok) onChange(read.value as readonly number[])
  }

  return (
    <>
      <InputBase
        value={text}
        onChange={(event) => type(event.target.value)}
        multiline
        error={problem !== null}
        inputProps={{
          'aria-label': `${input.name}, ${unit.symbol}, with spaces between`,
          'aria-invalid': problem !== null,
        }}
        sx={{
          width: '100%',
          borderBottom: '2px solid',
          borderColor: problem === null ? 'text.primary' : 'error.main',
          '& textarea': { fontFamily: MONO, fontWeight: 600 },
        }}
      />
      {problem !== null && (
        <Box role="alert" sx={{ color: 'error.main', fontSize: '0.8125rem' }}>
          {problem}
        </Box>
      )}
    </>
  )
}
