import { DUTY_NAMES } from '@/core/brief/duty'
import { shortFingerprint } from '@/core/json/fingerprint'
import { capital } from '@/core/sentences/words'
import { dayOf, dayText } from '@/core/rules/yearDay'
import { dueList } from '@/core/record/due'
import type { Sealed } from '@/core/record/sealed'
import { sealState, sealStateText } from '@/core/record/sealState'

/** What stands at the head of every paper. */
export type PaperHead = {
  readonly title: string
  readonly about: string
  /** “Sealed and proved”, “Sealed, not proved (3 open)”, “Working copy, not sealed”. */
  readonly state: string
  readonly isProved: boolean
  /** The day of the seal; empty for a working copy. */
  readonly day: string
  readonly person: string
  readonly revision: string
  readonly fingerprint: string
  /** The day of the next check; empty where nobody named one. */
  readonly nextCheck: string
}

export function paperHead({ document, siteName, seal, preference: { dates, zone } }: Sealed): PaperHead {
  const { name, brief, kit } = document
  const state = seal && sealState(seal.open)
  const next = seal && dueList(document, dayOf(seal.sealedAt, zone)).find(({ kind }) => kind === 'visit')
  const words = seal?.isWaiting ? `signed, not sealed yet; ${sealStateText(state!)}` : state && sealStateText(state)
  return {
    title: name,
    about: [siteName, DUTY_NAMES[brief.duty], kit.controller?.name ?? 'no controller chosen']
      .filter(Boolean)
      .join(' · '),
    state: words ? capital(words) : 'Working copy, not sealed',
    isProved: state?.kind === 'proved' && !seal?.isWaiting,
    day: seal ? dayText(dayOf(seal.sealedAt, zone), dates) : '',
    person: seal?.sealedBy ?? '',
    revision: seal ? `revision ${seal.number}` : 'working copy',
    fingerprint: seal ? shortFingerprint(seal.fingerprint) : '',
    nextCheck: next ? dayText(next.on, dates) : '',
  }
}
