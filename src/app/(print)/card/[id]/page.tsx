import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { CardSheet } from '@/features/record/CardSheet'
import { mayDraw } from '@/server/drawing'
import { sealedFor } from '@/server/papers'
import { writeAudit } from '@/server/respond'
import { requireSignedAt } from '@/server/scope'
import { InBrowser } from '@/ui/InBrowser'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Card for the box' }

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ rev?: string }> }

/** The card of a sealed revision (the last one where none is named), or of the working copy. */
export default async function CardPage({ params, searchParams }: Props) {
  const who = await requireSignedAt({ params })
  const { scope, preference, id } = who
  const { rev } = await searchParams
  const sealed = (await sealedFor(scope, id, rev ?? null, preference)) ?? notFound()
  await writeAudit(who, { action: 'printed', what: `card ${rev ?? ''}`.trim(), installationId: id, onceInMin: 60 })
  return (
    <InBrowser isDrawn={mayDraw()}>
      <CardSheet sealed={sealed} />
    </InBrowser>
  )
}
