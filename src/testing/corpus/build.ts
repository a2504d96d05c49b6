import type { Duty } from '@/core/brief/duty'
import type { Brief } from '@/core/brief/schema'
import { answerReader } from '@/core/duty/plan'
import { DUTY_PLANS } from '@/core/duty/table'
import { chooseController } from '@/core/installation/chooseController'
import type { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import type { Condition, OtherOutput, Response } from '@/core/response/schema'
import { isMeasured, type MeasuredInput } from '@/core/rules/input'
import type { Ramp } from '@/core/rules/ramp'
import type { Rule } from '@/core/rules/table'
import { startingResponse } from '@/core/start/startingResponse'
import { demoModel } from '@/testing/examples'

/** What changes a document on its way; later ones see what earlier ones did. */
export type Change = (draft: Installation) => void

/** Safety questions answered as somebody answers them who has looked and found them good. */
const SOUND: Record<Duty, NonNullable<Brief['answers']>> = {
  extract: { openFlue: false },
  exhaust: { openFlue: false },
  'head-pressure': { heatPump: false, sleeve: false },
  livestock: { backup: true, alarm: true },
  'grow-room': { openFlue: false, co2: false },
  'stove-flue': { alarm: true, moves: 'room' },
  balanced: { openFlue: false, heatPump: false, winterProfile: 'warm', summerProfile: 'normal' },
  'door-curtain': { heater: 'electric' },
  electronics: { failsLow: false },
}

/** Probes for every input that is read, none of them known better than usual. */
function putProbes(draft: Installation): void {
  const known = draft.kit.probes
  draft.kit.probes = draft.response.inputs.flatMap((input) =>
    isMeasured(input) && !input.combines && (input.kind === 'temperature' || input.kind === 'humidity')
      ? [
          known.find((probe) => probe.input === input.id) ?? {
            id: `${input.id}-probe`.slice(0, 40),
            input: input.id,
            name: input.name,
            quantity: input.kind,
            survivesToC: null,
            resolution: input.kind === 'temperature' ? 0.1 : 1,
            place: '',
          },
        ]
      : [],
  )
}

/** A fresh installation of a duty with its safety questions answered soundly, these answers, and what follows. */
export function a(
  duty: Duty,
  answers: NonNullable<Brief['answers']> = {},
  ...changes: readonly Change[]
): Installation {
  const draft = structuredClone(newInstallation(`A ${duty}`, duty))
  draft.brief.answers = { ...SOUND[duty], ...answers }
  draft.brief.targets = [...DUTY_PLANS[duty].follows(answerReader(DUTY_PLANS[duty], draft.brief)).targets]
  draft.response = structuredClone(startingResponse(draft).response)
  delete draft.response.notes
  for (const change of changes) change(draft)
  putProbes(draft)
  return draft
}

export const on =
  (model: string): Change =>
  (draft) =>
    chooseController(draft, demoModel(model))

export const response =
  (parts: Partial<Response>): Change =>
  (draft) =>
    void Object.assign(draft.response, parts)

export const rules =
  (...list: readonly Rule[]): Change =>
  (draft) =>
    void (draft.response.rules = [...list])

export const more =
  (...list: readonly Rule[]): Change =>
  (draft) =>
    void draft.response.rules.push(...list)

/** The first rule with other figures. */
export const first =
  (parts: object): Change =>
  (draft) =>
    void Object.assign(draft.response.rules[0]!, parts)

export const floor =
  (speedPct: number, offAllowed = false): Change =>
  (draft) =>
    void (draft.response.floor = { speedPct, reasons: [], ...(offAllowed ? { offAllowed } : {}) })

export const lost =
  (lostPct: number): Change =>
  (draft) => {
    for (const input of draft.response.inputs) if (isMeasured(input)) input.lostPct = lostPct
  }

export const probeOf =
  (parts: object): Change =>
  (draft) => {
    putProbes(draft)
    for (const probe of draft.kit.probes) Object.assign(probe, parts)
  }

export const mounted =
  (answers: Readonly<Record<string, 'yes' | 'no'>>): Change =>
  (draft) =>
    void (draft.kit.mounting = { ...draft.kit.mounting, ...answers })

/** A second fan of this name, and more: they join as the duty does it. */
export const fans =
  (...names: readonly string[]): Change =>
  (draft) => {
    const [lead] = draft.kit.fans
    for (const name of names) draft.kit.fans.push({ ...structuredClone(lead!), id: name, name })
    draft.response = structuredClone(startingResponse(draft).response)
    delete draft.response.notes
  }

/** A flow map of every fan, straight to this flow at full; it starts at 10 % and stalls at 8. */
export const mapped =
  (fullLs: number): Change =>
  (draft) =>
    void (draft.calibration.fans = draft.kit.fans.map(({ id }) => ({
      fan: id,
      startsPct: [10, 10, 10],
      stallsPct: [8, 8, 8],
      restartMarginPct: 3,
      areaM2: null,
      map: [20, 40, 60, 80, 100].map((settingPct) => ({
        id: `r${settingPct}`,
        settingPct,
        rpm: null,
        velocityMs: null,
        flowLs: (fullLs * settingPct) / 100,
        soundDb: null,
        setAside: false,
        note: '',
      })),
    })))

export const wants =
  (flowLs: number, kept?: 'always' | 'occupied' | 'mean'): Change =>
  (draft) =>
    void (draft.brief.requiredFlow = { flowLs, why: 'as asked for', ...(kept ? { kept } : {}) })

export const heats =
  (heatLoadW: number, allowedRiseK: number): Change =>
  (draft) =>
    void Object.assign(draft.brief.space, { heatLoadW, allowedRiseK })

export const limit =
  (limitAbove: number | null, quantity: 'temperature' | 'humidity' = 'temperature'): Change =>
  (draft) => {
    for (const target of draft.brief.targets) if (target.quantity === quantity) target.limitAbove = limitAbove
  }

export const input =
  (...inputs: Response['inputs']): Change =>
  (draft) =>
    void draft.response.inputs.push(...inputs)

export const output =
  (...outputs: readonly OtherOutput[]): Change =>
  (draft) =>
    void (draft.response.otherOutputs = [...(draft.response.otherOutputs ?? []), ...outputs])

export const signal =
  (kind: Installation['kit']['fans'][number]['signal'], motor?: Installation['kit']['fans'][number]['motor']): Change =>
  (draft) => {
    for (const fan of draft.kit.fans) Object.assign(fan, { signal: kind, ...(motor ? { motor } : {}) })
  }

// Parts that many documents have.

export const OUTDOOR: MeasuredInput = {
  id: 'outside',
  kind: 'temperature',
  name: 'air outside',
  from: -20,
  to: 40,
  role: 'outdoor',
}
export const DAMP: MeasuredInput = { id: 'rh', kind: 'humidity', name: 'humidity', from: 30, to: 100 }
export const HEAT = { id: 'heat', kind: 'switch', name: 'heat given', role: 'heat' } as const
export const contact = (id: string, name: string) => ({ id, kind: 'switch', name }) as const

export const past = (
  inputId: string,
  at: number,
  parts: Partial<Extract<Condition, { kind: 'input' }>> = {},
): Condition => ({
  kind: 'input',
  input: inputId,
  when: 'at-or-above',
  at,
  release: 1,
  ...parts,
})

export const bypass = (
  notWhile: readonly Condition[],
  onWhen: readonly Condition[] = [past('room', 24)],
): OtherOutput => ({
  id: 'bypass',
  kind: 'bypass',
  name: 'bypass',
  onWhen: [...onWhen],
  notWhile: [...notWhile],
  delayS: 0,
})

export const alarm = (onWhen: readonly Condition[]): OtherOutput => ({
  id: 'alarm',
  kind: 'alarm',
  name: 'alarm',
  onWhen: [...onWhen],
  notWhile: [],
  delayS: 60,
})

export const heater = (onWhen: readonly Condition[]): OtherOutput => ({
  id: 'heater',
  kind: 'heater',
  name: 'heater',
  onWhen: [...onWhen],
  notWhile: [],
  delayS: 0,
})

export const ramp = (inputId: string, startAt: number, fullAt: number, parts: Partial<Ramp> = {}): Ramp => ({
  id: `ramp-${inputId}`,
  kind: 'ramp',
  input: inputId,
  startAt,
  fullAt,
  fromPct: 20,
  toPct: 100,
  below: 'from',
  ...parts,
})

export const onOff = (
  inputId: string,
  onAt: number,
  offAt: number,
  speedPct: number,
  parts: Partial<Extract<Rule, { kind: 'differential' }>> = {},
): Rule => ({
  id: `on-${inputId}`,
  kind: 'differential',
  input: inputId,
  action: onAt >= offAt ? 'direct' : 'reverse',
  onAt,
  offAt,
  speedPct,
  minOnS: 0,
  minOffS: 0,
  ...parts,
})

export const switched = (
  inputId: string,
  speedPct: number,
  overrun: Extract<Rule, { kind: 'switch' }>['overrun'] = { kind: 'none' },
  onDelayS = 0,
): Rule => ({ id: `sw-${inputId}`, kind: 'switch', input: inputId, speedPct, onDelayS, overrun })

const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6]
export const clock = (startMin: number, endMin: number, speedPct: number, days: number[] = EVERY_DAY): Rule => ({
  id: `clock-${startMin}`,
  kind: 'week',
  periods: [{ days, startMin, endMin, speedPct }],
})

export const cycle = (onS: number, periodS: number, speedPct: number): Rule => ({
  id: 'cycle',
  kind: 'cycle',
  onS,
  periodS,
  speedPct,
})

/** Every night, with the air outside 3 K cooler; its outdoor probe is `outdoor`. */
export const purge = (input: string, untilAt: number, speedPct = 80): Rule => ({
  id: 'purge',
  kind: 'purge',
  input,
  outdoor: 'outdoor',
  marginK: 3,
  untilAt,
  spans: [{ days: EVERY_DAY, startMin: 1320, endMin: 360 }],
  speedPct,
})

export const holdAfterFall = (inputId: string, armAbove: number, holdS: number, speedPct = 70): Rule => ({
  id: 'draw',
  kind: 'hold-after-fall',
  input: inputId,
  armAbove,
  speedPct,
  holdS,
})
