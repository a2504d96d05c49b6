import { listJson, loadInstallation, loadModel } from '@/cli/load'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { unitsOf } from '@/cli/units'
import { dialIn, actionText } from '@/core/controller/dialIn'
import { fit, type Fit } from '@/core/controller/fit'
import { measureRules } from '@/core/controller/measureLoss'
import { lossText } from '@/core/sentences/lossText'
import { valueFor } from '@/core/controller/settingValue'
import { settingValueText } from '@/core/controller/settingText'
import { driveText, rankModels, type Ranked } from '@/core/kit/rankModels'
import type { ControllerModel } from '@/core/controller/schema'
import type { Installation } from '@/core/installation/installation'
import { formatNumber, formatPct, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { ruleName } from '@/core/sentences/words'
import { fitPlace } from '@/core/kit/fitPlace'

const USAGE = 'gale fit FILE [--model FILE [--actions] | --models DIR] [--json] [--units us]'

/** How far each rule lies off what was asked, in its own figures. */
function measureLines({ given }: Fit, response: Response): string[] {
  return measureRules(response, given).flatMap(({ rule: id, curve, changes }) => {
    const rule = response.rules.find((candidate) => candidate.id === id)
    const parts = [
      ...changes.map(({ field, asked, given }) => `${field} ${formatNumber(asked, 2)} → ${formatNumber(given, 2)}`),
      ...(curve
        ? [`up to ${formatPct(curve.greatestPct)} percentage points off, ${formatPct(curve.meanPct)} in the mean`]
        : []),
    ]
    return rule && parts.length > 0 ? [`  ${ruleName(response, rule)}: ${parts.join('; ')}`] : []
  })
}

/** The models of a folder, or null after saying which is wrong. */
function loadModels(folder: string, streams: Streams): ControllerModel[] | null {
  const models = listJson(folder).map((file) => loadModel(file, streams))
  const read = models.filter((model) => model !== null)
  return read.length === models.length ? read : null
}

/** Which controller? The models of a folder in order, each with what speaks against it. */
function rankCommand(
  { response, kit, brief }: Installation,
  folder: string,
  { json, preference }: { json: boolean; preference: UnitPreference },
  streams: Streams,
): number {
  const models = loadModels(folder, streams)
  if (!models) return 1
  const order = rankModels(response, kit, brief, models)
  const reasons = ({ cannotDrive, missing, changed }: Ranked) => ({
    cannotDrive: cannotDrive.map(driveText),
    missing: missing.map((loss) => lossText(loss, response, preference)),
    changed: changed.map((loss) => lossText(loss, response, preference)),
  })
  if (json) {
    streams.out(
      JSON.stringify(
        order.map((entry) => ({
          model: entry.model.id,
          greatestPct: Number(entry.greatestPct.toFixed(3)),
          meanPct: Number(entry.meanPct.toFixed(3)),
          ...reasons(entry),
        })),
      ),
    )
    return 0
  }
  order.forEach((entry, index) => {
    const { cannotDrive, missing, changed } = reasons(entry)
    streams.out(
      `${index + 1}. ${entry.model.name} (${entry.model.id}): ${cannotDrive.length > 0 ? 'cannot drive it' : `${missing.length} missing, ${changed.length} otherwise`}; off by ${formatPct(entry.meanPct)} points in the mean, ${formatPct(entry.greatestPct)} at most`,
    )
    for (const reason of cannotDrive) streams.out(`   x ${reason}`)
    for (const { title } of missing) streams.out(`   - ${title}`)
    for (const { title } of changed) streams.out(`   ~ ${title}`)
  })
  return 0
}

/** What a controller makes of an installation's response: settings, losses, and with `--actions` what to press; with `--models` which of
 *  several does it best. */
export function fitCommand(args: readonly string[], streams: Streams): number {
  const { values, positionals } = parseCommandLine(
    args,
    {
      model: { type: 'string' },
      models: { type: 'string' },
      actions: { type: 'boolean' },
      json: { type: 'boolean' },
      units: { type: 'string' },
    },
    USAGE,
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new UsageError(`Name one installation file.\nUsage: ${USAGE}`)
  const preference = unitsOf(values.units)
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  if (values.models !== undefined) {
    if (values.model !== undefined || values.actions)
      throw new UsageError(`--models ranks; it goes with neither --model nor --actions.\nUsage: ${USAGE}`)
    return rankCommand(installation, values.models, { json: values.json ?? false, preference }, streams)
  }
  const model = values.model === undefined ? installation.kit.controller : loadModel(values.model, streams)
  if (!model) {
    if (values.model === undefined)
      streams.err(`${file}: kit.controller: no controller is chosen; name one with --model FILE.`)
    return 1
  }
  const { response } = installation
  const fitted = fit(response, model, fitPlace(installation))
  const losses = fitted.losses.map((loss) => lossText(loss, response, preference))
  if (values.json) {
    const { settings, given } = fitted
    streams.out(JSON.stringify({ model: model.id, settings, given, losses, measures: measureRules(response, given) }))
    return 0
  }
  for (const setting of model.settings) {
    const value = valueFor(fitted.settings, setting.id)
    if (value !== undefined) streams.out(`${setting.name}: ${settingValueText(setting, value)}`)
  }
  for (const { title, detail } of losses) streams.out(`! ${title} ${detail}`)
  for (const line of measureLines(fitted, response)) streams.out(line)
  if (values.actions)
    dialIn(model, fitted, installation.dial, preference).forEach(({ title, how, seen }, index) =>
      streams.out([`${index + 1}. ${actionText(title)}`, actionText(how), `→ ${seen}`].filter(Boolean).join(' ')),
    )
  return 0
}
