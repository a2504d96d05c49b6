'use client'

import Box from '@mui/material/Box'
import { useSnackbar } from 'notistack'
import { useRef, useState, type ReactNode } from 'react'
import { copyPicture } from '@/ui/copyPicture'
import { FigureTable, type Figures } from '@/ui/FigureTable'
import { TextButton } from '@/ui/TextButton'

const SAID = { copied: 'Copied as a picture.', saved: 'Saved as a picture.' }

type Props = {
  /** What the chart shows: names its table and its picture. */
  name: string
  /** The same figures in lines; made when they are asked for. Nothing where they stand beside it already. */
  figures?: () => Figures
  /** Whether it is drawn now, and not a table already. */
  isDrawn?: boolean
  children: ReactNode
}

/** What everybody may have of a chart: its figures as a table, and from there as CSV; its picture. */
export function ChartTools({ name, figures, isDrawn = true, children }: Props) {
  const [isOpen, setOpen] = useState(false)
  const picture = useRef<HTMLDivElement>(null)
  const { enqueueSnackbar } = useSnackbar()
  const copy = () =>
    picture.current &&
    copyPicture(picture.current, name).then(
      (what) => enqueueSnackbar(SAID[what]),
      () => enqueueSnackbar('This browser could not draw it. Print the page instead.', { variant: 'error' }),
    )
  return (
    <Box>
      <div ref={picture}>{children}</div>
      <Box sx={{ display: 'flex', justifyContent: 'flex-end', gap: 2, typography: 'body2', displayPrint: 'none' }}>
        {figures && (
          <TextButton label={`${name}: table of figures`} isOpen={isOpen} onClick={() => setOpen((open) => !open)}>
            {isOpen ? 'Without table' : 'Table'}
          </TextButton>
        )}
        {isDrawn && (
          <TextButton label={`${name}: copy as picture`} onClick={() => void copy()}>
            Picture
          </TextButton>
        )}
      </Box>
      {isOpen && figures && <FigureTable label={name} {...figures()} />}
    </Box>
  )
}
