import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { SignInForm } from '@/features/sign-in/SignInForm'
import { signInToDemo } from '@/server/actions'
import { DEMO_EMAIL } from '@/server/demoAccount'
import { signed } from '@/server/scope'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Sign in' }

export default async function SignInPage() {
  if (await signed()) redirect('/yard')
  return <SignInForm demoEmail={process.env.GALE_DEMO === '1' ? DEMO_EMAIL : null} onDemo={signInToDemo} />
}
