import type { Instrument } from '@/core/calibration/schema'
import { sensorOffset } from '@/core/calibration/sensorOffset'
import type { Installation } from '@/core/installation/installation'
import type { Probe } from '@/core/kit/schema'
import { signalAt } from '@/core/physics/signal'
import { formatNumber } from '@/core/quantity/format'
import type { MeasuredInput } from '@/core/rules/input'

/** One thing that keeps a reading from being exact, ± in the unit of the reading. */
export type Part = { readonly what: string; readonly half: number }

/** Each ± is taken as the limits of an even spread, so that its standard uncertainty is ± ÷ √3; the parts together are expanded with this
 *  factor, and are never more than all of them at once. Source: JCGM 100:2008 (GUM), 4.3.7 and 6.2. */
const COVERAGE = 3

/** The parts together: the root of the sum of their squares, expanded. */
export function together(halves: readonly number[]): number {
  const sum = halves.reduce((total, half) => total + half, 0)
  const squares = halves.reduce((total, half) => total + half * half, 0)
  return Math.min(sum, (COVERAGE / Math.sqrt(3)) * Math.sqrt(squares))
}

/** Common practice, no source: what a probe is good for whose leaflet is not at hand, ± K, %RH, share of the reading. */
const PROBE_HALF = { temperature: 0.5, humidity: 3, pressure: 2, light: 0, volts: 0.1 } as const
/** Common practice, no source: what a hand instrument of a careful person is good for. */
const REFERENCE_HALF = { temperature: 0.3, humidity: 2, pressure: 1, light: 0, volts: 0.05 } as const
const REFERENCE_KIND = {
  temperature: 'thermometer',
  humidity: 'hygrometer',
  pressure: 'manometer',
  light: null,
  volts: 'voltmeter',
} as const

/** Common practice, no source: what a hand meter or a controller's own display is good for, in points of speed. */
export const METER_HALF_PCT = 2
/** Common practice, no source: a hand on a stopwatch, and one part in twenty for a controller's timer. */
export const HAND_HALF_S = 2
export const TIMER_SHARE = 0.05

/** How far a time read may lie off: the hand on the stopwatch and the controller's timer. */
export const allowedS = (expectS: number): number => together([HAND_HALF_S, expectS * TIMER_SHARE])

type Where = Pick<Installation, 'kit' | 'calibration'>

const probeOf = ({ kit }: Where, input: string): Probe | undefined => kit.probes.find((probe) => probe.input === input)

const own = (instrument: Instrument, x: number): number | null => {
  const { accuracy, accuracyPct } = instrument
  if (accuracy == null && accuracyPct === null) return null
  return (accuracy ?? 0) + (Math.abs(x) * (accuracyPct ?? 0)) / 100
}

/** Common practice, no source: what an output of 0 to 10 V is good for, in points of speed. */
const OUTPUT_HALF_PCT = 1

/** What a reading of a fan is good for, in points of speed: a hand meter or display; where volts were read with a voltmeter from the register,
 *  its own error through the fan's signal, and that of the output. */
export function meterParts({ kit, calibration }: Where, fan: string, speedPct: number, inVolts: boolean): Part[] {
  const signal = kit.fans.find(({ id }) => id === fan)?.signal
  const voltmeter = (calibration.instruments ?? []).find(({ kind }) => kind === 'voltmeter')
  const halfV = inVolts && signal && voltmeter ? own(voltmeter, signalAt(signal, speedPct).value) : null
  if (signal?.kind !== 'volts' || !voltmeter || halfV === null) return [{ what: 'meter', half: METER_HALF_PCT }]
  const voltsPerPoint = signal.convention === 'two-to-ten' ? 0.08 : 0.1
  return [
    { what: `${voltmeter.name} ± ${formatNumber(halfV, 2)} V`, half: halfV / voltsPerPoint },
    { what: 'output', half: OUTPUT_HALF_PCT },
  ]
}

/** How far a probe reads from a reference, as it was measured: to be added to what it says; 0 where nobody compared them. */
export function measuredOffset(where: Where, input: string): number {
  const probe = probeOf(where, input)
  const compared = where.calibration.sensors?.find((sensor) => sensor.probe === probe?.id)
  return (probe && compared && sensorOffset(compared.readings, probe.resolution)?.offset) ?? 0
}

/** What keeps the controller's own reading of an input from the one of the instrument beside the probe. */
export function inputParts(where: Where, input: MeasuredInput, x: number): readonly Part[] {
  const probe = probeOf(where, input.id)
  const compared = where.calibration.sensors?.find((sensor) => sensor.probe === probe?.id)
  const verdict = probe && compared ? sensorOffset(compared.readings, probe.resolution) : null
  const instrument = (where.calibration.instruments ?? []).find(({ kind }) => kind === REFERENCE_KIND[input.kind])
  const accuracy = probe?.accuracy ?? PROBE_HALF[input.kind]
  return [
    verdict
      ? { what: 'probe, as compared', half: Math.max(verdict.spread / 2, (probe?.resolution ?? 0) / 2) }
      : { what: probe?.accuracy == null ? 'probe (no leaflet at hand)' : 'probe', half: accuracy },
    { what: 'its step', half: probe?.resolution ?? 0 },
    {
      what: instrument ? instrument.name : 'reference',
      half: (instrument && own(instrument, x)) ?? REFERENCE_HALF[input.kind],
    },
  ].filter(({ half }) => half > 0)
}

/** How far the controller's reading of an input may lie from the one read beside the probe. */
export const inputHalf = (where: Where, input: MeasuredInput, x: number): number =>
  together(inputParts(where, input, x).map(({ half }) => half))
