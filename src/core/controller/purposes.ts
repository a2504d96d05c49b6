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
  'cutOut.offBelowPct': 'Below this speed the fan stands (low-speed cut-out); it is no floor.',
  'cutOut.backAtPct': 'What must be asked for the fan to run again after the cut-out.',
  'startTrim.signalPct': 'The output at which the fan just turns; it stands for the lowest speed (start trim).',
  'powerReturn.waitS': 'How long everything stands when the supply comes back (staggered start).',
  'night.floorPct': 'The lowest speed by night (night minimum).',
  'night.ceilingPct': 'The highest speed by night (night maximum).',
  'target.at': 'What the room is to have (target); points tied to it move with it.',
  'target.nightAt': 'The target by night.',
  'season.now': 'Which season it is put to, counted from 1, where it knows no date.',
  'named.speedPct': 'A speed under a name (preset, gear).',
  'named.followerPct': 'What the second fan runs at with a named speed.',
  'stepUp.by': 'How many named speeds more while its condition stands.',
  'byAge.speedPct': 'Least air on a day of its table (minimum by age).',
  'byAge.day': 'A day of its table (age).',
  'output.at': 'The reading at which another output comes on: alarm, bypass, heater.',
  'output.overTarget': 'How far over the target another output comes on: bypass, heater.',
  'output.barUnderTarget': 'How far under the target the reading is that bars another output; 0 for never barred.',
  'output.release': 'How far back the reading must come for that output to go off.',
  'output.delayS': 'How long a reason must have stood before another output comes on.',
  'output.holdS': 'How long another output stays on when no reason stands any more.',
  'output.level': 'At which of its levels another output works (heater step).',
  'signal.type':
    'What the output gives: 0 is 0–10 V, 1 is 2–10 V, 2 is 0–10 V off below 2 V, 3 is pulse width, 4 is pulse width inverted.',
  'switch.contact': 'What the contact does when it comes on: 0 closes (normally open), 1 opens (normally closed).',
  'follower.floorPct': 'The lowest speed of the second fan.',
  'follower.atLeadFloor':
    'What the second fan does while the first is at its floor: 0 follows on, 1 goes to its own floor, 2 stops.',
  'stages.joinAt': 'The reading at which the next fan joins (stage by temperature).',
  'stages.inletPct': 'How far the inlets are open with so many fixed fans, counted from none.',
  'steps.stepPct': 'In which steps the output moves.',
  'scan.everyS': 'How often its inputs are read.',
  'rate.upPctPerS': 'How fast the speed may rise, percent of the range a second.',
  'rate.downPctPerS': 'How fast the speed may fall, percent of the range a second.',
  'overheat.onAt': 'The heat of the controller itself at which it runs full.',
  'overheat.offBelow': 'Below which its own heat is over.',
  'test.speedPct': 'The speed while its test switch is on.',
  'input.lostBelow': 'The reading below which the signal counts as lost.',
  'input.used': 'Whether this input is in use: 1 where something reads it, 0 where it is left free.',
}

/** What can be said of a setting that somebody describes: what it is for, by what it stands for. */
export const MEANING_CHOICES: readonly (readonly [means: Setting['means'], text: string])[] = [
  ['unknown', 'Nobody at hand knows what it does.'],
  ['nothing', 'Nothing of how the fan runs: a clock, a lock, a unit.'],
  ...(Object.entries(PURPOSES) as [Meaning, string][]),
]

/** What a setting is for: the model's own words where it has some. */
export const purposeOf = (setting: Setting): string =>
  setting.purpose ??
  (isPart(setting)
    ? PURPOSES[setting.means]
    : setting.means === 'unknown'
      ? 'Nobody at hand knows what it does.'
      : 'It changes nothing of how the fan runs.')
