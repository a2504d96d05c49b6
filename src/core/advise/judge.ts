import { askAboveCeiling } from '@/core/advise/askAboveCeiling'
import { cannotDrive } from '@/core/advise/cannotDrive'
import { currentOverRating } from '@/core/advise/currentOverRating'
import { floorBelowReason } from '@/core/advise/floorBelowReason'
import { followerTooSlow } from '@/core/advise/followerTooSlow'
import { forgetsWithoutPower } from '@/core/advise/forgetsWithoutPower'
import { fullAboveLimit } from '@/core/advise/fullAboveLimit'
import { kickShorterThanShutters } from '@/core/advise/kickShorterThanShutters'
import { SEVERITIES, type Judge, type Judgement } from '@/core/advise/judgement'
import { probeOverLimit } from '@/core/advise/probeOverLimit'
import { wiredOrMountedWrong } from '@/core/advise/wiredOrMountedWrong'

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
]

/** All judgements on an installation, the gravest first. */
export const judgeInstallation: (...given: Parameters<Judge>) => Judgement[] = (installation, derived) =>
  JUDGES.flatMap((judge) => judge(installation, derived)).sort(
    (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity),
  )
