import { loadInstallation } from '@/cli/load'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { unitsOf } from '@/cli/units'
import { dialIn, actionText } from '@/core/controller/dialIn'
import { lossText } from '@/core/sentences/lossText'
import { derive } from '@/core/derive/derive'
import { CAUTIONS } from '@/core/duty/cautions'
import { afterOutage } from '@/core/record/afterOutage'
import { signalLines } from '@/core/record/signalLines'
import { facts } from '@/core/record/facts'

const USAGE = 'gale card FILE [--units us]'

/** The whole setting on one sheet of plain text, to go into the box. */
export function card(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(args, { units: { type: 'string' } }, USAGE)
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new UsageError(`Name one installation file.\nUsage: ${USAGE}`)
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const preference = unitsOf(values.units)
  const derived = derive(installation)
  const { fit } = derived
  for (const { label, wording } of facts(installation, preference)) streams.out(`${label}: ${wording}`)
  const { controller } = installation.kit
  if (!controller || !fit) {
    streams.err(`${file}: kit.controller: no controller is chosen, so there is nothing to press.`)
    return 0
  }
  streams.out('')
  streams.out('To set it again, from a controller as its maker leaves it')
  dialIn(controller, fit, { ...installation.dial, present: 'reset' }, preference).forEach(({ title, how }, index) =>
    streams.out([`${index + 1}. ${actionText(title)}`, actionText(how)].filter(Boolean).join(' ')),
  )
  if (fit.losses.length > 0) streams.out('\nWhat this controller cannot do')
  for (const loss of fit.losses) {
    const { title, detail } = lossText(loss, installation.response, preference)
    streams.out(`- ${title} ${detail}`)
  }
  streams.out('\nAfter the power has been away')
  for (const line of afterOutage(installation, derived)) streams.out(`- ${line}`)
  const signals = signalLines(controller)
  if (signals.length > 0) streams.out('\nLamps and codes')
  for (const { text } of signals) streams.out(`- ${text}`)
  streams.out('\nCare')
  for (const { title, detail } of CAUTIONS[installation.brief.duty]) streams.out(`- ${title} ${detail}`)
  for (const caution of controller.cautions) streams.out(`- ${caution}`)
  return 0
}
