import { loadInstallation, loadModel } from '@/cli/load'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { dialIn, actionText } from '@/core/controller/dialIn'
import { fit } from '@/core/controller/fit'
import { lossText, settingValueText } from '@/core/controller/lossText'

const USAGE = 'gale fit FILE [--model FILE] [--actions] [--json]'

/** What a controller makes of an installation's response: settings, losses, and with `--actions` what to press. */
export function fitCommand(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    { model: { type: 'string' }, actions: { type: 'boolean' }, json: { type: 'boolean' } },
    USAGE,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new UsageError(`Name one installation file.\nUsage: ${USAGE}`)
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const model = values.model === undefined ? installation.kit.controller : loadModel(values.model, streams)
  if (!model) {
    if (values.model === undefined)
      streams.err(`${file}: kit.controller: no controller is chosen; name one with --model FILE.`)
    return 1
  }
  const { response, brief } = installation
  const fitted = fit(response, model, brief.duty)
  const losses = fitted.losses.map((loss) => lossText(loss, response))
  if (values.json) {
    streams.out(JSON.stringify({ model: model.id, settings: fitted.settings, given: fitted.given, losses }))
    return 0
  }
  for (const setting of model.settings) {
    const value = fitted.settings.find(({ setting: id }) => id === setting.id)?.value
    if (value !== undefined) streams.out(`${setting.name}: ${settingValueText(setting, value)}`)
  }
  for (const { title, detail } of losses) streams.out(`! ${title} ${detail}`)
  if (values.actions)
    dialIn(model, fitted, installation.dial.present).forEach(({ title, how, seen }, index) =>
      streams.out([`${index + 1}. ${actionText(title)}`, actionText(how), `→ ${seen}`].filter(Boolean).join(' ')),
    )
  return 0
}
