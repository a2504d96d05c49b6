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
