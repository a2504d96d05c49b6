import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
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
      `${FRUITING}: good (soft-gale/installation@2)`,
      'demo/controllers/two-pad-pwm.json: good (soft-gale/controller-model@2)',
    ],
  })
  expect(run('check', 'demo/installations/inverter-cupboard.json', '--judge').out.join('\n')).toMatch(
    /fault: response.floor: The floor of 16 % is too low/,
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
      'To set it again, from a controller as its maker leaves it',
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
  const { status, out: printed } = run(
    'rehearse',
    FRUITING,
    '--inputs',
    'demo/readings/fruiting-room-9-nov.csv',
    '--out',
    out,
  )
  expect([status, printed[0]]).toEqual([0, expect.stringMatching(/^2880 readings over 48.0 h: mean speed /)])
  const lines = readFileSync(out, 'utf8').trimEnd().split('\n')
  expect([lines.length, lines[0]]).toEqual([2881, 'time,exhaust (%),make-up (%)'])
  const bad = written('time,temp\n2026-11-09 10:00,18\n2026-11-09 09:00,18\n')
  expect(run('rehearse', FRUITING, '--inputs', bad)).toMatchObject({
    status: 1,
    err: [expect.stringMatching(/line 3: the time goes back/)],
  })
  expect(run('rehearse', FRUITING).status).toBe(2)
})

test('rehearse says what each input takes, and takes what it is told', () => {
  const csv = written('time,Outside temp,room temp\n2026-11-09 10:00,-2,22\n2026-11-09 10:10,-2,25\n')
  const flat = 'demo/installations/archive-flat.json'
  const feeds = (...args: string[]) => run('rehearse', flat, '--inputs', csv, ...args).out.slice(2, 4)
  expect(feeds()).toEqual(['room: column “room temp”', 'outdoor: column “Outside temp”'])
  expect(feeds('--feed', 'outdoor=out', '--feed', 'room=24.5')).toEqual([
    'room: not in the file: held at 24.5 °C',
    'outdoor: not in the file: left out of the reckoning',
  ])
  for (const [feed, wording] of [
    ['cellar=out', /no input “cellar”/],
    ['room=attic', /neither a column/],
    ['boost=room temp', /no switch/],
  ] as const)
    expect(run('rehearse', flat, '--inputs', csv, '--feed', feed)).toMatchObject({
      status: 2,
      err: [expect.stringMatching(wording)],
    })
})

test('evaluate says what is missing, and counts the time that passed', () => {
  const flat = 'demo/installations/archive-flat.json'
  expect(run('evaluate', flat, '--at', 'room=22').err).toEqual([
    'No --at for outdoor: its probe counts as lost.',
    'No --clock: what goes by the week asks for nothing, and set points stay as written.',
    'No --date: no season stands, and nothing is of any age.',
  ])
  const whole = run(
    'evaluate',
    flat,
    '--at',
    'room=22',
    '--at',
    'outdoor=9',
    '--clock',
    'Mon 18:00',
    '--date',
    '2026-11-30',
    '--json',
  )
  expect([whole.err, JSON.parse(whole.out.join(''))]).toMatchObject([[], { inCharge: { rule: 'evening' } }])
  expect(whole.out.join('')).not.toContain('missing')
  // From power-up: a contact with an on-delay of a minute has been on for 30 s, then for 90 s.
  const room = JSON.parse(readFileSync('demo/installations/changing-rooms.json', 'utf8')) as {
    response: { rules: { id: string; onDelayS?: number }[] }
  }
  room.response.rules.find(({ id }) => id === 'visit')!.onDelayS = 60
  const delayed = written(JSON.stringify(room))
  const speed = (...args: string[]) =>
    run('evaluate', delayed, '--asked', '--at', 'humidity=50', '--at', 'light=on', ...args).out[0]!.split(',')[0]
  expect([speed('--after', '30s'), speed('--after', '90s')]).toEqual(['extract: 20 %', 'extract: 85 %'])
  const state = join(mkdtempSync(join(tmpdir(), 'gale-')), 'state.json')
  expect(speed('--after', '90s', '--state', state)).toBe('extract: 85 %')
  expect(run('evaluate', flat, '--after', 'soon')).toMatchObject({ status: 2 })
})

