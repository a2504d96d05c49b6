'use client'

import Button from '@mui/material/Button'
import { useSearchParams } from 'next/navigation'
import Typography from '@mui/material/Typography'
import { DUTIES, DUTY_NAMES, type Duty } from '@/core/brief/duty'
import type { Brief, Target } from '@/core/brief/schema'
import { heatRemoval } from '@/core/calculation/flow/heatRemoval'
import { CAUTIONS } from '@/core/duty/cautions'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { flowForHeatLs } from '@/core/physics/heatFlow'
import { formatQuantity } from '@/core/quantity/format'
import { Questions } from '@/features/brief/Questions'
import { RequiredFlow } from '@/features/brief/RequiredFlow'
import { Rooms } from '@/features/brief/Rooms'
import { TargetRow } from '@/features/brief/TargetRow'
import { WhatFollows } from '@/features/brief/WhatFollows'
import { Choice } from '@/ui/Choice'
import { DocumentField } from '@/ui/DocumentField'
import { FormRow } from '@/ui/FormRow'
import { LocalRuleNotices } from '@/ui/localRules'
import { Notice } from '@/ui/Notice'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { CalculationWhy } from '@/ui/CalculationWhy'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

/** A flow that was worked out in Calculations and sent here by its address: taken by a press, undone like any change. */
function OfferedFlow() {
  const search = useSearchParams()
  const current = usePart('brief').requiredFlow
  const edit = useWorkingCopy((state) => state.edit)
  const preference = usePreference()
  const flowLs = Number(search.get('flowLs'))
  const why = (search.get('why') ?? '').slice(0, 300)
  if (!(flowLs > 0 && flowLs <= 1e5) || (current?.flowLs === flowLs && current.why === why)) return null
  const shown = formatQuantity(flowLs, 'flow', preference)
  return (
    <Notice
      title={`${shown} from Calculations.`}
      action={{
        label: `Take ${shown} as the flow never to fall below`,
        onClick: () => edit('required flow', (draft) => void (draft.brief.requiredFlow = { flowLs, why })),
      }}
    >
      {why}
    </Notice>
  )
}

const DUTY_CHOICES = DUTIES.map((duty) => [duty, DUTY_NAMES[duty]] as const)

/** Another duty asks other questions: the answers to the old ones go. */
function DutyChoice({ duty }: { duty: Duty }) {
  const edit = useWorkingCopy((state) => state.edit)
  return (
    <Choice
      label="duty"
      value={duty}
      options={DUTY_CHOICES}
      onChange={(chosen) =>
        edit('duty', ({ brief }) => {
          brief.duty = chosen
          delete brief.answers
        })
      }
    />
  )
}

/** The flow that carries the heat out at the rise that is allowed. */
function FlowForHeat({ space: { heatLoadW, allowedRiseK } }: Pick<Brief, 'space'>) {
  const preference = usePreference()
  if (heatLoadW === null || allowedRiseK === null) return 'With the heat and this rise the flow follows.'
  return (
    <>
      Needs{' '}
      <CalculationWhy calculation={heatRemoval} values={{ P: heatLoadW, dT: allowedRiseK }}>
        {formatQuantity(flowForHeatLs(heatLoadW, allowedRiseK), 'flow', preference)}
      </CalculationWhy>{' '}
      at full.
    </>
  )
}

const NEW_TARGETS: readonly Target[] = [
  { quantity: 'temperature', bandFrom: 15, bandTo: 25, limitAbove: 30, why: '', source: '' },
  { quantity: 'humidity', bandFrom: 40, bandTo: 70, limitAbove: null, why: '', source: '' },
]

function Targets({ targets }: Pick<Brief, 'targets'>) {
  const edit = useWorkingCopy((state) => state.edit)
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        Targets
      </Typography>
      {targets.length === 0 && (
        <Typography>No target yet: say which band is to be held, and what must never be passed.</Typography>
      )}
      {targets.map((target, index) => (
        <TargetRow key={index} target={target} index={index} />
      ))}
      {NEW_TARGETS.map((target) => (
        <Button
          key={target.quantity}
          size="small"
          onClick={() => edit('add target', ({ brief }) => void brief.targets.push({ ...target }))}
        >
          Add a {target.quantity} target
        </Button>
      ))}
    </>
  )
}

/** What the space needs: duty, space, targets, required flow. */
export function BriefStage() {
  const brief = usePart('brief')
  return (
    <StageLayout title="What the space needs" side={<Care brief={brief} />} sideTitle="Care">
      <OfferedFlow />
      <FormRow label="Name">
        <DocumentField place="name" label="name" text={{ maxLength: 80 }} />
      </FormRow>
      <FormRow label="Duty">
        <DutyChoice duty={brief.duty} />
      </FormRow>
      <FormRow label="The space">
        <DocumentField
          place="brief.space.about"
          label="the space in words"
          change="space"
          text={{ maxLength: 300, placeholder: 'What it is, what is in it, where air comes from' }}
        />
      </FormRow>
      <FormRow label="Volume">
        <DocumentField place="brief.space.volumeM3" label="volume" quantity="volume" limits={[0.01, 1e6]} mayBeEmpty />
      </FormRow>
      <FormRow label="Heat given off inside" hint="Lamps, people, machines: what the fan has to carry out">
        <DocumentField place="brief.space.heatLoadW" label="heat load" change="heat" quantity="power" mayBeEmpty />
      </FormRow>
      <FormRow label="Rise allowed over outside air" hint={<FlowForHeat space={brief.space} />}>
        <DocumentField
          place="brief.space.allowedRiseK"
          label="allowed rise"
          change="rise"
          quantity="temperatureDifference"
          limits={[0.1, 60]}
          mayBeEmpty
        />
      </FormRow>
      <RequiredFlow brief={brief} />
      <Questions brief={brief} />
      <WhatFollows brief={brief} />
      <Rooms brief={brief} />
      <Targets targets={brief.targets} />
    </StageLayout>
  )
}

function Care({ brief }: { brief: Brief }) {
  const plan = DUTY_PLANS[brief.duty]
  return (
    <>
      <SideHeading>Care</SideHeading>
      {[...plan.follows(answerReader(plan, brief)).cautions, ...CAUTIONS[brief.duty]].map(
        ({ title, detail, isGrave }) => (
          <Notice key={title} title={title} grave={isGrave}>
            {detail}
          </Notice>
        ),
      )}
      <LocalRuleNotices />
      <Notice title="The person on site decides and signs.">
        Local codes, the maker’s instructions and licensed practice come first; nothing here says that an installation
        is safe.
      </Notice>
    </>
  )
}
