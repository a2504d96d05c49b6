import { coldSurface } from '@/core/calculation/air/coldSurface'
import { densityAtAltitude } from '@/core/calculation/air/densityAtAltitude'
import { heatStress } from '@/core/calculation/air/heatStress'
import { moistAirState } from '@/core/calculation/air/moistAirState'
import { outsideAirDries } from '@/core/calculation/air/outsideAirDries'
import { peopleCo2 } from '@/core/calculation/air/peopleCo2'
import { saturation } from '@/core/calculation/air/saturation'
import { vapourDeficit } from '@/core/calculation/air/vapourDeficit'
import { densityAtFan } from '@/core/calculation/fans/densityAtFan'
import { fanEnergy } from '@/core/calculation/fans/fanEnergy'
import { fanLaws } from '@/core/calculation/fans/fanLaws'
import { operatingPoint } from '@/core/calculation/fans/operatingPoint'
import { roomLevel } from '@/core/calculation/fans/roomLevel'
import { soundChange } from '@/core/calculation/fans/soundChange'
import { soundTogether } from '@/core/calculation/fans/soundTogether'
import { specificFanPower } from '@/core/calculation/fans/specificFanPower'
import { systemEffect } from '@/core/calculation/fans/systemEffect'
import { airChanges } from '@/core/calculation/flow/airChanges'
import { contaminant } from '@/core/calculation/flow/contaminant'
import { curtainJet } from '@/core/calculation/flow/curtainJet'
import { depressurisation } from '@/core/calculation/flow/depressurisation'
import { ductFriction } from '@/core/calculation/flow/ductFriction'
import { ductLoss } from '@/core/calculation/flow/ductLoss'
import { filterLoading } from '@/core/calculation/flow/filterLoading'
import { flowFromVelocity } from '@/core/calculation/flow/flowFromVelocity'
import { flueDraught } from '@/core/calculation/flow/flueDraught'
import { heatCarried } from '@/core/calculation/flow/heatCarried'
import { heatRecovery } from '@/core/calculation/flow/heatRecovery'
import { heatRemoval } from '@/core/calculation/flow/heatRemoval'
import { heatRise } from '@/core/calculation/flow/heatRise'
import { hoodReading } from '@/core/calculation/flow/hoodReading'
import { purgeHeat } from '@/core/calculation/flow/purgeHeat'
import { purgeShare } from '@/core/calculation/flow/purgeShare'
import { purgeTime } from '@/core/calculation/flow/purgeTime'
import { rectangularDuct } from '@/core/calculation/flow/rectangularDuct'
import { rectangularTraverse } from '@/core/calculation/flow/rectangularTraverse'
import { roundDuct } from '@/core/calculation/flow/roundDuct'
import { roundTraverse } from '@/core/calculation/flow/roundTraverse'
import { traverseUncertainty } from '@/core/calculation/flow/traverseUncertainty'
import { velocityFromPressure } from '@/core/calculation/flow/velocityFromPressure'
import { airByAge } from '@/core/calculation/livestock/airByAge'
import { animalHeat } from '@/core/calculation/livestock/animalHeat'
import { houseAir } from '@/core/calculation/livestock/houseAir'
import { perHeadRates } from '@/core/calculation/livestock/perHeadRates'
import { poultryMetabolic } from '@/core/calculation/livestock/poultryMetabolic'
import { withoutAir } from '@/core/calculation/livestock/withoutAir'
import { airSplit } from '@/core/calculation/refrigeration/airSplit'
import { condensingOverAmbient } from '@/core/calculation/refrigeration/condensingOverAmbient'
import { saturationPressure } from '@/core/calculation/refrigeration/saturationPressure'
import { saturationTemperature } from '@/core/calculation/refrigeration/saturationTemperature'
import { superheat } from '@/core/calculation/refrigeration/superheat'
import { condenserAir } from '@/core/calculation/required/condenserAir'
import { growRoom } from '@/core/calculation/required/growRoom'
import { roomKindAirChanges } from '@/core/calculation/required/roomKindAirChanges'
import { wetRoomEngland } from '@/core/calculation/required/wetRoomEngland'
import { wholeDwellingAshrae } from '@/core/calculation/required/wholeDwellingAshrae'
import { wholeDwellingEngland } from '@/core/calculation/required/wholeDwellingEngland'
import { controlVolts } from '@/core/calculation/signals/controlVolts'
import { convertTemperature } from '@/core/calculation/signals/convert'
import { derating } from '@/core/calculation/signals/derating'
import { differentialPoints } from '@/core/calculation/signals/differentialPoints'
import { phaseCut } from '@/core/calculation/signals/phaseCut'
import { pulseWidth } from '@/core/calculation/signals/pulseWidth'
import { startsPerHour } from '@/core/calculation/signals/startsPerHour'
import { tachPulses } from '@/core/calculation/signals/tachPulses'
import type { AnyCalculation } from '@/core/calculation/calculation'
import { termsFor, wordsOf } from '@/core/glossary/glossary'
import { hasWords } from '@/core/glossary/hasWords'

/** Every calculation, in the order of the place Calculations. A new one is a file and a line here. */
export const CALCULATIONS: readonly AnyCalculation[] = [
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

export const calculationById = (id: string): AnyCalculation | undefined =>
  CALCULATIONS.find((calculation) => calculation.id === id)

/** The sums in whose name, group or words every word looked for occurs; else those of what the trade means by it. */
export function findCalculations(typed: string): AnyCalculation[] {
  const found = CALCULATIONS.filter((calculation) => hasWords(textOf(calculation), typed))
  if (found.length > 0) return found
  const words = termsFor(typed).flatMap(wordsOf)
  return CALCULATIONS.filter((calculation) => words.some((word) => hasWords(textOf(calculation), word)))
}

const textOf = ({ id, name, group, words }: AnyCalculation): string => `${id} ${name} ${group} ${words}`
