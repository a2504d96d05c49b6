/** Seconds of the quickest of several runs. */
export function best(times: number, work: () => void): number {
  const seconds = Array.from({ length: times }, () => {
    const startedAt = performance.now()
    work()
    return (performance.now() - startedAt) / 1000
  })
  return Math.min(...seconds)
}
