import type { ReactNode } from 'react'
import { workspaceName } from '@/db/queries/workspace'
import { choosePreferenceAction, signOut, switchWorkspaceAction } from '@/server/actions'
import { may } from '@/server/rights'
import { requireSigned } from '@/server/scope'
import { DisplayStyle } from '@/ui/DisplayStyle'
import { LiveOnSite } from '@/ui/onSite/LiveOnSite'
import { PreferenceProvider } from '@/ui/preference'
import { PersonMenu } from '@/ui/PersonMenu'
import { PlacesRoom, TopBar } from '@/ui/TopBar'
import { Tour } from '@/ui/tour/Tour'

export const dynamic = 'force-dynamic'

export default async function SignedInLayout({ children }: { children: ReactNode }) {
  const { scope, role, preference, display, workspaceIds } = await requireSigned()
  const workspaces = await Promise.all(
    workspaceIds.map(async (id) => ({ id, name: await workspaceName({ workspaceId: id }) })),
  )
  return (
    <>
      <DisplayStyle display={display} />
      <TopBar>
        <PersonMenu
          personName={scope.personName}
          role={role}
          mayInvite={may(role, 'people')}
          workspaces={workspaces}
          workspaceId={scope.workspaceId}
          preference={preference}
          onPreference={choosePreferenceAction}
          onWorkspace={switchWorkspaceAction}
          onSignOut={signOut}
        />
      </TopBar>
      <PreferenceProvider value={preference}>
        <LiveOnSite personId={scope.personId} workspaceId={scope.workspaceId}>
          {children}
        </LiveOnSite>
      </PreferenceProvider>
      <PlacesRoom />
      <Tour />
    </>
  )
}
