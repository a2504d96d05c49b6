import type { Duty } from '@/core/brief/duty'
import type { Meaning } from '@/core/controller/schema'

export type SafeSide = { readonly towards: 'up' | 'down' | 'nearest'; readonly because: string }

const MORE_AIR: Record<Duty, string> = {
  extract: 'damp air must not be left standing',
  exhaust: 'heat must not build up',
  'head-pressure': 'pressure must not climb',
  livestock: 'animals must not be short of air',
  'grow-room': 'the room must not pass its limit',
  'stove-flue': 'the flue must keep drawing',
  balanced: 'the home must not be short of air',
  'door-curtain': 'the door must stay covered',
  electronics: 'the component must stay below its limit',
}

/** To which side a setting is rounded when the controller cannot have the value asked for, and why.
 *  Common practice, no source: where in doubt, more air. */
export function safeSide(means: Meaning, duty: Duty): SafeSide {
  switch (means) {
    case 'floor':
      return { towards: 'up', because: 'below the floor it may not restart' }
    case 'ramp.startAt':
    case 'ramp.span':
      return { towards: 'down', because: `an earlier start gives more air, and ${MORE_AIR[duty]}` }
    case 'ramp.fromPct':
    case 'ramp.toPct':
    case 'switch.speedPct':
      return { towards: 'up', because: `more air, as ${MORE_AIR[duty]}` }
    case 'switch.overrunS':
      return { towards: 'up', because: 'a longer overrun clears more' }
    case 'kick.speedPct':
    case 'kick.holdS':
      return { towards: 'up', because: 'a stronger start is surer' }
    case 'follower.ratioPct':
      return { towards: 'down', because: 'less make-up keeps the room under suction' }
    case 'ceiling':
      return { towards: 'nearest', because: 'a ceiling is set for noise or pressure, either side is near' }
  }
}
