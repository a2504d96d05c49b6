import { headers } from 'next/headers'
import { auditOf } from '@/db/queries/audit'
import { logWrittenBy } from '@/db/queries/log'
import { listMemberships } from '@/db/queries/member'
import { workspaceName } from '@/db/queries/workspace'
import { auth, deviceIn } from '@/server/auth'
import { respondWith } from '@/server/respond'

/** Everything that is kept about whoever asks, as one JSON file. */
export const GET = (): Promise<Response> =>
  respondWith('person', { action: 'exported', what: 'everything of mine' }, async ({ personId, personName }, who) => {
    const sessions = await auth().api.listSessions({ headers: await headers() })
    const memberships = await listMemberships(personId)
    const yards = await Promise.all(
      memberships.map(async ({ workspaceId, role }) => ({
        name: await workspaceName({ workspaceId }),
        role,
        log: await logWrittenBy({ workspaceId }, personName),
        audit: await auditOf({ workspaceId }, personId),
      })),
    )
    const mine = {
      name: personName,
      email: who.email,
      preference: who.preference,
      display: who.display,
      sessions: sessions.map(({ createdAt, updatedAt, expiresAt, ipAddress, userAgent }) => ({
        createdAt,
        updatedAt,
        expiresAt,
        address: ipAddress ?? null,
        device: deviceIn(userAgent),
      })),
      yards,
    }
    return new Response(JSON.stringify(mine, null, 2), {
      headers: { 'content-type': 'application/json', 'content-disposition': 'attachment; filename="mine.json"' },
    })
  })
