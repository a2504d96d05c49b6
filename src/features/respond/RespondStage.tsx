'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Drawer from '@mui/material/Drawer'
import { useTheme } from '@mui/material/styles'
import useMediaQuery from '@mui/material/useMediaQuery'
import dynamic from 'next/dynamic'
import { memo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import type { MeasuredInput } from '@/core/rules/input'
import { inputCause } from '@/core/rules/sentence'
import { capital } from '@/core/sentences/words'
import { BesideNote, useBeside, type SealName } from '@/features/respond/Beside'
import { RuleList } from '@/features/respond/RuleList'
import { StartFrom } from '@/features/respond/StartFrom'
import { ChartTools } from '@/ui/ChartTools'
import { TryItSheet } from '@/features/respond/TryItSheet'
import type { OtherInstallation } from '@/features/respond/start/FromOther'
import { useRespondActions } from '@/features/respond/useRespondActions'
import { VIEW_IDS, VIEWS, viewOf, type ViewId } from '@/features/respond/views/table'
import { Choice } from '@/ui/Choice'
import { Notice } from '@/ui/Notice'
import { PhoneBar } from '@/ui/PhoneBar'
import { StageLayout } from '@/ui/StageLayout'
import { causeColour } from '@/ui/cause'
import { sameData } from '@/ui/sameData'
import { useProblemWords } from '@/ui/preference'
import { useDerived, useDocument } from '@/ui/workingCopy/context'

const InputCurve = dynamic(() => import('@/features/respond/views/InputCurve').then(({ InputCurve: View }) => View), {
  loading: () => <Box sx={{ height: 245 }} />,
})
const CurveTable = dynamic(() => import('@/features/respond/views/CurveTable').then(({ CurveTable: View }) => View))

const isViewId = (id: string): id is ViewId => (VIEW_IDS as readonly string[]).includes(id)

type ViewChoiceProps = Pick<Parameters<typeof Choice<string>>[0], 'value' | 'options' | 'colour' | 'onChange'>

const ViewChoice = memo(function ViewChoice(props: ViewChoiceProps) {
  return <Choice label="what the chart shows" {...props} />
}, sameData)

/** Nothing is measured, so there is no curve. */
const NO_CURVE = 'none'

type Props = { others: readonly OtherInstallation[]; installationId: string; seals: readonly SealName[] }

/** Rules as sentences, the curve they make, and what happens at the inputs tried out. */
export function RespondStage({ others, installationId, seals }: Props) {
  const document = useDocument()
  const { line } = useProblemWords()
  const { response, kit } = document
  const { asked, given } = useDerived()
  const measured = response.inputs.filter((input): input is MeasuredInput => input.kind !== 'switch')
  const views = VIEW_IDS.filter((id) => VIEWS[id].fits(document))
  const [chosen, setChosen] = useState<string | null>(null)
  const [isTrying, setTrying] = useState(false)
  const [hasTable, setTable] = useState(false)
  const beside = useBeside(installationId)
  const isPhone = useMediaQuery(useTheme().breakpoints.down('md'))
  useHotkeys('t', () =>
    isPhone ? setTrying((open) => !open) : window.document.querySelector<HTMLElement>('aside input')?.focus(),
  )
  // Fans that join one after the other are seen on their ladder first.
  const wanted = chosen ?? (response.stages ? 'ladder' : null)
  const viewId = wanted !== null && isViewId(wanted) && views.includes(wanted) ? wanted : null
  // The input that governs first: what a rule answers to.
  const governing = measured.find(({ id }) => response.rules.some((rule) => 'input' in rule && rule.input === id))
  const input = measured.find(({ id }) => id === chosen) ?? governing ?? measured[0]
  const leadName = kit.fans.find(({ id }) => id === response.lead)?.name ?? response.lead
  const runs = asked.machine !== null && given.machine !== null
  const options = [
    ...measured.map(({ id, name }) => [id, name] as const),
    ...views.map((id) => [id, VIEWS[id].name] as const),
  ]
  const View = viewId && viewOf(viewId).View
  const isTable = viewId ? (viewOf(viewId).isTable ?? (hasTable && viewOf(viewId).canBeTable)) : hasTable
  const looked = View ? (
    <View hasTable={hasTable} />
  ) : (
    input && (hasTable ? <CurveTable input={input} /> : <InputCurve input={input} beside={beside.machine} />)
  )
  useRespondActions(setChosen)
  return (
    <StageLayout
      title={
        <>
          {viewId ? 'Look at ' : `${capital(leadName)} speed against `}
          <ViewChoice
            value={viewId ?? input?.id ?? NO_CURVE}
            options={input ? options : [[NO_CURVE, 'nothing that is measured'], ...options]}
            onChange={setChosen}
            colour={viewId || !input ? 'text.primary' : causeColour(inputCause(input))}
          />
        </>
      }
      aside={
        <>
          {kit.controller ? 'solid: it will do · dashed: you asked' : 'dashed: you asked; no controller yet'}{' '}
          {(viewId ? viewOf(viewId).canBeTable : input) && (
            <Button size="small" onClick={() => setTable((open) => !open)} aria-expanded={hasTable}>
              {hasTable ? 'Chart' : 'Table'}
            </Button>
          )}
          <StartFrom others={others} />
        </>
      }
      side={isPhone ? undefined : <TryItSheet />}
      sideTitle="Try it"
    >
      {asked.problems.map((problem) => (
        <Notice key={problem.path} grave title={line(problem)}>
          Mend it here, or undo; the curve comes back by itself.
        </Notice>
      ))}
      {runs && looked && (
        <ChartTools name={viewId ? viewOf(viewId).name : `Speed against ${input?.name ?? ''}`} isDrawn={!isTable}>
          {looked}
        </ChartTools>
      )}
      <BesideNote beside={beside} seals={seals} />
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
