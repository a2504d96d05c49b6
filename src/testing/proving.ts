import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import type { Check } from '@/core/prove/check'
import { proveContext, type ProveContext } from '@/core/prove/context'
import { askMost } from '@/core/prove/fast'
import { provePlan } from '@/core/prove/plan'
import type { Stage, Values } from '@/core/prove/stage'
import { inputHalf, METER_HALF_PCT, together } from '@/core/prove/uncertainty'
import type { VerdictKind } from '@/core/prove/verdict'
import { isMeasured } from '@/core/rules/input'
import { FAULT_KINDS, faultsOf, TOLERANCES, type Fault, type FaultKind } from '@/testing/faults'
import { anyErrors, NO_ERRORS, ProvingSite } from '@/testing/provingSite'

type Tally = { caught: number; missed: string[]; cannotTell: number }
export type ProvingTable = {
  readonly plays: number
  /** Plays of right sites in which a check did not pass, and which. */
  readonly falseAlarms: string[]
  readonly byKind: Readonly<Record<FaultKind, Tally>>
}

const MOMENTS = 25
/** From a second to some hours. */
const TIMES = Array.from({ length: 60 }, (_, index) => 1.18 ** index)
const TIMED: ReadonlySet<FaultKind> = new Set(['wrong time', 'missing overrun', 'missing kick', 'missing heater purge'])

/** Moments in which something might show: what each rule asks most at, and some by chance. */
function momentsOf(context: ProveContext, random: () => number): Values[] {
  const { response, machine, rest } = context
  const chance = Array.from({ length: MOMENTS }, (): Values => ({
    ...Object.fromEntries(
      response.inputs.map((input) => [
        input.id,
        isMeasured(input) ? input.from + (input.to - input.from) * random() : random() < 0.3 ? 1 : 0,
      ]),
    ),
    clock: Math.floor(random() * 10080) * 60,
  }))
  const switches = response.inputs.flatMap((input): Values[] => (isMeasured(input) ? [] : [{ ...rest, [input.id]: 1 }]))
  const most = machine.rules.flatMap((rule): Values[] => {
    const moment = askMost(context, rule)
    return moment ? [moment.values] : []
  })
  return [...most, ...switches, ...chance]
}

/** Whether a fault shows anywhere by three tolerances of a speed: found by trying moments, not by the plan that is tested. */
function hasEffect(context: ProveContext, { kind, wrong }: Fault, random: () => number): boolean {
  const [right, site] = [{}, wrong].map((of) => new ProvingSite(context, NO_ERRORS, random, of))
  const { inputs, steps } = context.response
  // What a reading may lie off there: every probe that is read by as much as it may.
  const tolerance = (stages: readonly Stage[], from: readonly number[]): number[] => {
    const moved = [-1, 1].flatMap((way) =>
      inputs.filter(isMeasured).map((input) =>
        right!.fansAfter(
          stages.map((stage) => ({
            ...stage,
            values: {
              ...stage.values,
              [input.id]: (stage.values[input.id] ?? NaN) + way * inputHalf(context.installation, input, 0),
            },
          })),
        ),
      ),
    )
    return from.map((pct, fan) =>
      together([METER_HALF_PCT, steps.stepPct / 2, Math.max(0, ...moved.map((row) => Math.abs(row[fan]! - pct)))]),
    )
  }
  const differ = (stages: readonly Stage[]): boolean => {
    const [from, to] = [right!.fansAfter(stages), site!.fansAfter(stages)]
    const off = from.map((pct, fan) => Math.abs(pct - to[fan]!))
    if (off.every((points) => points < TOLERANCES * METER_HALF_PCT)) return false
    const halves = tolerance(stages, from)
    return off.some((points, fan) => points >= TOLERANCES * halves[fan]!)
  }
  const rest: Stage = { values: context.rest, forS: 0 }
  if (TIMED.has(kind)) {
    const differOver = (stages: readonly Stage[]): boolean => {
      const [from, to] = [right!, site!].map((of) => of.fansOver(stages, TIMES))
      const at = TIMES.findIndex((_timeS, place) =>
        from![place]!.some((pct, fan) => Math.abs(pct - to![place]![fan]!) >= TOLERANCES * METER_HALF_PCT),
      )
      return at >= 0 && differ([...stages.slice(0, -1), { ...stages.at(-1)!, forS: TIMES[at]! }])
    }
    return momentsOf(context, () => 0.5).some((values) => {
      const ask: Stage = { values, forS: 120 }
      const off: Stage = { values, forS: 1, power: false }
      return differOver([rest, ask]) || differOver([rest, ask, rest]) || differOver([rest, off, ask])
    })
  }
  return momentsOf(context, random).some(
    (values) =>
      differ([{ values, forS: 0 }]) ||
      differ([rest, { values, forS: 600 }]) ||
      differ([
        { values, forS: 0 },
        { values: context.rest, forS: 600 },
      ]),
  )
}

const outcome = (plan: readonly Check[], site: ProvingSite): readonly VerdictKind[] =>
  plan.map((check) => site.verdict(check))

/** What there is to prove of an installation; null where its response does not compile. */
function planOf(installation: Installation): { readonly context: ProveContext; readonly plan: Check[] } | null {
  const { machine } = derive(installation).given
  if (!machine) return null
  const context = proveContext(installation, machine)
  return { context, plan: provePlan(context) }
}

/** Plays the whole plan of each installation at sites that are right, and says which check did not pass. */
export function playRight(
  installations: readonly Installation[],
  playsEach: number,
  random: () => number,
): Pick<ProvingTable, 'plays' | 'falseAlarms'> {
  const falseAlarms: string[] = []
  let plays = 0
  for (const installation of installations) {
    const planned = planOf(installation)
    if (!planned) continue
    const { context, plan } = planned
    for (let play = 0; play < playsEach; play++) {
      plays++
      const verdicts = outcome(plan, new ProvingSite(context, anyErrors(context, random), random))
      const at = verdicts.findIndex((verdict) => verdict !== 'passes')
      if (at >= 0) falseAlarms.push(`${installation.name}: ${plan[at]!.id} ${verdicts[at]}`)
    }
  }
  return { plays, falseAlarms }
}

/** Plays the whole plan of each installation with every fault it could have. */
export function playWrong(installations: readonly Installation[], random: () => number): ProvingTable['byKind'] {
  const byKind = Object.fromEntries(
    FAULT_KINDS.map((kind): [FaultKind, Tally] => [kind, { caught: 0, missed: [], cannotTell: 0 }]),
  ) as Record<FaultKind, Tally>
  for (const installation of installations) {
    const planned = planOf(installation)
    if (!planned) continue
    const { context, plan } = planned
    for (const fault of faultsOf(context)) {
      const tally = byKind[fault.kind]
      if (!hasEffect(context, fault, random)) {
        tally.cannotTell++
        continue
      }
      const verdicts = outcome(plan, new ProvingSite(context, anyErrors(context, random), random, fault.wrong))
      if (verdicts.includes('fails')) tally.caught++
      else tally.missed.push(`${installation.name}: ${fault.wording}`)
    }
  }
  return byKind
}

/** The table as lines. */
export function provingLines({ plays, falseAlarms, byKind }: ProvingTable): string[] {
  return [
    `right sites: ${plays - falseAlarms.length} of ${plays} plays pass the whole plan`,
    ...FAULT_KINDS.map((kind) => {
      const { caught, missed, cannotTell } = byKind[kind]
      return `  ${kind.padEnd(26)} ${String(caught).padStart(5)} of ${String(caught + missed.length).padStart(5)} caught; ${cannotTell} cannot be told`
    }),
  ]
}
