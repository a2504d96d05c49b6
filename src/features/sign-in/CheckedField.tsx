import Button from '@mui/material/Button'
import InputAdornment from '@mui/material/InputAdornment'
import TextField, { type TextFieldProps } from '@mui/material/TextField'
import { useState, type FocusEvent } from 'react'

/** As the server asks it. */
export const LEAST_PASSWORD = 10

/** What is wrong with what was typed, before it is sent; null where nothing is. */
function problemOf({ validity, value, minLength }: HTMLInputElement): string | null {
  if (value === '') return null
  if (validity.typeMismatch) return 'An address has a name, an @ and a place: name@place.example'
  return minLength > 0 && value.length < minLength
    ? `${minLength - value.length} more ${minLength - value.length === 1 ? 'character' : 'characters'} at least`
    : null
}

/** A field that says on leaving it what is wrong with it, and stops saying so once it is mended. */
export function CheckedField({ helperText, ...rest }: TextFieldProps) {
  const [problem, setProblem] = useState<string | null>(null)
  const check = ({ target }: FocusEvent<HTMLInputElement>) => setProblem(problemOf(target))
  return (
    <TextField
      {...rest}
      error={problem !== null}
      helperText={problem ?? helperText}
      onBlur={check}
      onChange={({ target }) => problem !== null && setProblem(problemOf(target as HTMLInputElement))}
    />
  )
}

type PasswordProps = {
  name: string
  label: string
  autoComplete: string
  minLength?: number | undefined
  helperText?: string | undefined
}

/** A password, shown on demand. */
export function PasswordField({ minLength, helperText, ...rest }: PasswordProps) {
  const [isShown, setShown] = useState(false)
  return (
    <CheckedField
      {...rest}
      type={isShown ? 'text' : 'password'}
      required
      size="small"
      helperText={helperText}
      slotProps={{
        htmlInput: { minLength, maxLength: 128 },
        input: {
          endAdornment: (
            <InputAdornment position="end">
              <Button
                type="button"
                size="small"
                aria-pressed={isShown}
                aria-label="Show what is typed"
                onClick={() => setShown(!isShown)}
              >
                {isShown ? 'Hide' : 'Show'}
              </Button>
            </InputAdornment>
          ),
        },
      }}
    />
  )
}
