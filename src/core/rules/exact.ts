/** Away with the last binary digits of a sum: 20.6 + 0.8 is 21.4, as the leaflet has it, for rules and outputs alike. */
export const exact = (x: number): number => Math.round(x * 1e9) / 1e9
