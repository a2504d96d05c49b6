import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { compile } from '@/core/machine/compile'
import type { Response } from '@/core/response/schema'
import { best } from './best'

const STEPS = 3_153_600
const STEP_S = 10
const STEPS_A_WEEK = 604_800 / STEP_S

/** A grow room with everything a technician would ask of it: ten rules, modes by light, run-on, reduction, follower, kick, steps. */
const RESPONSE: Response = {
  schema: 'soft-gale/response@2',
  lead: 'exhaust',
  inputs: [
    { id: 'temp', kind: 'temperature', name: 'temperature', from: 0, to: 50 },
    { id: 'rh', kind: 'humidity', name: 'humidity', from: 0, to: 100 },
    { id: 'light', kind: 'light', name: 'light', from: 0, to: 1000 },
    { id: 'boost', kind: 'switch', name: 'boost' },
    { id: 'door', kind: 'switch', name: 'door' },
  ],
  floor: { speedPct: 20, reasons: [] },
  ceiling: { speedPct: 90, how: 'clip' },
  rules: [
    {
      id: 'day',
      kind: 'ramp',
      input: 'temp',
      startAt: 20,
      fullAt: 28,
      fromPct: 20,
      toPct: 100,
      below: 'from',
      modes: ['day'],
    },
    {
      id: 'night',
      kind: 'ramp',
      input: 'temp',
      startAt: 17,
      fullAt: 26,
      fromPct: 20,
      toPct: 80,
      below: 'nothing',
      modes: ['night'],
    },
    { id: 'damp', kind: 'ramp', input: 'rh', startAt: 70, fullAt: 90, fromPct: 20, toPct: 85, below: 'nothing' },
    {
      id: 'dry',
      kind: 'differential',
      input: 'rh',
      action: 'direct',
      onAt: 85,
      offAt: 80,
      speedPct: 75,
      minOnS: 300,
      minOffS: 300,
    },
    { id: 'rapid-rise', kind: 'rapid-rise', input: 'rh', windowS: 300, rise: 8, release: 3, speedPct: 80, capS: 1800 },
    {
      id: 'boost',
      kind: 'switch',
      input: 'boost',
      speedPct: 70,
      onDelayS: 60,
      overrun: { kind: 'matched', factor: 1, floorS: 120, capS: 900 },
    },
    { id: 'door', kind: 'switch', input: 'door', speedPct: 60, onDelayS: 0, overrun: { kind: 'fixed', holdS: 300 } },
    { id: 'week', kind: 'week', periods: [{ days: [0, 1, 2, 3, 4], startMin: 360, endMin: 480, speedPct: 50 }] },
    { id: 'cycle', kind: 'cycle', onS: 60, periodS: 600, speedPct: 40 },
    { id: 'after', kind: 'hold-after-fall', input: 'temp', armAbove: 30, speedPct: 65, holdS: 900 },
  ],
  light: { input: 'light', level: 200, delayS: 120 },
  finalRunOn: { holdS: 120, speedPct: null },
  reductions: [{ input: 'temp', when: 'at-or-below', at: 12, byPct: 10, how: 'points' }],
  startKick: { speedPct: 100, holdS: 5 },
  followers: [{ fan: 'make-up', ratio: 0.8, floorPct: 16, atLeadFloor: 'follow' }],
  steps: { stepPct: 5, rounding: 'up' },
}

const day = (index: number): number => (2 * Math.PI * index * STEP_S) / 86_400
const temps = Float64Array.from(
  { length: STEPS },
  (_, index) => 21 + 6 * Math.sin(day(index)) + 5 * Math.sin(day(index) / 365),
)
const damps = Float64Array.from(
  { length: STEPS },
  (_, index) => 74 + 8 * Math.sin(day(index) * 3.7) + ((index >> 6) % 97 === 0 ? 12 : 0),
)
const lights = Float64Array.from({ length: STEPS }, (_, index) => Math.max(0, 500 * Math.sin(day(index) - 1)))
const boosts = Float64Array.from({ length: STEPS }, (_, index) => (index % 4000 < 60 ? 1 : 0))
const doors = Float64Array.from({ length: STEPS }, (_, index) => (index % 1700 < 9 ? 1 : 0))

const compiled = compile(RESPONSE)
if (!compiled.ok) throw new Error(JSON.stringify(compiled.problems))
const machine = compiled.value

const columnsOf = [temps, damps, lights, boosts, doors]

