import type { ReactNode } from 'react'
import { listInstallationNames } from '@/db/queries/installation'
import { choosePreferenceAction, signOut } from '@/server/actions'
import { requireSigned } from '@/server/scope'
import { PLACES } from '@/ui/places'
import { STAGES } from '@/ui/stages'
import { TopBar } from '@/ui/TopBar'

export const dynamic = 'force-dynamic'

export default async function SignedInLayout({ children }: { children: ReactNode }) {
  const { scope, preference } = await requireSigned()
  const rows = await listInstallationNames(scope)
  const findable = [
    ...rows.flatMap(({ id, name }) =>
      STAGES.map((stage) => ({
        label: `${name}: ${stage.name}`,
        group: name,
        path: `/installation/${id}/${stage.id}`,
      })),
    ),
    ...PLACES.map(({ name, path }) => ({ label: name, group: 'Places', path })),
    { label: 'New installation', group: 'Do', path: '/yard?new=1' },
  ]
  return (
    <>
      <TopBar
        personName={scope.personName}
        preference={preference}
        findable={findable}
        onPreference={choosePreferenceAction}
        onSignOut={signOut}
      />
      {children}
    </>
  )
}
