import Papa from 'papaparse'
import { freeId } from '@/core/json/freeId'
import { MEANINGS, type Setting } from '@/core/controller/schema'
import { fail, type Problem } from '@/core/json/problem'
import { QUANTITIES, type Quantity } from '@/core/quantity/units'

/** What a column of a pasted table holds, and what people head it by. */
const COLUMNS = {
  name: ['name', 'setting', 'parameter', 'line'],
  means: ['stands for', 'means', 'meaning'],
  slot: ['slot', 'number', 'no'],
  quantity: ['quantity', 'unit', 'kind'],
  min: ['from', 'min', 'lowest', 'minimum'],
  max: ['to', 'max', 'highest', 'maximum'],
  step: ['steps of', 'step', 'steps'],
  default: ['new', 'default', 'factory', 'delivered'],
  where: ['where', 'page', 'place', 'menu'],
} as const
type Column = keyof typeof COLUMNS
const NEEDED: readonly Column[] = ['name', 'min', 'max', 'step', 'default']

const plain = (text: string): string => text.trim().toLowerCase()

function columnOf(heading: string): Column | undefined {
  const wanted = plain(heading)
  return (Object.keys(COLUMNS) as Column[]).find((column) => (COLUMNS[column] as readonly string[]).includes(wanted))
}

/** The quantity a unit is of; a count where it names none. */
function quantityOf(typed: string): Quantity {
  const wanted = plain(typed)
  const all = Object.entries(QUANTITIES) as [Quantity, (typeof QUANTITIES)[Quantity]][]
  const byName = all.find(([id]) => id.toLowerCase() === wanted)
  if (byName) return byName[0]
  if (wanted === '%') return 'speed'
  return (
    all.find(([, spec]) => spec.units.some(({ names }) => (names as readonly string[]).includes(wanted)))?.[0] ??
    'count'
  )
}

const numberIn = (typed: string): number => Number(typed.trim().replace('−', '-').replace(',', '.'))

/** A place to begin with: how it is entered is asked for when all the rest stands. */
const enterAt = (where: string): Setting['enter'] => ({
  where,
  open: 'Open the line',
  up: 'raise it',
  down: 'lower it',
  unit: 'step',
  keep: 'keep it',
  seen: 'The new value stands in the line',
})

/** Settings pasted from a spreadsheet: a heading line, then a line each. A line that cannot be read takes only itself down, and is said.
 *  @param taken ids of settings that are there already */
export function readSettingsTable(
  text: string,
  taken: readonly string[],
): { readonly settings: readonly Setting[]; readonly problems: readonly Problem[] } {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' })
  const [headings = [], ...rows] = data
  const columns = headings.map(columnOf)
  const missing = NEEDED.filter((column) => !columns.includes(column))
  if (missing.length > 0)
    return {
      settings: [],
      problems: fail({
        code: 'no_value_column',
        path: 'line 1',
        known: Object.values(COLUMNS).map(([first]) => first),
        headings,
      }).problems,
    }
  const ids = [...taken]
  const problems: Problem[] = []
  const settings = rows.flatMap((row, index): Setting[] => {
    const cell = (column: Column): string => row[columns.indexOf(column)] ?? ''
    const path = `line ${index + 2}`
    const figures = (['min', 'max', 'step', 'default'] as const).map((key) => [key, numberIn(cell(key))] as const)
    const bad = figures.find(([key, x]) => cell(key).trim() === '' || Number.isNaN(x))
    if (bad) {
      problems.push({ code: 'cell_not_a_number', path, got: cell(bad[0]), what: COLUMNS[bad[0]][0] })
      return []
    }
    if (cell('name').trim() === '') {
      problems.push({ code: 'empty_cell', path, what: 'name' })
      return []
    }
    const typed = cell('means').trim()
    const means = [...MEANINGS, 'nothing' as const, 'unknown' as const].find((known) => known === typed)
    if (typed !== '' && !means) {
      problems.push({ code: 'not_one_of', path, got: `“${typed}”`, known: [] })
      return []
    }
    const id = freeId(ids, idOf(cell('name')))
    ids.push(id)
    const setting = {
      id,
      name: cell('name').trim(),
      means: means ?? 'unknown',
      slot: Math.max(1, Math.round(numberIn(cell('slot')) || 1)),
      quantity: quantityOf(cell('quantity')),
      ...(Object.fromEntries(figures) as Record<'min' | 'max' | 'step' | 'default', number>),
      power: 'verify' as const,
      enter: enterAt(cell('where').trim() || cell('name').trim()),
    } satisfies Setting
    return [withMeaning(setting, setting.means)]
  })
  return { settings, problems }
}

/** A setting said to stand for something else: what stands for nothing says what is to be done with it. */
export function withMeaning(setting: Setting, means: Setting['means']): Setting {
  const { advice, purpose, ...rest } = setting
  if (means === 'nothing')
    return {
      ...rest,
      means,
      purpose: purpose ?? 'It changes nothing of how the fan runs.',
      advice: advice ?? { what: 'leave', why: 'As it was found.' },
    }
  return { ...rest, means, ...(purpose === undefined ? {} : { purpose }) }
}

/** A short name made of words: “Ramp foot” is ramp-foot. */
function idOf(name: string): string {
  const made = plain(name)
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 36)
  return made === '' ? 'setting' : made
}
