import 'server-only'
import { headers } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { cache } from 'react'
import { knownDisplay, type Display } from '@/core/quantity/display'
import { FLOW_CHOICES, knownUnits, TEMPERATURE_CHOICES, type UnitPreference } from '@/core/quantity/format'
import type { Scope } from '@/db/client'
import { listMemberships } from '@/db/queries/member'
import { ADDRESS_HEADER } from '@/server/address'
import { auth } from '@/server/auth'
import { isKnownHost } from '@/server/hosts'
import { isUuid } from '@/server/commands/input'
import { ROLES, type Role } from '@/server/rights'

export type Signed = {
  readonly scope: Scope
  readonly role: Role
  readonly preference: UnitPreference
  readonly email: string
  readonly sessionId: string
  readonly display: Display
  /** The workspaces this person belongs to, the one in hand among them. */
  readonly workspaceIds: readonly string[]
  /** Where the request came from. */
  readonly address: string
}

/** Who is asking; null when nobody is signed in. Read once a request: a role that was taken away is gone with the next one. */
export const signed = cache(async (): Promise<Signed | null> => {
  const head = await headers()
  // Under a name that is not ours nobody is signed in.
  if (!isKnownHost(head.get('host'))) return null
  const session = await auth().api.getSession({ headers: head })
  if (!session) return null
  const { id, name, email, temperatureUnit, flowUnit, units, display } = session.user
  const memberships = await listMemberships(id)
  const current = memberships.find(({ workspaceId }) => workspaceId === session.session.workspaceId) ?? memberships[0]
  const role = ROLES.find((known) => known === current?.role)
  if (!current || !role) return null
  const shown = knownDisplay(jsonIn(display))
  return {
    scope: { workspaceId: current.workspaceId, personId: id, personName: name },
    role,
    preference: {
      temperature: TEMPERATURE_CHOICES.find((unit) => unit === temperatureUnit) ?? 'C',
      flow: FLOW_CHOICES.find((unit) => unit === flowUnit) ?? 'l/s',
      units: knownUnits(jsonIn(units)),
      dates: shown.dates,
      decimalMark: shown.decimalMark,
    },
    display: shown,
    email,
    sessionId: session.session.id,
    workspaceIds: memberships.map(({ workspaceId }) => workspaceId),
    address: head.get(ADDRESS_HEADER) ?? 'unknown',
  }
})

/** Who is asking, for a page: the sign-in page for a stranger. */
export async function requireSigned(): Promise<Signed> {
  return (await signed()) ?? redirect('/sign-in')
}

function jsonIn(text: string | null | undefined): unknown {
  try {
    return JSON.parse(text ?? '{}')
  } catch {
    return {}
  }
}

export type AtInstallation = { params: Promise<{ id: string }> }

/** Who is asking, for a page of one installation; an id that can be none ends at "not found". */
export async function requireSignedAt({ params }: AtInstallation): Promise<Signed & { readonly id: string }> {
  const { id } = await params
  if (!isUuid(id)) notFound()
  return { ...(await requireSigned()), id }
}
