import { createHash, createHmac } from 'node:crypto'
import { ownUrl } from '@/server/settings'

/** The token of an invitation, made from its id: the same invitation sent twice has the same link, and nobody else can make it. */
export const tokenOf = (workspaceId: string, inviteId: string): string =>
  signedWith(`invite ${workspaceId} ${inviteId}`)

/** The token of a link to a record, made in the same way. */
export const shareTokenOf = (workspaceId: string, linkId: string): string =>
  signedWith(`share ${workspaceId} ${linkId}`)

const signedWith = (what: string): string =>
  createHmac('sha256', process.env.BETTER_AUTH_SECRET ?? '')
    .update(what)
    .digest('base64url')

/** What is kept of a token: who reads the database cannot join with it. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

export const joinPath = (workspaceId: string, token: string): string => `/join/${workspaceId}/${token}`
export const joinLink = (workspaceId: string, token: string): string => `${ownUrl()}${joinPath(workspaceId, token)}`

export const shareLinkOf = (workspaceId: string, token: string): string => `${ownUrl()}/shared/${workspaceId}/${token}`
