import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runCommand } from '@/cli/main'

const FRUITING = 'demo/installations/fruiting-room.json'

function run(...args: string[]): { status: number; out: string[]; err: string[] } {
  const [out, err]: [string[], string[]] = [[], []]
  const status = runCommand(args, { out: (line) => out.push(line), err: (line) => err.push(line) })
  return { status, out, err }
}

const written = (text: string): string => {
  const file = join(mkdtempSync(join(tmpdir(), 'gale-')), 'file.json')
  writeFileSync(file, text)
  return file
}

test('evaluate prints the documented JSON', () => {
  const { status, out } = run('evaluate', FRUITING, '--at', 'roomTemp=18.3', '--at', 'humidity=93', '--json')
  expect(status).toBe(0)
  expect(JSON.parse(out.join(''))).toEqual({
    fans: [
      { id: 'exhaust', speedPct: 60, signal: { kind: 'volts', value: 6, unit: 'V' }, flowLs: 117 },
      { id: 'make-up', speedPct: 50, signal: { kind: 'volts', value: 5, unit: 'V' }, flowLs: 82.268 },
    ],
    inCharge: { rule: 'temp', asksPct: 62.375 },
    asks: [
      { rule: 'temp', asksPct: 62.375 },
      { rule: 'damp', asksPct: 41.666667 },
      { rule: 'boost', asksPct: null },
    ],
    reason:
      'Room temperature is 2.3 K up a 4.0 K ramp, so it asks for 62.4 %. Humidity ramp asks for less. Steps of 5 % give 60 %.',
  })
})

test('units are understood at the command line; --asked leaves the controller out', () => {
  expect(run('evaluate', FRUITING, '--at', 'roomTemp=64.94F', '--at', 'harvest=off', '--asked').out[0]).toBe(
    'exhaust: 61.1 %, 6.11 V, 119 l/s',
  )
})

test.each([
  {
    args: ['evaluate', FRUITING, '--at', 'cellar=3'],
    status: 2,
    err: /there is no input “cellar”; known: roomTemp, humidity, harvest/,
  },
  {
    args: ['evaluate', FRUITING, '--at', 'roomTemp=20V'],
    status: 2,
    err: /“V” is not a unit of temperature; use °C, °F/,
  },
  { args: ['evaluate', FRUITING, '--at', 'harvest=maybe'], status: 2, err: /a switch is on or off/ },
  { args: ['evaluate', 'nowhere.json'], status: 2, err: /Cannot read nowhere.json/ },
  { args: ['evaluate'], status: 2, err: /Usage: gale evaluate/ },
  { args: ['evaluate', FRUITING, '--loud'], status: 2, err: /Unknown option '--loud'/ },
  { args: ['sing'], status: 2, err: /no command “sing”/ },
  { args: ['check', 'demo/workspace.json'], status: 1, err: /schema/ },
])('$args → $status', ({ args, status, err }) => {
  const result = run(...args)
  expect(result.status).toBe(status)
  expect(result.err.join('\n')).toMatch(err)
  expect(result.out).toEqual([])
})

test('check names every mistake with its place, and judges when asked', () => {
  const good = run('check', FRUITING, 'demo/controllers/two-pad-pwm.json')
  expect(good).toMatchObject({
    status: 0,
    out: [
      `${FRUITING}: good (soft-gale/installation@1)`,
      'demo/controllers/two-pad-pwm.json: good (soft-gale/controller-model@1)',
    ],
  })
  expect(run('check', 'demo/installations/inverter-cupboard.json', '--judge').out.join('\n')).toMatch(
    /will not work: response.floor: The floor of 15 % is too low/,
  )
  const broken = written('{"schema":"soft-gale/brief@1","duty":"grow-room","targets":[]}')
  expect(run('check', broken)).toMatchObject({
    status: 1,
    err: [expect.stringMatching(/“space” is missing/), expect.stringMatching(/“requiredFlow” is missing/)],
  })
})

test('fit and card say what to press and what is lost', () => {
  const { out } = run('fit', FRUITING, '--actions')
  expect(out).toContain('Lowest speed: 25 %')
  expect(out.some((line) => line.startsWith('! Lowest speed: 25 %, you asked 22 %.'))).toBe(true)
  const other = JSON.parse(
    run('fit', FRUITING, '--model', 'demo/controllers/two-pad-pwm.json', '--json').out.join(''),
  ) as { model: string; losses: unknown[] }
  expect(other.model).toBe('two-pad-pwm')
  expect(other.losses.length).toBeGreaterThan(4)
  expect(run('card', FRUITING).out).toEqual(
    expect.arrayContaining([
      'Floor: 22 %',
      'At the controller, in this order',
      '\nWhat this controller cannot do',
      '\nCare',
    ]),
  )
})

test('evaluate carries memory between calls: the overrun counts down', () => {
  const state = join(mkdtempSync(join(tmpdir(), 'gale-')), 'state.json')
  const at = (harvest: string, after: string): string =>
    run(
      'evaluate',
      FRUITING,
      '--asked',
      '--at',
      'roomTemp=12',
      '--at',
      'humidity=80',
      '--at',
      `harvest=${harvest}`,
      '--state',
      state,
      '--after',
      after,
    ).out[0]!.split(',')[0]!
  expect([at('on', '0'), at('on', '5 min'), at('off', '10'), at('off', '5 min'), at('off', '10')]).toEqual([
    'exhaust: 90 %',
    'exhaust: 90 %',
    'exhaust: 90 %',
    'exhaust: 90 %',
    'exhaust: 22 %',
  ])
  expect(run('evaluate', 'demo/installations/inverter-cupboard.json', '--state', state)).toMatchObject({
    status: 1,
    err: [expect.stringMatching(/belongs to another response/)],
  })
})

test('rehearse replays a readings file and writes the trace', () => {
  const out = join(mkdtempSync(join(tmpdir(), 'gale-')), 'trace.csv')
  const { status, out: said } = run(
    'rehearse',
    FRUITING,
    '--inputs',
    'demo/readings/fruiting-room-9-nov.csv',
    '--out',
    out,
  )
  expect([status, said[0]]).toEqual([0, expect.stringMatching(/^2880 readings over 48.0 h: mean speed /)])
  const lines = readFileSync(out, 'utf8').trimEnd().split('\n')
  expect([lines.length, lines[0]]).toEqual([2881, 'time,exhaust (%),make-up (%)'])
  const bad = written('time,temp\n2026-11-09 10:00,18\n2026-11-09 09:00,18\n')
  expect(run('rehearse', FRUITING, '--inputs', bad)).toMatchObject({
    status: 1,
    err: [expect.stringMatching(/line 3: the time goes back/)],
  })
  expect(run('rehearse', FRUITING).status).toBe(2)
})
