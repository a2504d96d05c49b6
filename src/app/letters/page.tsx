import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { LettersPage } from '@/features/sign-in/LettersPage'
import { listLetters } from '@/server/mail'
import { areLettersShown } from '@/server/settings'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Mail stand-in' }

/** What the mail stand-in wrote; only on a server that nobody else can reach. */
export default async function Letters() {
  if (!areLettersShown()) notFound()
  return <LettersPage letters={await listLetters()} />
}
