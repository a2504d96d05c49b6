import { withArticle } from '@/core/words/article'

/** What a member of a workspace is. */
export const ROLES = ['owner', 'technician', 'apprentice', 'reader'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_SAYS: Record<Role, string> = {
  owner: 'does everything, and says who belongs here',
  technician: 'sets up, proves, seals, archives',
  apprentice: 'sets up and proves; someone else seals',
  reader: 'looks, exports and prints; changes nothing',
}

/** What can be done, by who may do it. `person`: one’s own things, whatever one’s role. */
export const RIGHTS = {
  look: ROLES,
  person: ROLES,
  work: ['owner', 'technician', 'apprentice'],
  seal: ['owner', 'technician'],
  archive: ['owner', 'technician'],
  people: ['owner'],
} as const satisfies Record<string, readonly Role[]>
export type Right = keyof typeof RIGHTS

export const may = (role: Role, right: Right): boolean => (RIGHTS[right] as readonly Role[]).includes(role)

/** Why something was refused, and who may do it. */
export function refusal(role: Role, right: Right): string {
  const others = [...RIGHTS[right]].reverse().map(withArticle)
  const who = [others.slice(0, -1).join(', '), others.at(-1)].filter(Boolean).join(' or ')
  return `As ${withArticle(role)} you cannot do that here; ${who} can. Nothing was changed.`
}