function byBlocks(steps: number): number {
  const state = machine.newState()
  const columns = machine.newColumns()
  let sum = 0
  for (let from = 0; from < steps; from += columns.length) {
    const count = Math.min(columns.length, steps - from)
    for (const [index, column] of columnsOf.entries()) columns.raw[index] = column.subarray(from, from + count)
    for (let row = 0; row < count; row++) columns.raw[5]![row] = ((from + row) % STEPS_A_WEEK) * STEP_S
    columns.dtS.fill(STEP_S)
    if (from === 0) columns.dtS[0] = 0
    machine.run(state, columns, count)
    for (let row = 0; row < count; row++) sum += columns.fansPct[0]![row]! + columns.fansPct[1]![row]!
  }
  return sum
}

function byMachine(steps: number, state = machine.newState()): number {
  const inputs = machine.inputsFrom({})
  let sum = 0
  for (let index = 0; index < steps; index++) {
    inputs[0] = temps[index]!
    inputs[1] = damps[index]!
    inputs[2] = lights[index]!
    inputs[3] = boosts[index]!
    inputs[4] = doors[index]!
    inputs[5] = (index % STEPS_A_WEEK) * STEP_S
    machine.step(state, inputs, index === 0 ? 0 : STEP_S)
    sum += state.fansPct[0]! + state.fansPct[1]!
  }
  return sum
}

const week = new Float64Array(10_080)
for (let day = 0; day < 5; day++) week.fill(50, day * 1440 + 360, day * 1440 + 480)

/** The same logic written out by hand for this one response, state in local numbers and two typed arrays. */
function byHand(steps: number): number {
  const times = new Float64Array(512)
  const lows = new Float64Array(512)
  let [head, held, nowS, base, rapidRiseForS] = [0, 0, 0, NaN, 0]
  let [surging, night, lookedAt, armed, dry, kickedFrom] = [false, false, false, false, false, 0]
  let [darkForS, dryForS, boostForS, boostLeftS, doorLeftS, phaseS, afterLeftS, kickLeftS] = [-1, 300, 0, 0, 0, 0, 0, 0]
  let [boostOn, doorOn, sum, onLeftS, lastPct, wasAsked] = [0, 0, 0, 0, 0, false]
  for (let index = 0; index < steps; index++) {
    const dt = index === 0 ? 0 : STEP_S
    const [x, rh, lux, boost, door] = [temps[index]!, damps[index]!, lights[index]!, boosts[index]!, doors[index]!]
    const dark = lux < 200
    if (!lookedAt) {
      lookedAt = true
      night = dark
    } else if (dark === night) darkForS = -1
    else {
      darkForS = darkForS < 0 ? 0 : darkForS + dt
      if (darkForS >= 120) {
        night = dark
        darkForS = -1
      }
    }
    let asked = 0
    if (night) {
      if (x >= 26) asked = 80
      else if (x >= 17) asked = Math.max(asked, 20 + ((x - 17) * 60) / 9)
    } else asked = Math.max(asked, x >= 28 ? 100 : x >= 20 ? 20 + (x - 20) * 10 : 20)
    asked = Math.max(asked, rh >= 90 ? 85 : rh >= 70 ? 20 + ((rh - 70) * 65) / 20 : 0)
    dryForS += dt
    const wantsDry = rh >= 85 || (dry && rh > 80)
    if (wantsDry !== dry && dryForS >= 300) {
      dry = wantsDry
      dryForS = 0
    }
    if (dry && asked < 75) asked = 75
    nowS += dt
    if (surging) {
      rapidRiseForS += dt
      if (rh <= base + 3 || rapidRiseForS >= 1800) {
        surging = false
        held = 0
      }
    }
    while (held > 0 && nowS - times[head]! > 300) {
      head = (head + 1) & 511
      held--
    }
    while (held > 0 && lows[(head + held - 1) & 511]! >= rh) held--
    times[(head + held) & 511] = nowS
    lows[(head + held) & 511] = rh
    held++
    if (!surging && rh - lows[head]! >= 8) {
      surging = true
      base = lows[head]!
      rapidRiseForS = 0
    }
    if (surging && asked < 80) asked = 80
    const hadStarted = boostOn === 1 && boostForS >= 60
    if (boostOn === 1) boostForS += dt
    if (!hadStarted) boostLeftS = Math.max(0, boostLeftS - dt)
    if (boost === 0 && boostOn === 1 && boostForS >= 60)
      boostLeftS = Math.min(900, Math.max(120, boostLeftS + boostForS))
    if (boost === 0 || boostOn === 0) boostForS = 0
    boostOn = boost
    if (((boost === 1 && boostForS >= 60) || boostLeftS > 0) && asked < 70) asked = 70
    if (doorOn === 0) doorLeftS = Math.max(0, doorLeftS - dt)
    if (door === 0 && doorOn === 1) doorLeftS = 300
    doorOn = door
    if ((door === 1 || doorLeftS > 0) && asked < 60) asked = 60
    const clocked = week[Math.floor(((index % STEPS_A_WEEK) * STEP_S) / 60)]!
    if (clocked > asked) asked = clocked
    phaseS = (phaseS + dt) % 600
    if (phaseS < 60 && asked < 40) asked = 40
    afterLeftS = Math.max(0, afterLeftS - dt)
    if (x > 30) {
      armed = true
      afterLeftS = 0
    } else if (armed) {
      armed = false
      afterLeftS = 900
    }
    if ((armed || afterLeftS > 0) && asked < 65) asked = 65
    const ruleAsked = asked > 0
    if (ruleAsked) {
      if (asked < 20) asked = 20
      lastPct = asked
      onLeftS = 0
    } else {
      onLeftS = wasAsked ? 120 : Math.max(0, onLeftS - dt)
      asked = onLeftS > 0 ? lastPct : 20
    }
    wasAsked = ruleAsked
    let pct = asked > 90 ? 90 : asked
    if (x <= 12) pct = Math.max(20, pct - 10)
    pct = pct >= 100 ? 100 : Math.ceil(pct / 5 - 1e-9) * 5
    if (kickedFrom === 0) kickLeftS = 5
    else if (kickLeftS > 0) kickLeftS -= dt
    if (kickLeftS > 0 && pct < 100) pct = 100
    kickedFrom = pct
    sum += pct + Math.min(100, Math.max(16, Math.ceil((0.8 * pct) / 5 - 1e-9) * 5))
  }
  return sum
}

