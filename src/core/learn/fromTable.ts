import { roleOf } from '@/core/duty/role'
import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { fail, ok, type Outcome } from '@/core/json/problem'
import type { LearnReadings } from '@/core/learn/learn'
import { compile } from '@/core/machine/compile'
import { OUTDOOR, proposeFeeds } from '@/core/rehearse/feeds'
import { fedResponse, readingsSeries, type ReadingTable } from '@/core/rehearse/readingsSeries'
import { replay } from '@/core/rehearse/replay'
import { isMeasured, type Role } from '@/core/rules/input'
import type { Serves, Space } from '@/core/space/schema'

const ROLE_OF: Record<Serves['kind'], readonly Role[]> = {
  room: ['room'],
  house: ['room'],
  hall: ['room'],
  condenser: ['coil'],
  stove: ['flue', 'shell'],
  electronics: ['component'],
}

/** Which columns of a readings file say what a space is learnt from, by their headings. */
type LearnColumns = {
  readonly read: number
  readonly outdoor: number
  readonly speed: number
  readonly humidity: number
  readonly outdoorHumidity: number
}

/** −1 where there is none. */
function learnColumns(
  { columns }: Pick<ReadingTable, 'columns'>,
  installation: Installation,
  space: Space,
): LearnColumns {
  const { response, brief } = installation
  const where = { response, brief }
  const feeds = proposeFeeds(columns, where)
  const read = response.inputs.flatMap((input) => {
    const feed = feeds[input.id]
    const isIt =
      isMeasured(input) && input.kind === 'temperature' && ROLE_OF[space.serves.kind].includes(roleOf(input, where))
    return isIt && feed?.kind === 'column' ? [feed.column] : []
  })
  const plain = columns.findIndex(({ quantity, name }) => quantity === 'temperature' && !OUTDOOR.test(name))
  return {
    read: read[0] ?? plain,
    outdoor: columns.findIndex(({ quantity, name }) => quantity === 'temperature' && OUTDOOR.test(name)),
    speed: columns.findIndex(({ quantity }) => quantity === 'speed'),
    humidity: columns.findIndex(({ quantity, name }) => quantity === 'humidity' && !OUTDOOR.test(name)),
    outdoorHumidity: columns.findIndex(({ quantity, name }) => quantity === 'humidity' && OUTDOOR.test(name)),
  }
}

/** A readings file as what a space is learnt from. Speeds are those of the file; where it has none, those the response as it is given would have run
 *  at on these readings. */
export function learnReadings(table: ReadingTable, installation: Installation, space: Space): Outcome<LearnReadings> {
  const { read, outdoor, speed, humidity, outdoorHumidity } = learnColumns(table, installation, space)
  const missing = (what: string) => fail({ code: 'missing', path: '', what })
  if (read < 0) return missing('A column with the temperature of the space')
  if (outdoor < 0)
    return missing('A column with the temperature outside (its heading says outside, outdoor or ambient)')
  const { response } = derive(installation).given
  const feeds = proposeFeeds(table.columns, { response, brief: installation.brief })
  const compiled = compile(fedResponse(response, feeds))
  if (!compiled.ok) return compiled
  const series = readingsSeries(table, feeds)
  const machine = compiled.value
  const made = replay(machine, series).fansPct
  const column = (index: number) => Float64Array.from(table.values[index]!)
  const given = speed < 0 ? null : column(speed)
  return ok({
    atS: series.atS,
    readC: column(read),
    readRhPct: humidity < 0 ? null : column(humidity),
    drives: {
      outdoorC: column(outdoor),
      load: new Float64Array(series.atS.length).fill(1),
      ...(outdoorHumidity < 0 ? {} : { outdoorRhPct: column(outdoorHumidity) }),
    },
    fansPct: space.fans.map(({ fan }, index) =>
      index === 0 && given ? given : (made[machine.fanIds.indexOf(fan)] ?? made[0]!),
    ),
  })
}
