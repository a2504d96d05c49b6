import { Type, type Static } from '@sinclair/typebox'
import { assertNever } from '@/core/json/assertNever'
import { clamp } from '@/core/json/clamp'
import { about, closed } from '@/core/json/vocabulary'

const trimPct = about(
  'signal (percent of its range, 0 to 90) at which the fan just turns; mapped to 1 %, so that the whole range is used',
  Type.Optional(Type.Number({ minimum: 0, maximum: 90 })),
)

/** How percent becomes a signal at the terminals. The two readings of 2–10 V are both in use, so it is declared per fan:
 *  `two-to-ten` spreads 0–100 % over 2..10 V (6 V is 50 %); `ten-cut-off` is volts × 10 and off below 2 V (6 V is 60 %). Phase cut is in
 *  RMS volts; levels take the next one up; a relay is on from 1 %. */
export const Signal = Type.Union([
  Type.Object(
    {
      kind: about('volts at the terminals', Type.Literal('volts')),
      convention: about(
        '0 to 10 V; 2 to 10 V spread over 0 to 100 %; or volts × 10 and off below 2 V',
        Type.Union([Type.Literal('ten'), Type.Literal('two-to-ten'), Type.Literal('ten-cut-off')]),
      ),
      trimPct,
    },
    closed,
  ),
  Type.Object(
    {
      kind: about('a pulse whose width is the speed', Type.Literal('pwm')),
      inverted: about('full width stands still', Type.Boolean()),
      trimPct,
    },
    closed,
  ),
  Type.Object(
    {
      kind: about('cut mains', Type.Literal('phase-cut')),
      supplyV: about('RMS volts of the supply', Type.Number({ exclusiveMinimum: 0, maximum: 480 })),
      trimPct,
    },
    closed,
  ),
  Type.Object(
    {
      kind: about('taps of a transformer', Type.Literal('levels')),
      levels: about(
        'the taps, rising',
        Type.Array(
          Type.Object(
            {
              pct: about('speed of the tap, percent', Type.Number({ exclusiveMinimum: 0, maximum: 100 })),
              volts: about('its RMS volts', Type.Number({ minimum: 0, maximum: 480 })),
            },
            closed,
          ),
          { minItems: 1, maxItems: 20 },
        ),
      ),
    },
    closed,
  ),
  Type.Object({ kind: about('a contact, on from 1 %', Type.Literal('relay')) }, closed),
])
export type Signal = Static<typeof Signal>

export type SignalReading = { readonly kind: Signal['kind']; readonly value: number; readonly unit: 'V' | '%' }

const trimmed = (pct: number, trim: number | undefined): number =>
  trim === undefined || pct === 0 ? pct : trim + ((100 - trim) * (pct - 1)) / 99
const untrimmed = (pct: number, trim: number | undefined): number =>
  trim === undefined || pct === 0 ? pct : Math.max(0, 1 + ((pct - trim) * 99) / (100 - trim))

/** What a meter shows at the terminals at `speedPct`. Source: reference-values `sig.v010`, `sig.v010Inverse`. */
export function signalAt(signal: Signal, speedPct: number): SignalReading {
  const asked = clamp(speedPct, 0, 100)
  switch (signal.kind) {
    case 'pwm': {
      const pct = trimmed(asked, signal.trimPct)
      return { kind: 'pwm', value: signal.inverted ? 100 - pct : pct, unit: '%' }
    }
    case 'volts': {
      const pct = trimmed(asked, signal.trimPct)
      if (signal.convention === 'two-to-ten') return { kind: 'volts', value: pct === 0 ? 0 : 2 + pct * 0.08, unit: 'V' }
      return { kind: 'volts', value: signal.convention === 'ten-cut-off' && pct < 20 ? 0 : pct / 10, unit: 'V' }
    }
    case 'phase-cut':
      return { kind: 'phase-cut', value: (trimmed(asked, signal.trimPct) / 100) * signal.supplyV, unit: 'V' }
    case 'levels': {
      const rising = [...signal.levels].sort((a, b) => a.pct - b.pct)
      return {
        kind: 'levels',
        value: asked === 0 ? 0 : (rising.find(({ pct }) => pct >= asked) ?? rising[rising.length - 1]!).volts,
        unit: 'V',
      }
    }
    case 'relay':
      return { kind: 'relay', value: asked >= 1 ? 100 : 0, unit: '%' }
    default:
      return assertNever(signal)
  }
}

/** The percent a fan takes from this signal: the way back from a meter reading. */
export function speedFromSignal(signal: Signal, value: number): number {
  switch (signal.kind) {
    case 'pwm':
      return untrimmed(clamp(signal.inverted ? 100 - value : value, 0, 100), signal.trimPct)
    case 'volts':
      if (signal.convention === 'ten') return untrimmed(clamp(value * 10, 0, 100), signal.trimPct)
      if (value < 2) return 0
      return untrimmed(
        clamp(signal.convention === 'two-to-ten' ? (value - 2) * 12.5 : value * 10, 0, 100),
        signal.trimPct,
      )
    case 'phase-cut':
      return untrimmed(clamp((value / signal.supplyV) * 100, 0, 100), signal.trimPct)
    case 'levels':
      return [...signal.levels].sort((a, b) => Math.abs(a.volts - value) - Math.abs(b.volts - value))[0]!.pct
    case 'relay':
      return value > 0 ? 100 : 0
    default:
      return assertNever(signal)
  }
}