describe('points', () => {
  test('says the same in every convention', () => {
    const { status, out } = run('points', '--as', 'symmetric', '--set', '21C', '--width', '0.8K', '--json')
    expect(status).toBe(0)
    expect(JSON.parse(out.join(''))).toMatchObject({
      action: 'direct',
      sentence: 'On at 21.4 °C and above, off at 20.6 °C and below.',
      conventions: [
        { convention: 'on-at-set', differential: expect.closeTo(0.8, 9) as number },
        { convention: 'symmetric', setPoint: expect.closeTo(21, 9) as number },
        { convention: 'plus-minus', differential: expect.closeTo(0.4, 9) as number },
        { convention: 'off-at-set', setPoint: expect.closeTo(20.6, 9) as number },
      ],
    })
  })
  test.each([
    { by: 'foot', startAt: 20, fullAt: 24 },
    { by: 'centre', startAt: 18, fullAt: 22 },
    { by: 'top', startAt: 16, fullAt: 20 },
  ])('a ramp by its $by', ({ by, startAt, fullAt }) =>
    expect(JSON.parse(run('points', '--ramp', by, '--set', '20', '--width', '4', '--json').out.join(''))).toEqual({
      startAt,
      fullAt,
    }),
  )
  // Common practice, no source: a difference converted with 32 is the usual slip.
  test('a width in F° has no 32 in it', () =>
    expect(run('points', '--ramp', 'foot', '--set', '68F', '--width', '3.6F').out).toEqual([
      'Starts at 20.0 °C (68.0 °F), full at 22.0 °C (71.6 °F): a band of 2.00 K (3.60 F°).',
    ]))
  test.each([
    { args: ['--set', '70F', '--width', '4', '--ramp', 'foot'], err: /say which it is, 4K or 4F/ },
    { args: ['--set', '70F', '--ramp', 'foot'], err: /--width is missing/ },
    { args: ['--set', '20', '--width=-1', '--as', 'symmetric'], err: /cannot be negative/ },
    { args: ['--set', '20', '--width', '1'], err: /Say one of --as and --ramp/ },
    { args: ['--set', '20', '--width', '1', '--as', 'loose'], err: /known are on-at-set/ },
    { args: ['--set', '20', '--width', '0', '--ramp', 'top'], err: /needs a band above 0/ },
  ])('$args is answered with the way out', ({ args, err }) => {
    const { status, err: lines } = run('points', ...args)
    expect(status).toBe(2)
    expect(lines.join(' ')).toMatch(err)
  })
})

describe('real documents', () => {
  const BROODER = 'demo/installations/duckling-brooder.json'
  test('a house on its ladder, and its alarm', () => {
    const { out } = run('evaluate', BROODER, '--at', 'house1=28', '--at', 'house2=29', '--json')
    expect(JSON.parse(out.join(''))).toMatchObject({
      // 28.5 °C is 62.5 % of the ladder: two fixed fans, and the variable one half way from 60 to 100 %.
      fans: [
        { id: 'variable', speedPct: 80 },
        { id: 'fixed-1', speedPct: 100 },
        { id: 'fixed-2', speedPct: 100 },
        { id: 'fixed-3', speedPct: 0 },
      ],
      outputs: [{ id: 'call', isOn: false }],
    })
    const lost = run('evaluate', BROODER)
    expect(lost.out).toContain('fixed-3: 100 %, on')
    expect(lost.out.join(' ')).toContain('A probe has no reading: 100 %')
  })
  test('a calendar moves the point of the door curtain', () => {
    const at = (clock: string) =>
      run('evaluate', 'demo/installations/ticket-hall-door.json', '--at', 'hall=17.5', '--clock', clock).out[0]
    expect(at('Mon 07:00')).toMatch(/^curtain: 40 %/)
    expect(at('Mon 10:00')).toMatch(/^curtain: 0 %/)
  })
  test('a clock that is none is answered with the way out', () =>
    expect(run('evaluate', BROODER, '--clock', 'noon').err.join(' ')).toMatch(/as in "Mon 07:30"/))
  test('which controller: in order, with reasons', () => {
    const { status, out } = run('fit', BROODER, '--models', 'demo/controllers', '--json')
    const order = JSON.parse(out.join('')) as { model: string; missing: { title: string }[]; cannotDrive: string[] }[]
    expect(status).toBe(0)
    expect(order).toHaveLength(10)
    expect(order[0]).toMatchObject({ model: 'strip-list-house', missing: [], cannotDrive: [] })
    expect(order.at(-1)!.cannotDrive.length + order.at(-1)!.missing.length).toBeGreaterThan(3)
  })
  test.each([
    { args: ['--models', 'nowhere'], err: /Cannot read nowhere/ },
    { args: ['--models', 'docs'], err: /holds no .json file/ },
    { args: ['--models', 'demo/controllers', '--actions'], err: /goes with neither/ },
  ])('fit $args', ({ args, err }) => {
    const { status, err: lines } = run('fit', BROODER, ...args)
    expect(status).toBe(2)
    expect(lines.join(' ')).toMatch(err)
  })
})

