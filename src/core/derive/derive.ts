import { requirementOf } from '@/core/brief/requirement'
import type { Brief } from '@/core/brief/schema'
import { floorReasons } from '@/core/calibration/floorReasons'
import { flowLsAt, flowMap, type FlowMapOutcome } from '@/core/calibration/flowMap'
import { fit, type Fit } from '@/core/controller/fit'
import type { ControllerModel } from '@/core/controller/schema'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Installation } from '@/core/installation/installation'
import type { Problem } from '@/core/json/problem'
import type { Fan, Kit } from '@/core/kit/schema'
import { compile, type Machine } from '@/core/machine/compile'
import type { FloorReason, Response } from '@/core/response/schema'
import { fitPlace } from '@/core/kit/fitPlace'

/** What follows for one fan, as data. */
export type DerivedFan = {
  readonly fan: Fan
  readonly flow: FlowMapOutcome | null
  readonly reasons: readonly FloorReason[]
  readonly startPct: number | null
}

/** Flow (L/s) of a fan at a speed, null without a map. */
export const fanFlowLs = ({ flow }: Pick<DerivedFan, 'flow'>, speedPct: number): number | null =>
  flow?.kind === 'map' ? flowLsAt(flow.map, speedPct) : null

/** What a response does, whether or not it could be compiled. */
type Behaviour = {
  readonly response: Response
  readonly machine: Machine | null
  readonly problems: readonly Problem[]
}

export type Derived = {
  readonly fans: readonly DerivedFan[]
  readonly lead: DerivedFan | null
  readonly asked: Behaviour
  /** What the chosen controller will do; the asked response where none is chosen. */
  readonly given: Behaviour
  readonly fit: Fit | null
}

// Documents are never changed in place: what was made of a part is made of it for good.
const behaviours = new WeakMap<Response, Behaviour>()
const fits = new WeakMap<
  Response,
  { readonly model: ControllerModel; readonly brief: Brief; readonly fans: Kit['fans']; readonly fit: Fit }
>()

function behaviour(response: Response): Behaviour {
  const known = behaviours.get(response)
  if (known) return known
  const outcome = compile(response)
  const made: Behaviour = outcome.ok
    ? { response, machine: outcome.value, problems: [] }
    : { response, machine: null, problems: outcome.problems }
  behaviours.set(response, made)
  return made
}

function fitOf(response: Response, model: ControllerModel, brief: Brief, kit: Pick<Kit, 'fans'>): Fit {
  const known = fits.get(response)
  if (known?.model === model && known.brief === brief && known.fans === kit.fans) return known.fit
  const made = fit(response, model, fitPlace({ brief, kit, response }))
  fits.set(response, { model, brief, fans: kit.fans, fit: made })
  return made
}

function briefFloors(brief: Brief): readonly FloorReason[] {
  const plan = DUTY_PLANS[brief.duty]
  return plan.follows(answerReader(plan, brief)).floors ?? []
}

function deriveFan(fan: Fan, { brief, calibration, response }: Installation): DerivedFan {
  const readings = calibration.fans.find((candidate) => candidate.fan === fan.id)
  const isLead = fan.id === response.lead
  const flow = readings ? flowMap(readings) : null
  // What holds only sometimes, or as a mean, is no reason of the floor.
  const requirement = requirementOf(brief)
  return {
    fan,
    flow,
    reasons: floorReasons({
      calibration: readings,
      flow,
      coolingFloorPct: fan.coolingFloorPct,
      requiredFlowLs: isLead && requirement?.kept === 'always' ? requirement.flowLs : null,
      fromBrief: isLead ? briefFloors(brief) : [],
    }),
    startPct: readings && readings.startsPct.length > 0 ? Math.max(...readings.startsPct) : null,
  }
}

/** Everything that follows from the documents of an installation: one place, so that page, command line and record agree. */
export function derive(installation: Installation): Derived {
  const { kit, response, brief } = installation
  const fans = kit.fans.map((fan) => deriveFan(fan, installation))
  const fitted = kit.controller ? fitOf(response, kit.controller, brief, kit) : null
  return {
    fans,
    lead: fans.find(({ fan }) => fan.id === response.lead) ?? null,
    asked: behaviour(response),
    given: behaviour(fitted ? fitted.given : response),
    fit: fitted,
  }
}
