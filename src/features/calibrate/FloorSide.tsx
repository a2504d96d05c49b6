'use client'

import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { flowLsAt, type FlowMap } from '@/core/calibration/flowMap'
import { repeatScatter } from '@/core/calibration/repeatScatter'
import { GRADE_REASONS, gradeEvidence, type Grade } from '@/core/calibration/evidence'
import { FLOOR_REASON_NAMES } from '@/core/calibration/floorReasons'
import { saidIn } from '@/core/quantity/saidIn'
import type { DerivedFan } from '@/core/derive/derive'
import { powerRatio, soundChangeDb } from '@/core/physics/fanLaw'
import { formatNumber, formatPct, formatQuantity } from '@/core/quantity/format'
import { fanLaws } from '@/core/calculation/fans/fanLaws'
import { soundChange } from '@/core/calculation/fans/soundChange'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { Ruled } from '@/ui/Ruled'
import { SideHeading } from '@/ui/StageLayout'
import { CalculationWhy } from '@/ui/CalculationWhy'
import { usePreference } from '@/ui/preference'
import { usePart, useWorkingCopy } from '@/ui/workingCopy/context'

const GRADE_COLOUR: Record<Grade, string> = {
  strong: 'cause.switch',
  fair: 'text.primary',
  weak: 'ground.warnInk',
}

/** Beside the readings: the floor with all its reasons, how far the map may be trusted, and what one more percent gives. */
export function FloorSide({ derived, isLead }: { derived: DerivedFan; isLead: boolean }) {
  const response = usePart('response')
  const calibration = usePart('calibration')
  const edit = useWorkingCopy((state) => state.edit)
  const { reasons, flow, fan } = derived
  const [ruling] = reasons
  const preference = usePreference()
  const evidence = flow?.kind === 'map' ? gradeEvidence(flow.map, calibration.instruments ?? []) : null
  const repeats = flow?.kind === 'map' ? repeatScatter(flow.map.points) : null
  return (
    <>
      <SideHeading>{isLead ? 'Floor: the highest of its reasons' : `What the ${fan.name} needs to turn`}</SideHeading>
      {reasons.length === 0 && (
        <Typography variant="body2">
          No reason read yet. Raise the speed until the fan turns, and note it under “Start and stall”.
        </Typography>
      )}
      {reasons.map((reason, index) => (
        <Ruled
          key={reason.kind}
          label={`${FLOOR_REASON_NAMES[reason.kind]}${reason.note ? `, ${saidIn(reason.note, preference)}` : ''}${index === 0 ? ' ◂' : ''}`}
          strong={index === 0}
          colour={index === 0 ? 'cause.speed' : undefined}
        >
          {formatPct(reason.speedPct, preference)} %
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
          Use floor {formatPct(ruling.speedPct, preference)}
        </Button>
      )}
      {isLead && ruling && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          The response has its floor at {formatPct(response.floor.speedPct, preference)} %.
        </Typography>
      )}
      <SideHeading>How good is this?</SideHeading>
      {flow?.kind === 'map' && evidence ? (
        <>
          <Ruled label="Evidence" strong colour={GRADE_COLOUR[evidence.grade]}>
            {evidence.grade}
          </Ruled>
          <Ruled label="Read from">{`${formatPct(flow.map.measuredFromPct, preference)} to ${formatPct(flow.map.measuredToPct, preference)} %`}</Ruled>
          {repeats && (
            <Ruled label={`Read again at ${repeats.settings} settings, apart by`}>
              {`± ${formatNumber(100 * repeats.share, 1, preference)} %`}
            </Ruled>
          )}
          <AgainstPlate derived={derived} />
          {evidence.reasons.map((reason) => (
            <Notice key={reason} title={GRADE_REASONS[reason][1]} />
          ))}
        </>
      ) : (
        <Typography variant="body2">
          {flow?.kind === 'too-few'
            ? `${flow.got} of ${flow.needed} readings: a map needs three at different settings.`
            : 'No readings yet.'}
        </Typography>
      )}
      {flow?.kind === 'map' && <OneMore map={flow.map} />}
      <SideHeading>Care</SideHeading>
      <Notice grave title="Blades.">
        Read by ear, tach or hood with guards on. It starts by itself.
      </Notice>
    </>
  )
}

/** Flow at full against the rating on the plate. */
function AgainstPlate({ derived: { flow, fan } }: { derived: DerivedFan }) {
  const preference = usePreference()
  if (flow?.kind !== 'map' || fan.ratedFlowLs === null) return null
  const fullLs = flowLsAt(flow.map, 100)
  const share = fullLs / fan.ratedFlowLs - 1
  return (
    <Ruled label={`At full, of ${formatQuantity(fan.ratedFlowLs, 'flow', preference)} on its plate`}>
      {formatQuantity(fullLs, 'flow', preference)} ({share < 0 ? '−' : '+'}
      {formatNumber(Math.abs(share) * 100, 0, preference)} %)
    </Ruled>
  )
}

/** What one more percent gives, wherever one asks: flow from the map; sound and power by the fan laws. */
function OneMore({ map }: { map: FlowMap }) {
  const response = usePart('response')
  const preference = usePreference()
  const [pct, setPct] = useState(response.floor.speedPct)
  const more = Math.min(100, pct + 1)
  const now = Math.max(1, pct)
  const sound = soundChangeDb(more / now)
  const power = powerRatio(more / now) - 1
  return (
    <>
      <SideHeading>
        One more percent, at{' '}
        <QuantityField
          label="one more percent at"
          quantity="speed"
          value={pct}
          limits={[0, 99]}
          step={1}
          onChange={setPct}
        />
      </SideHeading>
      <Ruled label="air">+{formatQuantity(flowLsAt(map, more) - flowLsAt(map, pct), 'flow', preference, 1)}</Ruled>
      <Ruled label="sound">
        <CalculationWhy calculation={soundChange} values={{ N1: now, N2: more }}>
          +{formatNumber(sound, 2, preference)} dB
        </CalculationWhy>
      </Ruled>
      <Ruled label="shaft power">
        <CalculationWhy calculation={fanLaws} values={{ N1: now, N2: more }}>
          +{formatNumber(power * 100, 1, preference)} %
        </CalculationWhy>
      </Ruled>
    </>
  )
}
