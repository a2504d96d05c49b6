'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import type { Installation } from '@/core/installation/installation'
import type { Sealed } from '@/core/record/sealed'
import { openInstallation } from '@/core/installation/open'
import { parseJson } from '@/core/json/parseJson'
import { derive } from '@/core/derive/derive'
import { stillOpen } from '@/core/record/stillOpen'
import { CardSheet } from '@/features/record/CardSheet'
import { today } from '@/ui/clock'
import { browserStore } from '@/ui/onSite/browserStore'
import type { Pack } from '@/ui/onSite/pack'
import { useResults, useSignedSeals } from '@/ui/onSite/useResults'

/** The working copy as this browser has it: with what the server lacks. */
function useHere({ id, document }: Pack): Installation | null {
  const unsent = useLiveQuery(async () => (await browserStore()?.unsent.get(id)) ?? null, [id])
  if (unsent === undefined) return null
  if (unsent === null) return document
  const data = parseJson(unsent.text)
  const opened = data.ok ? openInstallation((data.value as { document?: unknown }).document) : null
  return opened && opened.kind !== 'unreadable' ? opened.document : document
}

/** The card where there is no signal: of what was signed and waits, or of the last seal that was taken along. */
export function CardThere({ pack }: { pack: Pack }) {
  const { id, siteName, revisions, lastSealed, preference, personName } = pack
  const here = useHere(pack)
  const results = useResults(id, pack.results)
  const signed = useSignedSeals(id).at(-1)
  if (!here) return null
  const [last] = revisions
  const address = (rev: number) => `${window.location.origin}/record/${id}?rev=${rev}`
  const base = { siteName, results, before: lastSealed, photos: [], preference }
  const sealed: Sealed = signed
    ? {
        ...base,
        document: here,
        address: address(signed.number),
        seal: {
          ...signed,
          sealedBy: personName,
          sealedAt: signed.signedAt,
          signature: null,
          open: stillOpen(here, derive(here), results, preference, today()),
          isWaiting: true,
        },
      }
    : {
        ...base,
        document: lastSealed ?? here,
        address: last ? address(last.number) : null,
        seal: last && lastSealed ? last : null,
      }
  return <CardSheet sealed={sealed} />
}
