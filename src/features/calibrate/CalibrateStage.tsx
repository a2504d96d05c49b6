'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { ChangeCalibration } from '@/features/calibrate/changeCalibration'
import { useState } from 'react'
import { emptyCalibration } from '@/core/calibration/empty'
import { BalanceSheet } from '@/features/calibrate/BalanceSheet'
import { Doubts } from '@/features/calibrate/Doubts'
import { FloorSide } from '@/features/calibrate/FloorSide'
import { FlowChart } from '@/features/calibrate/FlowChart'
import { Instruments } from '@/features/calibrate/Instruments'
import { MapTable } from '@/features/calibrate/MapTable'
import { Noise } from '@/features/calibrate/Noise'
import { PARTS, type PartId } from '@/features/calibrate/parts'
import { ProbeOffsets } from '@/features/calibrate/ProbeOffsets'
import { ProbeSpots } from '@/features/calibrate/ProbeSpots'
import { ReadingInHand } from '@/features/calibrate/ReadingInHand'
import { Shutters } from '@/features/calibrate/Shutters'
import { Trials } from '@/features/calibrate/Trials'
import { AddPhoto } from '@/ui/onSite/AddPhoto'
import type { ShownPhoto } from '@/ui/onSite/pack'
import { PartTabs } from '@/ui/PartTabs'
import { StageLayout } from '@/ui/StageLayout'
import { useDerived, usePart, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { installationId: string; photos: readonly ShownPhoto[] }

/** Where each fan turns and what each setting really gives: the floor and the map follow. */
export function CalibrateStage({ installationId, photos }: Props) {
  const kit = usePart('kit')
  const calibration = usePart('calibration')
  const response = usePart('response')
  const { fans } = useDerived()
  const edit = useWorkingCopy((state) => state.edit)
  const [chosen, setChosen] = useState(response.lead)
  const derived = fans.find(({ fan }) => fan.id === chosen) ?? fans[0]
  const held = derived && calibration.fans.find((candidate) => candidate.fan === derived.fan.id)
  const [part, setPart] = useState<PartId>(() => (held && held.startsPct.length > 0 ? 'map' : 'turning'))
  if (!derived) return null
  const { fan } = derived
  const readings = held ?? emptyCalibration(fan.id)
  const change: ChangeCalibration = (label, recipe, key) =>
    edit(
      `${fan.name}: ${label}`,
      (draft) => {
        let mine = draft.calibration.fans.find((candidate) => candidate.fan === fan.id)
        if (!mine) {
          draft.calibration.fans.push(emptyCalibration(fan.id))
          mine = draft.calibration.fans[draft.calibration.fans.length - 1]!
        }
        recipe(mine)
      },
      key && `${fan.id}-${key}`,
    )
  const ofOneFan = part === 'turning' || part === 'map' || part === 'noise'
  return (
    <StageLayout
      title="What each setting really gives"
      aside={
        ofOneFan && kit.fans.length > 1 ? (
          <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
            {kit.fans.map(({ id, name }) => (
              <Button
                key={id}
                size="small"
                variant={id === fan.id ? 'contained' : 'outlined'}
                onClick={() => setChosen(id)}
                aria-pressed={id === fan.id}
              >
                {name}
              </Button>
            ))}
          </Box>
        ) : undefined
      }
      side={<FloorSide derived={derived} isLead={fan.id === response.lead} />}
      sideTitle="Floor"
    >
      <PartTabs label="Parts of calibrating" parts={PARTS} part={part} onPart={setPart}>
        {part === 'turning' && (
          <>
            <Trials key={fan.id} calibration={readings} fan={fan} onChange={change} />
            <Shutters calibration={readings} onChange={change} />
          </>
        )}
        {part === 'map' && (
          <>
            <FlowChart derived={derived} />
            <ReadingInHand key={fan.id} calibration={readings} derived={derived} onChange={change} />
            <Doubts calibration={readings} fan={fan} onChange={change} />
            <MapTable calibration={readings} derived={derived} onChange={change} />
          </>
        )}
        {part === 'noise' && <Noise calibration={readings} fan={fan} />}
        {part === 'probes' && (
          <>
            <ProbeOffsets />
            <ProbeSpots />
          </>
        )}
        {part === 'balance' && <BalanceSheet />}
        {part === 'instruments' && <Instruments />}
      </PartTabs>
      <AddPhoto installationId={installationId} about="calibrate" caption="Calibrating" photos={photos} />
    </StageLayout>
  )
}
