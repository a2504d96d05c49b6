import Dexie, { type EntityTable } from 'dexie'
import type { Pack } from '@/ui/onSite/pack'

/** Who works in this browser. */
export type Who = { readonly personId: string; readonly workspaceId: string }

/** Kinds of work that may wait in the browser; the server knows the same (`server/siteWork`). */
export type WorkKind = 'check' | 'log' | 'photo' | 'seal' | 'visit'

/** One thing that was done here and the server has not said it kept. */
export type WorkItem = {
  readonly seq: number
  readonly id: string
  readonly installationId: string
  readonly kind: WorkKind
  readonly input: Readonly<Record<string, unknown>>
  /** What it is, in words. */
  readonly label: string
  readonly madeAt: string
  /** Whose it is: somebody else who signs in here neither sends nor sees it. */
  readonly personId: string
  readonly workspaceId: string
  /** What a page shows of it until the server has it. */
  readonly shown?: unknown
  /** When the server kept it; what is shown until a page has read it from there. */
  readonly sentAt?: string
  /** Why the server did not take it. It stays until somebody looks. */
  readonly refused?: string
}

/** Whether it has still to go: the server has neither kept nor refused it. */
export const isWaiting = ({ sentAt, refused }: WorkItem): boolean => sentAt === undefined && refused === undefined

/** What the server still lacks of a working copy, as `workingCopy/unsent` writes it. */
type UnsentText = { readonly installationId: string; readonly saveId: string; readonly text: string }

/** What is being typed and belongs to nothing yet, by place. */
type Draft = { readonly key: string; readonly value: unknown }

type Known = { readonly key: string; readonly value: unknown }

/** What lies in this browser: a flat battery must not take it, so that each write is on the disk when it is acknowledged. */
class BrowserStore extends Dexie {
  readonly work!: EntityTable<WorkItem, 'seq'>
  readonly packs!: EntityTable<Pack, 'id'>
  readonly unsent!: EntityTable<UnsentText, 'installationId'>
  readonly drafts!: EntityTable<Draft, 'key'>
  readonly known!: EntityTable<Known, 'key'>

  constructor() {
    super('soft-gale', { chromeTransactionDurability: 'strict' })
    this.version(1).stores({
      work: '++seq, &id, installationId',
      packs: 'id',
      unsent: 'installationId',
      drafts: 'key',
      known: 'key',
    })
  }
}

let opened: BrowserStore | null = null

/** The store of this browser; null where there is none (a page drawn on the server, a browser without storage). */
export const browserStore = (): BrowserStore | null =>
  typeof indexedDB === 'undefined' ? null : (opened ??= new BrowserStore())
