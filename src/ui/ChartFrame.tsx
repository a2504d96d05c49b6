'use client'

import Box from '@mui/material/Box'
import type { ReactElement } from 'react'
import { ResponsiveContainer } from 'recharts'

type Props = {
  /** What the picture shows, for those who do not see it. Nothing where something around it says so. */
  label?: string
  height: number
  /** A finger that moves over it sideways is for the chart. */
  isPicked?: boolean
  children: ReactElement
}

/** Before the page is measured: wider than no column. */
const FIRST_PX = 280

/** The frame of every chart: as wide as its column, as high as it is told, and with a size before the page is measured. */
export const ChartFrame = ({ label, height, isPicked = false, children }: Props) => (
  <Box
    sx={{ height, ...(isPicked ? { touchAction: 'pan-y' } : {}) }}
    {...(label === undefined ? {} : { role: 'img', 'aria-label': label })}
  >
    <ResponsiveContainer width="100%" height={height} initialDimension={{ width: FIRST_PX, height }}>
      {children}
    </ResponsiveContainer>
  </Box>
)
