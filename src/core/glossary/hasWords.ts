/** Whether each word typed stands somewhere in a text, in whatever order and case. Nothing typed stands in every text. */
export function hasWords(text: string, typed: string): boolean {
  const hay = text.toLowerCase()
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => hay.includes(word))
}
