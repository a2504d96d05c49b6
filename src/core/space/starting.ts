import type { Calibration } from '@/core/calibration/schema'
import type { Brief, Target } from '@/core/brief/schema'
import { assertNever } from '@/core/json/assertNever'
import { answerReader, type AnswerReader } from '@/core/duty/plan'
import { roleOf } from '@/core/duty/role'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Kit } from '@/core/kit/schema'
import { ANIMAL_IDS, type AnimalId } from '@/core/physics/animals'
import { REFRIGERANTS, type Refrigerant } from '@/core/physics/saturation'
import { fanIdsOf } from '@/core/response/fanIds'
import type { Response } from '@/core/response/schema'
import { isMeasured, type MeasuredInput, type Role } from '@/core/rules/input'
import { fanTable, tableAt } from '@/core/space/fanTables'
import { SPACE_SCHEMA, type AirSpace, type Serves, type Space, type SpaceFan, type Way } from '@/core/space/schema'

/** The documents a space starts from. */
export type Where = {
  readonly brief: Brief
  readonly kit: Kit
  readonly calibration: Calibration
  readonly response: Response
}

// Starting figures are common practice without a source, chosen so that a space of this size behaves plausibly; they are there to be changed, or
// learnt from readings.
const FLOOR_HEIGHT_M = 2.5
const FABRIC_KJK_M2 = 150
const SURFACE_WK_M2 = 4
const OUTER_WK_M2 = 0.5
const PANE_WK_M2 = 0.25
const LEAK_LS_M3 = 1.4
/** How long surfaces take to give back water, and how much they hold as so many times the air. */
const BUFFER = { times: 8, s: 3600 }
const DEFAULT_M3 = 60
/** What a full fan is taken for where neither readings nor a plate say it, L/s. */
const DEFAULT_LS = 100

/** Inlets that let a flow in at about 10 Pa, m². */
const inletFor = (flowLs: number): number => Math.max(0.01, Math.round(flowLs / 24.5) / 100)

type AirParts = Omit<AirSpace, 'kind'>

/** A room of this volume with a wall or two outside, nothing heated, nothing given off. */
function airOf(volumeM3: number, parts: Partial<AirParts>): AirParts {
  const floorM2 = volumeM3 / FLOOR_HEIGHT_M
  const surfaceM2 = 6 * volumeM3 ** (2 / 3)
  return {
    volumeM3,
    airFactor: 4,
    fabricKjK: Math.round(FABRIC_KJK_M2 * floorM2),
    fabricWK: Math.round(SURFACE_WK_M2 * surfaceM2),
    outerWK: Math.round(OUTER_WK_M2 * surfaceM2 * 0.5),
    lossWK: Math.round(PANE_WK_M2 * surfaceM2 * 0.5),
    sunM2: Math.round(floorM2) / 20,
    heatW: 0,
    lampW: 0,
    waterGH: 0,
    bufferKg: Math.round(volumeM3 * 1.2 * BUFFER.times),
    bufferS: BUFFER.s,
    surfaceShare: 0.75,
    leakLsAt50: Math.round(LEAK_LS_M3 * volumeM3 * 10) / 10,
    leakExponent: 0.65,
    inletM2: 0,
    doorM2: 1.8,
    intake: { from: 'outside' },
    heating: null,
    cooling: null,
    misting: null,
    recovery: null,
    ...parts,
  }
}

const targetOf = ({ targets }: Brief, quantity: Target['quantity']): Target | null =>
  targets.find((target) => target.quantity === quantity) ?? null

const oneOf = <T extends string>(list: readonly T[], value: string | null, otherwise: T): T =>
  list.find((known) => known === value) ?? otherwise

