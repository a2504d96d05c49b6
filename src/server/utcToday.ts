/** The date of now in UTC, YYYY-MM-DD: near enough for seasons and ages, and the same for everyone. */
export const utcToday = (): string => new Date().toISOString().slice(0, 10)
