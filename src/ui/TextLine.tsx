'use client'

import InputBase from '@mui/material/InputBase'

type Props = {
  label: string
  value: string
  onChange: (text: string) => void
  onDone?: () => void
  placeholder?: string
  maxLength?: number
  grow?: boolean
}

/** An inline field for words. */
export const TextLine = ({ label, value, onChange, onDone, placeholder, maxLength = 200, grow = true }: Props) => (
  <InputBase
    value={value}
    placeholder={placeholder}
    onChange={(event) => onChange(event.target.value)}
    onBlur={onDone}
    multiline={grow && value.length > 60}
    inputProps={{ 'aria-label': label, maxLength }}
    sx={{
      width: grow ? '100%' : 180,
      borderBottom: '1px solid',
      borderColor: 'text.secondary',
      '&.Mui-focused': { bgcolor: 'ground.side', borderColor: 'cause.speed' },
      '& input': { py: 0.25, height: 'auto' },
    }}
  />
)
