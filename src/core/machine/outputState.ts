import type { OtherOutput } from '@/core/response/schema'

/** What each other output is called off and on. */
export const OUTPUT_STATE: Record<OtherOutput['kind'], readonly [off: string, on: string]> = {
  bypass: ['shut', 'open'],
  shutter: ['shut', 'open'],
  alarm: ['quiet', 'raised'],
  heater: ['not permitted', 'permitted'],
  lamp: ['dark', 'lit'],
  valve: ['shut', 'open'],
  permit: ['withheld', 'given'],
}
