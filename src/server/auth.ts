import { APIError, betterAuth, type BetterAuthOptions } from 'better-auth'
import { createAuthMiddleware } from 'better-auth/api'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { nextCookies } from 'better-auth/next-js'
import { twoFactor } from 'better-auth/plugins'
import { passkey } from '@better-auth/passkey'
import { eq } from 'drizzle-orm'
import { startingDates } from '@/core/quantity/dateStyle'
import { startingDecimalMark, startingUnits } from '@/core/quantity/format'
import { database } from '@/db/client'
import { addAudit } from '@/db/queries/audit'
import { addMember, listMembers, listMemberships } from '@/db/queries/member'
import * as schema from '@/db/schema'
import { ADDRESS_HEADER } from '@/server/address'
import { sendLetter } from '@/server/mail'
import { makeWorkspace } from '@/server/makeWorkspace'
import { LONGEST_PASSWORD, passwordProblem, SHORTEST_PASSWORD } from '@/server/passwords'
import { hasName, ownUrl } from '@/server/settings'

const LONGEST_NAME = 80
const LONGEST_ADDRESS = 254
const HOUR_S = 3600

type Typed = { name?: unknown; email?: unknown; newEmail?: unknown; password?: unknown; newPassword?: unknown }

/** Refuses what is too long and passwords that are guessed first, wherever one is set. */
const checkTyped = createAuthMiddleware((ctx) => {
  const typed = (ctx.body ?? {}) as Typed
  const refuse = (message: string) => {
    throw new APIError('BAD_REQUEST', { message })
  }
  const texts = [typed.name, typed.email, typed.newEmail].filter((word) => word !== undefined)
  if (texts.some((word) => typeof word !== 'string')) refuse('A name and an address are text.')
  if (typeof typed.name === 'string' && (typed.name.trim() === '' || typed.name.length > LONGEST_NAME))
    refuse(`A name has 1 to ${LONGEST_NAME} characters.`)
  for (const word of [typed.email, typed.newEmail])
    if (typeof word === 'string' && word.length > LONGEST_ADDRESS)
      refuse(`An address has at most ${LONGEST_ADDRESS} characters.`)
  const password = ctx.path === '/sign-up/email' ? typed.password : typed.newPassword
  if (typeof password !== 'string') return Promise.resolve()
  const own = [typed.name, typed.email].filter((word) => typeof word === 'string')
  const problem = passwordProblem(password, own)
  if (problem) refuse(problem)
  return Promise.resolve()
})

/** Accounts by address and password, and the letters about them. */
const emailAndPassword = (url: string) =>
  ({
    enabled: true,
    minPasswordLength: SHORTEST_PASSWORD,
    maxPasswordLength: LONGEST_PASSWORD,
    // With this, signing up answers the same whether or not there is an account of that address.
    requireEmailVerification: true,
    revokeSessionsOnPasswordReset: true,
    resetPasswordTokenExpiresIn: HOUR_S,
    sendResetPassword: ({ user, url: link }) =>
      sendLetter({
        to: user.email,
        subject: 'Soft Gale: a new password',
        text: `Somebody asked for a new password for ${user.email}. If it was you, open this within an hour:\n\n${link}\n\nIf it was not, do nothing: the old one goes on being good.`,
      }),
    onExistingUserSignUp: ({ user }) =>
      sendLetter({
        to: user.email,
        subject: 'Soft Gale: you have an account already',
        text: `Somebody tried to make an account for ${user.email}, and there is one. If it was you, sign in at ${url}/sign-in, or ask there for a new password. If it was not, do nothing.`,
      }),
  }) satisfies BetterAuthOptions['emailAndPassword']

const EMAIL_VERIFICATION = {
  sendOnSignUp: true,
  sendOnSignIn: true,
  autoSignInAfterVerification: true,
  expiresIn: 24 * HOUR_S,
  sendVerificationEmail: ({ user, url: link }) =>
    sendLetter({
      to: user.email,
      subject: 'Soft Gale: is this your address?',
      text: `Open this within a day to say that ${user.email} is yours:\n\n${link}\n\nIf you know nothing of it, do nothing.`,
    }),
} satisfies BetterAuthOptions['emailVerification']

/** A yard that others work in keeps an owner. */
async function refuseLastOwner({ id }: { readonly id: string }): Promise<void> {
  for (const { workspaceId, role } of await listMemberships(id)) {
    const others = (await listMembers({ workspaceId })).filter(({ personId }) => personId !== id)
    if (role === 'owner' && others.length > 0 && others.every((other) => other.role !== 'owner'))
      throw new APIError('BAD_REQUEST', {
        message: 'You are the only owner of a yard that others work in: make one of them an owner first.',
      })
  }
}

const USER = {
  modelName: 'person',
  changeEmail: {
    enabled: true,
    sendChangeEmailConfirmation: ({ user, newEmail, url: link }) =>
      sendLetter({
        to: user.email,
        subject: 'Soft Gale: another address',
        text: `Somebody wants to change the address of this account to ${newEmail}. If it was you, open this:\n\n${link}\n\nThen a letter goes to the new address. If it was not, change your password.`,
      }),
  },
  deleteUser: { enabled: true, beforeDelete: refuseLastOwner },
  additionalFields: {
    workspaceId: { type: 'string', required: false, input: false },
    temperatureUnit: { type: 'string', required: false, input: false, defaultValue: 'C' },
    flowUnit: { type: 'string', required: false, input: false, defaultValue: 'l/s' },
    units: { type: 'string', required: false, input: false, defaultValue: '{}' },
    display: { type: 'string', required: false, input: false, defaultValue: '{}' },
  },
} satisfies BetterAuthOptions['user']

