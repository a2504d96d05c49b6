import { useMemo } from 'react'
import { useWork } from '@/ui/onSite/who'
import type { ShownLogEntry, ShownPhoto, ShownResult } from '@/ui/onSite/pack'
import type { WorkKind } from '@/ui/onSite/browserStore'

const CHECKS: readonly WorkKind[] = ['check']
/** A visit is an entry of the log. */
const LOG: readonly WorkKind[] = ['log', 'visit']
const PHOTOS: readonly WorkKind[] = ['photo']

/** What the server has, and after it what was done here and waits; what both have stands once. */
function useBoth<T extends { readonly id: string }>(
  installationId: string | undefined,
  kinds: readonly WorkKind[],
  there: readonly T[],
): readonly T[] {
  const work = useWork(installationId)
  return useMemo(() => {
    const known = new Set(there.map(({ id }) => id))
    const here = work.flatMap((item) =>
      kinds.includes(item.kind) && item.refused === undefined && !known.has(item.id) ? [item.shown as T] : [],
    )
    return here.length === 0 ? there : [...there, ...here]
  }, [there, work, kinds])
}

/** What of a result is asked for; an item that waits has all of it. */
type PartOfResult = Partial<ShownResult> & Pick<ShownResult, 'id'>

/** The results of an installation’s checks, oldest first. */
export const useResults = <T extends PartOfResult>(installationId: string, there: readonly T[]): readonly T[] =>
  useBoth(installationId, CHECKS, there)

/** Its log, newest first; that of the whole workspace where no installation is named. */
export function useLog<T extends ShownLogEntry>(
  installationId: string | undefined,
  there: readonly T[],
): readonly (T | ShownLogEntry)[] {
  const oldestFirst = useMemo<readonly (T | ShownLogEntry)[]>(() => [...there].reverse(), [there])
  const both = useBoth(installationId, LOG, oldestFirst)
  return useMemo(() => [...both].reverse(), [both])
}

/** A seal as it was signed here. */
export type SignedSeal = {
  readonly seq: number
  readonly number: number
  readonly reason: string
  readonly fingerprint: string
  readonly signedAt: string
  readonly isSent: boolean
}

/** What was signed here and no page has read from the server yet, the oldest first. */
export const useSignedSeals = (installationId: string): readonly SignedSeal[] =>
  useWork(installationId).flatMap(({ seq, kind, refused, sentAt, shown }) =>
    kind === 'seal' && refused === undefined
      ? [{ ...(shown as Omit<SignedSeal, 'seq' | 'isSent'>), seq, isSent: sentAt !== undefined }]
      : [],
  )

/** Its pictures, oldest first. */
export const usePhotos = (installationId: string, there: readonly ShownPhoto[]): readonly ShownPhoto[] =>
  useBoth(installationId, PHOTOS, there)
