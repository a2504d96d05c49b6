/** One way of writing a quantity: `base = x * scale + offset`. `names` are what people type, in lower case. */
export type Unit = {
  readonly symbol: string
  readonly names: readonly string[]
  readonly scale: number
  readonly offset?: number
  readonly decimals: number
}

/** A kind of quantity: its unit inside the core first, then the others people use. `plausible` is in the base unit. */
export type QuantitySpec = {
  readonly label: string
  readonly units: readonly [Unit, ...Unit[]]
  readonly plausible: readonly [min: number, max: number]
  /** Units in which instruments of this show a bare number, where they are several: a figure without one is then said with the others. */
  readonly usual?: readonly string[]
  readonly hint: string
}

const F_SCALE = 5 / 9
/** What a gauge leaves out, by the standard: 101.325 kPa. ISO 2533:1975, pressure of the standard atmosphere at sea level. */
const STANDARD_KPA = 101.325

// Factors: GNU Units 2.22, as listed in reference-values `unit.factors`.
export const QUANTITIES = {
  temperature: {
    label: 'temperature',
    units: [
      { symbol: '°C', names: ['°c', 'c', 'degc', 'deg c', 'celsius'], scale: 1, decimals: 1 },
      {
        symbol: '°F',
        names: ['°f', 'f', 'degf', 'deg f', 'fahrenheit'],
        scale: F_SCALE,
        offset: -32 * F_SCALE,
        decimals: 1,
      },
    ],
    plausible: [-60, 650],
    hint: '20, 20c or 68F',
  },
  // A difference has no 32 in it: 2 K is 3.6 F°, never 35.6.
  temperatureDifference: {
    label: 'temperature difference',
    units: [
      { symbol: 'K', names: ['k', 'c', '°c', 'kelvin'], scale: 1, decimals: 1 },
      { symbol: 'F°', names: ['f°', 'f', '°f', 'degf', 'fahrenheit'], scale: F_SCALE, decimals: 1 },
    ],
    plausible: [-200, 200],
    hint: '2, 2 K or 3.6 F°',
  },
  humidity: {
    label: 'relative humidity',
    units: [{ symbol: '%RH', names: ['%rh', '%', 'rh', 'percent'], scale: 1, decimals: 1 }],
    plausible: [0, 100],
    hint: '93 or 93 %RH',
  },
  speed: {
    label: 'fan speed',
    units: [{ symbol: '%', names: ['%', 'percent', 'pct'], scale: 1, decimals: 0 }],
    plausible: [0, 100],
    hint: '0 to 100 %',
  },
  ratio: {
    label: 'ratio',
    units: [{ symbol: '%', names: ['%', 'percent', 'pct'], scale: 1, decimals: 0 }],
    plausible: [1, 300],
    hint: '80 or 80 %',
  },
  flow: {
    label: 'flow',
    units: [
      { symbol: 'l/s', names: ['l/s', 'ls', 'lps', 'litres per second'], scale: 1, decimals: 0 },
      { symbol: 'm³/h', names: ['m³/h', 'm3/h', 'm3h', 'cmh'], scale: 1 / 3.6, decimals: 0 },
      { symbol: 'cfm', names: ['cfm', 'ft3/min'], scale: 0.4719474432, decimals: 0 },
      { symbol: 'm³/s', names: ['m³/s', 'm3/s'], scale: 1000, decimals: 3 },
    ],
    plausible: [0, 100000],
    hint: '38 l/s, 137 m3/h or 90 cfm',
  },
  airSpeed: {
    label: 'speed of air',
    units: [
      { symbol: 'm/s', names: ['m/s', 'ms'], scale: 1, decimals: 2 },
      { symbol: 'km/h', names: ['km/h', 'kmh', 'kph'], scale: 1 / 3.6, decimals: 1 },
      { symbol: 'fpm', names: ['fpm', 'ft/min'], scale: 0.00508, decimals: 0 },
    ],
    plausible: [0, 60],
    hint: '4.1 or 4.1 m/s',
  },
  pressure: {
    label: 'pressure',
    units: [
      { symbol: 'Pa', names: ['pa'], scale: 1, decimals: 0 },
      { symbol: 'kPa', names: ['kpa'], scale: 1000, decimals: 1 },
      { symbol: 'bar', names: ['bar'], scale: 100000, decimals: 2 },
      { symbol: 'psi', names: ['psi', 'psig'], scale: 6894.757293, decimals: 1 },
      { symbol: 'inWG', names: ['inwg', 'in wg', '"wg', 'inh2o', 'inh₂o'], scale: 249.08891, decimals: 2 },
      { symbol: 'mbar', names: ['mbar', 'hpa'], scale: 100, decimals: 2 },
      { symbol: 'mmH₂O', names: ['mmh2o', 'mmh₂o', 'mmwg', 'mm wg', 'mmws', 'mm ws'], scale: 9.80665, decimals: 1 },
      { symbol: 'inHg', names: ['inhg', 'in hg', '"hg'], scale: 3386.38864, decimals: 2 },
    ],
    plausible: [-100000, 20000000],
    hint: '60 Pa, 0.24 inWG, 9.2 bar or 133 psi',
  },
  // Refrigerant gauges and vapour are read in kPa, bar or psi; ducts and filters in Pa.
  gaugePressure: {
    label: 'pressure',
    units: [
      { symbol: 'kPa', names: ['kpa', 'kpag'], scale: 1, decimals: 1 },
      { symbol: 'bar', names: ['bar', 'barg'], scale: 100, decimals: 2 },
      { symbol: 'psi', names: ['psi', 'psig'], scale: 6.894757293, decimals: 1 },
      { symbol: 'inHg', names: ['inhg', 'in hg', '"hg'], scale: 3.38638864, decimals: 1 },
      { symbol: 'kPa abs', names: ['kpa abs', 'kpaa'], scale: 1, offset: -STANDARD_KPA, decimals: 1 },
      { symbol: 'bar abs', names: ['bar abs', 'bara'], scale: 100, offset: -STANDARD_KPA, decimals: 2 },
      { symbol: 'psi abs', names: ['psi abs', 'psia'], scale: 6.894757293, offset: -STANDARD_KPA, decimals: 1 },
    ],
    usual: ['bar', 'psi', 'kPa'],
    plausible: [-101.4, 20000],
    hint: '915 kPa, 9.2 bar or 133 psi; 10.2 bar abs',
  },
  // From nothing at all, or from one pressure to another: no air of the day in it.
  absolutePressure: {
    label: 'pressure',
    units: [
      { symbol: 'kPa', names: ['kpa', 'kpaa', 'kpa abs'], scale: 1, decimals: 1 },
      { symbol: 'bar', names: ['bar', 'bara', 'bar abs'], scale: 100, decimals: 2 },
      { symbol: 'psi', names: ['psi', 'psia', 'psi abs'], scale: 6.894757293, decimals: 1 },
    ],
    plausible: [0, 20000],
    hint: '915 kPa, 9.2 bar or 133 psi',
  },
  volts: {
    label: 'voltage',
    units: [
      { symbol: 'V', names: ['v', 'volt', 'volts'], scale: 1, decimals: 2 },
      { symbol: 'mV', names: ['mv'], scale: 0.001, decimals: 0 },
    ],
    plausible: [0, 480],
    hint: '7.2 or 7.2 V',
  },
  time: {
    label: 'time',
    units: [
      { symbol: 's', names: ['s', 'sec', 'secs', 'second', 'seconds'], scale: 1, decimals: 0 },
      { symbol: 'min', names: ['min', 'mins', 'm', 'minute', 'minutes'], scale: 60, decimals: 1 },
      { symbol: 'h', names: ['h', 'hr', 'hrs', 'hour', 'hours'], scale: 3600, decimals: 2 },
      { symbol: 'd', names: ['d', 'day', 'days'], scale: 86_400, decimals: 1 },
    ],
    plausible: [0, 604800],
    hint: '90 s, 15 min or 0.5 h',
  },
  rotation: {
    label: 'speed of rotation',
    units: [
      { symbol: 'rpm', names: ['rpm', '1/min', 'r/min'], scale: 1, decimals: 0 },
      { symbol: 'rev/s', names: ['rev/s', 'rps', 'hz'], scale: 60, decimals: 1 },
    ],
    plausible: [0, 30000],
    hint: '1268 or 1268 rpm',
  },
  area: {
    label: 'area',
    units: [
      { symbol: 'm²', names: ['m²', 'm2'], scale: 1, decimals: 4 },
      { symbol: 'cm²', names: ['cm²', 'cm2'], scale: 1e-4, decimals: 0 },
      { symbol: 'ft²', names: ['ft²', 'ft2'], scale: 0.09290304, decimals: 3 },
    ],
    plausible: [0, 100],
    hint: '0.0314 or 314 cm2',
  },
  volume: {
    label: 'volume',
    units: [
      { symbol: 'm³', names: ['m³', 'm3'], scale: 1, decimals: 1 },
      { symbol: 'ft³', names: ['ft³', 'ft3'], scale: 0.028316846592, decimals: 0 },
    ],
    plausible: [0, 1000000],
    hint: '64 or 64 m3',
  },
  power: {
    label: 'power',
    units: [
      { symbol: 'W', names: ['w', 'watt', 'watts'], scale: 1, decimals: 0 },
      { symbol: 'kW', names: ['kw'], scale: 1000, decimals: 2 },
      { symbol: 'BTU/h', names: ['btu/h', 'btuh'], scale: 0.2930710702, decimals: 0 },
    ],
    plausible: [0, 10000000],
    hint: '900 W or 0.9 kW',
  },
  current: {
    label: 'current',
    units: [
      { symbol: 'A', names: ['a', 'amp', 'amps'], scale: 1, decimals: 2 },
      { symbol: 'mA', names: ['ma'], scale: 0.001, decimals: 0 },
    ],
    plausible: [0, 200],
    hint: '0.65 or 650 mA',
  },
  light: {
    label: 'light level',
    // A sensor that gives percent or volts is compared with a level in the same: there is no lux in it to convert to.
    units: [
      { symbol: 'lx', names: ['lx', 'lux'], scale: 1, decimals: 0 },
      { symbol: '% of sensor', names: ['% of sensor', '%'], scale: 1, decimals: 0 },
      { symbol: 'V of sensor', names: ['v of sensor', 'v', 'volts'], scale: 1, decimals: 2 },
    ],
    plausible: [0, 200000],
    hint: '50 or 50 lx',
  },
  sound: {
    label: 'sound level',
    units: [{ symbol: 'dB', names: ['db', 'dba', 'db(a)'], scale: 1, decimals: 0 }],
    plausible: [0, 140],
    hint: '41 or 41 dB',
  },
  share: {
    label: 'share',
    units: [{ symbol: '%', names: ['%', 'percent', 'pct'], scale: 1, decimals: 1 }],
    plausible: [0, 1000],
    hint: '85 or 85 %',
  },
  count: {
    label: 'number',
    units: [{ symbol: '', names: [], scale: 1, decimals: 2 }],
    plausible: [0, 1000000],
    hint: '3 or 0.75',
  },
  length: {
    label: 'length',
    units: [
      { symbol: 'm', names: ['m', 'metre', 'metres'], scale: 1, decimals: 3 },
      { symbol: 'mm', names: ['mm'], scale: 0.001, decimals: 0 },
      { symbol: 'cm', names: ['cm'], scale: 0.01, decimals: 1 },
      { symbol: 'in', names: ['in', '"', 'inch', 'inches'], scale: 0.0254, decimals: 2 },
      { symbol: 'ft', names: ['ft', 'feet'], scale: 0.3048, decimals: 2 },
    ],
    plausible: [-500, 9000],
    hint: '0.15 m, 150 mm or 6 in',
  },
  altitude: {
    label: 'height above sea level',
    units: [
      { symbol: 'm', names: ['m', 'metre', 'metres'], scale: 1, decimals: 0 },
      { symbol: 'ft', names: ['ft', 'feet'], scale: 0.3048, decimals: 0 },
    ],
    plausible: [-500, 9000],
    hint: '350 m or 1150 ft',
  },
  mass: {
    label: 'mass',
    units: [
      { symbol: 'kg', names: ['kg'], scale: 1, decimals: 2 },
      { symbol: 'g', names: ['g'], scale: 0.001, decimals: 0 },
      { symbol: 'lb', names: ['lb', 'lbs'], scale: 0.45359237, decimals: 2 },
    ],
    plausible: [0, 2000],
    hint: '1.8 kg, 400 g or 4 lb',
  },
  humidityRatio: {
    label: 'humidity ratio',
    units: [
      { symbol: 'g/kg', names: ['g/kg'], scale: 1, decimals: 2 },
      // 7000 grains are a pound.
      { symbol: 'gr/lb', names: ['gr/lb', 'grains/lb'], scale: 1 / 7, decimals: 1 },
    ],
    plausible: [0, 1000],
    hint: '7.3 g/kg',
  },
  enthalpy: {
    label: 'enthalpy',
    units: [{ symbol: 'kJ/kg', names: ['kj/kg'], scale: 1, decimals: 1 }],
    plausible: [-100, 5000],
    hint: '38.6 kJ/kg',
  },
  density: {
    label: 'density',
    units: [
      { symbol: 'kg/m³', names: ['kg/m³', 'kg/m3'], scale: 1, decimals: 3 },
      { symbol: 'lb/ft³', names: ['lb/ft³', 'lb/ft3'], scale: 16.01846337, decimals: 4 },
    ],
    plausible: [0.1, 3],
    hint: '1.2 kg/m3',
  },
  airChanges: {
    label: 'air changes',
    units: [{ symbol: '1/h', names: ['1/h', '/h', 'ach'], scale: 1, decimals: 2 }],
    plausible: [0, 1000],
    hint: '4 or 4 ach',
  },
  concentration: {
    label: 'concentration',
    units: [{ symbol: 'ppm', names: ['ppm'], scale: 1, decimals: 0 }],
    plausible: [0, 1000000],
    hint: '3000 ppm',
  },
  specificPower: {
    label: 'specific fan power',
    units: [
      { symbol: 'W/(l/s)', names: ['w/(l/s)', 'w/l/s'], scale: 1, decimals: 2 },
      { symbol: 'W/cfm', names: ['w/cfm'], scale: 1 / 0.4719474432, decimals: 2 },
      { symbol: 'W/(m³/h)', names: ['w/(m³/h)', 'w/(m3/h)'], scale: 3.6, decimals: 3 },
    ],
    plausible: [0, 1000],
    hint: '0.4 W/(l/s)',
  },
  conductance: {
    label: 'heat loss',
    units: [
      { symbol: 'W/K', names: ['w/k'], scale: 1, decimals: 1 },
      { symbol: 'BTU/(h·F°)', names: ['btu/(h·f°)', 'btu/hf', 'btu/(h f)'], scale: 0.2930710702 * 1.8, decimals: 1 },
    ],
    plausible: [0, 1000000],
    hint: '300 W/K',
  },
  heatCapacity: {
    label: 'heat capacity',
    units: [
      { symbol: 'kJ/K', names: ['kj/k'], scale: 1, decimals: 0 },
      { symbol: 'MJ/K', names: ['mj/k'], scale: 1000, decimals: 2 },
      { symbol: 'BTU/F°', names: ['btu/f°', 'btu/f'], scale: 1.05505585262 * 1.8, decimals: 0 },
    ],
    plausible: [0, 10000000],
    hint: '3000 kJ/K or 3 MJ/K',
  },
  energy: {
    label: 'energy',
    units: [{ symbol: 'kWh', names: ['kwh'], scale: 1, decimals: 1 }],
    plausible: [0, 100000000],
    hint: '120 kWh',
  },
  moistureRate: {
    label: 'moisture given off',
    units: [
      { symbol: 'g/h', names: ['g/h'], scale: 1, decimals: 0 },
      { symbol: 'lb/h', names: ['lb/h', 'lbs/h'], scale: 453.59237, decimals: 2 },
    ],
    plausible: [0, 10000000],
    hint: '450 g/h',
  },
  contact: {
    label: 'contact',
    units: [{ symbol: 'on/off', names: ['on/off', '0/1', 'open/closed'], scale: 1, decimals: 0 }],
    plausible: [0, 1],
    hint: 'on or off',
  },
  angle: {
    label: 'angle',
    units: [{ symbol: '°', names: ['°', 'deg', 'degrees'], scale: 1, decimals: 1 }],
    plausible: [0, 360],
    hint: '90',
  },
} as const satisfies Record<string, QuantitySpec>

export type Quantity = keyof typeof QUANTITIES

export const quantitySpec = (quantity: Quantity): QuantitySpec => QUANTITIES[quantity]

const quantities = Object.keys(QUANTITIES) as Quantity[]

/** The first kind whose unit inside the core is written so. */
export const quantityOf = (symbol: string): Quantity | undefined =>
  quantities.find((name) => QUANTITIES[name].units[0].symbol === symbol)

export const toBase = (unit: Unit, x: number): number => x * unit.scale + (unit.offset ?? 0)

export const fromBase = (unit: Unit, base: number): number => (base - (unit.offset ?? 0)) / unit.scale

/** The quantity of a difference between two values: of temperatures one of its own, so that nobody adds 32; of all others the same. */
export const differenceOf = (quantity: Quantity): Quantity =>
  quantity === 'temperature' ? 'temperatureDifference' : quantity
