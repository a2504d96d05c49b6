'use client'

import { passkeyClient } from '@better-auth/passkey/client'
import { twoFactorClient } from 'better-auth/client/plugins'
import { createAuthClient } from 'better-auth/react'

/** The sign-in service as the browser asks it. */
export const authClient = createAuthClient({ plugins: [twoFactorClient(), passkeyClient()] })

type Answered = { error: { message?: string; status: number } | null }

/** What a refusal says; null where it was done. */
function authProblem({ error }: Answered): string | null {
  if (!error) return null
  if (error.status === 429 || error.status < 500) return error.message ?? 'This could not be done.'
  return error.message ?? 'The server cannot answer just now; what you typed is still here. Try again in a moment.'
}

/** Runs something of the sign-in service; a lost line is a refusal like any other. */
export const authAsk = (work: () => Promise<Answered>): Promise<string | null> =>
  work().then(authProblem, () => 'The server cannot be reached; what you typed is still here. Try again in a moment.')
