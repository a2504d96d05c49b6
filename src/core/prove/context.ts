import type { Brief } from '@/core/brief/schema'
import { roleOf } from '@/core/duty/role'
import type { Installation } from '@/core/installation/installation'
import type { Machine } from '@/core/machine/compile'
import { quietMoment } from '@/core/prove/quiet'
import type { Values } from '@/core/prove/stage'
import { measuredOffset } from '@/core/prove/uncertainty'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { exact } from '@/core/rules/exact'
import { isMeasured, type Input, type MeasuredInput, type Role } from '@/core/rules/input'

/** What every check is made from: the given machine, what is fitted, and a moment at which nothing asks. */
export type ProveContext = {
  readonly machine: Machine
  readonly response: Response
  readonly installation: Installation
  readonly preference: UnitPreference
  /** By input: what is added to what its probe says, as it was compared. */
  readonly offsets: Readonly<Record<string, number>>
  /** Nothing asks, nothing reduces, nothing holds. */
  readonly rest: Values
}

export function proveContext(
  installation: Installation,
  machine: Machine,
  preference: UnitPreference = METRIC,
): ProveContext {
  const { response } = machine
  const offsets = Object.fromEntries(
    response.inputs.filter(isMeasured).map(({ id }) => [id, measuredOffset(installation, id)]),
  )
  const rest = quietMoment(machine, installation, (values) => terminals({ machine, offsets }, values))
  return { machine, response, installation, preference, offsets, rest }
}

export const briefOf = ({ installation }: ProveContext): Brief => installation.brief

export const inputOf = ({ response }: ProveContext, id: string): Input | undefined =>
  response.inputs.find((input) => input.id === id)
export const measuredOf = (context: ProveContext, id: string): MeasuredInput | undefined => {
  const input = inputOf(context, id)
  return input && isMeasured(input) ? input : undefined
}
export const roleIn = ({ response, installation }: ProveContext, input: Input): Role =>
  roleOf(input, { response, brief: installation.brief })

export const fanName = ({ installation }: ProveContext, id: string): string =>
  installation.kit.fans.find((fan) => fan.id === id)?.name ?? id

/** The probes that an input is made of; itself where it is read. */
export function leavesOf(context: ProveContext, id: string): readonly MeasuredInput[] {
  const input = measuredOf(context, id)
  if (!input) return []
  return input.combines ? input.combines.of.flatMap((of) => leavesOf(context, of)) : [input]
}

/** What the controller's terminals see of a moment: each probe with the error it was found to have. */
export function terminals(
  { machine, offsets }: Pick<ProveContext, 'machine' | 'offsets'>,
  values: Values,
): Float64Array {
  const inputs = machine.inputsFrom(values)
  machine.inputIds.forEach((id, place) => {
    const offset = offsets[id] ?? 0
    if (offset !== 0) inputs[place] = exact(inputs[place]! - offset)
  })
  return inputs
}

/** A moment in which an input is what it is brought to: every probe that counts for it is brought there. */
export function brought(context: ProveContext, base: Values, id: string, x: number): Values {
  const input = measuredOf(context, id)
  if (!input) return { ...base, [id]: x }
  const wanted = exact(x - (input.offset ?? 0))
  if (!input.combines) return { ...base, [id]: exact(wanted + (context.offsets[id] ?? 0)) }
  const { how, of } = input.combines
  if (how !== 'difference') return of.reduce((values, leaf) => brought(context, values, leaf, wanted), base)
  const [first = '', second = first] = of
  return brought(context, base, first, exact(wanted + (base[second] ?? 0) - (context.offsets[second] ?? 0)))
}

/** The probes that have to be brought somewhere for an input: of a difference only the first. */
export function bringsFor(context: ProveContext, id: string): readonly MeasuredInput[] {
  const input = measuredOf(context, id)
  return input?.combines?.how === 'difference' ? leavesOf(context, input.combines.of[0] ?? '') : leavesOf(context, id)
}
