import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { AccountPage } from '@/features/account/AccountPage'
import { Screen } from '@/features/account/Screen'
import { Units } from '@/features/account/Units'
import { chooseDisplayAction, choosePreferenceAction } from '@/server/actions'
import { auth, deviceIn } from '@/server/auth'
import { requireSigned } from '@/server/scope'
import { areLettersShown, hasName } from '@/server/settings'

export const metadata: Metadata = { title: 'Your account' }

export default async function Account() {
  const { scope, email, sessionId, preference, display } = await requireSigned()
  const head = await headers()
  const [sessions, session] = await Promise.all([
    auth().api.listSessions({ headers: head }),
    auth().api.getSession({ headers: head }),
  ])
  return (
    <AccountPage
      name={scope.personName}
      email={email}
      sessions={sessions.map(({ id, token, userAgent, ipAddress, updatedAt }) => ({
        id,
        token,
        device: deviceIn(userAgent),
        address: ipAddress ?? '',
        seenAt: updatedAt.toISOString(),
        isThis: id === sessionId,
      }))}
      hasSecondFactor={session?.user.twoFactorEnabled === true}
      hasPasskeys={hasName()}
      lettersPath={areLettersShown() ? '/letters' : null}
      units={
        <>
          <Units preference={preference} onPreference={choosePreferenceAction} />
          <Screen display={display} onDisplay={chooseDisplayAction} />
        </>
      }
    />
  )
}
