import type { Duty } from '@/core/brief/duty'

/** What a fan of this duty does while the probe it answers to has no reading, as percent of its range.
 *  Common practice, no source; door curtain: reference-values `ctl.sensorFault`; exhaust and balanced: common practice, no source.
 *  @param floorPct lowest running speed: the trickle of an extract fan, the least air of a home */
export function lostSensorPct(duty: Duty, floorPct: number): number {
  switch (duty) {
    // Lives, machines and heat: too much air does less harm than none.
    case 'livestock':
    case 'head-pressure':
    case 'electronics':
    case 'exhaust':
    case 'stove-flue':
      return 100
    case 'extract':
    case 'balanced':
      return floorPct
    // A set speed between: the crop stands neither heat nor drying out for long.
    case 'grow-room':
      return Math.max(50, floorPct)
    case 'door-curtain':
      return 0
  }
}
