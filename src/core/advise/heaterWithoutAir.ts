import { evaluating, withResponse, type Judgement } from '@/core/advise/judgement'
import { momentText } from '@/core/advise/momentText'
import { airOf, atRest, leastOver, settledAt, switchesOfRole, through, type Where } from '@/core/advise/reach'
import type { Installation } from '@/core/installation/installation'
import { formatPct, formatTime } from '@/core/quantity/format'

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
          title: 'The heater is left without air too soon.',
          detail: `${
            worst === null
              ? 'Nothing tells the fan that heat was given, and it may stand right after.'
              : `After heat it gives ${formatPct(worst.leastPct)} % within ${LEAST_S} s${worst.keptS > 0 ? `, and ${LEAST_PCT} % for only ${formatTime(worst.keptS)}` : ''}.`
          } At least ${LEAST_PCT} % for ${LEAST_S} s, and what its maker says.`,
          figure: { value: worst?.keptS ?? 0, worse: -1, step: 5 },
          cure:
            mended.input === ''
              ? null
              : {
                  label: `Cool at ${formatPct(mended.speedPct)} % for ${formatTime(mended.holdS)}`,
                  apply: (held) => withResponse(held, { heaterPurge: mended }),
                },
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
        title: `“${output.name}” is permitted while the fan may stand.`,
        detail: `${Number.isFinite(least.value) ? `It is permitted with the fan at ${formatPct(least.value)} %${least.moment === rest ? '' : ` ${momentText(where, least.moment, rest)}`}.` : 'Its speed condition lies at or below where the fan starts.'} Permit heat only from a speed at which air surely moves.`,
        cure: null,
      },
    ]
  })
  return [...cooled, ...permitted]
})
