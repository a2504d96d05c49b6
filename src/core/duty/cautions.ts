import type { Duty } from '@/core/brief/duty'

export type Caution = { readonly title: string; readonly detail: string; readonly isGrave: boolean }

const MAINS: Caution = {
  title: 'Isolate, lock off, prove dead.',
  detail: 'With a proven tester; wait for capacitors and blades. Fixed wiring is for a licensed electrician.',
  isGrave: true,
}
const RESTART: Caution = {
  title: 'Fans restart by themselves.',
  detail: 'When power returns, when it warms, when a clock says so. Keep hands out until it is locked off.',
  isGrave: true,
}
export const OPEN_FLUE: Caution = {
  title: 'An open flue anywhere in the building?',
  detail:
    'An extract fan can pull its gases into the room. A spillage test by a certified person, with every extract at full, comes first.',
  isGrave: true,
}

/** What must stand where the hand is, by duty: common practice, no source. */
export const CAUTIONS: Record<Duty, readonly Caution[]> = {
  extract: [MAINS, RESTART],
  exhaust: [MAINS, RESTART],
  'head-pressure': [
    MAINS,
    RESTART,
    {
      title: 'Refrigerant work is for certified people.',
      detail: 'Gauges, charge and pipework included. Fins cut.',
      isGrave: true,
    },
  ],
  livestock: [
    MAINS,
    RESTART,
    {
      title: 'Animals die without air in hours.',
      detail: 'A backup thermostat on its own supply, and an alarm that reaches a person, are not options.',
      isGrave: true,
    },
  ],
  'grow-room': [
    MAINS,
    RESTART,
    {
      title: 'CO₂ dosing?',
      detail: 'It collects low and in closed rooms: a monitor with an alarm before anyone goes in.',
      isGrave: true,
    },
  ],
  'stove-flue': [
    MAINS,
    RESTART,
    {
      title: 'Carbon monoxide.',
      detail: 'Never rely on a fan to make a stove safe: spillage test, alarm, and the maker’s instructions.',
      isGrave: true,
    },
  ],
  balanced: [MAINS, RESTART],
  'door-curtain': [MAINS, RESTART],
  electronics: [
    {
      title: 'Direct current stays live.',
      detail: 'Batteries and busbars are live with the mains off; leave them to a licensed electrician.',
      isGrave: true,
    },
    RESTART,
  ],
}
