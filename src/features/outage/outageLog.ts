import type { OutageItem } from '@/core/record/afterOutage'

const MOST_SIGNS = 2000

/** What goes into the log: when the power was away, what was done, and in full what was not. */
export function outageLog(
  items: readonly OutageItem[],
  done: readonly string[],
  { from, to }: { readonly from: string; readonly to: string },
): string {
  const toDo = items.filter(({ kind }) => kind !== 'know')
  const left = toDo.filter(({ id }) => !done.includes(id))
  const when = from || to ? `from ${from || '?'} to ${to || '?'}` : 'for a time nobody noted'
  const text = `The power was away ${when}. ${toDo.length - left.length} of ${toDo.length} looked at.${
    left.length > 0 ? ` Not done: ${left.map((item) => item.text).join(' ')}` : ''
  }`
  return text.length > MOST_SIGNS ? `${text.slice(0, MOST_SIGNS - 1)}…` : text
}
