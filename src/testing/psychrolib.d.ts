/** What is used of the npm package, which has no types of its own. */
declare module 'psychrolib' {
  interface Psychrolib {
    SI: number
    SetUnitSystem(system: number): void
    GetSatVapPres(tempC: number): number
    GetHumRatioFromRelHum(tempC: number, relHum: number, pressurePa: number): number
    GetTDewPointFromRelHum(tempC: number, relHum: number): number
    GetTWetBulbFromRelHum(tempC: number, relHum: number, pressurePa: number): number
    GetMoistAirEnthalpy(tempC: number, humRatio: number): number
    GetMoistAirDensity(tempC: number, humRatio: number, pressurePa: number): number
    GetStandardAtmPressure(altitudeM: number): number
  }
  const psychrolib: Psychrolib
  export default psychrolib
}
