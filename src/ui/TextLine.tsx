'use client'

import InputBase from '@mui/material/InputBase'
import { sendForm } from '@/ui/sendForm'

type Props = {
  label: string
  value: string
  onChange: (text: string) => void
  onDone?: () => void
  /** Goes on to what is asked next; else Enter sends the form. */
  onEnter?: () => void
  placeholder?: string
  maxLength?: number
  grow?: boolean
}

/** An inline field for words, as high as they are long. */
export const TextLine = ({
  label,
  value,
  onChange,
  onDone,
  onEnter,
  placeholder,
  maxLength = 200,
  grow = true,
}: Props) => (
  <InputBase
    value={value}
    placeholder={placeholder}
    onChange={(event) => onChange(event.target.value)}
    onBlur={onDone}
    multiline
    onKeyDown={(event) => sendForm(event, onEnter)}
    inputProps={{ 'aria-label': label, maxLength }}
    sx={{
      width: grow ? '100%' : '11em',
      maxWidth: '100%',
      p: 0,
      borderBottom: '1px solid',
      borderColor: 'text.secondary',
      '&.Mui-focused': { bgcolor: 'ground.side', borderColor: 'cause.speed' },
      '& textarea': { py: 0.25 },
    }}
  />
)
