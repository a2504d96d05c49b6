'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { enqueueSnackbar } from 'notistack'
import { useState } from 'react'
import type { Installation } from '@/core/installation/installation'
import { shortFingerprint } from '@/core/json/fingerprint'
import { compare } from '@/core/record/compare'
import { sealState, sealStateText } from '@/core/record/sealState'
import { CurvePair } from '@/features/hand-over/CurvePair'
import { ChangeList } from '@/ui/ChangeList'
import { Choice } from '@/ui/Choice'
import { Moment } from '@/ui/Moment'
import { getJson } from '@/ui/json'
import type { ShownRevision } from '@/ui/onSite/pack'
import { usePreference } from '@/ui/preference'
import { TextButton } from '@/ui/TextButton'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

type Props = { installationId: string; revisions: readonly ShownRevision[]; mayWork: boolean }
type Fetched = { readonly kind: string; readonly document?: Installation }

const WORKING = 'working'

const fetchRevision = async (installationId: string, number: string): Promise<Installation | null> =>
  (await getJson<Fetched>(`/api/installation/${installationId}/revisions/${number}`))?.document ?? null

/** Every seal with its fingerprint; any two compared, an old one taken up again as a working copy. */
export function Revisions({ installationId, revisions, mayWork }: Props) {
  const cure = useWorkingCopy((state) => state.cure)
  const [isComparing, setComparing] = useState(false)

  async function restore(number: number): Promise<void> {
    const document = await fetchRevision(installationId, String(number))
    if (!document) {
      enqueueSnackbar('It could not be fetched; the working copy is as it was.')
      return
    }
    cure(`revision ${number} again`, () => document)
    enqueueSnackbar(`The working copy is revision ${number} again. Undo brings yours back.`)
  }

  if (revisions.length === 0) return null
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3 }}>
        Sealed
      </Typography>
      {revisions.map(({ id, number, reason, sealedBy, sealedAt, open, fingerprint }) => (
        <Box key={id} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.5 }}>
          <Link href={`/record/${installationId}?rev=${number}`}>Revision {number}</Link>, <Moment at={sealedAt} />,{' '}
          {sealedBy}: {reason} <b>{sealStateText(sealState(open))}</b>, {shortFingerprint(fingerprint)}{' '}
          {mayWork && (
            <TextButton label={`Take revision ${number} up again`} onClick={() => void restore(number)}>
              take it up again
            </TextButton>
          )}
        </Box>
      ))}
      {isComparing ? (
        <Comparison installationId={installationId} revisions={revisions} />
      ) : (
        <TextButton onClick={() => setComparing(true)}>Compare any two</TextButton>
      )}
    </>
  )
}

function Comparison({ installationId, revisions }: Pick<Props, 'installationId' | 'revisions'>) {
  const working = useDocument()
  const preference = usePreference()
  const [last] = revisions
  const [one, setOne] = useState(String(last?.number ?? WORKING))
  const [other, setOther] = useState(WORKING)
  const [fetched, setFetched] = useState<Readonly<Record<string, Installation | null>>>({})
  const options = [
    ...revisions.map(({ number }) => [String(number), `revision ${number}`] as const),
    [WORKING, 'the working copy'] as const,
  ]
  const choose = (put: (value: string) => void) => (value: string) => {
    put(value)
    fetchOnce(value)
  }
  function fetchOnce(value: string): void {
    if (value === WORKING || value in fetched) return
    void fetchRevision(installationId, value).then((document) =>
      setFetched((known) => ({ ...known, [value]: document })),
    )
  }
  if (!(one in fetched) && one !== WORKING && Object.keys(fetched).length === 0) fetchOnce(one)
  const documentOf = (value: string) => (value === WORKING ? working : fetched[value])
  const [before, after] = [documentOf(one), documentOf(other)]
  return (
    <Box component="section" aria-label="Two compared" sx={{ mt: 1 }}>
      <Typography component="div">
        From <Choice label="compare from" value={one} options={options} onChange={choose(setOne)} /> to{' '}
        <Choice label="compare to" value={other} options={options} onChange={choose(setOther)} />
      </Typography>
      {before === null || after === null ? (
        <Typography>One of them cannot be fetched; with signal it can.</Typography>
      ) : before && after ? (
        <>
          <CurvePair before={before} after={after} />
          <ChangeList changes={compare(before, after, preference)} />
        </>
      ) : (
        <Typography>Fetching…</Typography>
      )}
    </Box>
  )
}
