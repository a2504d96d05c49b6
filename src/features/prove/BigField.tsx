'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { quantitySpec, type Quantity } from '@/core/quantity/units'
import { QuantityField } from '@/ui/QuantityField'

type Props = {
  label: string
  hint?: string
  quantity: Quantity
  value: number | null
  startAt?: number
  step: number
  limits?: readonly [number, number]
  onChange: (value: number) => void
  colour: string
}

/** A reading to enter with a thumb: minus, figure, plus, each 60 px high. An empty one starts from what is expected. */
export function BigField({ label, hint, quantity, value, startAt, step, limits, onChange, colour }: Props) {
  const [min, max] = limits ?? quantitySpec(quantity).plausible
  const turn = (by: number) =>
    onChange(value === null ? (startAt ?? 0) : Math.min(max, Math.max(min, Number((value + by).toFixed(6)))))
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
        <Button
          variant="outlined"
          aria-label={`${label}: less`}
          onClick={() => turn(-step)}
          sx={{ minWidth: 60, minHeight: { xs: 60 }, flexShrink: 0, fontSize: '1.5rem' }}
        >
          −
        </Button>
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
            colour={colour}
          />
        </Box>
        <Button
          variant="outlined"
          aria-label={`${label}: more`}
          onClick={() => turn(step)}
          sx={{ minWidth: 60, minHeight: { xs: 60 }, flexShrink: 0, fontSize: '1.5rem' }}
        >
          +
        </Button>
      </Box>
    </Box>
  )
}
