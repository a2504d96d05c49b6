import type { Duty } from '@/core/brief/duty'
import { formatTime } from '@/core/quantity/format'
import { paperHead } from '@/core/record/paperHead'
import type { Sealed } from '@/core/record/sealed'
import { boostOf } from '@/core/rules/table'

/** What the people who live or work with it are told: no figure they do not need, no word of the trade. */
export type PeopleSheet = {
  readonly title: string
  readonly does: readonly string[]
  readonly normal: readonly string[]
  /** What they may see, and what to do then. */
  readonly when: readonly { readonly seen: string; readonly act: string; readonly urgent: boolean }[]
  readonly foot: string
}

type Told = Pick<PeopleSheet, 'does' | 'normal' | 'when'>

const CALL = 'Call whoever looks after it.'
const quiet = (seen: string, act: string) => ({ seen, act, urgent: false })
const grave = (seen: string, act: string) => ({ seen, act, urgent: true })

/** By duty, in plain words. */
const TOLD: Readonly<Record<Duty, Told>> = {
  extract: {
    does: ['It takes damp air out, a little all the time, and more when the room is used.'],
    normal: ['A soft hum that never stops.', 'It runs faster for a while after a shower or a bath.'],
    when: [
      quiet('It has stopped altogether', `Look whether its switch is on. ${CALL}`),
      quiet('Mirrors stay misted for an hour', 'Open the door a little; clean the grille. Then call.'),
      grave(
        'A stove, boiler or fire smokes into the room',
        'Put it out, open a window, leave the fan off, and call at once.',
      ),
    ],
  },
  exhaust: {
    does: ['It keeps a warm place from getting too hot.'],
    normal: ['It runs faster the warmer it gets, and slower at night.'],
    when: [
      grave('It is hot and the fan stands still', 'Switch off what makes the heat, keep away from it, and call.'),
      quiet('It roars all the time', `Something blocks the air: look at the grilles. ${CALL}`),
    ],
  },
  'head-pressure': {
    does: ['It keeps the cooling right when it is cold outside.'],
    normal: ['Outside, the fan runs slowly, or stands, in frost.'],
    when: [
      grave('The store gets warm', 'Keep the doors shut, move what spoils, and call at once.'),
      quiet('The fan starts and stops every few minutes', CALL),
    ],
  },
  livestock: {
    does: ['It gives the animals fresh air, more the warmer it is.'],
    normal: [
      'Fans come on one after another as it gets warmer.',
      'At night a fan may run only part of each few minutes.',
    ],
    when: [
      grave('Every fan stands still', 'Open doors and shutters now. Animals have hours, not days. Then call.'),
      grave('The alarm sounds', 'Go and look at once, whatever the hour.'),
      quiet('One fan of several stands still', CALL),
    ],
  },
  'grow-room': {
    does: ['It keeps the room neither too warm nor too damp, by day and by night.'],
    normal: ['The door pulls inwards a little.', 'It is faster by day than by night.'],
    when: [
      quiet('The door pushes outwards', `Air leaks out of the room. ${CALL}`),
      grave('Lamps are on and the fan stands still', 'Switch the lamps off, then call.'),
    ],
  },
  'stove-flue': {
    does: ['It helps the fire: it moves its heat, or draws its smoke.'],
    normal: ['It comes on when the fire is warm and goes on a while after.'],
    when: [
      grave(
        'Smoke or fumes come into the room',
        'Leave, let air in, put the fire out if you safely can, and call. The alarm is right even when nothing smells.',
      ),
      quiet('It starts and stops all the time', CALL),
    ],
  },
  balanced: {
    does: ['It brings fresh air in and takes used air out, and keeps the warmth.'],
    normal: ['You hardly hear it.', 'In summer it may let the cool night in.'],
    when: [
      quiet('A sign asks for the filter', 'Switch it off before its door is opened; change the filter.'),
      grave('A stove or fire smokes into the room', 'Put it out, open a window, switch the air off, and call.'),
    ],
  },
  'door-curtain': {
    does: ['It blows a curtain of air across the door, so that the warmth stays in.'],
    normal: ['It blows harder while the door is open, and goes on a while after it shuts.'],
    when: [
      quiet('It blows cold in winter', CALL),
      grave(
        'It smells hot, or blows after it was switched off for more than ten minutes',
        'Leave its power on so that it can cool, keep away, and call.',
      ),
    ],
  },
  electronics: {
    does: ['It keeps the electronics from getting too hot.'],
    normal: ['It is louder on warm days.'],
    when: [
      grave('It is silent and the cupboard is hot', 'Switch off what is in it if you may, and call.'),
      quiet('It whistles or rattles', CALL),
    ],
  },
}

export function peopleSheet(sealed: Sealed): PeopleSheet {
  const { document } = sealed
  const told = TOLD[document.brief.duty]
  const { day, person } = paperHead(sealed)
  const boost = boostOf(document.response.rules)
  const overrunS = boost && 'overrun' in boost && boost.overrun?.kind === 'fixed' ? boost.overrun.holdS : null
  return {
    title: document.name,
    ...told,
    normal: [
      ...told.normal,
      ...(overrunS === null
        ? []
        : [`After its switch is turned off it goes on for ${formatTime(overrunS, sealed.preference)}.`]),
    ],
    foot: [
      'Do not open it and do not change what is set: its figures are on the card inside the box.',
      ...(day ? [`Set on ${day}, ${person}.`] : []),
    ].join(' '),
  }
}
