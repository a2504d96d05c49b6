import { signalAt, type Signal } from '@/core/physics/signal'
import { signalText } from '@/core/physics/signalText'

const MAINS: Signal = { kind: 'phase-cut', supplyV: 230 }

// No more decimals than a meter shows: two at the terminals of a controller, none on the mains.
test.each<[Signal, number, string]>([
  [{ kind: 'volts', convention: 'ten' }, 72, '7.20 V'],
  [{ kind: 'volts', convention: 'two-to-ten' }, 0, '0.00 V'],
  [MAINS, 100, '230 V'],
  [MAINS, 40, '92 V'],
  [{ kind: 'pwm', inverted: false }, 65, '65 %'],
  [{ kind: 'relay' }, 0, 'off'],
  [{ kind: 'relay' }, 100, 'on'],
])('%o at %i %%', (signal, speedPct, text) => expect(signalText(signalAt(signal, speedPct))).toBe(text))
