import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { nextCookies } from 'better-auth/next-js'
import { database } from '@/db/client'
import { makeWorkspace } from '@/server/makeWorkspace'
import * as schema from '@/db/schema'

function makeAuth() {
  const port = process.env.PORT ?? '4180'
  return betterAuth({
    appName: 'Soft Gale',
    baseURL: process.env.GALE_URL ?? `http://127.0.0.1:${port}`,
    // The same machine has two names; a technician may type either.
    trustedOrigins: [`http://127.0.0.1:${port}`, `http://localhost:${port}`],
    secret: process.env.BETTER_AUTH_SECRET,
    telemetry: { enabled: false },
    database: drizzleAdapter(database(), {
      provider: 'pg',
      schema: {
        person: schema.person,
        session: schema.session,
        signIn: schema.signIn,
        verification: schema.verification,
      },
    }),
    emailAndPassword: { enabled: true, minPasswordLength: 10, maxPasswordLength: 128 },
    user: {
      modelName: 'person',
      additionalFields: {
        workspaceId: { type: 'string', required: false, input: false },
        temperatureUnit: { type: 'string', required: false, input: false, defaultValue: 'C' },
        flowUnit: { type: 'string', required: false, input: false, defaultValue: 'l/s' },
      },
    },
    session: { fields: { userId: 'personId' }, expiresIn: 60 * 60 * 24 * 30 },
    account: { modelName: 'signIn', fields: { userId: 'personId' } },
    rateLimit: { enabled: true, window: 60, max: 300, customRules: { '/sign-in/email': { window: 60, max: 30 } } },
    databaseHooks: {
      // Whoever signs up gets a workspace of their own: no one lands in another's yard by signing up.
      user: {
        create: {
          before: async (made) => ({ data: { ...made, workspaceId: await makeWorkspace(`${made.name}’s yard`) } }),
        },
      },
    },
    plugins: [nextCookies()],
  })
}

const held = globalThis as { galeAuth?: ReturnType<typeof makeAuth> }

/** Made on first use: a build has no database. */
export const auth = (): ReturnType<typeof makeAuth> => (held.galeAuth ??= makeAuth())
