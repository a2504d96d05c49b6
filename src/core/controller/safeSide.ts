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
 *  Common practice, no source: where in doubt, more air.
 *  @param lowerIsMore whether a lower point means more air; not so for falling ramps and for heating */
export function safeSide(means: Meaning, duty: Duty, lowerIsMore = true): SafeSide {
  const earlier = { towards: lowerIsMore ? ('down' as const) : ('up' as const) }
  switch (means) {
    case 'floor':
      return { towards: 'up', because: 'below the floor it may not restart' }
    case 'ramp.startAt':
    case 'differential.setPoint':
      return { ...earlier, because: `an earlier start gives more air, and ${MORE_AIR[duty]}` }
    case 'ramp.span':
      return { towards: 'down', because: `a shorter band gives more air, and ${MORE_AIR[duty]}` }
    case 'surge.rise':
    case 'surge.release':
    case 'afterRun.armAbove':
    case 'cycle.periodS':
    case 'stages.joinPct':
    case 'switch.onDelayS':
      return { towards: 'down', because: `sooner and longer gives more air, and ${MORE_AIR[duty]}` }
    case 'ramp.fromPct':
    case 'ramp.toPct':
    case 'switch.speedPct':
    case 'differential.speedPct':
    case 'surge.speedPct':
    case 'cycle.speedPct':
    case 'cycle.onS':
    case 'afterRun.speedPct':
    case 'lost.speedPct':
      return { towards: 'up', because: `more air, as ${MORE_AIR[duty]}` }
    case 'switch.overrunS':
    case 'surge.windowS':
    case 'surge.capS':
    case 'runOn.holdS':
    case 'afterRun.holdS':
      return { towards: 'up', because: 'a longer time clears more' }
    case 'differential.width':
    case 'differential.minOnS':
    case 'differential.minOffS':
    case 'stages.offBelowPct':
    case 'stages.minStageS':
      return { towards: 'up', because: 'a wider band and longer times spare the motors' }
    case 'coolDown.speedPct':
    case 'coolDown.holdS':
      return { towards: 'up', because: 'the heater must not be left without air' }
    case 'kick.speedPct':
    case 'kick.holdS':
      return { towards: 'up', because: 'a stronger start is surer' }
    case 'follower.ratioPct':
      return { towards: 'down', because: 'less make-up keeps the room under suction' }
    case 'reduction.byPct':
      return { towards: 'down', because: 'a smaller reduction leaves more air' }
    case 'restBand.fromPct':
      return { towards: 'down', because: 'a wider band is sure to hold the resonance' }
    case 'restBand.toPct':
      return { towards: 'up', because: 'a wider band is sure to hold the resonance' }
    case 'ceiling':
      return { towards: 'nearest', because: 'a ceiling is set for noise or pressure, either side is near' }
    case 'light.level':
    case 'light.delayS':
    case 'reduction.at':
    case 'input.offset':
      return { towards: 'nearest', because: 'either side is as good' }
  }
}
