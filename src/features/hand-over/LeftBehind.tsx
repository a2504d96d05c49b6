'use client'

import Box from '@mui/material/Box'
import Link from 'next/link'
import { useState, type ReactNode } from 'react'
import { SideHeading } from '@/ui/StageLayout'
import { TextLine } from '@/ui/TextLine'

type Props = {
  installationId: string
  /** The last seal; null: everything is of the working copy. */
  number: number | null
}

/** Everything that is left behind, of the last seal: to see, to print, to take away. */
export function LeftBehind({ installationId, number }: Props) {
  const [mm, setMm] = useState('62')
  const rev = number ?? 'working'
  const paper = (name: string, more = '') => `/api/installation/${installationId}/papers/${name}?rev=${rev}${more}`
  return (
    <Box component="section" aria-label="Left behind">
      <SideHeading>Left behind</SideHeading>
      <Line name="Card for the box" about="one side of A5, with code">
        <Link href={`/card/${installationId}?rev=${rev}`}>see</Link> · <Download href={paper('card')}>PDF</Download>
      </Line>
      <Line name="Record" about="everything, to be filed">
        <Link href={`/record/${installationId}?rev=${rev}`}>see</Link> · <Download href={paper('record')}>PDF</Download>
      </Line>
      <Line name="Sheet for the people there" about="large, no word of the trade">
        <Download href={paper('sheet')}>PDF</Download>
      </Line>
      <Line name="Label" about="with code">
        tape <TextLine label="Width of the label tape, mm" value={mm} onChange={setMm} maxLength={3} grow={false} /> mm
        · <Download href={paper('label', `&mm=${encodeURIComponent(mm)}`)}>tape</Download> ·{' '}
        <Download href={paper('label')}>A4 sheet</Download>
      </Line>
      <Line name="Calendar" about="next check, and what comes again">
        <Download href={paper('calendar')}>iCalendar</Download>
      </Line>
      <Line name="Settings" about="each with where it stands">
        <Download href={paper('settings')}>CSV</Download>
      </Line>
      <Line name="Installation" about="whole, to another server">
        <Download href={`/api/installation/${installationId}/zip`}>zip</Download> ·{' '}
        <Download href={`/api/installation/${installationId}/export`}>JSON alone</Download>
      </Line>
    </Box>
  )
}

const Download = ({ href, children }: { href: string; children: string }) => (
  <a href={href} download>
    {children}
  </a>
)

const Line = ({ name, about, children }: { name: string; about: string; children: ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      justifyContent: 'space-between',
      columnGap: 1,
      alignItems: 'baseline',
      borderBottom: '1px dotted',
      borderColor: 'divider',
      py: 0.5,
      '& a': { display: 'inline-flex', alignItems: 'center', minHeight: { xs: 44, md: 0 } },
      '& .MuiInputBase-root': { width: 44 },
    }}
  >
    <span>
      <b>{name}</b>
      <Box component="span" sx={{ display: 'block', fontSize: '0.8125rem', color: 'text.secondary' }}>
        {about}
      </Box>
    </span>
    <Box component="span" sx={{ fontSize: '0.875rem' }}>
      {children}
    </Box>
  </Box>
)
