'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { emptyCalibration } from '@/core/calibration/empty'
import { versionOf, type ControllerModel } from '@/core/controller/schema'
import { chooseController } from '@/core/installation/chooseController'
import { freeId } from '@/core/json/freeId'
import { driveText, rankModels, type Ranked } from '@/core/kit/rankModels'
import { isMeasured } from '@/core/rules/input'
import { lossText } from '@/core/sentences/lossText'
import { FanForm } from '@/features/kit/FanForm'
import { InputRoles } from '@/features/kit/InputRoles'
import { Mounting } from '@/features/kit/Mounting'
import { ProbeForm } from '@/features/kit/ProbeForm'
import { TerminalTable } from '@/features/kit/TerminalTable'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { LossNotices } from '@/ui/LossNotices'
import { Caution, Notice } from '@/ui/Notice'
import { AddPhoto } from '@/ui/onSite/AddPhoto'
import type { ShownPhoto } from '@/ui/onSite/pack'
import { QuantityField } from '@/ui/QuantityField'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'
import { useDerived, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { installationId: string; models: readonly ControllerModel[]; photos: readonly ShownPhoto[] }

/** What is fitted: controller, fans, probes. */
export function KitStage({ installationId, models, photos }: Props) {
  const kit = usePart('kit')
  const response = usePart('response')
  const edit = useWorkingCopy((state) => state.edit)
  const known =
    kit.controller && !models.some(({ id }) => id === kit.controller?.id) ? [kit.controller, ...models] : models

  function choose(id: string): void {
    edit('controller', (draft) => chooseController(draft, known.find((candidate) => candidate.id === id) ?? null))
  }

  function addFan(): void {
    edit('add a fan', (draft) => {
      const id = freeId(
        draft.kit.fans.map((fan) => fan.id),
        'fan',
      )
      const like = kit.fans[0]!
      draft.kit.fans.push({
        ...structuredClone(like),
        id,
        name: id.replace('-', ' '),
        output: draft.kit.controller?.outputs[draft.kit.fans.length]?.id ?? null,
      })
      draft.calibration.fans.push(emptyCalibration(id))
    })
  }

  function addProbe(): void {
    edit('add a probe', (draft) => {
      const input = draft.response.inputs.find(isMeasured)
      if (!input) return
      draft.kit.probes.push({
        id: freeId(
          draft.kit.probes.map((probe) => probe.id),
          'probe',
        ),
        input: input.id,
        name: `${input.name} probe`,
        quantity: input.kind === 'humidity' ? 'humidity' : 'temperature',
        survivesToC: null,
        resolution: 0.5,
        place: '',
      })
    })
  }

  return (
    <StageLayout
      title="What is fitted"
      side={<Comparison models={known} onChoose={choose} />}
      sideTitle="Which controller"
    >
      <FormRow
        label="Controller"
        hint={kit.controller?.about ?? 'Choose one, and the page shows what it will really do.'}
      >
        <Choice
          label="controller"
          value={kit.controller?.id ?? ''}
          options={[['', 'not chosen yet'] as const, ...known.map(({ id, name }) => [id, name] as const)]}
          onChange={choose}
        />
      </FormRow>
      <NewerVersion models={models} />
      <RatedCurrentLeft />
      {kit.fans.map((fan, index) => (
        <FanForm key={fan.id} fan={fan} index={index} outputs={kit.controller?.outputs ?? []} />
      ))}
      <Button size="small" onClick={addFan} disabled={kit.fans.length >= 4}>
        Add a fan
      </Button>
      {kit.probes.map((probe, index) => (
        <ProbeForm key={probe.id} probe={probe} index={index} />
      ))}
      <Button size="small" onClick={addProbe} disabled={!response.inputs.some(({ kind }) => kind !== 'switch')}>
        Add a probe
      </Button>
      <InputRoles />
      <Mounting />
      <TerminalTable />
      <FormRow label="Photos" hint="Plates, wiring, where the probe hangs: they go on the record.">
        <AddPhoto installationId={installationId} about="kit" caption="Kit" photos={photos} />
      </FormRow>
    </StageLayout>
  )
}

/** What the place of the controller leaves of its rated current, where a model has one. */
function RatedCurrentLeft() {
  const kit = usePart('kit')
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  if (!kit.controller?.outputs.some(({ ratedCurrentA }) => ratedCurrentA !== undefined)) return null
  return (
    <FormRow
      label="Its place leaves of the rated current"
      hint="A warm loft or a closed cupboard takes some of it; the leaflet says how much. One overheating means: move it."
    >
      <QuantityField
        label="its place leaves of the rated current"
        quantity="share"
        value={kit.deratedToPct ?? 100}
        limits={[10, 100]}
        onDone={onDone}
        onChange={(pct) => edit('rated current', (draft) => void (draft.kit.deratedToPct = pct), 'derated')}
      />
    </FormRow>
  )
}

/** A model that was changed since it was chosen here; what is sealed stays with the version it was sealed with. */
function NewerVersion({ models }: { models: readonly ControllerModel[] }) {
  const { controller } = usePart('kit')
  const edit = useWorkingCopy((state) => state.edit)
  const newer = models.find((model) => controller?.id === model.id && versionOf(model) > versionOf(controller))
  if (!newer || !controller) return null
  return (
    <Notice
      title={`Version ${versionOf(newer)} of it is kept since.`}
      action={{
        label: `Use version ${versionOf(newer)}`,
        onClick: () => edit('controller version', (draft) => chooseController(draft, newer)),
      }}
    >
      This installation uses version {versionOf(controller)}; what is sealed stays with the version it was sealed with.
    </Notice>
  )
}

type ComparisonProps = { models: readonly ControllerModel[]; onChoose: (id: string) => void }

/** What the chosen one cannot do stands first; then every controller with what it does of what is asked now, the nearest first. */
function Comparison({ models, onChoose }: ComparisonProps) {
  const kit = usePart('kit')
  const response = usePart('response')
  const brief = usePart('brief')
  const { fit: chosen } = useDerived()
  const order = useMemo(() => rankModels(response, kit, brief, models), [response, kit, brief, models])
  const whole = order.filter(({ cannotDrive, missing }) => cannotDrive.length + missing.length === 0).length
  return (
    <>
      {chosen && chosen.losses.length > 0 && <SideHeading>What this one cannot do</SideHeading>}
      {chosen && <LossNotices losses={chosen.losses} />}
      <SideHeading>Which controller?</SideHeading>
      <Typography variant="body2">
        {whole} of {order.length} have every function that is asked now; the nearest stands first.
      </Typography>
      {order.map((offer) => (
        <Offer
          key={offer.model.id}
          offer={offer}
          isChosen={offer.model.id === kit.controller?.id}
          onChoose={onChoose}
        />
      ))}
      {kit.controller && <SideHeading>Care</SideHeading>}
      {kit.controller?.cautions.map((caution) => (
        <Caution key={caution} text={caution} />
      ))}
      <Notice grave title="Never two speed controls in series." />
    </>
  )
}

type OfferProps = { offer: Ranked; isChosen: boolean; onChoose: (id: string) => void }

/** One controller, and what it does of what is asked. */
function Offer({ offer: { model, cannotDrive, missing, changed }, isChosen, onChoose }: OfferProps) {
  const response = usePart('response')
  const preference = usePreference()
  const [problem] = cannotDrive
  const [loss] = missing
  const others = missing.length - 1
  return (
    <Box sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="body2" sx={{ flex: 1, minWidth: 0, fontWeight: isChosen ? 700 : 600 }}>
          {model.name}
        </Typography>
        {isChosen ? (
          <Typography variant="body2">◂ chosen</Typography>
        ) : (
          <TextButton label={`Choose ${model.name}`} onClick={() => onChoose(model.id)}>
            Choose
          </TextButton>
        )}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {problem
          ? driveText(problem)
          : loss
            ? `${lossText(loss, response, preference).title}${others > 0 ? ` And ${others} more that it cannot.` : ''}`
            : changed.length > 0
              ? `All functions, ${changed.length} differ.`
              : 'All functions, as asked.'}
      </Typography>
    </Box>
  )
}
