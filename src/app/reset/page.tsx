import type { Metadata } from 'next'
import { ResetForm } from '@/features/sign-in/ResetForm'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'A new password' }

/** Where the link of a letter about a forgotten password ends. */
export default async function Reset({ searchParams }: { searchParams: Promise<{ token?: string }> }) {
  return <ResetForm token={(await searchParams).token ?? ''} />
}
