import { beyond, settleS, speedCheck, standing, tells } from '@/core/prove/build'
import type { Check } from '@/core/prove/check'
import { brought, measuredOf, terminals, type ProveContext } from '@/core/prove/context'
import { bring, says } from '@/core/prove/words'
import type { MeasuredInput } from '@/core/rules/input'
import { ruleInputId } from '@/core/rules/table'

/** The input that brings the fans in: the reading by which they join, or that of the first ramp, which drives the demand. */
function driverOf(context: ProveContext): MeasuredInput | undefined {
  const byReading = context.response.stages?.fixed[0]?.joinsWhile
  if (byReading) return measuredOf(context, byReading.input)
  const ramp = context.machine.rules.find((rule) => 'fullAt' in rule)
  return ramp && measuredOf(context, ruleInputId(ramp) ?? '')
}

const PLACES = 240

/** Where on its way up the next fixed fan joins, and on its way down it leaves. */
function passages(context: ProveContext, driver: MeasuredInput): { joins: number[]; leaves: number[] } {
  const { machine, rest } = context
  const xs = Array.from(
    { length: PLACES + 1 },
    (_, index) => driver.from + ((driver.to - driver.from) * index) / PLACES,
  )
  const at = (x: number) => terminals(context, brought(context, rest, driver.id, x))
  const state = machine.settledState(at(xs[0]!))
  const stayS = settleS(context)
  const seen = (list: readonly number[], isJoin: boolean): number[] => {
    const found: number[] = []
    let running = machine.fixedRunning(state)
    for (const x of list) {
      for (let piece = 0; piece < 4; piece++) machine.step(state, at(x), stayS)
      const now = machine.fixedRunning(state)
      if (isJoin ? now > running : now < running) found.push(x)
      running = now
    }
    return found
  }
  const joins = seen(xs, true)
  return { joins, leaves: seen([...xs].reverse(), false).reverse() }
}

/** Each join: before it, past it, and back below the point where the fan leaves. */
export function ladderChecks(context: ProveContext): Check[] {
  const { stages, floor } = context.response
  const driver = driverOf(context)
  if (!stages || !driver) return []
  const { joins, leaves } = passages(context, driver)
  const { rest } = context
  return joins.flatMap((joinX, index) => {
    const leaveX = leaves[index]
    const fan = stages.fixed[index]
    if (leaveX === undefined || !fan) return []
    const at = (x: number) => standing(context, brought(context, rest, driver.id, x))
    const [past, back] = [beyond(context, driver.id, joinX, 1), beyond(context, driver.id, leaveX, -1)]
    const joined = (x: number) => ({ input: driver.id, x, fan: fan.fan })
    const check = speedCheck(
      context,
      {
        id: `stage-${index + 1}`,
        says: says('stage', { input: driver.id, past, fan: fan.fan, floorPct: floor.speedPct }),
      },
      brought(context, rest, driver.id, back),
      [
        { stage: at(back), bring: bring('fan-stands', joined(back)), brings: driver.id },
        { stage: at(past), bring: bring('fan-runs', joined(past)), brings: driver.id },
        { stage: at(back), bring: bring('fan-stands-again', joined(back)), brings: driver.id },
      ],
    )
    return tells(context, check) ? [check] : []
  })
}
