'use client'

import MenuItem from '@mui/material/MenuItem'
import Select from '@mui/material/Select'

type Props<T extends string> = {
  label: string
  value: T
  options: readonly (readonly [value: T, text: string])[]
  onChange: (value: T) => void
  colour?: string
}

/** An inline choice among a few. */
export function Choice<T extends string>({ label, value, options, onChange, colour = 'text.primary' }: Props<T>) {
  const choose = (text: string) => {
    const chosen = options.find(([key]) => key === text)
    if (chosen) onChange(chosen[0])
  }
  return (
    <Select<T>
      variant="standard"
      value={value}
      displayEmpty
      onChange={(event) => choose(event.target.value)}
      inputProps={{ 'aria-label': label }}
      sx={{
        font: 'inherit',
        fontWeight: 600,
        color: colour,
        maxWidth: '100%',
        '& .MuiSelect-select': { py: 0.25, minHeight: 24 },
        '@media (max-width: 600px)': { minHeight: 44 },
      }}
    >
      {options.map(([key, text]) => (
        <MenuItem key={key} value={key}>
          {text}
        </MenuItem>
      ))}
    </Select>
  )
}
