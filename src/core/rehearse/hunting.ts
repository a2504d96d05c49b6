import { derive } from '@/core/derive/derive'
import type { Installation } from '@/core/installation/installation'
import { MOST_STARTS_AN_HOUR } from '@/core/kit/wear'
import type { Machine } from '@/core/machine/compile'
import type { Stage } from '@/core/rehearse/run'
import { rehearse, warmUp } from '@/core/rehearse/run'
import type { Trace } from '@/core/rehearse/trace'
import type { Differential } from '@/core/rules/differential'
import type { Ramp } from '@/core/rules/ramp'
import { isMeasured } from '@/core/rules/input'
import { ruleInputId, type Rule } from '@/core/rules/table'

/** Rules that answer to what the fan does: what goes by a clock, a button or a cycle is meant to come and go. */
const ANSWERING: readonly Rule['kind'][] = ['ramp', 'differential', 'hold-after-fall', 'rapid-rise', 'purge']
/** Turns of the speed that make a hunt, and how far apart two may lie, s. Common practice, no source. */
const LEAST_TURNS = 7
const LONGEST_TURN_S = 1500
/** Smallest swing that counts, percent. */
const LEAST_SWING_PCT = 4

/** A mean low of less than this is standing still. */
const STANDS_PCT = 1

type HuntCause = 'digit' | 'step' | 'gain' | 'differential-digit' | 'band'

/** A stretch over which the speed goes up and down again and again by itself. */
export type Hunt = {
  readonly fromS: number
  readonly toS: number
  /** A full turn, up and down. */
  readonly periodS: number
  readonly lowPct: number
  readonly highPct: number
  /** Starts from rest an hour; 0 where it goes on turning. */
  readonly startsAnHour: number
  /** The rule that is active while it does, by its place among those of the response; null: none. */
  readonly rule: number | null
  readonly cause: HuntCause | null
  /** Of a ramp: how far one digit of its probe moves the fan, percent; and that digit. */
  readonly digitPct: number | null
  readonly digit: number | null
}

type Turn = { readonly row: number; readonly pct: number }

/** Where the speed turns: the last row of each rise or fall that is followed by the other, within what answers to the room. */
function turnsOf(trace: Trace, machine: Machine): Turn[][] {
  const lead = trace.fansPct[0]!
  const answers = (row: number): boolean => {
    const rule = machine.rules[trace.inCharge[row]!]
    return trace.heldBy[row] === 0 && (!rule || ANSWERING.includes(rule.kind))
  }
  const runs: Turn[][] = []
  let turns: Turn[] = []
  let [way, extreme] = [0, { row: 0, pct: lead[0] ?? 0 }]
  const close = () => {
    if (turns.length >= LEAST_TURNS) runs.push(turns)
    turns = []
  }
  for (let row = 1; row < trace.filled; row++) {
    const pct = lead[row]!
    if (!answers(row) || !answers(row - 1)) {
      close()
      ;[way, extreme] = [0, { row, pct }]
      continue
    }
    const moved = pct - extreme.pct
    if (way === 0 ? Math.abs(moved) >= LEAST_SWING_PCT : moved * way < 0 && Math.abs(moved) >= LEAST_SWING_PCT) {
      const last = turns.at(-1)
      if (last && (row - last.row) * trace.stepS > LONGEST_TURN_S) close()
      turns.push(extreme)
      ;[way, extreme] = [Math.sign(moved), { row, pct }]
    } else if (moved * way > 0 || (way === 0 && moved !== 0)) extreme = { row, pct }
  }
  close()
  return runs
}

const meanOf = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length

/** The rule that is active most of the time between two rows, by its place in the response. */
function ruleBetween(trace: Trace, machine: Machine, from: number, to: number): number | null {
  const counts = new Map<number, number>()
  for (let row = from; row <= to; row++) {
    const index = trace.inCharge[row]!
    if (index >= 0) counts.set(index, (counts.get(index) ?? 0) + 1)
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1])
  return most ? machine.response.rules.indexOf(machine.rules[most[0]]!) : null
}

/** Smallest change of what a rule reads: of the first probe where it is made of several. */
function digitOf(rule: Rule, machine: Machine, { space }: Stage): number | null {
  const id = ruleInputId(rule)
  const input = machine.response.inputs.find((candidate) => candidate.id === id)
  const read = input && isMeasured(input) ? (input.combines?.of[0] ?? input.id) : id
  return space.probes.find((probe) => probe.input === read)?.resolution ?? null
}

/** How far a unit of its input moves a ramp, percent a unit. */
const gainOf = ({ fromPct, toPct, startAt, fullAt }: Ramp): number => Math.abs((toPct - fromPct) / (fullAt - startAt))

