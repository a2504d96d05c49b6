/** Decibels a decade of speed. AMCA 301, from memory; it misses the hum of phase cut, tones and grilles. */
const DB_A_DECADE = 50

/** How much louder (dB) a fan is at another speed, given as the new over the old one. */
export const soundChangeDb = (ratio: number): number => DB_A_DECADE * Math.log10(ratio)

/** Shaft power at another speed over that at the old one: the third fan law. */
export const powerRatio = (ratio: number): number => ratio ** 3
