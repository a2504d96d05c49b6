import type { CurveDifference } from '@/core/controller/measureLoss'
import type { Setting } from '@/core/controller/schema'
import type { Quantity } from '@/core/quantity/units'
import type { Follower, SkipBand } from '@/core/response/schema'
import type { Overrun } from '@/core/rules/switchRule'
import type { Rule } from '@/core/rules/table'

/** Parts of a response that stand beside its rules. */
export type PartKind =
  | 'off-allowed'
  | 'run-on'
  | 'heater-purge'
  | 'light-modes'
  | 'week-modes'
  | 'reduction'
  | 'rate'
  | 'combined-input'
  | 'safety-stop'
  | 'overheat'
  | 'test'
  | 'stages'
  | 'set-points'
  | 'min-times'
  | 'power-memory'
  | 'conditions'
  | 'targets'
  | 'by-age'
  | 'named-speeds'
  | 'step-ups'
  | 'cut-out'
  | 'start-trim'
  | 'power-return'
  | 'night-limits'
  | 'output-time'
  | 'stops-fans'
  | 'contact-sense'
  | 'live-zero'
  | 'percent-of'
  | 'stages-by-reading'
  | 'inlets'

/** Where what is given differs from what was asked. The words are made in `lossText`. */
export type Loss =
  | {
      readonly kind: 'rounded'
      readonly setting: Setting
      readonly asked: number
      readonly given: number
      readonly because: string
    }
  | { readonly kind: 'beyond-range'; readonly setting: Setting; readonly asked: number; readonly given: number }
  | { readonly kind: 'rule-left-out'; readonly rule: string }
  | { readonly kind: 'rule-replaced'; readonly rule: string; readonly given: Rule['kind'] }
  | {
      readonly kind: 'fixed-law'
      readonly rule: string
      readonly startAt: number
      readonly fullAt: number
      readonly askedStartAt: number
      readonly askedFullAt: number
    }
  | {
      readonly kind: 'fixed-figure'
      readonly rule: string
      readonly what: string
      readonly quantity: Quantity
      readonly asked: number
      readonly given: number
    }
  | {
      readonly kind: 'overrun-replaced'
      readonly rule: string
      readonly asked: Overrun['kind']
      readonly given: Overrun['kind']
      readonly holdS: number
    }
  | {
      readonly kind: 'end-follows'
      readonly rule: string
      readonly end: 'from' | 'to'
      readonly takes: string
      readonly askedPct: number
      readonly givenPct: number
    }
  | {
      readonly kind: 'speed-follows'
      readonly rule: string
      readonly takes: string
      readonly askedPct: number
      readonly givenPct: number
    }
  | { readonly kind: 'follower-left-out'; readonly fan: string }
  | {
      readonly kind: 'follower-at-floor'
      readonly fan: string
      readonly asked: Follower['atLeadFloor']
      readonly given: Follower['atLeadFloor']
    }
  | { readonly kind: 'no-kick' }
  | { readonly kind: 'season-by-hand'; readonly season: string }
  | { readonly kind: 'cut-out-built-in'; readonly offBelowPct: number; readonly backAtPct: number }
  | { readonly kind: 'no-on-delay'; readonly rule: string; readonly delayS: number }
  | { readonly kind: 'below-holds'; readonly rule: string }
  | { readonly kind: 'below-stops'; readonly rule: string }
  | { readonly kind: 'part-left-out'; readonly part: PartKind; readonly name: string }
  | { readonly kind: 'output-left-out'; readonly name: string }
  | {
      readonly kind: 'lost-sensor'
      readonly input: string
      readonly askedPct: number
      readonly givenPct: number | null
    }
  | { readonly kind: 'wins'; readonly asked: 'highest' | 'first' }
  | { readonly kind: 'periods-left-out'; readonly rule: string; readonly kept: number; readonly asked: number }
  | { readonly kind: 'rows-left-out'; readonly rule: string; readonly kept: number; readonly asked: number }
  | { readonly kind: 'period-moved'; readonly rule: string; readonly stepMin: number }
  /** The calendar cannot be told every point: it takes the nearest on the safe side. */
  | { readonly kind: 'set-points-moved'; readonly rule: string; readonly moved: number; readonly farthest: number }
  | { readonly kind: 'offset-in-points'; readonly input: string; readonly offset: number }
  | {
      readonly kind: 'off-skip-band'
      readonly what: string
      readonly band: SkipBand
      readonly askedPct: number
      readonly givenPct: number
    }
  | { readonly kind: 'crosses-skip-band'; readonly rule: string; readonly band: SkipBand }
  /** Its steps leave nothing between the floor and the ceiling that were chosen: it runs outside them. */
  | {
      readonly kind: 'bound-moved'
      readonly bound: 'floor' | 'ceiling'
      readonly askedPct: number
      readonly givenPct: number
    }
  /** A behaviour of the controller that nobody asked for and that cannot be switched off. */
  | { readonly kind: 'unasked'; readonly rule: Rule['kind']; readonly input: string }
  | { readonly kind: 'steps'; readonly stepPct: number; readonly curve: CurveDifference }
