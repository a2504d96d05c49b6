import type { SignalReading } from '@/core/physics/signal'
import { formatNumber, type UnitPreference } from '@/core/quantity/format'

/** What a meter, or an eye, finds at the output: "7.20 V", of a mains supply "92 V", "65 %", "on". */
export function signalText({ kind, value, unit }: SignalReading, reader?: Pick<UnitPreference, 'decimalMark'>): string {
  if (kind === 'relay') return value > 0 ? 'on' : 'off'
  return `${formatNumber(value, unit === 'V' && kind !== 'phase-cut' ? 2 : 0, reader)} ${unit}`
}
