'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Pad from 'signature_pad'
import { useEffect, useEffectEvent, useRef } from 'react'
import { TextButton } from '@/ui/TextButton'

/** The picture is this large, whatever the screen. */
const WIDTH = 600
const HEIGHT = 200

type Stroke = { readonly points: readonly { readonly x: number; readonly y: number }[] }

/** What was drawn as the path of an SVG picture. */
const pathOf = (strokes: readonly Stroke[], scale: number): string =>
  strokes
    .map(({ points }) =>
      points
        .map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${Math.round(x * scale)} ${Math.round(y * scale)}`)
        .join(''),
    )
    .join('')

/** A place to sign with a finger. */
export function SignaturePad({ onSigned }: { onSigned: (path: string | null) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const held = useRef<Pad | null>(null)
  const tell = useEffectEvent((pad: Pad, shownWidth: number) => onSigned(pathOf(pad.toData(), WIDTH / shownWidth)))
  useEffect(() => {
    const element = canvas.current
    if (!element) return
    const { width } = element.getBoundingClientRect()
    element.width = width
    element.height = (width * HEIGHT) / WIDTH
    const pad = new Pad(element, { penColor: getComputedStyle(element).color })
    held.current = pad
    pad.addEventListener('endStroke', () => tell(pad, width))
    return () => pad.off()
  }, [])
  return (
    <Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Signed with a finger, where you like to
      </Typography>
      <Box
        component="canvas"
        ref={canvas}
        aria-label="Sign here with a finger"
        role="img"
        sx={{
          display: 'block',
          width: '100%',
          maxWidth: 420,
          aspectRatio: `${WIDTH} / ${HEIGHT}`,
          border: '1px dashed',
          borderColor: 'text.secondary',
          bgcolor: 'ground.sheet',
          color: 'text.primary',
          touchAction: 'none',
        }}
      />
      <TextButton
        onClick={() => {
          held.current?.clear()
          onSigned(null)
        }}
      >
        Clear the signature
      </TextButton>
    </Box>
  )
}
