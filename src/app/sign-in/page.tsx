import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { SignInForm } from '@/features/sign-in/SignInForm'
import { signInToDemo } from '@/server/actions'
import { DEMO_EMAIL } from '@/server/demoAccount'
import { signed } from '@/server/scope'
import { areLettersShown, hasName, isDemoOffered } from '@/server/settings'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Sign in' }

type Query = { next?: string; error?: string }

/** Only a path of this server: never somebody else's address that was put into a link. */
const ownPath = (path: string | undefined): string => (path && /^\/[A-Za-z0-9][\w/-]*$/.test(path) ? path : '/yard')

export default async function SignInPage({ searchParams }: { searchParams: Promise<Query> }) {
  const next = ownPath((await searchParams).next)
  if (await signed()) redirect(next)
  return (
    <SignInForm
      demoEmail={isDemoOffered() ? DEMO_EMAIL : null}
      onDemo={signInToDemo}
      next={next}
      hasPasskeys={hasName()}
      lettersPath={areLettersShown() ? '/letters' : null}
    />
  )
}
