import { compile } from '@/core/response/compile'
import { curveAgainst } from '@/core/response/curve'
import type { Response } from '@/core/response/schema'

/** How far two responses lie apart over the range of an input (percent of the fan's range). */
export type CurveDifference = {
  readonly input: string
  readonly greatestPct: number
  readonly at: number
  readonly meanPct: number
}

/** The largest such difference over all measured inputs, the others at rest; null where nothing can be compared. */
export function measureCurve(asked: Response, given: Response): CurveDifference | null {
  const [askedMachine, givenMachine] = [compile(asked), compile(given)]
  if (!askedMachine.ok || !givenMachine.ok) return null
  let worst: CurveDifference | null = null
  for (const input of asked.inputs) {
    if (input.kind === 'switch') continue
    const a = curveAgainst(askedMachine.value, input, {})
    const g = curveAgainst(givenMachine.value, input, {})
    let [greatestPct, at, sum] = [0, input.from, 0]
    a.forEach(({ x, pct }, index) => {
      const offPct = Math.abs(pct - g[index]!.pct)
      sum += offPct
      if (offPct > greatestPct) [greatestPct, at] = [offPct, x]
    })
    if (!worst || greatestPct > worst.greatestPct) worst = { input: input.id, greatestPct, at, meanPct: sum / a.length }
  }
  return worst
}
