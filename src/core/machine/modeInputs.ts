import type { Response } from '@/core/response/schema'
import type { MODES } from '@/core/rules/common'
import { fillSpan, WEEK_MIN } from '@/core/rules/week'

/** Inputs that make it day or night: light at its level or without any, a time inside or outside the day. Null where that mode never comes. */
export function modeInputs(
  { light, dayByWeek }: Pick<Response, 'light' | 'dayByWeek'>,
  mode: (typeof MODES)[number],
): Readonly<Record<string, number>> | null {
  if (light) return mode === 'day' || light.level > 0 ? { [light.input]: mode === 'day' ? light.level : 0 } : null
  if (!dayByWeek) return null
  const isDay = new Uint8Array(WEEK_MIN)
  for (const span of dayByWeek) fillSpan(isDay, span, 1)
  const minute = isDay.indexOf(mode === 'day' ? 1 : 0)
  return minute < 0 ? null : { clock: minute * 60 }
}
