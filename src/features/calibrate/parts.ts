/** The parts of calibrating, in the order of the work. */
export const PARTS = [
  { id: 'turning', name: 'Start and stall' },
  { id: 'map', name: 'Speed map' },
  { id: 'noise', name: 'Noise' },
  { id: 'probes', name: 'Probes' },
  { id: 'balance', name: 'Balance' },
  { id: 'instruments', name: 'Instruments' },
] as const
export type PartId = (typeof PARTS)[number]['id']
