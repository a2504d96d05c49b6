/** What an address asks of a list. */
export type ListQuery = { readonly before?: string; readonly holds?: string }

/** Only what holds this text, and where the page begins: nothing of it goes further than it may. */
export const readListQuery = ({
  before = '',
  holds = '',
}: ListQuery): { holds: string; before: number | undefined } => ({
  holds: holds.slice(0, 80),
  before: /^\d{1,15}$/.test(before) ? Number(before) : undefined,
})
