import { isPart, type Meaning, type Setting } from '@/core/controller/schema'

/** What a setting is for, by what it stands for; in plain words, the trade's word beside them. */
const PURPOSES: Record<Meaning, string> = {
  floor: 'The lowest speed of the running fan (minimum speed).',
  ceiling: 'The highest speed it ever runs at (maximum speed).',
  'ramp.startAt': 'Where the speed begins to climb (start of the proportional band).',
  'ramp.span': 'Over how much it climbs to its end (proportional band).',
  'ramp.fromPct': 'The speed at which the climb begins.',
  'ramp.toPct': 'The speed at which the climb ends.',
  'switch.speedPct': 'The speed while the contact is on (boost).',
  'switch.onDelayS': 'How long the contact must be on before the fan answers (on-delay).',
  'switch.overrunS': 'How long it runs on after the contact went off (overrun).',
  'differential.setPoint': 'The point by which it comes on and goes off (set point).',
  'differential.width': 'How far apart coming on and going off lie (differential).',
  'differential.onAt': 'The reading at which it comes on.',
  'differential.offAt': 'The reading at which it goes off.',
  'differential.speedPct': 'The speed while it is on.',
  'differential.minOnS': 'The least time it stays on.',
  'differential.minOffS': 'The least time it stays off.',
  'rapidRise.rise': 'How much the reading must rise quickly for it to answer (rapid rise).',
  'rapidRise.release': 'How far above where it began the reading may still be when the answer ends.',
  'rapidRise.windowS': 'Within what time the rise must happen.',
  'rapidRise.capS': 'The longest it answers a rise.',
  'rapidRise.speedPct': 'The speed of the answer to a rise.',
  'cycle.onS': 'How long it runs in each period (cycle).',
  'cycle.periodS': 'How long one period is (cycle).',
  'cycle.speedPct': 'The speed of the cycle.',
  'holdAfterFall.armAbove': 'Above it the fan runs; falling to it, the time after begins.',
  'holdAfterFall.holdS': 'How long it runs on once the reading has fallen.',
  'holdAfterFall.speedPct': 'The speed while it runs and runs on.',
  'follower.ratioPct': 'How fast the second fan runs for each percent of the first (ratio).',
  'kick.speedPct': 'The speed of the short push from rest (start kick).',
  'kick.holdS': 'How long the push from rest lasts (start kick).',
  'finalRunOn.holdS': 'How long it runs on when everything stops asking (run-on).',
  'heaterPurge.speedPct': 'The least speed while a heater heats and after it (cool-down).',
  'heaterPurge.holdS': 'How long the heater is given air after it went off (cool-down).',
  'light.level': 'At and above this light it is day.',
  'light.delayS': 'How long the light must have changed before day or night changes.',
  'reduction.at': 'The point past which it runs slower (reduction).',
  'reduction.byPct': 'By how much it runs slower (reduction).',
  'skipBand.fromPct': 'The lower edge of the speeds it passes over (skip band).',
  'skipBand.toPct': 'The upper edge of the speeds it passes over (skip band).',
  'stages.joinPct': 'At which demand the next fan joins (stage).',
  'stages.offBelowPct': 'How far under its join a fan leaves again (stage differential).',
  'stages.minStageS': 'The least time between two changes of the number of fans.',
  'input.offset': 'What is added to the reading of the probe (offset).',
  'lost.speedPct': 'The speed when the probe has no reading.',
}

/** What a setting is for: the model's own words where it has some. */
export const purposeOf = (setting: Setting): string =>
  setting.purpose ??
  (isPart(setting)
    ? PURPOSES[setting.means]
    : setting.means === 'unknown'
      ? 'Nobody at hand knows what it does.'
      : 'It changes nothing of how the fan runs.')
