import type { Response } from '@/core/response/schema'

/** Every fan a response gives a speed to: the lead, its followers, the fixed fans of its stages. */
export const fanIdsOf = ({ lead, followers, stages }: Pick<Response, 'lead' | 'followers' | 'stages'>): string[] => [
  lead,
  ...followers.map(({ fan }) => fan),
  ...(stages?.fixed ?? []).map(({ fan }) => fan),
]
