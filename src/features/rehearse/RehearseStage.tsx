'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import type { ControllerModel } from '@/core/controller/schema'
import { formatNumber } from '@/core/quantity/format'
import { usualStepS } from '@/core/rehearse/daysOf'
import { SPANS } from '@/core/scenario/builtIn'
import type { Scenario } from '@/core/scenario/schema'
import { checkSpaceHere } from '@/core/space/checkSpace'
import { BetterSettings } from '@/features/rehearse/BetterSettings'
import { DaySheet } from '@/features/rehearse/DaySheet'
import { OneRun } from '@/features/rehearse/OneRun'
import { BringReadings, ReplayView, type FileSummary } from '@/features/rehearse/ReplayView'
import { SideBySide } from '@/features/rehearse/SideBySide'
import { SpaceSheet } from '@/features/rehearse/SpaceSheet'
import { useDays, useRehearsed, useSpace } from '@/features/rehearse/useDays'
import { useRun } from '@/features/rehearse/useRun'
import { Choice } from '@/ui/Choice'
import { Notice } from '@/ui/Notice'
import { StageLayout } from '@/ui/StageLayout'
import { useDerived, usePart } from '@/ui/workingCopy/context'
import type { Job } from '@/workers/rehearse.worker'
import { usePreference } from '@/ui/preference'

type Props = {
  installationId: string
  files: readonly FileSummary[]
  models: readonly ControllerModel[]
  onFeeds: (input: unknown) => Promise<{ kind: string }>
}

type View = 'one' | 'side' | 'better'

/** A response against the space it serves: a day or a season of what happens, variants side by side, better settings; and readings, replayed. */
export function RehearseStage({ installationId, files, models, onFeeds }: Props) {
  const preference = usePreference()
  const installation = useRehearsed()
  const { given } = useDerived()
  const space = useSpace()
  const [chosen, setChosen] = useState('hot-spell')
  const [span, setSpan] = useState('1')
  const [view, setView] = useState<View>('one')
  const days = useDays(space, Number(span))
  const file = files.find(({ id }) => id === chosen)
  const scenario = days.find(({ id }) => id === chosen) ?? days[0]!
  const isOwn = (usePart('scenarios') ?? []).some(({ id }) => id === scenario.id)
  const isSound = useMemo(() => checkSpaceHere(space, installation).length === 0, [space, installation])
  const job = useMemo<Job | null>(
    () =>
      given.machine && !file && isSound
        ? { installation, given: given.response, space, scenario, stepS: usualStepS(scenario.days) }
        : null,
    [installation, given, space, scenario, file, isSound],
  )
  const run = useRun(job)
  const title = (
    <Title
      view={view}
      days={days}
      files={files}
      file={file ?? null}
      scenario={scenario}
      span={isOwn ? null : span}
      onSpan={setSpan}
      onChosen={(id) => {
        setChosen(id)
        if (files.some((one) => one.id === id)) setView('one')
      }}
    />
  )
  if (file)
    return <ReplayView title={title} installationId={installationId} file={file} onFeeds={onFeeds} space={space} />
  const more = (
    <>
      <DaySheet scenario={scenario} onChosen={setChosen} files={files} />
      <SpaceSheet space={space} />
      <BringReadings installationId={installationId} hasSome={files.length > 0} />
    </>
  )
  if (!given.machine || !isSound)
    return (
      <StageLayout title={title} side={more} sideTitle="Against the brief">
        {!given.machine ? (
          <Typography>The response contradicts itself; mend it under Respond and it is rehearsed here.</Typography>
        ) : (
          <Notice title="The space cannot be as it stands.">Mend it beside this, or take it as assumed again.</Notice>
        )}
      </StageLayout>
    )
  if (view === 'side') return <SideBySide title={title} onBack={() => setView('one')} job={job} models={models} />
  if (view === 'better' && run)
    return (
      <BetterSettings
        key={scenario.id}
        title={title}
        onBack={() => setView('one')}
        run={run}
        days={days}
        onRehearse={() => setView('one')}
      />
    )
  return (
    <OneRun
      title={title}
      run={run}
      more={more}
      actions={
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
          <Box component="span" sx={{ flexBasis: { xs: '100%', sm: 'auto' }, minHeight: '1lh' }}>
            {run && (
              <>
                {formatNumber(run.trace.filled, 0, preference)} steps of {run.trace.stepS} s in{' '}
                {formatNumber(run.tookMs / 1000, 2, preference)} s · seed {scenario.seed}
              </>
            )}
          </Box>
          <Button variant="outlined" size="small" onClick={() => setView('side')}>
            Side by side
          </Button>
          <Button variant="outlined" size="small" onClick={() => setView('better')} disabled={!run?.isWhole}>
            Better settings…
          </Button>
        </Box>
      }
    />
  )
}

type TitleProps = {
  view: View
  days: readonly Scenario[]
  files: readonly FileSummary[]
  file: FileSummary | null
  scenario: Scenario
  /** Nothing where the day has a length of its own. */
  span: string | null
  onSpan: (span: string) => void
  onChosen: (id: string) => void
}

const VIEW_NAMES: Record<View, string> = { one: 'Rehearse', side: 'Side by side', better: 'Better settings' }

/** What is rehearsed, and for how long. */
function Title({ view, days, files, file, scenario, span, onSpan, onChosen }: TitleProps) {
  return (
    <Box component="span" sx={{ display: 'inline-flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1 }}>
      {file ? 'Readings replayed' : VIEW_NAMES[view]}
      <Choice
        label="what to rehearse"
        value={file ? file.id : scenario.id}
        options={[
          ...days.map(({ id, name }) => [id, name] as const),
          ...files.map(({ id, name }) => [id, name] as const),
        ]}
        onChange={onChosen}
      />
      {!file && span !== null && (
        <Choice
          label="for how long"
          value={span}
          options={SPANS.map(([name, length]) => [String(length), `a ${name}`] as const)}
          onChange={onSpan}
        />
      )}
    </Box>
  )
}
