import type { Fan } from '@/core/kit/schema'
import type { Signal } from '@/core/physics/signal'
import type { Response } from '@/core/response/schema'

/** What a fan's terminals get: the signal it was wired for, with the start trim of the response where it is the lead. */
export function fanSignal(
  { id, signal }: Pick<Fan, 'id' | 'signal'>,
  response: Pick<Response, 'lead' | 'startTrim'>,
): Signal {
  const { lead, startTrim } = response
  if (!startTrim || id !== lead || signal.kind === 'levels' || signal.kind === 'relay') return signal
  return { ...signal, trimPct: startTrim.signalPct }
}
