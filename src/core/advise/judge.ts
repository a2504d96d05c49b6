import { askAboveCeiling } from '@/core/advise/askAboveCeiling'
import { cannotDrive } from '@/core/advise/cannotDrive'
import { currentOverRating } from '@/core/advise/currentOverRating'
import { floorBelowReason } from '@/core/advise/floorBelowReason'
import { followerTooSlow } from '@/core/advise/followerTooSlow'
import { forgetsWithoutPower } from '@/core/advise/forgetsWithoutPower'
import { fullAboveLimit } from '@/core/advise/fullAboveLimit'
import { kickShorterThanShutters } from '@/core/advise/kickShorterThanShutters'
import { trickleAboveBoost } from '@/core/advise/trickleAboveBoost'
import { differentialTooSmall } from '@/core/advise/differentialTooSmall'
import { rampTooNarrow } from '@/core/advise/rampTooNarrow'
import { floorInRestBand } from '@/core/advise/floorInRestBand'
import { suctionLost } from '@/core/advise/suctionLost'
import { wrongUnit } from '@/core/advise/wrongUnit'
import { nothingProtects } from '@/core/advise/nothingProtects'
import { withoutAir } from '@/core/advise/withoutAir'
import { overrunWithoutCap } from '@/core/advise/overrunWithoutCap'
import { runOnLeftOver } from '@/core/advise/runOnLeftOver'
import { bypassNeverActs } from '@/core/advise/bypassNeverActs'
import { coolDownTooShort } from '@/core/advise/coolDownTooShort'
import { failsLow } from '@/core/advise/failsLow'
import { openFlueUnproved } from '@/core/advise/openFlueUnproved'
import { noAlarm } from '@/core/advise/noAlarm'
import { evidenceWeak } from '@/core/advise/evidenceWeak'
import { intentChanged } from '@/core/advise/intentChanged'
import { alarmTooLate } from '@/core/advise/alarmTooLate'
import { gearsNotAscending } from '@/core/advise/gearsNotAscending'
import { notReadBack } from '@/core/advise/notReadBack'
import { profileReversed } from '@/core/advise/profileReversed'
import { purgeWithWarmerAir } from '@/core/advise/purgeWithWarmerAir'
import { purgeWithWetterAir } from '@/core/advise/purgeWithWetterAir'
import { startsTooOften } from '@/core/advise/startsTooOften'
import { unsealedChanges } from '@/core/advise/unsealedChanges'
import { SEVERITIES, type Judge, type Judgement } from '@/core/advise/judgement'
import { probeOverLimit } from '@/core/advise/probeOverLimit'
import { wiredOrMountedWrong } from '@/core/advise/wiredOrMountedWrong'
import type { Installation } from '@/core/document/installation'

const JUDGES: readonly Judge[] = [
  cannotDrive,
  currentOverRating,
  wiredOrMountedWrong,
  floorBelowReason,
  probeOverLimit,
  fullAboveLimit,
  followerTooSlow,
  askAboveCeiling,
  kickShorterThanShutters,
  forgetsWithoutPower,
  trickleAboveBoost,
  differentialTooSmall,
  rampTooNarrow,
  floorInRestBand,
  suctionLost,
  wrongUnit,
  nothingProtects,
  withoutAir,
  overrunWithoutCap,
  runOnLeftOver,
  bypassNeverActs,
  coolDownTooShort,
  failsLow,
  openFlueUnproved,
  noAlarm,
  evidenceWeak,
  intentChanged,
  startsTooOften,
  gearsNotAscending,
  alarmTooLate,
  profileReversed,
  purgeWithWarmerAir,
  purgeWithWetterAir,
  notReadBack,
]

/** What a judgement says, as it stood when someone left it as it is. */
export const judgementSaid = ({ title, detail }: Pick<Judgement, 'title' | 'detail'>): string =>
  `${title} ${detail}`.slice(0, 1200)

export const isDismissed = ({ dismissed = [] }: Installation, judgement: Judgement): boolean =>
  dismissed.some(({ judgement: id, said }) => id === judgement.id && said === judgementSaid(judgement))

/** All judgements on an installation that nobody has left as they are, the gravest first.
 *  @param changes how many changes lie since the last seal; null where that is not known or nothing was sealed */
export const judgeInstallation = (
  installation: Parameters<Judge>[0],
  derived: Parameters<Judge>[1],
  changes: number | null = null,
): Judgement[] =>
  [...JUDGES.flatMap((judge) => judge(installation, derived)), ...unsealedChanges(changes)]
    .filter((judgement) => !isDismissed(installation, judgement))
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
