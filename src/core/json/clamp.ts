/** `x` held between `low` and `high`; NaN stays NaN. */
export const clamp = (x: number, low: number, high: number): number => (x < low ? low : x > high ? high : x)
