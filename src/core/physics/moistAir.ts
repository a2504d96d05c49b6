/** Pressure of the standard atmosphere at sea level (Pa). */
export const SEA_LEVEL_PA = 101325
const KELVIN = 273.15
/** Mass of water vapour over that of dry air, molecule for molecule. */
const VAPOUR_RATIO = 0.621945
/** Gas constant of dry air, J/(kg K). */
const R_DRY_AIR = 287.042

// Hyland and Wexler 1983, as in ASHRAE Handbook Fundamentals, Psychrometrics, equations 5 (over ice) and 6 (over water), from memory;
// reference-values `psy.satPressure` holds them against psychrolib and IAPWS.
const ICE = [-5674.5359, 6.3925247, -9.677843e-3, 6.2215701e-7, 2.0747825e-9, -9.484024e-13, 4.1635019] as const
const WATER = [-5800.2206, 1.3914993, -4.8640239e-2, 4.1764768e-5, -1.4452093e-8, 0, 6.5459673] as const

/** Pressure of saturated water vapour (Pa) at a temperature (°C, −100 to 200): over ice up to 0.01 °C, over water above. */
export function saturationPa(tempC: number): number {
  const t = tempC + KELVIN
  const [a, b, c, d, e, f, g] = tempC <= 0.01 ? ICE : WATER
  return Math.exp(a / t + b + c * t + d * t ** 2 + e * t ** 3 + f * t ** 4 + g * Math.log(t))
}

/** Pressure of the air (Pa) at an altitude (m). Source: ASHRAE Fundamentals, from memory; `psy.altitude`. */
export const pressureAt = (altitudeM: number): number => SEA_LEVEL_PA * (1 - 2.25577e-5 * altitudeM) ** 5.2559

export const vapourPa = (tempC: number, rhPct: number): number => (rhPct / 100) * saturationPa(tempC)

/** Water per dry air (kg/kg) at a vapour pressure; NaN where the vapour alone would fill the pressure. */
const humidityRatioAt = (vapour: number, pressurePa: number): number =>
  vapour < pressurePa ? (VAPOUR_RATIO * vapour) / (pressurePa - vapour) : NaN

/** Water per dry air, kg/kg. Source: `psy.state`. */
export const humidityRatio = (tempC: number, rhPct: number, pressurePa = SEA_LEVEL_PA): number =>
  humidityRatioAt(vapourPa(tempC, rhPct), pressurePa)

/** Heat content, kJ per kg of dry air, 0 at 0 °C dry. */
const enthalpyKjKg = (tempC: number, ratio: number): number => 1.006 * tempC + ratio * (2501 + 1.86 * tempC)

/** Room that a kg of dry air takes with its water, m³. */
const volumeM3Kg = (tempC: number, ratio: number, pressurePa: number): number =>
  (R_DRY_AIR * (tempC + KELVIN) * (1 + ratio / VAPOUR_RATIO)) / pressurePa

/** Density of moist air, kg/m³. */
export const densityKgM3 = (tempC: number, ratio: number, pressurePa = SEA_LEVEL_PA): number =>
  (1 + ratio) / volumeM3Kg(tempC, ratio, pressurePa)

/** The argument at which a rising function reaches `target`, by halving; the ends where it lies outside. */
export function whereRising(f: (x: number) => number, target: number, low: number, high: number): number {
  let [a, b] = [low, high]
  for (let step = 0; step < 80; step++) {
    const middle = (a + b) / 2
    if (f(middle) < target) a = middle
    else b = middle
  }
  return (a + b) / 2
}

/** Temperature at which air of this vapour pressure (Pa) is saturated (°C); frost point below 0. */
export const dewPointC = (vapour: number): number => whereRising(saturationPa, vapour, -100, 200)

/** Thermodynamic wet bulb (°C). Source: ASHRAE Fundamentals, Psychrometrics, equations 33 and 35 (2017), from memory. Between about −0.1 and
 *  0.6 °C it is ambiguous (iced or wet wick). */
function wetBulbC(tempC: number, ratio: number, pressurePa = SEA_LEVEL_PA): number {
  const ratioFor = (wet: number): number => {
    const saturated = humidityRatioAt(saturationPa(wet), pressurePa)
    const [heat, slope, cooled] = wet >= 0 ? [2501, 2.326, 4.186] : [2830, 0.24, 2.1]
    return ((heat - slope * wet) * saturated - 1.006 * (tempC - wet)) / (heat + 1.86 * tempC - cooled * wet)
  }
  return whereRising(ratioFor, ratio, -100, tempC)
}

/** Everything about moist air at once. */
export function airState(tempC: number, rhPct: number, pressurePa = SEA_LEVEL_PA) {
  const ratio = humidityRatio(tempC, rhPct, pressurePa)
  return {
    ratio,
    dewPointC: rhPct > 0 ? dewPointC(vapourPa(tempC, rhPct)) : NaN,
    wetBulbC: wetBulbC(tempC, ratio, pressurePa),
    enthalpyKjKg: enthalpyKjKg(tempC, ratio),
    densityKgM3: densityKgM3(tempC, ratio, pressurePa),
  }
}

// Every twentieth of a kelvin, straight between: within 5e-6 of the equations, and without their logarithm and exponential.
const QUICK = { fromC: -90, toC: 150, perK: 20 }
const QUICK_PA = Float64Array.from({ length: (QUICK.toC - QUICK.fromC) * QUICK.perK + 2 }, (_, place) =>
  saturationPa(QUICK.fromC + place / QUICK.perK),
)

/** `saturationPa` out of a table, for what is asked at every step of a rehearsal. Beyond the table by the equations. */
export function quickSaturationPa(tempC: number): number {
  const at = (tempC - QUICK.fromC) * QUICK.perK
  const place = Math.floor(at)
  if (!(place >= 0 && place < QUICK_PA.length - 1)) return saturationPa(tempC)
  const low = QUICK_PA[place]!
  return low + (QUICK_PA[place + 1]! - low) * (at - place)
}

/** Water per dry air (kg/kg) at sea level, by the table. */
export const quickRatio = (tempC: number, rhPct: number): number => {
  const vapour = (rhPct / 100) * quickSaturationPa(tempC)
  return (VAPOUR_RATIO * vapour) / (SEA_LEVEL_PA - vapour)
}

/** Relative humidity (%) of air at sea level with this much water (kg per kg of dry air), by the table; above 100 where it is fog. */
export const quickHumidityPct = (tempC: number, ratio: number): number =>
  ((ratio * SEA_LEVEL_PA) / (VAPOUR_RATIO + ratio) / quickSaturationPa(tempC)) * 100
