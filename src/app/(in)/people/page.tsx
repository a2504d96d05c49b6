import type { Metadata } from 'next'
import { listAudit, AUDIT_PAGE } from '@/db/queries/audit'
import { listInvites } from '@/db/queries/invite'
import { listMembers } from '@/db/queries/member'
import { workspaceName } from '@/db/queries/workspace'
import { PeoplePage } from '@/features/people/PeoplePage'
import {
  changeRoleAction,
  invitePersonAction,
  leaveWorkspaceAction,
  renameWorkspaceAction,
  withdrawInvitationAction,
} from '@/server/actions'
import { may, ROLE_SAYS, ROLES } from '@/server/rights'
import { readListQuery, type ListQuery } from '@/server/listQuery'
import { requireSigned } from '@/server/scope'

export const metadata: Metadata = { title: 'People' }

export default async function People({ searchParams }: { searchParams: Promise<ListQuery> }) {
  const [{ scope, role }, query] = await Promise.all([requireSigned(), searchParams])
  const isOwner = may(role, 'people')
  const { holds, before } = readListQuery(query)
  const [members, invites, name, audit] = await Promise.all([
    listMembers(scope),
    isOwner ? listInvites(scope) : [],
    workspaceName(scope),
    isOwner ? listAudit(scope, { holds, before }) : [],
  ])
  return (
    <PeoplePage
      name={name}
      meId={scope.personId}
      roles={ROLES.map((id) => ({ id, says: ROLE_SAYS[id] }))}
      members={members.map(({ since, ...member }) => ({ ...member, since: since.toISOString() }))}
      invites={invites.map(({ expiresAt, ...invite }) => ({ ...invite, expiresAt: expiresAt.toISOString() }))}
      owner={
        isOwner
          ? {
              holds,
              audit: audit.map(({ at, ...entry }) => ({ ...entry, at: at.toISOString() })),
              older: audit.length === AUDIT_PAGE ? (audit.at(-1)?.seq ?? null) : null,
            }
          : null
      }
      onInvite={invitePersonAction}
      onWithdraw={withdrawInvitationAction}
      onRole={changeRoleAction}
      onRename={renameWorkspaceAction}
      onLeave={leaveWorkspaceAction}
    />
  )
}
