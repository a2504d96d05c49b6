import Papa from 'papaparse'
import { loadInstallation } from '@/cli/load'
import { parseCommandLine, UsageError, type Streams } from '@/cli/streams'
import { purposeOf } from '@/core/controller/purposes'
import { settingValueText } from '@/core/controller/settingText'
import { derive } from '@/core/derive/derive'
import { settingsList } from '@/core/installation/settingsList'
import { powerText, settingWhyText, TASK_WORDS, WHO_WORDS, writtenText } from '@/core/sentences/settingWords'

const USAGE = 'gale settings FILE [--csv]'
const HEADS = ['setting', 'purpose', 'where', 'as found', 'wanted', 'maker’s', 'task', 'why', 'who', 'written', 'power']

/** Every setting of the chosen controller: what it is for, as found, wanted, and what to do with it. */
export function settings(args: readonly string[], streams: Streams): number {
  const { positionals, values } = parseCommandLine(args, { csv: { type: 'boolean' } }, USAGE)
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new UsageError(`Name one installation file.\nUsage: ${USAGE}`)
  const installation = loadInstallation(file, streams)
  if (!installation) return 1
  const { controller } = installation.kit
  const { fit } = derive(installation)
  if (!controller || !fit) {
    streams.err(`${file}: kit.controller: no controller is chosen, so it has no settings.`)
    return 1
  }
  const rows = settingsList(controller, fit, installation.dial).map(({ setting, found, wanted, task, why }) => [
    setting.name,
    purposeOf(setting),
    setting.enter.where,
    found === null ? '' : settingValueText(setting, found),
    wanted === null ? '' : settingValueText(setting, wanted),
    settingValueText(setting, setting.default),
    TASK_WORDS[task],
    settingWhyText(why),
    WHO_WORDS[setting.who ?? 'user'],
    writtenText(setting),
    powerText(setting),
  ])
  if (values.csv) streams.out(Papa.unparse([HEADS, ...rows]))
  else
    for (const [name, purpose, where, found, wanted, makers, task, why] of rows) {
      streams.out(`${name} (${where}): ${purpose}`)
      streams.out(`  found ${found || '–'}, wanted ${wanted || '–'}, maker’s ${makers}. ${task}. ${why}`)
    }
  return 0
}
