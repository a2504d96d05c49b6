'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useMemo, useState } from 'react'
import { dialIn, type Action } from '@/core/controller/dialIn'
import type { Loss } from '@/core/controller/loss'
import type { ControllerModel } from '@/core/controller/schema'
import { presentValue } from '@/core/controller/settingValue'
import { isDone, markDone, putValue, whyCannot } from '@/core/installation/dialProgress'
import { powerText } from '@/core/sentences/settingWords'
import { ActionRow } from '@/features/dial-in/ActionRow'
import { OneAction } from '@/features/dial-in/OneAction'
import { SettingsList } from '@/features/dial-in/SettingsList'
import { Signals } from '@/features/dial-in/Signals'
import { LocalRuleNotices } from '@/ui/localRules'
import { LossNotices } from '@/ui/LossNotices'
import { Caution } from '@/ui/Notice'
import { PartTabs } from '@/ui/PartTabs'
import { PhoneBar } from '@/ui/PhoneBar'
import { Ruled } from '@/ui/Ruled'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { RunningTogether } from '@/ui/onSite/RunningTogether'
import { useCountdowns } from '@/ui/onSite/useCountdowns'
import { usePreference } from '@/ui/preference'
import { outageOf } from '@/ui/places'
import { stagePath } from '@/ui/stages'
import { useDerived, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const PARTS = [
  { id: 'one', name: 'One at a time' },
  { id: 'enter', name: 'All actions' },
  { id: 'settings', name: 'All settings' },
  { id: 'signals', name: 'Lamps and codes' },
] as const
type PartId = (typeof PARTS)[number]['id']

/** What to press at the controller, in order, counted from what is on the panel now. */
export function DialInStage({ installationId }: { installationId: string }) {
  const kit = usePart('kit')
  const dial = usePart('dial')
  const { fit } = useDerived()
  const preference = usePreference()
  const edit = useWorkingCopy((state) => state.edit)
  const [part, setPart] = useState<PartId>('enter')
  const countdowns = useCountdowns(installationId)
  const { controller } = kit
  const actions = useMemo(
    () => (controller && fit ? dialIn(controller, fit, dial, preference) : []),
    [controller, fit, dial, preference],
  )
  if (!controller || !fit)
    return (
      <StageLayout title="At the controller, in this order">
        <Typography>
          No controller is chosen yet. <Link href={stagePath(installationId, 'kit')}>Choose it under Kit</Link>, and the
          list of what to press stands here.
        </Typography>
      </StageLayout>
    )
  const next = actions.find((action) => !isDone(action, dial))
  const doneCount = actions.filter((action) => isDone(action, dial)).length

  function tick(action: Action, isTicked: boolean): void {
    edit(isTicked ? 'done' : 'not done', (draft) => markDone(draft.dial, action, isTicked))
  }

  function shows({ id, setting: shown }: Action, value: number): void {
    if (!shown) return
    edit('what the panel shows now', ({ dial: draft }) => putValue(draft, 'present', shown.id, value), `present-${id}`)
  }

  return (
    <StageLayout
      title="At the controller, in this order"
      aside={
        <>
          {doneCount} of {actions.length} done{' '}
          <Button
            size="small"
            component={Link}
            href={stagePath(installationId, 'prove')}
            sx={{ ml: 1 }}
            variant={next ? 'outlined' : 'contained'}
          >
            All entered, go prove
          </Button>
        </>
      }
      side={
        <>
          <RunningTogether {...countdowns} at="side" />
          <Limits installationId={installationId} controller={controller} losses={fit.losses} />
        </>
      }
      sideTitle="What this controller cannot do"
    >
      <RunningTogether {...countdowns} at="top" />
      <PartTabs label="Parts of dialling in" parts={PARTS} part={part} onPart={setPart}>
        {part === 'enter' && <AllActions actions={actions} next={next} onTick={tick} onPresent={shows} />}
        {part === 'one' && (
          <OneAction
            controller={controller}
            actions={actions}
            countdowns={countdowns}
            onTick={tick}
            onPresent={shows}
            prove={stagePath(installationId, 'prove')}
          />
        )}
        {part === 'settings' && <SettingsList controller={controller} fit={fit} />}
        {part === 'signals' && <Signals controller={controller} />}
      </PartTabs>
      {next && part === 'enter' && (
        <PhoneBar>
          <Button fullWidth variant="contained" onClick={() => tick(next, true)}>
            Done, next
          </Button>
        </PhoneBar>
      )}
    </StageLayout>
  )
}

type ActionsProps = {
  actions: readonly Action[]
  next: Action | undefined
  onTick: (action: Action, isTicked: boolean) => void
  onPresent: (action: Action, value: number) => void
}

function AllActions({ actions, next, onTick, onPresent }: ActionsProps) {
  const dial = usePart('dial')
  return (
    <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {actions.map((action, index) => (
        <ActionRow
          key={action.id}
          action={action}
          number={index + 1}
          now={action.setting && presentValue(action.setting, dial.present)}
          isDone={isDone(action, dial)}
          isNext={action === next}
          cannot={whyCannot(action, dial)}
          onTick={(isTicked) => onTick(action, isTicked)}
          onPresent={(value) => onPresent(action, value)}
        />
      ))}
    </Box>
  )
}

type LimitsProps = { installationId: string; controller: ControllerModel; losses: readonly Loss[] }

/** What this controller cannot do, what it forgets, and what can hurt someone at it. */
function Limits({ installationId, controller, losses }: LimitsProps) {
  return (
    <>
      <SideHeading>What this controller cannot do</SideHeading>
      {losses.length === 0 && <Typography variant="body2">It does everything exactly as asked.</Typography>}
      <LossNotices losses={losses} />
      <SideHeading>Kept without power?</SideHeading>
      {controller.settings.map((setting) => (
        <Ruled key={setting.id} label={setting.name} colour={setting.power === 'lost' ? 'error.main' : undefined}>
          {powerText(setting)}
        </Ruled>
      ))}
      <Typography variant="body2" sx={{ mt: 0.75 }}>
        <Link href={outageOf(installationId)}>After an outage: what to look at, what to enter again</Link>
      </Typography>
      <SideHeading>Care</SideHeading>
      <LocalRuleNotices />
      {controller.cautions.map((caution) => (
        <Caution key={caution} text={caution} />
      ))}
    </>
  )
}
