import { carriedOut } from '@/core/controller/fit'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { joinPaths, valueAt } from '@/core/json/path'
import { plainCopy } from '@/core/json/plainCopy'
import { fitPlace } from '@/core/kit/fitPlace'
import { checkResponse } from '@/core/machine/check'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Quantity } from '@/core/quantity/units'
import type { Response } from '@/core/response/schema'
import type { Cause } from '@/core/rules/kind'
import { lines, sentenceContext } from '@/core/sentences/table'
import { putFigure } from '@/core/sentences/change'

/** A figure of a response that may move, with the values this controller can really have there. */
export type Blank = {
  readonly place: string
  /** What it is called: "room temperature ramp: start". */
  readonly name: string
  readonly cause: Cause
  readonly quantity: Quantity
  /** As it is kept in the document divided by what is shown. */
  readonly perBase: number
  readonly now: number
  /** In the given response, rising; the one that is there now is among them. */
  readonly values: readonly number[]
}

/** How far each kind is tried to either side of what is there, and by what, in its base unit. */
const REACH: Partial<Record<Quantity, readonly [far: number, by: number]>> = {
  temperature: [3, 0.5],
  temperatureDifference: [3, 0.25],
  humidity: [10, 1],
  speed: [30, 2.5],
  pressure: [20, 2],
}
/** Behaviours whose figures are a matter of taste and weather; what protects is never moved by a search. */
const MOVABLE: readonly string[] = ['bounds', 'rule', 'follower', 'stages', 'reduction', 'target', 'namedSpeed']

/** A response with other figures at places. */
export function withFigures(
  response: Response,
  figures: readonly { readonly place: string; readonly value: number }[],
): Response {
  const draft = plainCopy(response)
  for (const { place, value } of figures) putFigure(draft, place, value)
  return draft
}

/** A figure of a response, whatever the controller makes of it. */
export type Field = Omit<Blank, 'values'>

/** The figures of a response that are a matter of taste and weather. */
export function figureFields(installation: Installation, preference: UnitPreference = METRIC): Field[] {
  const context = sentenceContext(installation, preference)
  return lines(installation.response)
    .filter(({ behaviour, switchedOffAt }) => switchedOffAt === null && MOVABLE.includes(behaviour))
    .flatMap((line): Field[] =>
      line.kind.sentence(line.value, context, line.place).flatMap((part): Field[] => {
        if (part.kind !== 'field' || !REACH[part.quantity]) return []
        const place = joinPaths(line.place, part.path)
        return [
          {
            place,
            name:
              line.behaviour === 'bounds'
                ? part.label
                : `${line.kind.name(line.value, context, line.place)}: ${part.label}`,
            cause: part.quantity === 'speed' ? 'speed' : line.kind.cause(line.value, context, line.place),
            quantity: part.quantity,
            perBase: part.perBase ?? 1,
            now: part.value / (part.perBase ?? 1),
          },
        ]
      }),
    )
}

/** The least that the floor may be: what the fan, the duty and the brief ask of it. */
const leastFloor = (installation: Installation): number =>
  Math.max(0, ...(derive(installation).lead?.reasons ?? []).map(({ speedPct }) => speedPct))

/** What the chosen controller makes of a response; the response itself where none is chosen. */
function givenOf({ brief, kit, response }: Installation): Response {
  return kit.controller ? carriedOut(response, kit.controller, fitPlace({ brief, kit, response })).given : response
}

/** What the controller makes of one figure after another: each is put into what is asked, and fitted. */
function legalValues(installation: Installation, field: Field, now: number): number[] {
  const [far, by] = REACH[field.quantity]!
  const least = field.place === 'floor.speedPct' ? leastFloor(installation) : -Infinity
  const found = new Set<number>([now])
  const steps = Math.round(far / by)
  for (let step = -steps; step <= steps; step++) {
    const value = field.now + (step * by) / field.perBase
    if (field.quantity === 'speed' && (value < 0 || value > 100)) continue
    const asked = withFigures(installation.response, [{ place: field.place, value }])
    if (checkResponse(asked).length > 0) continue
    const given = valueAt(givenOf({ ...installation, response: asked }), field.place)
    if (typeof given === 'number' && given >= least - 1e-9) found.add(Math.round(given * 1e6) / 1e6)
  }
  return [...found].sort((a, b) => a - b)
}

/** The figures that may move here, each with what this controller can have; one that it cannot move is left out. */
export function movableBlanks(installation: Installation): Blank[] {
  const given = givenOf(installation)
  return figureFields(installation).flatMap((field): Blank[] => {
    const now = valueAt(given, field.place)
    if (typeof now !== 'number') return []
    const rounded = Math.round(now * 1e6) / 1e6
    const values = legalValues(installation, field, rounded)
    return values.length > 1 ? [{ ...field, now: rounded, values }] : []
  })
}

/** The given response with these values at these blanks: what is tried. */
export const candidateResponse = (given: Response, blanks: readonly Blank[], choice: readonly number[]): Response =>
  withFigures(
    given,
    blanks.map(({ place, values }, index) => ({ place, value: values[choice[index]!]! })),
  )

/** The present setting as a choice: where each figure stands among what it may be. */
export const presentChoice = (blanks: readonly Blank[]): number[] =>
  blanks.map(({ values, now }) => values.findIndex((value) => Math.abs(value - now) < 1e-6))
