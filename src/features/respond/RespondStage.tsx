'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Drawer from '@mui/material/Drawer'
import MenuItem from '@mui/material/MenuItem'
import Select from '@mui/material/Select'
import { useTheme } from '@mui/material/styles'
import useMediaQuery from '@mui/material/useMediaQuery'
import { useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import type { MeasuredInput } from '@/core/response/schema'
import { capital } from '@/core/response/words'
import { problemLine } from '@/core/problem'
import { CurveTable } from '@/features/respond/CurveTable'
import { ResponseCurve } from '@/features/respond/ResponseCurve'
import { RuleList } from '@/features/respond/RuleList'
import { TryItSheet } from '@/features/respond/TryItSheet'
import { causeColour, inputCause } from '@/ui/cause'
import { Notice } from '@/ui/Notice'
import { PhoneBar } from '@/ui/PhoneBar'
import { StageLayout } from '@/ui/StageLayout'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

/** Rules as sentences, the curve they make, and what happens at the inputs tried out. */
export function RespondStage() {
  const { response, kit } = useDocument()
  const { asked, given } = useDerived()
  const measured = response.inputs.filter((input): input is MeasuredInput => input.kind !== 'switch')
  const [chosen, setChosen] = useState<string | null>(null)
  const [isTrying, setTrying] = useState(false)
  const [hasTable, setTable] = useState(false)
  const isPhone = useMediaQuery(useTheme().breakpoints.down('md'))
  useHotkeys('t', () =>
    isPhone ? setTrying((open) => !open) : document.querySelector<HTMLElement>('aside input')?.focus(),
  )
  const input = measured.find(({ id }) => id === chosen) ?? measured[0]
  const leadName = kit.fans.find(({ id }) => id === response.lead)?.name ?? response.lead
  const title = input ? (
    <>
      {capital(leadName)} speed against{' '}
      {measured.length > 1 ? (
        <Select
          variant="standard"
          value={input.id}
          onChange={(event) => setChosen(event.target.value)}
          inputProps={{ 'aria-label': 'input of the chart' }}
          sx={{ font: 'inherit', color: causeColour(inputCause(input)), fontWeight: 700 }}
        >
          {measured.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </Select>
      ) : (
        <Box component="span" sx={{ color: causeColour(inputCause(input)) }}>
          {input.name}
        </Box>
      )}
    </>
  ) : (
    'Rules'
  )
  return (
    <StageLayout
      title={title}
      aside={
        <>
          {kit.controller
            ? 'solid: this controller will do · dashed: you asked'
            : 'dashed: you asked; choose a controller under Kit'}{' '}
          <Button size="small" onClick={() => setTable((open) => !open)} aria-expanded={hasTable}>
            {hasTable ? 'Chart' : 'Table'}
          </Button>
        </>
      }
      side={isPhone ? undefined : <TryItSheet />}
      sideTitle="Try it"
    >
      {asked.problems.map((problem) => (
        <Notice key={problem.path} grave title={problemLine(problem)}>
          Mend it here, or undo; the curve comes back by itself.
        </Notice>
      ))}
      {input &&
        asked.machine &&
        given.machine &&
        (hasTable ? <CurveTable input={input} /> : <ResponseCurve input={input} />)}
      <RuleList />
      {isPhone && (
        <>
          <PhoneBar>
            <Button fullWidth variant="contained" onClick={() => setTrying(true)}>
              Try it
            </Button>
          </PhoneBar>
          <Drawer
            anchor="bottom"
            open={isTrying}
            onClose={() => setTrying(false)}
            slotProps={{ paper: { 'aria-label': 'Try it', sx: { maxHeight: '85vh', bgcolor: 'ground.side', p: 2 } } }}
          >
            <TryItSheet />
            <Button variant="outlined" onClick={() => setTrying(false)} sx={{ mt: 1 }}>
              Close
            </Button>
          </Drawer>
        </>
      )}
    </StageLayout>
  )
}
