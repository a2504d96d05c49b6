/** The lock that a page holds while it has an installation open: it sends the working copy itself. */
export const openLock = (installationId: string): string => `gale:open:${installationId}`

/** Holds the lock until the answer is called. */
export function holdOpen(installationId: string): () => void {
  let leave: () => void = () => undefined
  const left = new Promise<void>((resolve) => (leave = resolve))
  if (typeof navigator !== 'undefined' && 'locks' in navigator)
    void navigator.locks.request(openLock(installationId), { mode: 'shared' }, () => left)
  return leave
}