function livestock(brief: Brief, answers: AnswerReader, fullLs: number): Serves {
  const volumeM3 = brief.space.volumeM3 ?? 300
  const [count, massKg, houseC] = [
    answers.number('count') ?? 100,
    answers.number('mass') ?? 10,
    answers.number('house'),
  ]
  const animal: AnimalId = oneOf(ANIMAL_IDS, answers.choice('animal'), 'calf')
  return {
    kind: 'house',
    ...airOf(volumeM3, {
      heating: houseC === null ? null : { toC: houseC - 1, mostW: Math.round(volumeM3 * 60) },
      bufferKg: Math.round(volumeM3 * 1.2 * 20),
      doorM2: 4,
      inletM2: inletFor(fullLs),
    }),
    animal,
    count: Math.round(count),
    massKg,
    gainKgDay: 0,
  }
}

function condenser(brief: Brief, answers: AnswerReader): Serves {
  const rejectedW = answers.number('rejected') ?? 8000
  const condenseC = answers.number('condense') ?? 40
  const band = targetOf(brief, 'temperature')
  return {
    kind: 'condenser',
    fluid: oneOf<Refrigerant>(REFRIGERANTS, answers.choice('fluid'), 'R-134a'),
    circuits: Number(answers.choice('circuits') ?? 1) || 1,
    rejectedW,
    // Ten kelvin above the air at full, as a good coil does.
    fullWK: Math.round(rejectedW / 10),
    stillWK: Math.round(rejectedW / 120),
    flowExponent: 0.65,
    coilKjK: Math.round(rejectedW / 250),
    uneven: 0.2,
    probeBelowK: 1,
    leastC: band?.bandFrom ?? condenseC - 12,
    tripC: band?.limitAbove ?? condenseC + 20,
    recirculation: 0.05,
  }
}

function stove(answers: AnswerReader, kit: Kit): Serves {
  const isFlue = answers.choice('moves') === 'flue'
  return {
    kind: 'stove',
    mostW: 9000,
    chargeKg: 4,
    lightS: 600,
    gasShare: isFlue ? 0.45 : 0.3,
    shellKjK: 180,
    shellWK: 45,
    blowerWK: isFlue ? 0 : 40,
    flueKjK: 25,
    flueWK: 6,
    flueM: 6,
    flueLsAt10: 25,
    flueFanPa: isFlue ? Math.round((kit.fans[0]?.ratedPowerW ?? 60) * 0.6) : 0,
    houseLeakLsAt10: 60,
    roomWK: 120,
    roomKjK: 9000,
  }
}

function electronics(brief: Brief): Serves {
  const heatW = brief.space.heatLoadW ?? 150
  const riseK = brief.space.allowedRiseK ?? 12
  return {
    kind: 'electronics',
    heatW,
    sinkKjK: Math.max(0.5, Math.round(heatW * 0.02 * 10) / 10),
    stillWK: Math.round((heatW / riseK / 4) * 10) / 10,
    fullWK: Math.round((heatW / riseK) * 1.6 * 10) / 10,
    flowExponent: 0.8,
    airKjK: Math.round((brief.space.volumeM3 ?? 0.3) * 25 * 10) / 10 + 1,
    wallWK: 2.5,
    sunM2: 0.15,
    junctionKW: 0.05,
    dustPctMonth: 2,
  }
}

