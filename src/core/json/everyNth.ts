/** About so many of a list, at even steps, the first and the last among them. */
export function everyNth<T>(list: readonly T[], about: number): readonly T[] {
  const step = Math.max(1, Math.ceil(list.length / about))
  return list.filter((_, index) => index % step === 0 || index === list.length - 1)
}
