import { Type, type Static } from '@sinclair/typebox'
import { assertNever } from '@/core/assertNever'
import { clamp } from '@/core/clamp'

const closed = { additionalProperties: false } as const

/** How percent becomes a signal at the terminals. The two readings of 2–10 V are both in use, so it is declared per fan:
 *  `two-to-ten` spreads 0–100 % over 2..10 V (6 V is 50 %); `ten-cut-off` is volts × 10 and off below 2 V (6 V is 60 %). */
export const Signal = Type.Union([
  Type.Object(
    {
      kind: Type.Literal('volts'),
      convention: Type.Union([Type.Literal('ten'), Type.Literal('two-to-ten'), Type.Literal('ten-cut-off')]),
    },
    closed,
  ),
  Type.Object({ kind: Type.Literal('pwm'), inverted: Type.Boolean() }, closed),
])
export type Signal = Static<typeof Signal>

export type SignalReading = { readonly kind: Signal['kind']; readonly value: number; readonly unit: 'V' | '%' }

/** What a meter shows at the terminals at `speedPct`. Source: reference-values `sig.v010`, `sig.v010Inverse`. */
export function signalAt(signal: Signal, speedPct: number): SignalReading {
  const pct = clamp(speedPct, 0, 100)
  switch (signal.kind) {
    case 'pwm':
      return { kind: 'pwm', value: signal.inverted ? 100 - pct : pct, unit: '%' }
    case 'volts':
      if (signal.convention === 'two-to-ten') return { kind: 'volts', value: pct === 0 ? 0 : 2 + pct * 0.08, unit: 'V' }
      return { kind: 'volts', value: signal.convention === 'ten-cut-off' && pct < 20 ? 0 : pct / 10, unit: 'V' }
    default:
      return assertNever(signal)
  }
}

/** The percent a fan takes from this signal: the way back from a meter reading. */
export function speedFromSignal(signal: Signal, value: number): number {
  switch (signal.kind) {
    case 'pwm':
      return clamp(signal.inverted ? 100 - value : value, 0, 100)
    case 'volts':
      if (signal.convention === 'ten') return clamp(value * 10, 0, 100)
      if (value < 2) return 0
      return clamp(signal.convention === 'two-to-ten' ? (value - 2) * 12.5 : value * 10, 0, 100)
    default:
      return assertNever(signal)
  }
}
