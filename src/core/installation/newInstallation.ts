import type { Duty } from '@/core/brief/duty'
import { BRIEF_SCHEMA, type Brief } from '@/core/brief/schema'
import { emptyCalibration } from '@/core/calibration/empty'
import { CALIBRATION_SCHEMA } from '@/core/calibration/schema'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { INSTALLATION_SCHEMA, type Installation } from '@/core/installation/installation'
import { KIT_SCHEMA, type Probe } from '@/core/kit/schema'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'

/** A probe for every temperature and humidity that is read, not made of others. */
const probesFor = ({ inputs }: Response): Probe[] =>
  inputs.filter(isMeasured).flatMap((input): Probe[] =>
    input.combines || (input.kind !== 'temperature' && input.kind !== 'humidity')
      ? []
      : [
          {
            id: `${input.id}-probe`,
            input: input.id,
            name: `${input.name} probe`,
            quantity: input.kind,
            survivesToC: null,
            resolution: input.kind === 'humidity' ? 1 : 0.5,
            place: '',
          },
        ],
  )

/** An installation with one fan and the usual targets and response of its duty, to be changed. */
export function newInstallation(name: string, duty: Duty): Installation {
  const plan = DUTY_PLANS[duty]
  const space: Brief['space'] = { about: '', volumeM3: null, heatLoadW: null, allowedRiseK: null }
  const answers = answerReader(plan, { space })
  const response = plan.response(answers)
  return {
    schema: INSTALLATION_SCHEMA,
    name,
    brief: { schema: BRIEF_SCHEMA, duty, space, targets: [...plan.follows(answers).targets], requiredFlow: null },
    kit: {
      schema: KIT_SCHEMA,
      controller: null,
      fans: [
        {
          id: 'fan',
          name: 'fan',
          output: null,
          signal: plan.signal,
          motor: 'unknown',
          bearings: 'unknown',
          ratedFlowLs: null,
          ratedPowerW: null,
          ratedCurrentA: null,
          ratedRpm: null,
          coolingFloorPct: null,
        },
      ],
      probes: probesFor(response),
    },
    calibration: {
      schema: CALIBRATION_SCHEMA,
      fans: [emptyCalibration('fan')],
    },
    response,
    dial: { present: [], done: [] },
  }
}
