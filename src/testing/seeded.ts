export { normal, seededRandom as seeded } from '@/core/json/seededRandom'

/** One of a list. */
export const oneOf = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)]!
