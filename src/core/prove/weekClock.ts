import type { WeekSpan } from '@/core/rules/weekSpan'

/** The clock of a minute of the first day of a span, in seconds since Monday 00:00. */
export const clockAt = ({ days }: WeekSpan, minute: number): number => ((days[0]! * 1440 + minute + 10080) % 10080) * 60
