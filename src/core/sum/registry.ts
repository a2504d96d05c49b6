import { coldSurface } from '@/core/sum/air/coldSurface'
import { densityAtAltitude } from '@/core/sum/air/densityAtAltitude'
import { heatStress } from '@/core/sum/air/heatStress'
import { moistAirState } from '@/core/sum/air/moistAirState'
import { outsideAirDries } from '@/core/sum/air/outsideAirDries'
import { peopleCo2 } from '@/core/sum/air/peopleCo2'
import { saturation } from '@/core/sum/air/saturation'
import { vapourDeficit } from '@/core/sum/air/vapourDeficit'
import { densityAtFan } from '@/core/sum/fans/densityAtFan'
import { fanEnergy } from '@/core/sum/fans/fanEnergy'
import { fanLaws } from '@/core/sum/fans/fanLaws'
import { operatingPoint } from '@/core/sum/fans/operatingPoint'
import { roomLevel } from '@/core/sum/fans/roomLevel'
import { soundChange } from '@/core/sum/fans/soundChange'
import { soundTogether } from '@/core/sum/fans/soundTogether'
import { specificFanPower } from '@/core/sum/fans/specificFanPower'
import { systemEffect } from '@/core/sum/fans/systemEffect'
import { airChanges } from '@/core/sum/flow/airChanges'
import { contaminant } from '@/core/sum/flow/contaminant'
import { curtainJet } from '@/core/sum/flow/curtainJet'
import { depressurisation } from '@/core/sum/flow/depressurisation'
import { ductFriction } from '@/core/sum/flow/ductFriction'
import { ductLoss } from '@/core/sum/flow/ductLoss'
import { filterLoading } from '@/core/sum/flow/filterLoading'
import { flowFromVelocity } from '@/core/sum/flow/flowFromVelocity'
import { flueDraught } from '@/core/sum/flow/flueDraught'
import { heatCarried } from '@/core/sum/flow/heatCarried'
import { heatRecovery } from '@/core/sum/flow/heatRecovery'
import { heatRemoval } from '@/core/sum/flow/heatRemoval'
import { heatRise } from '@/core/sum/flow/heatRise'
import { hoodReading } from '@/core/sum/flow/hoodReading'
import { purgeHeat } from '@/core/sum/flow/purgeHeat'
import { purgeShare } from '@/core/sum/flow/purgeShare'
import { purgeTime } from '@/core/sum/flow/purgeTime'
import { rectangularDuct } from '@/core/sum/flow/rectangularDuct'
import { rectangularTraverse } from '@/core/sum/flow/rectangularTraverse'
import { roundDuct } from '@/core/sum/flow/roundDuct'
import { roundTraverse } from '@/core/sum/flow/roundTraverse'
import { traverseUncertainty } from '@/core/sum/flow/traverseUncertainty'
import { velocityFromPressure } from '@/core/sum/flow/velocityFromPressure'
import { airByAge } from '@/core/sum/livestock/airByAge'
import { animalHeat } from '@/core/sum/livestock/animalHeat'
import { houseAir } from '@/core/sum/livestock/houseAir'
import { perHeadRates } from '@/core/sum/livestock/perHeadRates'
import { poultryMetabolic } from '@/core/sum/livestock/poultryMetabolic'
import { withoutAir } from '@/core/sum/livestock/withoutAir'
import { airSplit } from '@/core/sum/refrigeration/airSplit'
import { condensingOverAmbient } from '@/core/sum/refrigeration/condensingOverAmbient'
import { saturationPressure } from '@/core/sum/refrigeration/saturationPressure'
import { saturationTemperature } from '@/core/sum/refrigeration/saturationTemperature'
import { superheat } from '@/core/sum/refrigeration/superheat'
import { condenserAir } from '@/core/sum/required/condenserAir'
import { growRoom } from '@/core/sum/required/growRoom'
import { roomKindAirChanges } from '@/core/sum/required/roomKindAirChanges'
import { wetRoomEngland } from '@/core/sum/required/wetRoomEngland'
import { wholeDwellingAshrae } from '@/core/sum/required/wholeDwellingAshrae'
import { wholeDwellingEngland } from '@/core/sum/required/wholeDwellingEngland'
import { controlVolts } from '@/core/sum/signals/controlVolts'
import { convertTemperature } from '@/core/sum/signals/convert'
import { derating } from '@/core/sum/signals/derating'
import { differentialPoints } from '@/core/sum/signals/differentialPoints'
import { phaseCut } from '@/core/sum/signals/phaseCut'
import { pulseWidth } from '@/core/sum/signals/pulseWidth'
import { startsPerHour } from '@/core/sum/signals/startsPerHour'
import { tachPulses } from '@/core/sum/signals/tachPulses'
import type { AnySum } from '@/core/sum/sum'

/** Every sum, in the order of the place Sums. A new one is a file and a line here. */
export const SUMS: readonly AnySum[] = [
  coldSurface,
  densityAtAltitude,
  heatStress,
  moistAirState,
  peopleCo2,
  outsideAirDries,
  saturation,
  vapourDeficit,
  airChanges,
  contaminant,
  curtainJet,
  depressurisation,
  ductFriction,
  ductLoss,
  filterLoading,
  flowFromVelocity,
  flueDraught,
  heatCarried,
  heatRecovery,
  heatRemoval,
  heatRise,
  hoodReading,
  purgeHeat,
  purgeShare,
  purgeTime,
  rectangularDuct,
  rectangularTraverse,
  roundDuct,
  roundTraverse,
  traverseUncertainty,
  velocityFromPressure,
  densityAtFan,
  fanEnergy,
  fanLaws,
  operatingPoint,
  roomLevel,
  soundChange,
  soundTogether,
  specificFanPower,
  systemEffect,
  condenserAir,
  growRoom,
  roomKindAirChanges,
  wetRoomEngland,
  wholeDwellingAshrae,
  wholeDwellingEngland,
  animalHeat,
  airByAge,
  houseAir,
  perHeadRates,
  poultryMetabolic,
  withoutAir,
  airSplit,
  condensingOverAmbient,
  saturationPressure,
  saturationTemperature,
  superheat,
  controlVolts,
  derating,
  convertTemperature,
  differentialPoints,
  phaseCut,
  pulseWidth,
  startsPerHour,
  tachPulses,
]

export const sumById = (id: string): AnySum | undefined => SUMS.find((sum) => sum.id === id)

/** The sums in whose name, group or words every word looked for occurs. */
export function findSums(said: string): AnySum[] {
  const wanted = said.toLowerCase().split(/\s+/).filter(Boolean)
  return SUMS.filter(({ id, name, group, words }) => {
    const text = `${id} ${name} ${group} ${words}`.toLowerCase()
    return wanted.every((word) => text.includes(word))
  })
}
