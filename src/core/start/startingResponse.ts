import { speedPctFor, type FlowMap } from '@/core/calibration/flowMap'
import type { Target } from '@/core/brief/schema'
import { FLOOR_REASON_NAMES } from '@/core/calibration/floorReasons'
import { derive } from '@/core/derive/derive'
import { answerReader, type Flow } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Installation } from '@/core/installation/installation'
import { formatPct, formatQuantity, METRIC, type UnitPreference } from '@/core/quantity/format'
import { equalStages } from '@/core/response/equalStages'
import type { FloorReason, Response } from '@/core/response/schema'
import type { Ramp } from '@/core/rules/ramp'
import { ruleKind, type Rule } from '@/core/rules/table'
import { adopt } from '@/core/start/adopt'

/** A starting value and where it came from, at its place in the response. */
type Origin = { readonly place: string; readonly wording: string }
export type StartingResponse = { readonly response: Response; readonly origins: readonly Origin[] }

/** A full-speed point keeps this far under the limit it protects; common practice, no source. */
const UNDER_LIMIT_K = 1

function floorFrom(response: Response, reasons: readonly FloorReason[]): readonly [Response, Origin] {
  const [highest] = reasons
  if (!highest)
    return [
      response,
      {
        place: 'floor.speedPct',
        wording: `${formatPct(response.floor.speedPct)} % is usual for this duty; calibrate, and it follows from the fan.`,
      },
    ]
  const speedPct = Math.min(100, Math.ceil(highest.speedPct - 1e-6))
  return [
    { ...response, floor: { ...response.floor, speedPct, reasons: [...reasons] } },
    {
      place: 'floor.speedPct',
      wording: `The highest of its reasons: ${FLOOR_REASON_NAMES[highest.kind].toLowerCase()}, ${formatPct(highest.speedPct)} %${highest.note ? ` (${highest.note})` : ''}.`,
    },
  ]
}

/** A boost is the speed that gives the flow wanted at the most. */
function boosted(
  rule: Rule,
  most: Flow | null,
  map: FlowMap | null,
  preference: UnitPreference,
): readonly [Rule, Origin[]] {
  if (!('speedPct' in rule) || !['contact', 'rise', 'threshold'].includes(ruleKind(rule).trigger)) return [rule, []]
  const place = `rules.${rule.id}.speedPct`
  if (!most || !map)
    return [
      rule,
      [
        {
          place,
          wording: `${formatPct(rule.speedPct, preference)} % is usual; ${most ? 'map the flow' : 'no flow is asked for at the most'}.`,
        },
      ],
    ]
  const flow = formatQuantity(most.flowLs, 'flow', preference)
  const pct = speedPctFor(map, most.flowLs)
  return pct === null
    ? [
        { ...rule, speedPct: 100 },
        [{ place, wording: `${flow} is wanted (${most.why}); the map does not reach it, so full speed.` }],
      ]
    : [
        { ...rule, speedPct: Math.min(100, Math.ceil(pct - 1e-6)) },
        [{ place, wording: `The map gives ${flow} there: ${most.why} (${most.source}).` }],
      ]
}

/** A ramp keeps to the band as the usual one of its duty does, and is full under the limit. */
function banded(
  ramp: Ramp,
  usual: Target | undefined,
  target: Target | undefined,
  q: (tempC: number) => string,
): readonly [Ramp, Origin[]] {
  if (!target) return [ramp, [{ place: `rules.${ramp.id}.startAt`, wording: 'Usual for this duty.' }]]
  const by = usual ? target.bandTo - usual.bandTo : 0
  const span = ramp.fullAt - ramp.startAt
  const limit = target.limitAbove ?? Infinity
  const fullAt = Math.min(ramp.fullAt + by, span > 0 ? limit - UNDER_LIMIT_K : Infinity)
  const startAt = Math.min(ramp.startAt + by, span > 0 ? fullAt - 0.5 : Infinity)
  return [
    { ...ramp, startAt, fullAt },
    [
      {
        place: `rules.${ramp.id}.startAt`,
        wording: `From the target band ${q(target.bandFrom)} to ${q(target.bandTo)}.`,
      },
      {
        place: `rules.${ramp.id}.fullAt`,
        wording:
          target.limitAbove === null
            ? 'A usual span over its start.'
            : `Full before the limit of ${q(target.limitAbove)} is reached.`,
      },
    ],
  ]
}

