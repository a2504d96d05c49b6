import { evaluating, withResponse, type Judgement } from '@/core/advise/judgement'
import { momentFacts } from '@/core/advise/momentFacts'
import { airOf, atRest, leastOver, settledAt, switchesOfRole, through, type Where } from '@/core/advise/reach'
import { says } from '@/core/advise/words'
import type { Installation } from '@/core/installation/installation'

/** Common practice, no source: not less than 45 % for 30 s and more after heat was given, so that a heater is never left without air. */
const LEAST_PCT = 45
const LEAST_S = 30
const USUAL_S = 60

/** Whether elements are heated that need air to cool: electric by its answer, or nobody knows and something gives heat. */
function hasElements({ brief, response }: Installation, heats: readonly string[]): boolean {
  const heater = brief.answers?.heater
  if (brief.duty === 'door-curtain' && heater === 'electric') return true
  if (heater === 'water' || heater === 'none') return false
  return heats.length > 0 || (response.otherOutputs ?? []).some(({ kind }) => kind === 'heater')
}

/** Least speed in the time after heat has ended, and how long the wanted one is kept. */
function afterHeat(where: Where, heat: string): { readonly leastPct: number; readonly keptS: number } {
  const rest = atRest(where)
  const state = settledAt(where, { ...rest, [heat]: 1 })
  let leastPct = Infinity
  let passedS = -1
  let keptS: number | null = null
  for (const { fansPct } of through(where, state, rest, USUAL_S, 1)) {
    passedS++
    if (passedS < LEAST_S) leastPct = Math.min(leastPct, fansPct[0]!)
    if (fansPct[0]! < LEAST_PCT - 0.5) keptS ??= passedS
  }
  return { leastPct, keptS: keptS ?? USUAL_S }
}

/** A heater that is left hot without air burns its elements or trips its cut-out; one that is permitted while the fan stands does so at once. */
export const heaterWithoutAir = evaluating((where, installation, { lead }) => {
  const { response } = where.machine
  const heats = switchesOfRole(where, 'heat')
  if (!hasElements(installation, heats)) return []
  const rest = atRest(where)
  const restPct = leastOver(where, (moment) => settledAt(where, moment).fansPct[0]!).value
  const heaterPurge = installation.response.heaterPurge
  const worst = heats
    .map((heat) => ({ heat, ...afterHeat(where, heat) }))
    .reduce<{ heat: string; leastPct: number; keptS: number } | null>(
      (least, one) => (least === null || one.leastPct < least.leastPct || one.keptS < least.keptS ? one : least),
      null,
    )
  const isLeft = worst === null ? restPct < LEAST_PCT : worst.keptS < LEAST_S
  const mended = {
    input: heaterPurge?.input ?? heats[0] ?? '',
    speedPct: Math.max(LEAST_PCT, heaterPurge?.speedPct ?? 0),
    holdS: Math.max(USUAL_S, heaterPurge?.holdS ?? 0),
  }
  const cooled: Judgement[] = isLeft
    ? [
        {
          id: 'heater-purge-too-short',
          severity: 'hurts',
          path: 'response.heaterPurge',
          says: says('heater-purge-too-short', { after: worst, leastPct: LEAST_PCT, leastS: LEAST_S, cure: mended }),
          figure: { value: worst?.keptS ?? 0, worse: -1, step: 5 },
          cure: mended.input === '' ? null : { apply: (held) => withResponse(held, { heaterPurge: mended }) },
        },
      ]
    : []
  const startPct = lead?.startPct ?? 0
  const permitted = (response.otherOutputs ?? []).flatMap((output, place): Judgement[] => {
    if (output.kind !== 'heater') return []
    const held = where.machine.otherOutputs[place]!
    const least = leastOver(where, (moment) => {
      const state = settledAt(where, moment)
      return held.isOn(state.memory) ? airOf(where, state) : Infinity
    })
    // A condition on speed that speed alone fulfils at rest.
    const isFree = output.onWhen.some(
      (condition) =>
        condition.kind === 'speed' &&
        condition.when === 'at-or-above' &&
        condition.atPct <= startPct &&
        !output.notWhile.some((bar) => bar.kind === 'speed'),
    )
    if (least.value > startPct && !isFree) return []
    return [
      {
        id: `heater-without-air-${output.id}`,
        severity: 'hurts',
        path: `response.otherOutputs.${place}`,
        says: says('heater-without-air', {
          name: output.name,
          leastPct: Number.isFinite(least.value) ? least.value : null,
          with: least.moment === rest ? [] : momentFacts(where, least.moment, rest),
        }),
        cure: null,
      },
    ]
  })
  return [...cooled, ...permitted]
})
