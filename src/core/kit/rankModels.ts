import { carriedOut, fit, type Fit } from '@/core/controller/fit'
import type { Loss } from '@/core/controller/loss'
import type { Place } from '@/core/controller/safeSide'
import type { ControllerModel } from '@/core/controller/schema'
import type { Fan, Kit } from '@/core/kit/schema'
import { fanIdsOf } from '@/core/response/fanIds'
import type { Response } from '@/core/response/schema'
import { fitPlace } from '@/core/kit/fitPlace'

/** Why an output cannot drive a fan at all. Which motors may be phase-cut: common practice, no source. */
export type DriveProblem = {
  readonly fanId: string
  readonly fan: string
  readonly kind: 'no-output' | 'other-signal' | 'motor'
  readonly needs: string
  readonly has: string
}

export type Ranked = {
  readonly model: ControllerModel
  readonly fit: Fit
  readonly cannotDrive: readonly DriveProblem[]
  /** What it does not do at all. */
  readonly missing: readonly Loss[]
  /** What it does otherwise than asked. */
  readonly changed: readonly Loss[]
  /** Greatest and mean difference of speed over the inputs’ ranges (percent of the fan’s range). */
  readonly greatestPct: number
  readonly meanPct: number
}

const MISSING: ReadonlySet<Loss['kind']> = new Set([
  'rule-left-out',
  'follower-left-out',
  'part-left-out',
  'output-left-out',
  'no-kick',
  'periods-left-out',
  'crosses-skip-band',
  'lost-sensor',
] as const)

/** What a controller would not do at all of a response: quickly, for who asks of many. */
export const missingOf = (
  response: Response,
  brief: Place,
  kit: Pick<Kit, 'fans'>,
  model: ControllerModel,
): readonly Loss[] =>
  carriedOut(response, model, fitPlace({ brief, kit, response })).losses.filter(({ kind }) => MISSING.has(kind))

const PHASE_CUT_MOTORS: ReadonlySet<Fan['motor']> = new Set(['shaded-pole', 'capacitor', 'unknown'] as const)

/** Extra-low voltage (V): IEC 61140. */
const LOW_V = 60

/** A small motor that is given less of its own low voltage, step by step: nothing is cut out of the mains. */
const isStepped = ({ signal }: Fan): boolean =>
  signal.kind === 'levels' && signal.levels.every(({ volts }) => volts <= LOW_V)

export function driveProblems(
  response: Response,
  { fans }: Pick<Kit, 'fans'>,
  { outputs }: ControllerModel,
): DriveProblem[] {
  return fanIdsOf(response).flatMap((id, index): DriveProblem[] => {
    const fan = fans.find((candidate) => candidate.id === id)
    if (!fan) return []
    const output = outputs[index]
    if (!output) return [{ fanId: id, fan: fan.name, kind: 'no-output', needs: fan.signal.kind, has: '' }]
    // Levels are made by cutting the supply, so a fan made for one takes the other.
    const cuts = (kind: string) => kind === 'phase-cut' || kind === 'levels'
    if (output.kind !== fan.signal.kind && !(cuts(output.kind) && cuts(fan.signal.kind)))
      return [{ fanId: id, fan: fan.name, kind: 'other-signal', needs: fan.signal.kind, has: output.kind }]
    return cuts(output.kind) && !isStepped(fan) && !PHASE_CUT_MOTORS.has(fan.motor)
      ? [{ fanId: id, fan: fan.name, kind: 'motor', needs: fan.motor, has: output.kind }]
      : []
  })
}

const SIGNAL_WORDS: Readonly<Record<string, string>> = {
  volts: 'volts',
  pwm: 'pulse width',
  'phase-cut': 'phase cut',
  levels: 'levels',
  relay: 'a relay',
}

export function driveText({ fan, kind, needs, has }: DriveProblem): string {
  switch (kind) {
    case 'no-output':
      return `No output is left for “${fan}”.`
    case 'other-signal':
      return `“${fan}” wants ${SIGNAL_WORDS[needs] ?? needs}, and the output gives ${SIGNAL_WORDS[has] ?? has}.`
    case 'motor':
      return `The motor of “${fan}” (${needs}) may not be slowed by ${SIGNAL_WORDS[has] ?? has}.`
  }
}

function ranked(response: Response, kit: Pick<Kit, 'fans'>, place: Place, model: ControllerModel): Ranked {
  const fitted = fit(response, model, fitPlace({ brief: place, kit, response }))
  const curve = fitted.losses.find((loss) => loss.kind === 'steps')?.curve
  return {
    model,
    fit: fitted,
    cannotDrive: driveProblems(response, kit, model),
    missing: fitted.losses.filter(({ kind }) => MISSING.has(kind)),
    changed: fitted.losses.filter(({ kind }) => !MISSING.has(kind) && kind !== 'steps'),
    greatestPct: curve?.greatestPct ?? 0,
    meanPct: curve?.meanPct ?? 0,
  }
}

const inOrder = (a: Ranked, b: Ranked): number =>
  a.cannotDrive.length - b.cannotDrive.length ||
  a.missing.length - b.missing.length ||
  a.meanPct - b.meanPct ||
  a.changed.length - b.changed.length ||
  (a.model.id < b.model.id ? -1 : 1)

/** The models in order of how well they do a response: first whether they can drive the fans at all, then how much is missing, then how far
 *  the speed lies off, then how much is done otherwise. */
export const rankModels = (
  response: Response,
  kit: Pick<Kit, 'fans'>,
  place: Place,
  models: readonly ControllerModel[],
): Ranked[] => models.map((model) => ranked(response, kit, place, model)).sort(inOrder)
