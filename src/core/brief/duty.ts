export const DUTIES = [
  'extract',
  'exhaust',
  'head-pressure',
  'livestock',
  'grow-room',
  'stove-flue',
  'balanced',
  'door-curtain',
  'electronics',
] as const
export type Duty = (typeof DUTIES)[number]

export const DUTY_NAMES: Record<Duty, string> = {
  extract: 'extract',
  exhaust: 'exhaust',
  'head-pressure': 'head pressure',
  livestock: 'livestock',
  'grow-room': 'grow room',
  'stove-flue': 'stove and flue',
  balanced: 'balanced',
  'door-curtain': 'door curtain',
  electronics: 'electronics cooling',
}

/** One line of what somebody would have it for. Common practice, no source. */
export const DUTY_EXAMPLES: Record<Duty, string> = {
  extract: 'A bathroom or kitchen fan that trickles, and boosts while it is damp.',
  exhaust: 'A store or workshop whose fan runs faster as it warms.',
  'head-pressure': 'Condenser fans that keep the pressure of a cold room’s plant in its band.',
  livestock: 'A calf house or brooder: never without air, more as it warms.',
  'grow-room': 'A grow tent or fruiting room held between two temperatures and humidities.',
  'stove-flue': 'A blower or flue fan that follows the heat of a stove.',
  balanced: 'A heat-recovery unit with supply and extract that must stay in step.',
  'door-curtain': 'Warm air across a door that is opened and shut all day.',
  electronics: 'An inverter, rack or cabinet kept below the limit of its parts.',
}
