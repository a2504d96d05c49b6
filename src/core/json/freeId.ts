/** `wanted`, or the first of `wanted-2`, `wanted-3`… that is not taken. */
export function freeId(taken: readonly string[], wanted: string): string {
  if (!taken.includes(wanted)) return wanted
  let number = 2
  while (taken.includes(`${wanted}-${number}`)) number++
  return `${wanted}-${number}`
}
