'use client'

import { DUTIES, DUTY_NAMES } from '@/core/brief/duty'
import Button from '@mui/material/Button'
import { useSearchParams } from 'next/navigation'
import Typography from '@mui/material/Typography'
import { flowForHeatLs } from '@/core/physics/heatFlow'
import { type Brief } from '@/core/brief/schema'
import { formatQuantity } from '@/core/quantity/format'
import { heatRemoval } from '@/core/calculation/flow/heatRemoval'
import { RequiredFlow } from '@/features/brief/RequiredFlow'
import { Rooms } from '@/features/brief/Rooms'
import { TargetRow } from '@/features/brief/TargetRow'
import { CAUTIONS } from '@/core/duty/cautions'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { Questions } from '@/features/brief/Questions'
import { WhatFollows } from '@/features/brief/WhatFollows'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { TextLine } from '@/ui/TextLine'
import { SumWhy } from '@/ui/SumWhy'
import { usePreference } from '@/ui/preference'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

/** A flow that was worked out in Sums and sent here by its address: taken by a press, undone like any change. */
function OfferedFlow() {
  const search = useSearchParams()
  const current = useDocument().brief.requiredFlow
  const edit = useWorkingCopy((state) => state.edit)
  const preference = usePreference()
  const flowLs = Number(search.get('flowLs'))
  const why = (search.get('why') ?? '').slice(0, 300)
  if (!(flowLs > 0 && flowLs <= 1e5) || (current?.flowLs === flowLs && current.why === why)) return null
  const shown = formatQuantity(flowLs, 'flow', preference)
  return (
    <Notice
      title={`${shown} from Sums.`}
      action={{
        label: `Take ${shown} as the flow never to fall below`,
        onClick: () => edit('required flow', (draft) => void (draft.brief.requiredFlow = { flowLs, why })),
      }}
    >
      {why}
    </Notice>
  )
}

/** What the space needs: duty, space, targets, required flow. */
export function BriefStage() {
  const { name, brief } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const preference = usePreference()
  const change = (label: string, recipe: (draft: Brief) => void, key?: string) =>
    edit(label, (draft) => recipe(draft.brief), key)
  const { space } = brief
  const duties = DUTIES.map((duty) => [duty, DUTY_NAMES[duty]] as const)
  const heatLs =
    space.heatLoadW !== null && space.allowedRiseK !== null ? flowForHeatLs(space.heatLoadW, space.allowedRiseK) : null
  return (
    <StageLayout title="What the space needs" side={<Care brief={brief} />} sideTitle="Care">
      <OfferedFlow />
      <FormRow label="Name">
        <TextLine
          label="name"
          value={name}
          maxLength={80}
          onDone={onDone}
          onChange={(text) => edit('name', (draft) => void (draft.name = text), 'name')}
        />
      </FormRow>
      <FormRow label="Duty">
        <Choice
          label="duty"
          value={brief.duty}
          options={duties}
          onChange={(duty) =>
            change('duty', (draft) => {
              draft.duty = duty
              delete draft.answers
            })
          }
        />
      </FormRow>
      <FormRow label="The space">
        <TextLine
          label="the space in words"
          placeholder="What it is, what is in it, where air comes from"
          maxLength={300}
          value={space.about}
          onDone={onDone}
          onChange={(text) => change('space', (draft) => void (draft.space.about = text), 'about')}
        />
      </FormRow>
      <FormRow label="Volume">
        <QuantityField
          label="volume"
          quantity="volume"
          value={space.volumeM3}
          limits={[0.01, 1e6]}
          onDone={onDone}
          onClear={() => change('volume', (draft) => void (draft.space.volumeM3 = null))}
          onChange={(volumeM3) => change('volume', (draft) => void (draft.space.volumeM3 = volumeM3), 'volume')}
        />
      </FormRow>
      <FormRow label="Heat given off inside" hint="Lamps, people, machines: what the fan has to carry out">
        <QuantityField
          label="heat load"
          quantity="power"
          value={space.heatLoadW}
          onDone={onDone}
          onClear={() => change('heat', (draft) => void (draft.space.heatLoadW = null))}
          onChange={(heatLoadW) => change('heat', (draft) => void (draft.space.heatLoadW = heatLoadW), 'heat')}
        />
      </FormRow>
      <FormRow
        label="Rise allowed over outside air"
        hint={
          heatLs === null ? (
            'With the heat and this rise the flow follows.'
          ) : (
            <>
              Needs{' '}
              <SumWhy sum={heatRemoval} values={{ P: space.heatLoadW!, dT: space.allowedRiseK! }}>
                {formatQuantity(heatLs, 'flow', preference)}
              </SumWhy>{' '}
              at full.
            </>
          )
        }
      >
        <QuantityField
          label="allowed rise"
          quantity="temperatureDifference"
          value={space.allowedRiseK}
          limits={[0.1, 60]}
          onDone={onDone}
          onClear={() => change('rise', (draft) => void (draft.space.allowedRiseK = null))}
          onChange={(rise) => change('rise', (draft) => void (draft.space.allowedRiseK = rise), 'rise')}
        />
      </FormRow>
      <RequiredFlow brief={brief} />
      <Questions brief={brief} />
      <WhatFollows brief={brief} />
      <Rooms brief={brief} />
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        Targets
      </Typography>
      {brief.targets.length === 0 && (
        <Typography>No target yet: say which band is to be held, and what must never be passed.</Typography>
      )}
      {brief.targets.map((target, index) => (
        <TargetRow key={index} target={target} index={index} />
      ))}
      <Button
        size="small"
        onClick={() =>
          change(
            'add target',
            (draft) =>
              void draft.targets.push({
                quantity: 'temperature',
                bandFrom: 15,
                bandTo: 25,
                limitAbove: 30,
                why: '',
                source: '',
              }),
          )
        }
      >
        Add a temperature target
      </Button>
      <Button
        size="small"
        onClick={() =>
          change(
            'add target',
            (draft) =>
              void draft.targets.push({
                quantity: 'humidity',
                bandFrom: 40,
                bandTo: 70,
                limitAbove: null,
                why: '',
                source: '',
              }),
          )
        }
      >
        Add a humidity target
      </Button>
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
      <Notice title="The person on site decides and signs.">
        Local codes, the maker’s instructions and licensed practice come first; nothing here says that an installation
        is safe.
      </Notice>
    </>
  )
}
