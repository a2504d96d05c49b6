'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { FLOOR_REASON_NAMES } from '@/core/calibration/floorReasons'
import type { FanCalibration } from '@/core/calibration/schema'
import type { DerivedFan } from '@/core/derive'
import { formatPct, formatQuantity } from '@/core/quantity/format'
import { FlowChart } from '@/features/calibrate/FlowChart'
import { MapTable } from '@/features/calibrate/MapTable'
import { ProbeOffsets } from '@/features/calibrate/ProbeOffsets'
import { Shutters } from '@/features/calibrate/Shutters'
import { Trials } from '@/features/calibrate/Trials'
import { Notice } from '@/ui/Notice'
import { Ruled } from '@/ui/Ruled'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { usePreference } from '@/ui/preference'
import { useDerived, useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const EMPTY = (fan: string): FanCalibration => ({
  fan,
  startsPct: [],
  stallsPct: [],
  restartMarginPct: 5,
  areaM2: null,
  map: [],
})

export type ChangeCalibration = (label: string, recipe: (held: FanCalibration) => void, key?: string) => void

/** Where each fan turns and what each setting really gives: the floor and the map follow. */
export function CalibrateStage() {
  const { kit, calibration, response } = useDocument()
  const { fans } = useDerived()
  const edit = useWorkingCopy((state) => state.edit)
  const [chosen, setChosen] = useState(response.lead)
  const derived = fans.find(({ fan }) => fan.id === chosen) ?? fans[0]
  if (!derived) return null
  const { fan } = derived
  const held = calibration.fans.find((candidate) => candidate.fan === fan.id) ?? EMPTY(fan.id)
  const change: ChangeCalibration = (label, recipe, key) =>
    edit(
      `${fan.name}: ${label}`,
      (draft) => {
        let mine = draft.calibration.fans.find((candidate) => candidate.fan === fan.id)
        if (!mine) {
          draft.calibration.fans.push(EMPTY(fan.id))
          mine = draft.calibration.fans[draft.calibration.fans.length - 1]!
        }
        recipe(mine)
      },
      key && `${fan.id}-${key}`,
    )
  return (
    <StageLayout
      title="What each setting really gives"
      aside={
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
      }
      side={<FloorSide derived={derived} isLead={fan.id === response.lead} />}
      sideTitle="Floor"
    >
      <FlowChart derived={derived} />
      <MapTable calibration={held} derived={derived} onChange={change} />
      <Trials calibration={held} onChange={change} />
      <Shutters calibration={held} onChange={change} />
      <ProbeOffsets />
    </StageLayout>
  )
}

function FloorSide({ derived, isLead }: { derived: DerivedFan; isLead: boolean }) {
  const { response } = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const preference = usePreference()
  const { reasons, flow, fan } = derived
  const [ruling] = reasons
  const flowNow = flow?.kind === 'map' ? flow.map.flowAt : null
  return (
    <>
      <SideHeading>{isLead ? 'Floor: the highest of its reasons' : `What the ${fan.name} needs to turn`}</SideHeading>
      {reasons.length === 0 && (
        <Typography variant="body2">
          No reason read yet. Raise the speed until the fan turns, and note it at the left.
        </Typography>
      )}
      {reasons.map((reason, index) => (
        <Ruled
          key={reason.kind}
          label={`${FLOOR_REASON_NAMES[reason.kind]}${reason.note ? `, ${reason.note}` : ''}${index === 0 ? ' ◂' : ''}`}
          strong={index === 0}
          colour={index === 0 ? 'cause.speed' : undefined}
        >
          {formatPct(reason.speedPct)} %
        </Ruled>
      ))}
      {isLead && ruling && ruling.speedPct !== response.floor.speedPct && (
        <Button
          variant="contained"
          size="small"
          sx={{ mt: 1 }}
          onClick={() =>
            edit(`floor ${ruling.speedPct} %`, (draft) => {
              draft.response.floor = { ...draft.response.floor, speedPct: ruling.speedPct, reasons: [...reasons] }
            })
          }
        >
          Use floor {formatPct(ruling.speedPct)}
        </Button>
      )}
      {isLead && ruling && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          The response has its floor at {formatPct(response.floor.speedPct)} %.
        </Typography>
      )}
      <SideHeading>How good is this?</SideHeading>
      {flow?.kind === 'map' ? (
        <>
          <Ruled
            label={flow.map.evidence === 'strong' ? 'Flow read directly' : 'Flow from velocity × area'}
            colour={flow.map.evidence === 'strong' ? 'cause.switch' : 'ground.warnInk'}
          >
            {flow.map.evidence}
          </Ruled>
          <Ruled label="Read from">{`${formatPct(flow.map.measuredFromPct)} to ${formatPct(flow.map.measuredToPct)} %`}</Ruled>
        </>
      ) : (
        <Typography variant="body2">
          {flow
            ? `${flow.got} of ${flow.needed} readings: a map needs three at different settings.`
            : 'No readings yet.'}
        </Typography>
      )}
      {flow?.kind === 'map' && flow.map.evidence === 'weak' && (
        <Notice title="One velocity times the gross area is weak evidence.">
          Traverse the duct or use a hood where the figure matters.
        </Notice>
      )}
      {flowNow && (
        <>
          <SideHeading>One more percent</SideHeading>
          {[response.floor.speedPct, 60].map((pct) => (
            <Ruled key={pct} label={`at ${formatPct(pct)} %`}>
              +{formatQuantity(flowNow(Math.min(100, pct + 1)) - flowNow(pct), 'flow', preference, 1)}
            </Ruled>
          ))}
        </>
      )}
      <SideHeading>Care</SideHeading>
      <Notice grave title="Blades.">
        Read by ear, tach or hood with guards on. It starts by itself.
      </Notice>
    </>
  )
}
