import type { Duty } from '@/core/brief/duty'
import type { Brief } from '@/core/brief/schema'

/** One look at how it is wired and mounted. `good` is the answer that is wanted; the other one becomes a judgement. */
export type MountingQuestion = {
  readonly id: string
  readonly ask: string
  readonly good: 'yes' | 'no'
  readonly severity: 'hurts' | 'fails' | 'wears'
  /** Said where the answer is not the good one. */
  readonly otherwise: string
  readonly cure: string
  /** Only asked for these duties. */
  readonly duties?: readonly Duty[]
  /** Only asked where the brief says that the building has an open flue. */
  readonly withOpenFlue?: true
}

/** Common practice, no source; maker's instructions and local codes come first. */
const MOUNTING: readonly MountingQuestion[] = [
  {
    id: 'series',
    ask: 'Is there another speed control between supply and fan?',
    good: 'no',
    severity: 'hurts',
    otherwise: 'Two speed controls stand in series.',
    cure: 'Each upsets the other, and the motor or a control burns. Take one out, or set it to straight through.',
  },
  {
    id: 'surface',
    ask: 'Does the controller hang on a surface that does not burn?',
    good: 'yes',
    severity: 'hurts',
    otherwise: 'The controller hangs on something that burns.',
    cure: 'It gives off heat: a board of metal, brick or mineral behind it, or another place.',
  },
  {
    id: 'air',
    ask: 'Has it air around it, in no closed cupboard?',
    good: 'yes',
    severity: 'hurts',
    otherwise: 'The controller has no air around it.',
    cure: 'It overheats at full load. Move it, or open the cupboard; note what its rating comes down to.',
  },
  {
    id: 'overheated',
    ask: 'Has it ever overheated here?',
    good: 'no',
    severity: 'fails',
    otherwise: 'The controller has overheated here before.',
    cure: 'Once is enough: move it to a cooler place.',
  },
  {
    id: 'isolator',
    ask: 'Does one isolator in reach cut every supply, switched ones too?',
    good: 'yes',
    severity: 'hurts',
    otherwise: 'No single isolator cuts every supply.',
    cure: 'A permanent and a switched live stay apart: label both, and have a licensed electrician fit one that cuts all poles.',
  },
  {
    id: 'ingress',
    ask: 'Does its protection suit where it hangs: splash, hose, dust, frost?',
    good: 'yes',
    severity: 'hurts',
    otherwise: 'Its protection does not suit the place.',
    cure: 'Move it out of the zone, or put it in an enclosure made for it, and look at its heat again.',
  },
  {
    id: 'probe-air',
    ask: 'Is each probe out of sun, lamps and the draught of its own fan?',
    good: 'yes',
    severity: 'fails',
    otherwise: 'A probe reads something other than what it should.',
    cure: 'In the air or at the metal that matters; fasten it there, uncrushed.',
  },
  {
    id: 'probe-first',
    ask: 'Was every probe plugged in before power came on?',
    good: 'yes',
    severity: 'fails',
    otherwise: 'A probe was plugged in under power.',
    cure: 'Some controllers look for their probes only at start: power off, wait, power on, and see the reading.',
  },
  {
    id: 'backup',
    ask: 'Is there a backup thermostat on its own supply, and an alarm that reaches a person?',
    good: 'yes',
    severity: 'hurts',
    otherwise: 'Nothing ventilates the house, or calls anyone, when this controller dies.',
    cure: 'Animals die without air in hours: an independent thermostat on its own supply, and power and temperature alarms.',
    duties: ['livestock'],
  },
  {
    id: 'spillage',
    ask: 'Has the open flue passed a spillage test, with every extract at full?',
    good: 'yes',
    severity: 'hurts',
    otherwise: 'The open flue spills, or was not tested.',
    cure: 'Extract stays off until a certified person has made it pass. Carbon monoxide kills.',
    withOpenFlue: true,
  },
  {
    id: 'co-alarm',
    ask: 'Is there a carbon monoxide alarm in the room?',
    good: 'yes',
    severity: 'hurts',
    otherwise: 'There is no carbon monoxide alarm.',
    cure: 'Fit one before anything else is set. A fan never makes a stove safe.',
    duties: ['stove-flue'],
  },
]

/** Every look there is, asked here or not. */
export const MOUNTING_IDS: readonly string[] = MOUNTING.map(({ id }) => id)

export const mountingQuestions = ({ duty, answers }: Pick<Brief, 'duty' | 'answers'>): readonly MountingQuestion[] =>
  MOUNTING.filter(
    ({ duties, withOpenFlue }) => (!duties || duties.includes(duty)) && (!withOpenFlue || answers?.openFlue === true),
  )
