import { checkFlowTable, roomsFlow, type FlowTable } from '@/core/brief/flowTable'
import { BUILT_IN_TABLES } from '@/core/brief/flowTables/builtIn'
import { readFlowTable } from '@/core/brief/readFlowTable'
import { problemLine } from '@/core/words/problems'

const csv = 'room;flow (l/s);per\nshowers;15;room\nchanging;2,5;person\nhall;0,3;m²\n'
const read = (text: string) => {
  const table = readFlowTable(text, 'club rules.csv')
  return table.ok ? table.value : table.problems.map(problemLine)
}

test('a CSV with headings, decimal commas and three kinds of line', () =>
  expect(read(csv)).toEqual({
    schema: 'soft-gale/flow-table@1',
    name: 'club rules',
    edition: 'own table, edition not said',
    rows: [
      { room: 'showers', flowLs: 15, per: 'room' },
      { room: 'changing', flowLs: 2.5, per: 'person' },
      { room: 'hall', flowLs: 0.3, per: 'm2' },
    ],
  }))

test('rooms are added up; one the table does not have is named', () =>
  expect(
    roomsFlow({
      table: read(csv) as FlowTable,
      lines: [
        { room: 'showers', count: 6 },
        { room: 'changing', count: 10 },
        { room: 'hall', count: 40 },
        { room: 'sauna', count: 1 },
      ],
    }),
  ).toEqual({ flowLs: 6 * 15 + 10 * 2.5 + 40 * 0.3, unknown: ['sauna'] }))

test.each([
  { name: 'empty', text: ' ', wording: ['The file is empty.'] },
  {
    name: 'gaps: every one is named',
    text: 'room,flow\nshowers,\n,15\nhall,none\nyard,4,acre\n',
    wording: [
      'line 2: showers has no flow; write one in l/s, or take the line out.',
      'line 3: there is a flow but no room; name the room, or take the line out.',
      'line 4: “none” is no flow for hall; write l/s above zero.',
      'line 5: “acre” is not known; write room, person or m2.',
    ],
  },
  {
    name: 'headings only',
    text: 'room,flow\n',
    wording: ['There is no line with a room and its flow: “showers;15;room”.'],
  },
  { name: 'cut JSON', text: '{"schema": "soft-gale/flow-table@1"', wording: [expect.stringContaining('JSON')] },
  {
    name: 'JSON of another shape',
    text: '{"schema": "soft-gale/flow-table@1", "name": "x"}',
    wording: expect.any(Array) as string[],
  },
])('$name', ({ text, wording }) => expect(read(text)).toEqual(wording))

test('a room twice is said', () =>
  expect(read('showers;15\nshowers;20\n')).toEqual([expect.stringMatching(/rows\.1\.room.*showers/)]))

test('the tables that come with the program hold together and say their edition', () => {
  for (const table of BUILT_IN_TABLES) {
    expect(readFlowTable(JSON.stringify(table), '')).toEqual({ ok: true, value: table })
    expect(checkFlowTable(table)).toEqual([])
    expect(table.edition).toMatch(/2021|from memory/)
  }
  // Reference-values req.adfWetRooms (continuous, high rate) and req.adfOther.
  const [wet, other] = BUILT_IN_TABLES
  expect(wet!.rows.map(({ flowLs }) => flowLs)).toEqual([13, 8, 8, 6])
  expect(other!.rows.find(({ room }) => room === 'shower or bath')!.flowLs).toBe(15)
})
