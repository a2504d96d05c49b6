import { BLOCK_STEPS, type Block } from '@/core/rules/block'

/** A block with everything the machine makes of it. */
export type Columns = Block & {
  /** Most rows it holds. */
  readonly length: number
  /** The inputs as they come, then the clock and the date. A column may be changed for a view of a longer one. */
  readonly raw: Float64Array[]
  /** Under the ceiling and its reductions. */
  readonly limitedPct: Float64Array
  /** After everything that holds the fan. */
  readonly heldPct: Float64Array
  /** Place in OVERRIDE_KINDS. */
  readonly heldBy: Uint8Array
  /** Of the overheat guard: HOT_NOW, HAS_BEEN_HOT since power came. */
  readonly heat: Uint8Array
  /** What is wanted of the lead: with stages not the same as what was held. */
  readonly leadPct: Float64Array
  /** Where its output goes for that. */
  readonly aimPct: Float64Array
  /** Fixed fans that run, where there are stages. */
  readonly running: Uint8Array
  /** What each fan is given: the lead, its followers, the fixed fans of its stages. */
  readonly fansPct: readonly Float64Array[]
  /** 1 where each other output is on. */
  readonly outputs: readonly Uint8Array[]
  /** 1 where the output in hand has a reason to be on, and where it is barred. */
  readonly reasons: Uint8Array
  readonly bars: Uint8Array
  /** The modes of each row in which the rule in hand may ask. */
  readonly allowed: Uint8Array
}

/** Columns behind the inputs that are no inputs: the clock, the date. */
export const BESIDE_INPUTS = 2

export const HOT_NOW = 1
export const HAS_BEEN_HOT = 2

type Size = {
  readonly inputs: number
  /** Whether the rules read something other than the raw inputs, and how many inputs are moved by a set point or a target. */
  readonly senses: boolean
  readonly moved: number
  readonly fans: number
  readonly outputs: number
  readonly firstWins: boolean
  readonly overrides: boolean
  readonly stages: boolean
  /** Whether what the lead gives is not always what it aims at: by a rate or a start kick. */
  readonly lags: boolean
}

/** Columns for `length` steps of a machine. */
export function newColumns(size: Size, length = BLOCK_STEPS): Columns {
  const figures = (count: number) => Array.from({ length: count }, () => new Float64Array(length))
  const marks = () => new Uint8Array(length)
  const raw = figures(size.inputs + BESIDE_INPUTS)
  const fansPct = figures(size.fans)
  // A part that is not there leaves its column as it came: they are one.
  const limitedPct = new Float64Array(length)
  const heldPct = size.overrides ? new Float64Array(length) : limitedPct
  const leadPct = size.stages ? new Float64Array(length) : heldPct
  const aimPct = size.lags ? new Float64Array(length) : fansPct[0]!
  return {
    length,
    start: 0,
    end: 0,
    raw,
    dtS: new Float64Array(length),
    inputs: size.senses ? figures(size.inputs + BESIDE_INPUTS + size.moved) : raw,
    modes: marks().fill(3),
    modesSeen: 3,
    askingModes: 3,
    firstWins: size.firstWins,
    askedPct: new Float64Array(length),
    inCharge: new Int16Array(length),
    limitedPct,
    heldPct,
    heldBy: marks(),
    heat: marks(),
    leadPct,
    aimPct,
    running: marks(),
    fansPct,
    outputs: Array.from({ length: size.outputs }, marks),
    reasons: marks(),
    bars: marks(),
    allowed: marks(),
  }
}
