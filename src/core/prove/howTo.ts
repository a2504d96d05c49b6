import type { Probe } from '@/core/kit/schema'
import { bringsFor, brought, inputOf, leavesOf, measuredOf, roleIn, type ProveContext } from '@/core/prove/context'
import { formatQuantity } from '@/core/quantity/format'
import { differenceOf } from '@/core/quantity/units'
import { inputQuantity, isMeasured, type MeasuredInput, type Role } from '@/core/rules/input'

/** What a probe may be brought to by hand, and by what. Ranges are common practice, no source. */
type Way = { readonly how: string; readonly isReal: boolean }

/** Margin that is kept below what a probe survives (K); common practice, no source. */
const SURVIVE_MARGIN_K = 5
const HOT_PLACES: ReadonlySet<Role> = new Set(['flue', 'shell'])

const SUBSTITUTE =
  'Not with heat or cold: put a decade box, or the maker’s table of the probe as a fixed resistor or signal, in the probe’s place, with the supply isolated while it is changed, and put the probe back.'

function warmth(x: number, role: Role, probe: Probe | undefined): Way {
  const survives = probe?.survivesToC ?? null
  if (survives !== null && x > survives - SURVIVE_MARGIN_K) return { how: SUBSTITUTE, isReal: false }
  if (HOT_PLACES.has(role)) {
    if (x < 15) return { how: SUBSTITUTE, isReal: false }
    return x <= 80
      ? { how: 'With the fire out: a hot-air gun at a distance, slowly, a thermometer beside the probe.', isReal: true }
      : { how: `${SUBSTITUTE} Or read it in a normal firing, as it comes.`, isReal: false }
  }
  if (x < -5) return { how: SUBSTITUTE, isReal: false }
  if (x < 3) return { how: 'In a bag in ice water, stirred, for minutes; it stands near 0 °C.', isReal: true }
  if (x < 15) return { how: 'In a bag in cold water, or a cold pack beside it; stir, and let it settle.', isReal: true }
  if (x <= 32)
    return {
      how: 'A cupped hand warms it a few degrees, a cold pack beside it cools it; keep your breath away, it carries damp.',
      isReal: true,
    }
  if (x <= 55)
    return { how: 'In a bag in warm water, stirred; never in the bare water unless it may be wet.', isReal: true }
  return x <= 90
    ? { how: 'A hot-air gun at a distance, slowly, a thermometer beside the probe.', isReal: true }
    : { how: SUBSTITUTE, isReal: false }
}

function dampness(x: number): Way {
  if (x >= 95) return { how: 'In a bag with a wet cloth, until it settles.', isReal: true }
  if (x >= 60)
    return { how: 'Breathe on it from a hand’s width, or hold a damp cloth near it, and let it settle.', isReal: true }
  return x >= 30
    ? { how: 'In a bag with the air of a drier room, or near silica gel, and let it settle.', isReal: true }
    : { how: 'In a closed bag with silica gel, for as long as it takes.', isReal: true }
}

/** How one probe is brought to a reading, with what is at hand and without harming it. */
function wayTo(context: ProveContext, input: MeasuredInput, x: number): Way {
  const probe = context.installation.kit.probes.find((candidate) => candidate.input === input.id)
  const role = roleIn(context, input)
  if (role === 'body')
    return { how: 'Never heat the controller to try it: look at its lamp and leaflet.', isReal: false }
  switch (input.kind) {
    case 'temperature':
      return warmth(x, role, probe)
    case 'humidity':
      return dampness(x)
    case 'light':
      return {
        how: x > 0 ? 'Shine a lamp on the sensor, or cover it in part.' : 'Cover the sensor well; any light counts.',
        isReal: true,
      }
    case 'volts':
      return {
        how: 'With a signal source of 0 to 10 V at the terminals, its lead to the main controller off.',
        isReal: true,
      }
    case 'pressure':
      return { how: 'At the test port, with a hand pump and a gauge on a tee; read while it is steady.', isReal: true }
  }
}

/** What is to be said of bringing an input somewhere: all of its probes, one way for all. */
export function wayFor(context: ProveContext, id: string, x: number): string {
  const input = inputOf(context, id)
  if (!input || !isMeasured(input)) return ''
  const [leaf] = leavesOf(context, id)
  return leaf ? wayTo(context, leaf, x).how : ''
}

const listOf = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '')

/** The probes that are brought somewhere for an input, as one says it: “coil 1 and coil 2”. */
export function whatText(context: ProveContext, id: string): string {
  const input = inputOf(context, id)
  if (!input || !isMeasured(input)) return input?.name ?? id
  return input.combines ? listOf(bringsFor(context, id).map(({ name }) => name)) : input.name
}

/** Where to, as the reference beside the probe should read: “29.5 °C”, of a difference “5 K over the outdoor air”. */
export function valueText(context: ProveContext, id: string, x: number): string {
  const input = measuredOf(context, id)
  if (!input) return ''
  const { preference } = context
  const values = brought(context, context.rest, id, x)
  const leaves = bringsFor(context, id)
  const at = leaves.map((leaf) => values[leaf.id] ?? x)
  if (input.combines?.how === 'difference') {
    const second = leavesOf(context, input.combines.of[1] ?? '')
    const by = (at[0] ?? 0) - (values[second[0]?.id ?? ''] ?? 0)
    const difference = formatQuantity(Math.abs(by), differenceOf(inputQuantity(input)), preference)
    return `${difference} ${by < 0 ? 'under' : 'over'} ${listOf(second.map(({ name }) => name))}`
  }
  const texts = at.map((leafAt) => formatQuantity(leafAt, input.kind, preference))
  return new Set(texts).size > 1 ? listOf(texts) : (texts[0] ?? '')
}

/** “coil 1 and coil 2 both to 29.5 °C”. */
export function bringText(context: ProveContext, id: string, x: number): string {
  const to = valueText(context, id, x)
  const count = bringsFor(context, id).length
  const both = to.includes(' and ') ? '' : count === 2 ? ' both' : count > 2 ? ' all' : ''
  return `${whatText(context, id)}${both} to ${to}`
}

/** “Let coil 1 and coil 2 stand at 29.5 °C”. */
export const standText = (context: ProveContext, id: string, x: number): string =>
  `Let ${whatText(context, id)} stand at ${valueText(context, id, x)}`

/** With what the speed is read: a display only where there is one. */
export function outputMeter({ installation }: ProveContext): string {
  const display = installation.kit.controller?.panel?.display.kind
  return display === 'digits' || display === 'lines' || display === 'list'
    ? 'a meter at the output, or the display'
    : 'a meter at the output'
}

const REFERENCES: Record<MeasuredInput['kind'], string> = {
  temperature: 'a reference thermometer beside the probe',
  humidity: 'a reference hygrometer beside the sensor',
  pressure: 'a gauge on the same port',
  light: 'a light meter beside the sensor, where there is one',
  volts: 'a voltmeter at the same terminals',
}

export const meters = (context: ProveContext, input: MeasuredInput | undefined): string =>
  input ? `${REFERENCES[input.kind]}, and ${outputMeter(context)}` : outputMeter(context)
