import { alarmTooLate } from '@/core/advise/alarmTooLate'
import { answersTooSlowly } from '@/core/advise/answersTooSlowly'
import { askAboveCeiling } from '@/core/advise/askAboveCeiling'
import { belowCutOff } from '@/core/advise/belowCutOff'
import { bypassInFrost } from '@/core/advise/bypassInFrost'
import { bypassNeverActs } from '@/core/advise/bypassNeverActs'
import { cannotDrive } from '@/core/advise/cannotDrive'
import { currentOverRating } from '@/core/advise/currentOverRating'
import { differentialTooSmall } from '@/core/advise/differentialTooSmall'
import { evidenceWeak } from '@/core/advise/evidenceWeak'
import { floorBelowReason } from '@/core/advise/floorBelowReason'
import { floorInSkipBand } from '@/core/advise/floorInSkipBand'
import { flueStops } from '@/core/advise/flueStops'
import { followerTooSlow } from '@/core/advise/followerTooSlow'
import { forgetsWithoutPower } from '@/core/advise/forgetsWithoutPower'
import { fullAboveLimit } from '@/core/advise/fullAboveLimit'
import { gearsNotAscending } from '@/core/advise/gearsNotAscending'
import { heaterWithoutAir } from '@/core/advise/heaterWithoutAir'
import { intentChanged } from '@/core/advise/intentChanged'
import { type Judge, type Judgement } from '@/core/advise/judgement'
import { kickShorterThanShutters } from '@/core/advise/kickShorterThanShutters'
import { leastAir } from '@/core/advise/leastAir'
import { lostProbe } from '@/core/advise/lostProbe'
import { noAlarm } from '@/core/advise/noAlarm'
import { noCoAlarm } from '@/core/advise/noCoAlarm'
import { noDefrost } from '@/core/advise/noDefrost'
import { notFullWhenHot } from '@/core/advise/notFullWhenHot'
import { notReadBack } from '@/core/advise/notReadBack'
import { nothingProtects } from '@/core/advise/nothingProtects'
import { openFlueUnproved } from '@/core/advise/openFlueUnproved'
import { overrunWithoutCap } from '@/core/advise/overrunWithoutCap'
import { ownAir } from '@/core/advise/ownAir'
import { probeOverLimit } from '@/core/advise/probeOverLimit'
import { profileReversed } from '@/core/advise/profileReversed'
import { purgeByClock } from '@/core/advise/purgeByClock'
import { purgeWithWarmerAir } from '@/core/advise/purgeWithWarmerAir'
import { purgeWithWetterAir } from '@/core/advise/purgeWithWetterAir'
import { rampTooNarrow } from '@/core/advise/rampTooNarrow'
import { requiredFlow } from '@/core/advise/requiredFlow'
import { runOnLeftOver } from '@/core/advise/runOnLeftOver'
import { cutLeadUnseen } from '@/core/advise/cutLeadUnseen'
import { stopsWithoutAir } from '@/core/advise/stopsWithoutAir'
import { seasonDue } from '@/core/advise/seasonDue'
import { senseReversed } from '@/core/advise/senseReversed'
import { startsTooOften } from '@/core/advise/startsTooOften'
import { suctionLost } from '@/core/advise/suctionLost'
import { trickleAboveBoost } from '@/core/advise/trickleAboveBoost'
import { unsealedChanges } from '@/core/advise/unsealedChanges'
import { wiredOrMountedWrong } from '@/core/advise/wiredOrMountedWrong'
import { withoutAir } from '@/core/advise/withoutAir'
import { wrongUnit } from '@/core/advise/wrongUnit'
import { judgementText } from '@/core/advise/words'
import type { Dismissed, Installation } from '@/core/installation/installation'
import { SEVERITIES } from '@/core/json/severity'

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
  floorInSkipBand,
  suctionLost,
  wrongUnit,
  nothingProtects,
  withoutAir,
  overrunWithoutCap,
  runOnLeftOver,
  bypassNeverActs,
  heaterWithoutAir,
  lostProbe,
  flueStops,
  noCoAlarm,
  leastAir,
  requiredFlow,
  senseReversed,
  answersTooSlowly,
  notFullWhenHot,
  noDefrost,
  belowCutOff,
  bypassInFrost,
  purgeByClock,
  ownAir,
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
  cutLeadUnseen,
  stopsWithoutAir,
]

/** What a judgement said when someone left it as it is: for the record. */
function textWhenLeft(judgement: Judgement): string {
  const { title, detail } = judgementText(judgement)
  return `${title} ${detail}`.slice(0, 1200)
}

/** Leaves a judgement as it is: by its code and place, with how grave it was and on which figure. */
export const leftAsItIs = (judgement: Judgement, reason: string): Dismissed => ({
  judgement: judgement.id,
  text: textWhenLeft(judgement),
  reason,
  severity: judgement.severity,
  ...(judgement.figure && Number.isFinite(judgement.figure.value) ? { figure: judgement.figure.value } : {}),
})

/** Left as it is until it is graver, or its figure worse by more than a step. Its words may change as they like. */
const isDismissed = ({ dismissed = [] }: Installation, { id, severity, figure }: Judgement): boolean =>
  dismissed.some((held) => {
    if (held.judgement !== id) return false
    const isGraver = held.severity !== undefined && SEVERITIES.indexOf(severity) < SEVERITIES.indexOf(held.severity)
    const isWorse =
      figure !== undefined &&
      held.figure !== undefined &&
      figure.worse * (figure.value - held.figure) > figure.step + 1e-9
    return !isGraver && !isWorse
  })

/** All judgements on an installation that nobody has left as they are, the gravest first.
 *  @param changes how many changes lie since the last seal; null where that is not known or nothing was sealed
 *  @param today YYYY-MM-DD, by which a season put in by hand is judged; null where it is not known */
export const judgeInstallation = (
  installation: Parameters<Judge>[0],
  derived: Parameters<Judge>[1],
  changes: number | null = null,
  today: string | null = null,
): Judgement[] =>
  [
    ...JUDGES.flatMap((judge) => judge(installation, derived)),
    ...unsealedChanges(changes),
    ...seasonDue(installation, today),
  ]
    .filter((judgement) => !isDismissed(installation, judgement))
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
