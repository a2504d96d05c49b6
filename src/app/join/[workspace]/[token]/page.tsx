import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { getInvite } from '@/db/queries/invite'
import { workspaceName } from '@/db/queries/workspace'
import { JoinPage } from '@/features/people/JoinPage'
import { joinWorkspaceAction } from '@/server/actions'
import { ADDRESS_HEADER } from '@/server/address'
import { isUuid } from '@/server/commands/input'
import { hashOf, joinPath } from '@/server/invitation'
import { countTry } from '@/server/limits'
import { signed } from '@/server/scope'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'An invitation' }

/** Where the link of an invitation ends; whoever opens it may be a stranger yet. */
export default async function Join({ params }: { params: Promise<{ workspace: string; token: string }> }) {
  const { workspace, token } = await params
  const address = (await headers()).get(ADDRESS_HEADER) ?? 'unknown'
  const isPatient = (await countTry('join:address', address)) === null
  const invite = isPatient && isUuid(workspace) ? await getInvite({ workspaceId: workspace }, hashOf(token)) : null
  const who = await signed()
  return (
    <JoinPage
      invitation={
        invite && {
          workspace: await workspaceName({ workspaceId: workspace }),
          role: invite.role,
          madeBy: invite.madeBy,
        }
      }
      isMember={who?.workspaceIds.includes(workspace) ?? false}
      personName={who?.scope.personName ?? null}
      signInPath={`/sign-in?next=${encodeURIComponent(joinPath(workspace, token))}`}
      workspaceId={workspace}
      token={token}
      onJoin={joinWorkspaceAction}
    />
  )
}
