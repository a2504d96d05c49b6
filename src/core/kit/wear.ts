/** Starts an hour that a motor and its starter stand in the long run. Common practice, no source. */
export const MOST_STARTS_AN_HOUR = 10
