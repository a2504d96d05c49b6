'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { formatPct } from '@/core/quantity/format'
import { writeMoment } from '@/core/response/moment'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'
import { MOMENT_KEY, useInstant, useTryIt } from '@/ui/TryItValues'
import { usePreference } from '@/ui/preference'

type Pin = { readonly values: Readonly<Record<string, number>>; readonly pct: number }

/** Moments worth keeping: gone back to by a press, or shared by their address. */
export function Moments() {
  const preference = usePreference()
  const { values, goTo } = useTryIt()
  const { given } = useInstant()
  const [pins, setPins] = useState<readonly Pin[]>([])
  const [address, setAddress] = useState<string | null>(null)
  const [isCopied, setCopied] = useState(false)
  const pin = () => {
    const url = new URL(window.location.href)
    url.searchParams.set(MOMENT_KEY, writeMoment(values))
    window.history.replaceState(window.history.state, '', url)
    setAddress(url.toString())
    setCopied(false)
    setPins((before) => [...before, { values, pct: given?.evaluation.fans[0]?.speedPct ?? 0 }].slice(-5))
  }
  return (
    <Box sx={{ my: 0.5 }}>
      <Button size="small" variant="outlined" onClick={pin}>
        Save this state
      </Button>
      {pins.map(({ values: held, pct }, index) => (
        <Typography key={index} variant="body2" component="div">
          Saved {index + 1}: {formatPct(pct, preference)} % then.{' '}
          <TextButton label={`Back to saved state ${index + 1}`} onClick={() => goTo(held)}>
            Back to it
          </TextButton>
        </Typography>
      ))}
      {address !== null && (
        <Box sx={{ display: 'flex', gap: 1 }}>
          <TextLine
            label="address of this moment"
            value={address}
            maxLength={2000}
            grow={false}
            onChange={() => undefined}
          />
          <Button
            size="small"
            onClick={() =>
              void navigator.clipboard.writeText(address).then(
                () => setCopied(true),
                () => setCopied(false),
              )
            }
          >
            {isCopied ? 'Copied' : 'Copy'}
          </Button>
        </Box>
      )}
    </Box>
  )
}
