import type { Where } from '@/core/advise/reach'
import type { Says } from '@/core/advise/words'
import type { Derived } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import type { Severity } from '@/core/json/severity'

/** What a judgement rests on, so that it is heard again when that grows worse. */
export type Figure = {
  readonly value: number
  /** 1 where more is worse, −1 where less is. */
  readonly worse: 1 | -1
  /** What counts as worse: a step of the controller in points of speed, a kelvin, a share of a time. */
  readonly step: number
}

/** A thing a good colleague would say, the figure it rests on, and what would mend it. */
export type Judgement = {
  /** Its code and the place it speaks of: the same however it is worded. */
  readonly id: string
  readonly severity: Severity
  /** Where it arises: dotted path into the installation. */
  readonly path: string
  /** What it says, by code; `judgementText` makes the sentences. */
  readonly says: Says
  readonly figure?: Figure
  /** One change that mends it, where that is safe to do for someone. */
  readonly cure: { readonly apply: (installation: Installation) => Installation } | null
}

export type Judge = (installation: Installation, derived: Derived) => readonly Judgement[]

/** The installation with parts of its response changed: what most cures do. */
export const withResponse = (installation: Installation, parts: Partial<Installation['response']>): Installation => ({
  ...installation,
  response: { ...installation.response, ...parts },
})

/** A judge that looks at what is given, at moments that can be reached; silent while the response contradicts itself. */
export const evaluating =
  (look: (where: Where, installation: Installation, derived: Derived) => readonly Judgement[]): Judge =>
  (installation, derived) =>
    derived.given.machine
      ? look({ brief: installation.brief, machine: derived.given.machine }, installation, derived)
      : []

/** Speed as a figure: a step of the controller counts, and never less than a point. */
export const speedFigure = ({ given }: Derived, value: number, worse: 1 | -1): Figure => ({
  value,
  worse,
  step: Math.max(1, given.response.steps.stepPct),
})
