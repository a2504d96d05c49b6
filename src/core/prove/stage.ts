/** Readings of one moment: measured inputs as they are in the air or at the metal, contacts, and the clock. */
export type Values = Readonly<Record<string, number>>

/** Something that is brought about and stands for a time. The first stage of a check is rest. */
export type Stage = {
  readonly values: Values
  readonly forS: number
  /** The supply is away. */
  readonly power?: false
}