/** Writes into the audit of a workspace that somebody signed in, with which device and from where. */
async function auditSession(
  made: { readonly userId: string; readonly userAgent?: string | null },
  address: string,
): Promise<void> {
  const { workspaceId } = made as { workspaceId?: string | null }
  const [known] = await database()
    .select({ name: schema.person.name })
    .from(schema.person)
    .where(eq(schema.person.id, made.userId))
  if (workspaceId && known)
    await addAudit(
      { workspaceId, personId: made.userId, personName: known.name },
      { action: 'signed in', what: deviceIn(made.userAgent), address },
    )
}

/** A preference as a person’s row has it. */
function startingColumns(languages: string) {
  const { temperature, flow, units = {} } = startingUnits(languages)
  return {
    temperatureUnit: temperature,
    flowUnit: flow,
    units: JSON.stringify(units),
    display: JSON.stringify({ dates: startingDates(languages), decimalMark: startingDecimalMark(languages) }),
  }
}

const DATABASE_HOOKS = {
  // Whoever signs up gets a workspace of their own: no one lands in another's yard by signing up.
  user: {
    create: {
      before: async (made, ctx) => ({
        data: {
          ...made,
          workspaceId: await makeWorkspace(`${made.name}’s yard`),
          ...startingColumns(ctx?.headers?.get('accept-language') ?? ''),
        },
      }),
      after: async (made) => {
        const { workspaceId } = made as { workspaceId?: string | null }
        if (workspaceId) await addMember({ workspaceId, personId: made.id, role: 'owner' })
      },
    },
  },
  session: {
    create: {
      before: async (made) => ({ data: { ...made, workspaceId: await workspaceToBegin(made.userId) } }),
      after: (made, ctx) => auditSession(made, ctx?.headers?.get(ADDRESS_HEADER) ?? 'unknown'),
    },
  },
} satisfies BetterAuthOptions['databaseHooks']

const passkeys = (url: string) =>
  passkey({
    rpID: new URL(url).hostname,
    rpName: 'Soft Gale',
    origin: url,
    schema: { passkey: { fields: { userId: 'personId' } } },
  })

function makeAuth() {
  const url = ownUrl()
  const port = process.env.PORT ?? '4180'
  const isSecure = url.startsWith('https:')
  const { person, session, signIn, verification, secondFactor, passkey: passkeyTable } = schema
  return betterAuth({
    appName: 'Soft Gale',
    baseURL: url,
    // The same machine has two names; a technician may type either. Nothing else under a name of the network.
    trustedOrigins: isSecure ? [url] : [url, `http://127.0.0.1:${port}`, `http://localhost:${port}`],
    secret: process.env.BETTER_AUTH_SECRET,
    telemetry: { enabled: false },
    advanced: { useSecureCookies: isSecure, ipAddress: { ipAddressHeaders: [ADDRESS_HEADER] } },
    database: drizzleAdapter(database(), {
      provider: 'pg',
      schema: { person, session, signIn, verification, secondFactor, passkey: passkeyTable },
    }),
    emailAndPassword: emailAndPassword(url),
    emailVerification: EMAIL_VERIFICATION,
    user: USER,
    session: {
      fields: { userId: 'personId' },
      expiresIn: 30 * 24 * HOUR_S,
      additionalFields: { workspaceId: { type: 'string', required: false, input: false } },
    },
    account: { modelName: 'signIn', fields: { userId: 'personId' } },
    // Tries are counted by `limits`, by account and by address, before a request comes here.
    rateLimit: { enabled: false },
    hooks: { before: checkTyped },
    databaseHooks: DATABASE_HOOKS,
    plugins: [
      twoFactor({
        issuer: 'Soft Gale',
        twoFactorTable: 'secondFactor',
        schema: { twoFactor: { modelName: 'secondFactor', fields: { userId: 'personId' } } },
      }),
      ...(hasName() ? [passkeys(url)] : []),
      nextCookies(),
    ],
  })
}

/** The workspace that was in hand last, where the person still belongs to it. */
async function workspaceToBegin(personId: string): Promise<string | null> {
  const [memberships, [known]] = await Promise.all([
    listMemberships(personId),
    database().select({ last: schema.person.workspaceId }).from(schema.person).where(eq(schema.person.id, personId)),
  ])
  return (memberships.find(({ workspaceId }) => workspaceId === known?.last) ?? memberships[0])?.workspaceId ?? null
}

/** What a session was begun with, in a word or two, from what the browser says of itself. */
export function deviceIn(userAgent: string | null | undefined): string {
  const agent = userAgent ?? ''
  const browser = /Firefox|Edg|Chrome|Safari/.exec(agent)?.[0]?.replace('Edg', 'Edge') ?? 'a program'
  const system = /Android|iPhone|iPad|Windows|Mac OS|Linux/.exec(agent)?.[0]
  return system ? `${browser} on ${system}` : browser
}

const held = globalThis as { galeAuth?: ReturnType<typeof makeAuth> }

/** Made on first use: a build has no database. */
export const auth = (): ReturnType<typeof makeAuth> => (held.galeAuth ??= makeAuth())