/** Seconds the same loop takes in C, best of three; null where there is no compiler. */
function inCS(expectedSum: number): number | null {
  if (spawnSync('gcc', ['--version']).status !== 0) return null
  const directory = mkdtempSync(join(tmpdir(), 'gale-bench-'))
  try {
    const [program, data] = [join(directory, 'loop'), join(directory, 'columns')]
    execFileSync('gcc', ['-O2', '-o', program, join('tools', 'bench', 'tenRules.c'), '-lm'])
    writeFileSync(data, Buffer.concat(columnsOf.map((column) => Buffer.from(column.buffer))))
    const [sum = NaN, seconds = NaN] = execFileSync(program, [data, String(STEPS)], { encoding: 'utf8' })
      .split(' ')
      .map(Number)
    if (Math.abs(sum - expectedSum) > 1e-3) throw new Error(`the loop in C does not agree: ${sum} and ${expectedSum}`)
    return seconds
  } finally {
    rmSync(directory, { recursive: true })
  }
}

/** A year of a typical response with ten rules, against the same logic by hand, and what a step costs in memory. */
export function tenRuleFigures(): string[] {
  const [blockCalculation, stepCalculation, handCalculation] = [byBlocks(STEPS), byMachine(STEPS), byHand(STEPS)]
  if (Math.abs(blockCalculation - handCalculation) > 1e-3 || Math.abs(stepCalculation - handCalculation) > 1e-3)
    throw new Error(`the loops do not agree: ${blockCalculation}, ${stepCalculation} and ${handCalculation}`)
  const blockS = best(3, () => byBlocks(STEPS))
  const stepS = best(3, () => byMachine(STEPS))
  const handS = best(3, () => byHand(STEPS))
  const cS = inCS(handCalculation)
  const state = machine.newState()
  byMachine(20_000, state)
  // No collection between the two looks: what the steps took is the difference, if they took anything.
  const bytes = Math.min(
    ...Array.from({ length: 5 }, () => {
      const before = process.memoryUsage().heapUsed
      byMachine(200_000, state)
      return Math.max(0, process.memoryUsage().heapUsed - before)
    }),
  )
  const times = (s: number, of: number): string => (s / of).toFixed(2)
  return [
    `evaluator, ten rules: a year at 10 s steps in blocks in ${blockS.toFixed(2)} s (${((blockS / STEPS) * 1e9).toFixed(0)} ns a step)`,
    `  against the same logic by hand in typed arrays: ${times(blockS, handS)} times its time (aim 1.6)`,
    cS === null
      ? '  no C compiler here'
      : `  against the same loop in C (gcc -O2): ${times(blockS, cS)} times its time; the loop by hand ${times(handS, cS)}`,
    `  step by step: ${((stepS / STEPS) * 1e6).toFixed(2)} µs a step (aim 1), ${times(stepS, handS)} times the loop by hand`,
    `  memory a step: ${(bytes / 200_000).toFixed(3)} bytes`,
  ]
}
