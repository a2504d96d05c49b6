'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { quantitySpec, type Quantity } from '@/core/quantity/units'
import { TextButton } from '@/ui/TextButton'
import { QuantityField } from '@/ui/QuantityField'

type Props = {
  label: string
  hint?: string
  quantity: Quantity
  value: number | null
  step: number
  limits?: readonly [number, number]
  onChange: (value: number) => void
  onClear: () => void
  colour: string
}

/** A reading to enter with a thumb: minus, figure, plus, each 60 px high. It begins empty: what is to be measured is never there before. */
export function BigField({ label, hint, quantity, value, step, limits, onChange, onClear, colour }: Props) {
  const [min, max] = limits ?? quantitySpec(quantity).plausible
  const turn = (by: number) => {
    if (value !== null) onChange(Math.min(max, Math.max(min, Number((value + by).toFixed(6)))))
  }
  const button = (sign: string, name: string, by: number) => (
    <Button
      variant="outlined"
      aria-label={`${label}: ${name}`}
      disabled={value === null}
      onClick={() => turn(by)}
      sx={{ minWidth: 60, minHeight: { xs: 60 }, flexShrink: 0, fontSize: '1.5rem' }}
    >
      {sign}
    </Button>
  )
  return (
    <Box sx={{ mb: 1 }}>
      <Typography variant="body2" component="div">
        {label}{' '}
        {hint && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {hint}
          </Box>
        )}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        {button('−', 'less', -step)}
        <Box
          sx={{
            flex: 1,
            minHeight: 60,
            border: '2px solid',
            borderColor: colour,
            borderRadius: 1,
            display: 'grid',
            placeItems: 'center',
          }}
        >
          <QuantityField
            large
            label={label}
            quantity={quantity}
            value={value}
            limits={limits}
            step={step}
            onChange={onChange}
            onClear={onClear}
            colour={colour}
          />
        </Box>
        {button('+', 'more', step)}
      </Box>
      {min < 0 && value !== null && (
        // The keyboard of figures has no minus on every phone.
        <TextButton label={`${label}: change the sign`} onClick={() => onChange(-value)}>
          change the sign
        </TextButton>
      )}
    </Box>
  )
}
