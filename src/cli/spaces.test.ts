import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runCommand } from '@/cli/main'

const KILN = 'demo/installations/kiln-room.json'
const FRUITING = 'demo/installations/fruiting-room.json'
const folder = mkdtempSync(join(tmpdir(), 'gale-spaces-'))

function run(...args: string[]): { status: number; out: string[]; err: string[] } {
  const [out, err]: [string[], string[]] = [[], []]
  const status = runCommand(args, { out: (line) => out.push(line), err: (line) => err.push(line) })
  return { status, out, err }
}
function file(name: string, content: unknown): string {
  writeFileSync(join(folder, name), JSON.stringify(content))
  return join(folder, name)
}

test('a day is rehearsed: figures, verdicts and worst moments, and the same trace to the byte', () => {
  const traces = ['a.csv', 'b.csv'].map((name) => join(folder, name))
  for (const trace of traces)
    expect(run('rehearse', KILN, '--scenario', 'hot-spell', '--step', '60', '--out', trace).status).toBe(0)
  expect(readFileSync(traces[0]!)).toEqual(readFileSync(traces[1]!))
  const [heading, first, ...others] = readFileSync(traces[0]!, 'utf8').trimEnd().split('\n')
  expect(heading).toMatch(/^time,firing \(read\),asked \(%\),exhaust \(%\),airC,rhPct,/)
  expect(first).toMatch(/^2026-07-06T00:00:00,0,/)
  expect(others).toHaveLength(1439)
  const { out } = run('rehearse', KILN, '--scenario', 'hot-spell', '--step', '60')
  expect(out[0]).toBe('hot spell, 1 day from 2026-07-06, seed 7: 1440 steps of 60 s')
  expect(out.find((line) => line.startsWith('Past the limit'))).toMatch(
    /^Past the limit, 40\.0 °C\t\d+ min\tfails\tworst Mon 15:0\d$/,
  )
})

test('measures are printed as data, and another seed is another day', () => {
  const data = (seed: string) =>
    run('rehearse', KILN, '--scenario', 'mild', '--step', '300', '--seed', seed, '--measures').out[0]!
  const [first] = JSON.parse(data('1')) as unknown[]
  expect(first).toMatchObject({ id: 'hottest', unit: 'temperature', verdict: 'pass' })
  expect(data('1')).toBe(data('1'))
  expect(data('1')).not.toBe(data('2'))
})

const scenario = {
  schema: 'soft-gale/scenario@1',
  id: 'own',
  name: 'own',
  tries: '',
  days: 1,
  startsOn: '2026-07-06',
  seed: 1,
  lines: [],
  events: [{ kind: 'power-cut', atS: 90000, lengthS: 60 }],
}
test.each([
  { args: ['--scenario', 'nix'], status: 2, err: /There is no day “nix” and no such file\. Known: mild, hot-spell/ },
  { args: ['--scenario', 'mild', '--inputs', 'x.csv'], status: 2, err: /readings, or a day/ },
  { args: ['--scenario', 'mild', '--days', 'two'], status: 2, err: /--days two: a whole number from 1 to 91/ },
  { args: ['--scenario', file('late.json', scenario)], status: 1, err: /events\.0\.atS: .*after the end at hour 24/ },
  {
    args: [
      '--scenario',
      file('unknown.json', {
        ...scenario,
        events: [{ kind: 'fan', fan: 'roof', toPct: 0, gradual: false, atS: 0, lengthS: 60 }],
      }),
    ],
    status: 1,
    err: /events\.0\.fan: There is no fan “roof”/,
  },
  {
    args: ['--scenario', 'mild', '--space', file('space.json', { schema: 'soft-gale/space@1' })],
    status: 1,
    err: /serves/,
  },
])('rehearse $args.1 $args.2: $status', ({ args, status, err }) => {
  const outcome = run('rehearse', KILN, ...args)
  expect(outcome.status).toBe(status)
  expect(outcome.err.join('\n')).toMatch(err)
})

const aims = {
  schema: 'soft-gale/aims@1',
  over: ['hot-spell'],
  days: 1,
  hard: [],
  then: [{ measure: 'above-band' }, { measure: 'night-sound' }],
  move: [{ place: 'rules.temp.startAt', from: 15, to: 17 }, { place: 'ceiling.speedPct' }],
  tries: 40,
  seed: 7,
}
test('better settings are looked for by aims, and found again by the same seed', () => {
  const [one, two] = [0, 1].map(() => run('search', FRUITING, '--aims', file('aims.json', aims), '--json'))
  expect(one!.status).toBe(0)
  expect(one!.out).toEqual(two!.out)
  const found = JSON.parse(one!.out[0]!) as { tried: number; proposals: { moves: { place: string; to: number }[] }[] }
  expect(found.tried).toBeGreaterThan(10)
  for (const { moves } of found.proposals)
    for (const { place, to } of moves)
      if (place === 'rules.temp.startAt') {
        expect(to).toBeGreaterThanOrEqual(15)
        expect(to).toBeLessThanOrEqual(17)
      }
})

test.each([
  { of: { ...aims, then: [] }, status: 1, err: /then: Nothing counts yet/ },
  { of: { ...aims, move: [] }, status: 1, err: /move: Nothing may move/ },
  {
    of: { ...aims, move: [{ place: 'rules.nix.at' }] },
    status: 2,
    err: /nothing can move at “rules\.nix\.at”; known: .*floor\.speedPct/,
  },
  { of: { ...aims, over: ['nix'] }, status: 2, err: /There is no day “nix”/ },
])('search refuses what makes no sense: $err', ({ of, status, err }) => {
  const outcome = run('search', FRUITING, '--aims', file('wrong.json', of))
  expect(outcome.status).toBe(status)
  expect(outcome.err.join('\n')).toMatch(err)
})

test('a space is learnt from a logger’s file, written, and rehearsed in', () => {
  const space = join(folder, 'learnt.json')
  const { status, out } = run(
    'learn',
    KILN,
    '--readings',
    'demo/readings/kiln-room-10-nov.csv',
    '--out',
    space,
    '--json',
  )
  expect(status).toBe(0)
  const { predictedK, figures } = JSON.parse(out[0]!) as {
    predictedK: number
    figures: { key: string; low: number; high: number; isTold: boolean }[]
  }
  expect(predictedK).toBeLessThan(0.4)
  expect(figures.find(({ key }) => key === 'heatW')).toMatchObject({ isTold: true })
  expect(run('check', space).status).toBe(0)
  expect(run('rehearse', KILN, '--scenario', 'mild', '--space', space, '--step', '300').status).toBe(0)
})

test('a file that cannot tell a space says why', () => {
  const { status, err } = run('learn', FRUITING, '--readings', 'demo/readings/fruiting-room-9-nov.csv')
  expect(status).toBe(1)
  expect(err[0]).toMatch(/temperature outside/)
})