/** Fans beside the lead: a house climbs by stages, a grow room and a balanced unit have one that follows. */
function withOtherFans(response: Response, { kit, brief }: Installation): readonly [Response, Origin[]] {
  const others = kit.fans.filter(({ id }) => id !== response.lead)
  if (others.length === 0) return [response, []]
  if (brief.duty === 'livestock')
    return [
      {
        ...response,
        rules: response.rules.map((rule) => ('fromPct' in rule ? { ...rule, fromPct: 0 } : rule)),
        stages: equalStages(others.map(({ id }) => id)),
      },
      [
        {
          place: 'stages.fixed.0.joinsAtPct',
          wording: 'Equal shares of the ladder for each fan; least times of a minute.',
        },
      ],
    ]
  const [second] = others
  const ratio = brief.duty === 'balanced' ? 1 : 0.8
  return second
    ? [
        { ...response, followers: [{ fan: second.id, ratio, floorPct: 0, atLeadFloor: 'follow' }] },
        [
          {
            place: `followers.${second.id}.ratio`,
            wording:
              brief.duty === 'balanced'
                ? 'The same percent for both; trim it until supply equals extract.'
                : 'Four fifths, so that the room stays under suction; check it in flow.',
          },
        ],
      ]
    : [response, []]
}

/** The response to begin with, by duty, from brief and calibration: the floor from its reasons, boosts from the flow wanted, ramps from the
 *  targets. Each value says where it came from. */
export function startingResponse(installation: Installation, preference: UnitPreference = METRIC): StartingResponse {
  const { brief, kit, response: own } = installation
  const plan = DUTY_PLANS[brief.duty]
  const answers = answerReader(plan, brief)
  const follows = plan.follows(answers)
  const { lead } = derive(installation)
  const map = lead?.flow?.kind === 'map' ? lead.flow.map : null
  const usual = adopt(
    own,
    plan.response(answers),
    kit.fans.map(({ id }) => id),
  )
  const [floored, floorOrigin] = floorFrom(usual, lead?.reasons ?? [])
  const floorPct = floored.floor.speedPct
  const origins: Origin[] = [floorOrigin]
  const rules = floored.rules.map((rule): Rule => {
    if ('fullAt' in rule) {
      const input = floored.inputs.find(({ id }) => id === rule.input)
      const find = (targets: readonly Target[]) => targets.find(({ quantity }) => quantity === input?.kind)
      const q = (x: number) => formatQuantity(x, input?.kind === 'humidity' ? 'humidity' : 'temperature', preference)
      // A fixed law of the trade stands where it is, whatever the band says.
      const [ramp, ofRamp] =
        brief.duty === 'head-pressure'
          ? [
              rule,
              [
                {
                  place: `rules.${rule.id}.startAt`,
                  wording: 'Common practice: from about 21 °C to full at about 38 °C.',
                },
              ],
            ]
          : banded(rule, find(follows.targets), find(brief.targets), q)
      origins.push(...ofRamp)
      return { ...ramp, fromPct: Math.min(floorPct, ramp.toPct) }
    }
    const [held, ofBoost] = boosted(rule, follows.most, map, preference)
    origins.push(...ofBoost)
    return 'speedPct' in held ? { ...held, speedPct: Math.max(held.speedPct, floorPct) } : held
  })
  const kick = floored.startKick
  const [response, ofFans] = withOtherFans(
    {
      ...floored,
      rules,
      ceiling: { ...floored.ceiling, speedPct: Math.max(floored.ceiling.speedPct, floorPct) },
      startKick: kick && { ...kick, speedPct: Math.max(kick.speedPct, floorPct) },
    },
    installation,
  )
  origins.push(...ofFans)
  return {
    response: {
      ...response,
      notes: Object.fromEntries(origins.map(({ place, wording }) => [place, wording.slice(0, 400)])),
    },
    origins,
  }
}