describe('sums', () => {
  test('lists, finds by words and shows', () => {
    expect(run('sums').out.length).toBeGreaterThan(45)
    expect(run('sums', 'duct', 'round').out).toContain('round-duct: Flow in a round duct (flow)')
    expect(run('sums', 'show', 'heat-removal').out).toContain('  q = P / (1.2072 · dT)')
    expect(run('sums', 'unicorn')).toMatchObject({ status: 1, out: [] })
  })
  test('runs with any unit, says the formula with the values, or prints JSON', () => {
    const { status, out } = run('sums', 'run', 'heat-removal', 'P=0.9kW', 'dT=7.2F°')
    expect(status).toBe(0)
    expect(out.slice(0, 2)).toEqual(['flow: 186 l/s', 'q = 900 W / (1.2072 · 4.0 K)'])
    expect(JSON.parse(run('sums', 'run', 'air-changes', 'q=30', 'V=30', '--json').out.join(''))).toEqual({
      sum: 'air-changes',
      values: { q: 30, V: 30 },
      results: { n: 3.6, tau: 1000 },
    })
  })
  test.each([
    {
      args: ['run', 'heat-removal', 'P=warm', 'x=1'],
      status: 1,
      err: /P: “warm” is not a number.* x: There is no input “x”; known: P, dT/,
    },
    { args: ['run', 'air-changes', 'V=0'], status: 1, err: /must be above 0/ },
    { args: ['run', 'saturation-pressure', 'fluid=R-744', 't=35'], status: 1, err: /no saturation above 31.0 °C/ },
    { args: ['run', 'duct'], status: 2, err: /There is no sum “duct”; near it: .*round-duct/ },
    { args: ['run', 'heat-removal', 'P'], status: 2, err: /not key=value/ },
  ])('$args is answered with its place and the way out', ({ args, status, err }) => {
    const outcome = run('sums', ...args)
    expect(outcome.status).toBe(status)
    expect(outcome.err.join(' ')).toMatch(err)
  })
})

test('what is said of the demo is what a person has looked over', () => {
  const reviewed = readFileSync('docs/demo-judged.md', 'utf8')
    .split('\n## ')
    .slice(1)
    .flatMap((part) => {
      const [name, ...lines] = part.split('\n')
      return lines.flatMap((line) =>
        line.startsWith('- ') ? [`demo/installations/${name}.json: ${line.slice(2)}`] : [],
      )
    })
  const files = readdirSync('demo/installations').map((file) => `demo/installations/${file}`)
  const lines = run('check', '--judge', ...files).out.filter((line) => !line.includes('.json: good ('))
  expect(lines.sort()).toEqual(reviewed.sort())
})

describe('--units', () => {
  const METRIC_FIGURE = /\d (°C|K|l\/s|m³|m²|kPa|Pa|kg)(?![\p{L}\d·/])/u
  const FILE = 'demo/installations/fruiting-room.json'

  test.each([
    ['check', [FILE.replace('room', 'room.rev1'), '--judge'], '68.0 °F'],
    ['evaluate', [FILE, '--at', 'roomTemp=68F', '--at', 'humidity=84'], 'cfm'],
    ['fit', [FILE, '--actions'], '%'],
    ['card', [FILE], '°F'],
    ['sums', ['run', 'heat-removal', 'P=900W', 'dT=4K'], 'cfm'],
  ])('gale %s says figures in them', (command, args, shown) => {
    const { out } = run(command, ...args, '--units', 'us')
    expect(out.join('\n')).toContain(shown)
    const left = out.filter((line) => METRIC_FIGURE.test(line))
    // What the panel has is in its own unit, what somebody wrote is theirs, and a formula is in the units of its constants.
    expect(left.filter((line) => !/^\d+\. |^(Ramp|Damp|Room|Pump|Base|Space)|→|^q = /.test(line))).toEqual([])
  })

  test.each([
    ['F,cfm', /\d (°F|cfm)/],
    ['us,m³/h', /m³\/h/],
    ['gaugePressure=bar', /./],
  ])('%s is a preference', (units, shown) =>
    expect(run('sums', 'run', 'heat-removal', 'P=900W', '--units', units).out.join('\n')).toMatch(
      units === 'F,cfm' ? /cfm/ : shown,
    ),
  )

  test('what is no unit is answered with those there are', () => {
    const { status, err } = run('card', FILE, '--units', 'us,furlong')
    expect(status).not.toBe(0)
    expect(err.join(' ')).toMatch(/does not know “furlong”.*metric or us.*pressure=Pa/)
  })
})
