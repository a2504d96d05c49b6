import 'server-only'
import { headers } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { cache } from 'react'
import { FLOW_CHOICES, TEMPERATURE_CHOICES, type UnitPreference } from '@/core/quantity/format'
import type { Scope } from '@/db/client'
import { auth } from '@/server/auth'
import { isKnownHost } from '@/server/hosts'
import { isUuid } from '@/server/commands/input'

export type Signed = { readonly scope: Scope; readonly preference: UnitPreference }

/** Who is asking; null when nobody is signed in. Read once a request. */
export const signed = cache(async (): Promise<Signed | null> => {
  const head = await headers()
  // Under a name that is not ours nobody is signed in.
  if (!isKnownHost(head.get('host'))) return null
  const session = await auth().api.getSession({ headers: head })
  const workspaceId = session?.user.workspaceId
  if (!session || !workspaceId) return null
  const { id, name, temperatureUnit, flowUnit } = session.user
  return {
    scope: { workspaceId, personId: id, personName: name },
    preference: {
      temperature: TEMPERATURE_CHOICES.find((unit) => unit === temperatureUnit) ?? 'C',
      flow: FLOW_CHOICES.find((unit) => unit === flowUnit) ?? 'l/s',
    },
  }
})

/** Who is asking, for a page: the sign-in page for a stranger. */
export async function requireSigned(): Promise<Signed> {
  return (await signed()) ?? redirect('/sign-in')
}

export type AtInstallation = { params: Promise<{ id: string }> }

/** Who is asking, for a page of one installation; an id that can be none ends at "not found". */
export async function requireSignedAt({ params }: AtInstallation): Promise<Signed & { readonly id: string }> {
  const { id } = await params
  if (!isUuid(id)) notFound()
  return { ...(await requireSigned()), id }
}