/** A digit that moves the fan by half of what it swings is what swings it. */
const DIGIT_SHARE = 0.45

function causeOf(
  rule: Rule | undefined,
  swingPct: number,
  stepPct: number,
  digit: number | null,
): Pick<Hunt, 'cause' | 'digitPct' | 'digit'> {
  if (rule && 'fullAt' in rule) {
    const digitPct = digit === null ? null : gainOf(rule) * digit
    const isDigit = digitPct !== null && digitPct >= DIGIT_SHARE * swingPct
    const isStep = stepPct > 0 && swingPct < 1.5 * stepPct
    return { cause: isDigit ? 'digit' : isStep ? 'step' : 'gain', digitPct, digit }
  }
  if (rule && 'offAt' in rule) {
    const band = Math.abs(rule.onAt - rule.offAt)
    return { cause: digit !== null && band < 3 * digit ? 'differential-digit' : 'band', digitPct: null, digit }
  }
  return { cause: null, digitPct: null, digit: null }
}

/** Where a rehearsal hunts or starts too often, the worst first. Speed that moves slowly, or by a clock, is not hunting. */
export function findHunts(trace: Trace, machine: Machine, stage: Stage): Hunt[] {
  return turnsOf(trace, machine)
    .map((turns): Hunt => {
      const [first, last] = [turns[0]!, turns.at(-1)!]
      const lasts = (last.row - first.row) * trace.stepS
      const [highs, lows] = [0, 1].map((odd) => turns.filter((_, index) => index % 2 === odd).map(({ pct }) => pct))
      const [a, b] = [meanOf(highs!), meanOf(lows!)]
      const [lowPct, highPct] = [Math.min(a, b), Math.max(a, b)]
      const rule = ruleBetween(trace, machine, first.row, last.row)
      const periodS = (2 * lasts) / (turns.length - 1)
      const found = rule === null ? undefined : machine.response.rules[rule]
      return {
        fromS: (first.row + 1) * trace.stepS,
        toS: (last.row + 1) * trace.stepS,
        periodS,
        lowPct,
        highPct,
        startsAnHour: lowPct < STANDS_PCT ? 3600 / periodS : 0,
        rule,
        ...causeOf(
          found,
          highPct - lowPct,
          machine.response.steps.stepPct,
          found ? digitOf(found, machine, stage) : null,
        ),
      }
    })
    .filter(({ startsAnHour, lowPct }) => lowPct >= STANDS_PCT || startsAnHour > MOST_STARTS_AN_HOUR)
    .sort((x, y) => (y.toS - y.fromS) / y.periodS - (x.toS - x.fromS) / x.periodS)
}

/** A wider band under which it is calm: what to put where, in the response as asked. */
export type Calm = {
  readonly rule: number
  readonly key: 'fullAt' | 'offAt'
  readonly value: number
  readonly band: number
  readonly bandNow: number
}

/** Bands tried beside the one there is, as so many times it. One by one: calmness does not rise steadily with the width. */
const WIDER = [1.15, 1.3, 1.5, 1.75, 2, 2.4, 2.8, 3.3, 4]

/** The end of a ramp, or where a differential lets go, for a band `times` as wide, on whole tenths. */
function widened(rule: Ramp | Differential, times: number): Pick<Calm, 'key' | 'value' | 'band' | 'bandNow'> {
  const [fixed, moved, key] =
    'fullAt' in rule ? [rule.startAt, rule.fullAt, 'fullAt' as const] : [rule.onAt, rule.offAt, 'offAt' as const]
  const band = Math.round((moved - fixed) * times * 10) / 10
  return { key, value: Math.round((fixed + band) * 100) / 100, band: Math.abs(band), bandNow: Math.abs(moved - fixed) }
}

/** The least band of the rule that hunts under which this day is calm; null where none of those tried is. Each is fitted to the controller first. */
export function leastCalmBand(installation: Installation, stage: Stage, hunt: Hunt): Calm | null {
  const given = hunt.rule === null ? undefined : derive(installation).given.response.rules[hunt.rule]
  const place = installation.response.rules.findIndex(({ id }) => id === given?.id)
  const rule = installation.response.rules[place]
  if (!rule || !('fullAt' in rule || 'offAt' in rule)) return null
  for (const times of WIDER) {
    const wider = widened(rule, times)
    if (wider.band <= wider.bandNow) continue
    const rules = installation.response.rules.map((other, index) =>
      index === place ? { ...rule, [wider.key]: wider.value } : other,
    )
    const { machine } = derive({ ...installation, response: { ...installation.response, rules } }).given
    if (!machine) continue
    const trace = rehearse(stage, machine, warmUp(stage, machine))
    if (findHunts(trace, machine, stage).length === 0) return { rule: place, ...wider }
  }
  return null
}
