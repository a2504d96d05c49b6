import type { Derived } from '@/core/derive'
import type { Installation } from '@/core/document/installation'

export const SEVERITIES = ['hurts', 'fails', 'wears', 'know'] as const
export type Severity = (typeof SEVERITIES)[number]

export const SEVERITY_NAMES: Record<Severity, string> = {
  hurts: 'can hurt',
  fails: 'will not work',
  wears: 'will wear or annoy',
  know: 'worth knowing',
}

/** A thing a good colleague would say, the figure it rests on, and what would mend it. */
export type Judgement = {
  readonly id: string
  readonly severity: Severity
  /** Where it arises: dotted path into the installation. */
  readonly path: string
  readonly title: string
  readonly detail: string
  /** One change that mends it, where that is safe to do for someone. */
  readonly cure: { readonly label: string; readonly apply: (installation: Installation) => Installation } | null
}

export type Judge = (installation: Installation, derived: Derived) => readonly Judgement[]

/** The installation with parts of its response changed: what most cures do. */
export const withResponse = (installation: Installation, parts: Partial<Installation['response']>): Installation => ({
  ...installation,
  response: { ...installation.response, ...parts },
})
