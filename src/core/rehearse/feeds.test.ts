import type { Installation } from '@/core/installation/installation'
import { feedText, fittingFeeds, proposeFeeds, type FeedColumn } from '@/core/rehearse/feeds'
import { fedResponse, readingsSeries } from '@/core/rehearse/readingsSeries'
import { replay } from '@/core/rehearse/replay'
import { demoInstallation, machineFor } from '@/testing/examples'

const column = (name: string, quantity: FeedColumn['quantity'] = 'temperature'): FeedColumn => ({ name, quantity })
const taken = (installation: Installation, columns: FeedColumn[]) =>
  Object.fromEntries(
    Object.entries(proposeFeeds(columns, installation)).map(([id, feed]) => [
      id,
      feed.kind === 'column' ? columns[feed.column]!.name : feed.kind === 'hold' ? feed.value : 'out',
    ]),
  )

const flat = demoInstallation('archive-flat')
const condenser = demoInstallation('creamery-condenser')
const door = demoInstallation('ticket-hall-door')

test.each<{ name: string; at: Installation; columns: FeedColumn[]; feeds: Record<string, unknown> }>([
  {
    name: 'outdoor first: the room is not taken for it',
    at: flat,
    columns: [column('outdoor (°C)'), column('room (°C)')],
    feeds: { outdoor: 'outdoor (°C)', room: 'room (°C)', boost: 0, pump: 0, mesh: 0 },
  },
  {
    name: 'outdoor alone: the room is left out, never fed by the weather',
    at: flat,
    columns: [column('Outside temp')],
    feeds: { outdoor: 'Outside temp', room: 'out', boost: 0, pump: 0, mesh: 0 },
  },
  {
    name: 'a heading without a word more is the room',
    at: flat,
    columns: [column('temperature (°C)')],
    feeds: { room: 'temperature (°C)', outdoor: 'out', boost: 0, pump: 0, mesh: 0 },
  },
  {
    name: 'one coil of two: the other is left out, not lost',
    at: condenser,
    columns: [column('coil 2 (°C)')],
    feeds: { coil2: 'coil 2 (°C)', coil1: 'out', defrost: 0 },
  },
  {
    name: 'by number, in either order',
    at: condenser,
    columns: [column('Probe 2'), column('Probe 1')],
    feeds: { coil1: 'Probe 1', coil2: 'Probe 2', defrost: 0 },
  },
  {
    name: 'contacts by their names',
    at: door,
    columns: [column('hall'), column('door contact', 'contact'), column('heat given', 'contact')],
    feeds: { hall: 'hall', door: 'door contact', heat: 'heat given' },
  },
  {
    name: 'a column of another kind feeds nothing',
    at: door,
    columns: [column('flow', 'flow')],
    feeds: { hall: 'out', door: 0, heat: 0 },
  },
])('$name', ({ at, columns, feeds }) => expect(taken(at, columns)).toEqual(feeds))

const seriesOf = (values: number[][], columns: FeedColumn[]) => ({
  columns,
  atMs: values[0]!.map((_, index) => index * 60_000),
  values,
  zone: 'as-written',
})

test('a coil without a column does not count as a lost probe: no 100 % for it', () => {
  const columns = [column('temperature (°C)')]
  const feeds = proposeFeeds(columns, condenser)
  const { fansPct } = replay(
    machineFor(fedResponse(condenser.response, feeds)),
    readingsSeries(seriesOf([[13, 14, 15, 16, 17, 18]], columns), feeds),
  )
  expect(Array.from(fansPct[0]!)).toEqual([100, 40, 40, 40, 40, 40])
})

test('a column of a contact works the switch, and a value holds an input', () => {
  const columns = [column('door', 'contact')]
  const feeds = { ...proposeFeeds(columns, door), hall: { kind: 'hold' as const, value: 19 } }
  const { fansPct } = replay(
    machineFor(fedResponse(door.response, feeds)),
    readingsSeries(seriesOf([[0, 1, 1, 0, 0, 0]], columns), feeds),
  )
  expect(Array.from(fansPct[0]!)).toEqual([0, 100, 100, 70, 0, 0])
})

test('a column may give directly what is made of several probes', () => {
  const columns = [column('hottest coil (°C)')]
  const feeds = {
    ...proposeFeeds(columns, condenser),
    coil: { kind: 'column' as const, column: 0 },
    coil1: { kind: 'left-out' as const },
  }
  const { fansPct } = replay(
    machineFor(fedResponse(condenser.response, feeds)),
    readingsSeries(seriesOf([[36, 36, 36]], columns), feeds),
  )
  expect(fansPct[0]![2]).toBe(100)
})

test('what is assumed is said; what no longer fits is proposed anew', () => {
  const columns = [column('outdoor (°C)')]
  const feeds = proposeFeeds(columns, flat)
  const fedBy = (id: string) =>
    feedText(
      flat.response.inputs.find((input) => input.id === id)!,
      feeds[id],
      columns,
    )
  expect([fedBy('outdoor'), fedBy('room'), fedBy('boost')]).toEqual([
    'column “outdoor (°C)”',
    'not in the file: left out of the reckoning',
    'not in the file: held off',
  ])
  const stale = {
    room: { kind: 'column' as const, column: 7 },
    ghost: { kind: 'left-out' as const },
    boost: { kind: 'hold' as const, value: 1 },
  }
  expect(fittingFeeds(stale, columns, flat)).toEqual({ ...feeds, boost: { kind: 'hold', value: 1 } })
})
