/** What a machine remembers, and what it gave last. Made by `newState`, changed in place by `step`: one owner at a time. */
export type MachineState = {
  readonly memory: Float64Array
  /** The inputs as sensed: offsets added, combined, as of the last scan; then the clock and the date, then inputs
   *  moved by a set point or a target. */
  readonly sensed: Float64Array
  /** What each rule asked for in the last step; NaN for nothing. */
  readonly asksPct: Float64Array
  /** What each fan was given: the lead, its followers, the fixed fans of its stages. */
  readonly fansPct: Float64Array
  /** Asked, limited, held, who held, wanted of the lead, and what is left of the start kick: see the constants below. A typed array, because a number kept in an
   *  object is a new object each time it changes. */
  readonly figures: Float64Array
  /** Index of the rule in charge; −1 while the floor is, −2 while it runs on. */
  inCharge: number
}

export const ASKED_PCT = 0
export const LIMITED_PCT = 1
export const KICK_LEFT_S = 2
export const HELD_PCT = 3
/** Place in OVERRIDE_KINDS. */
export const HELD_BY = 4
/** What the lead is to run at, before steps, skip bands, rate and kick: with stages not the same as what was held. */
export const LEAD_PCT = 5
/** Where its output goes for that: on a step, in no skip band, inside floor and ceiling. */
export const AIM_PCT = 6
export const FIGURES = 7
export const IN_CHARGE_FLOOR = -1
export const IN_CHARGE_RUN_ON = -2