const serves = ({ brief, kit }: Where, fullLs: number): Serves => {
  const answers = answerReader(DUTY_PLANS[brief.duty], brief)
  const volumeM3 = brief.space.volumeM3 ?? DEFAULT_M3
  const band = targetOf(brief, 'temperature')
  switch (brief.duty) {
    case 'extract':
      return {
        kind: 'room',
        ...airOf(volumeM3, {
          heating: { toC: 21, mostW: Math.round(volumeM3 * 45) },
          intake: { from: 'adjoining', tempC: 19, rhPct: 50, follows: 0.1 },
          sunM2: 0,
          // Under the door.
          inletM2: 0.01,
        }),
      }
    case 'exhaust':
      return {
        kind: 'room',
        ...airOf(volumeM3, { heatW: brief.space.heatLoadW ?? 3000, inletM2: inletFor(fullLs) }),
      }
    case 'grow-room': {
      const damp = targetOf(brief, 'humidity')
      return {
        kind: 'room',
        ...airOf(volumeM3, {
          heatW: brief.space.heatLoadW ?? 600,
          sunM2: 0,
          misting: damp
            ? { toRhPct: (damp.bandFrom + damp.bandTo) / 2, mostGH: answers.number('water') ?? 15 * volumeM3 }
            : null,
        }),
      }
    }
    case 'balanced':
      return {
        kind: 'room',
        ...airOf(volumeM3, {
          heating: { toC: (band?.bandFrom ?? 20) + 1, mostW: Math.round(volumeM3 * 25) },
          recovery: { ratio: 0.82, bypass: null },
          leakLsAt50: Math.round(volumeM3 * 0.4 * 10) / 10,
        }),
      }
    case 'door-curtain':
      return {
        kind: 'hall',
        ...airOf(brief.space.volumeM3 ?? 300, {
          doorM2: 5,
          heating: { toC: (answers.number('room') ?? 18) - 1, mostW: 6000 },
          surfaceShare: 0.7,
        }),
        doorHeightM: 2.3,
        floorPct: 60,
        holds: 0.75,
        heaterW: answers.choice('heater') === 'none' ? 0 : 9000,
        heaterToC: answers.number('room') ?? 18,
      }
    case 'livestock':
      return livestock(brief, answers, fullLs)
    case 'head-pressure':
      return condenser(brief, answers)
    case 'stove-flue':
      return stove(answers, kit)
    case 'electronics':
      return electronics(brief)
    default:
      return assertNever(brief.duty)
  }
}

const INWARD = /supply|make.?up|intake|fresh|inflow/i

function wayOf(name: string, { brief }: Where): Way {
  switch (brief.duty) {
    case 'head-pressure':
    case 'electronics':
    case 'door-curtain':
      return 'over'
    case 'stove-flue':
      return answerReader(DUTY_PLANS[brief.duty], brief).choice('moves') === 'flue' ? 'flue' : 'over'
    case 'extract':
    case 'exhaust':
    case 'grow-room':
    case 'balanced':
    case 'livestock':
      return INWARD.test(name) ? 'in' : 'out'
  }
}

const fans = (where: Where): SpaceFan[] =>
  fanIdsOf(where.response).map((id) => {
    const fan = where.kit.fans.find((candidate) => candidate.id === id)
    return { fan: id, way: wayOf(fan?.name ?? id, where), fullLs: fan?.ratedFlowLs ?? DEFAULT_LS, runUpS: 3 }
  })

/** How long a probe takes to follow what it reads, s. Common practice, no source. */
const LAG_S: Partial<Record<Role, number>> = { room: 120, coil: 20, flue: 15, shell: 60, component: 20, outdoor: 300 }
const USUAL_LAG_S = 60

export const readInputs = ({ inputs }: Response): MeasuredInput[] =>
  inputs.filter((input): input is MeasuredInput => isMeasured(input) && !input.combines)

/** A space to begin with: by the duty, with what the brief, the kit and the calibration say of it. */
export function startingSpace(where: Where): Space {
  const moved = fans(where)
  const fullLs = moved.reduce((sum, fan) => sum + tableAt(fanTable(fan, where).flowLs, 100), 0)
  return {
    schema: SPACE_SCHEMA,
    serves: serves(where, fullLs),
    fans: moved,
    probes: readInputs(where.response).map((input) => ({
      input: input.id,
      lagS: LAG_S[roleOf(input, where)] ?? USUAL_LAG_S,
      offset: 0,
      resolution: where.kit.probes.find((probe) => probe.input === input.id)?.resolution ?? 0.1,
      sunK: 0,
      draught: 0,
      ownAir: 0,
    })),
    nightDb: null,
  }
}

/** The space an installation is rehearsed in: its own where it has one, brought to the fans and inputs that are there now. */
export function spaceOf(where: Where & { readonly space?: Space }): Space {
  const start = startingSpace(where)
  const { space } = where
  if (!space) return start
  return {
    ...space,
    fans: start.fans.map((fan) => space.fans.find((own) => own.fan === fan.fan) ?? fan),
    probes: start.probes.map((probe) => space.probes.find((own) => own.input === probe.input) ?? probe),
  }
}
