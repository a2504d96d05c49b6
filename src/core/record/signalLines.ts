import type { ControllerModel } from '@/core/controller/schema'
import { capital } from '@/core/sentences/words'

/** What a lamp, a code, the display or a beep tells and where to look next, a sentence each for paper; what is urgent first. */
export const signalLines = ({
  signals = [],
}: Pick<ControllerModel, 'signals'>): readonly { readonly text: string; readonly urgent: boolean }[] =>
  [...signals]
    .sort((a, b) => Number(b.urgent ?? false) - Number(a.urgent ?? false))
    .map(({ shows, while: state, means, next, urgent = false }) => ({
      text: `${capital(shows)}${state === undefined ? '' : ` (${state})`}: ${means} ${next}`,
      urgent,
    }))
