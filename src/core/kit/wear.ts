/** Starts an hour that a motor and its starter stand in the long run. Common practice, no source. */
export const MOST_STARTS_AN_HOUR = 10
/** And the even ones of a cycle timer: five minutes are a usual period. Common practice, no source. */
export const MOST_CYCLES_AN_HOUR = 15
