/** About eight ticks at whole hours a clock would show, over a span in seconds. */
export function wholeHours(fromS: number, toS: number): number[] {
  const hours = (toS - fromS) / 3600
  const stepH = [1, 2, 3, 6, 12, 24, 48, 168, 336, 720].find((step) => hours / step <= 9) ?? 2160
  const first = Math.ceil(fromS / 3600 / stepH)
  const count = Math.floor(toS / 3600 / stepH) - first + 1
  return Array.from({ length: Math.max(0, count) }, (_, index) => (first + index) * stepH * 3600)
}
