import type { SignalReading } from '@/core/physics/signal'
import { formatNumber } from '@/core/quantity/format'

/** What a meter, or an eye, finds at the output: "7.20 V", of a mains supply "92 V", "65 %", "on". */
export const signalText = ({ kind, value, unit }: SignalReading): string =>
  kind === 'relay'
    ? value > 0
      ? 'on'
      : 'off'
    : `${formatNumber(value, unit === 'V' && kind !== 'phase-cut' ? 2 : 0)} ${unit}`
