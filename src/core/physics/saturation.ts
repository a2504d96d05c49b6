import { whereRising } from '@/core/physics/moistAir'

type Curve = { readonly n: readonly number[]; readonly t: readonly number[] }
type Fluid = {
  readonly criticalK: number
  readonly criticalKpa: number
  /** Boiling begins here; the only curve of a single substance. */
  readonly bubble: Curve
  /** The last liquid boils here; null for a single substance. */
  readonly dew: Curve | null
}

// ln(p/pc) = (Tc/T) Σ n (1 − T/Tc)^t. Coefficients from memory, corroborated in reference-values `refr.*`.
const FLUIDS = {
  // Tillner-Roth & Baehr, J. Phys. Chem. Ref. Data 23 (1994) 657 (from memory)
  'R-134a': {
    criticalK: 374.18,
    criticalKpa: 4056.29,
    bubble: { n: [-7.686556, 2.311791, -2.039554, -3.583758], t: [1, 1.5, 2, 4] },
    dew: null,
  },
  // ancillary fitted to Tillner-Roth & Yokozeki, J. Phys. Chem. Ref. Data 26 (1997) 1273 (from memory)
  'R-32': {
    criticalK: 351.255,
    criticalKpa: 5782.0,
    bubble: { n: [-7.4883, 1.9697, -1.7496, -4.0224, 1.5209], t: [1, 1.5, 2.2, 4.8, 6.2] },
    dew: null,
  },
  // Lemmon, McLinden & Wagner, J. Chem. Eng. Data 54 (2009) 3141 (from memory)
  'R-290': {
    criticalK: 369.89,
    criticalKpa: 4251.2,
    bubble: { n: [-6.7722, 1.6938, -1.3341, -3.1876, 0.94937], t: [1, 1.5, 2.2, 4.8, 6.2] },
    dew: null,
  },
  // Buecker & Wagner, J. Phys. Chem. Ref. Data 35 (2006) 929 (from memory)
  'R-600a': {
    criticalK: 407.81,
    criticalKpa: 3629.0,
    bubble: { n: [-6.85093103, 1.36543198, -1.32542691, -2.56190994], t: [1, 1.5, 2.5, 4.5] },
    dew: null,
  },
  // ancillary fitted to Kamei, Beyerlein & Jacobsen, Int. J. Thermophys. 16 (1995) 1155 (from memory)
  'R-22': {
    criticalK: 369.295,
    criticalKpa: 4990.0,
    bubble: { n: [-7.078, 1.7211, -1.6379, -3.7952, 0.86937], t: [1, 1.5, 2.2, 4.8, 6.2] },
    dew: null,
  },
  // Span & Wagner, J. Phys. Chem. Ref. Data 25 (1996) 1509, eq. 3.13 (from memory)
  'R-744': {
    criticalK: 304.1282,
    criticalKpa: 7377.3,
    bubble: { n: [-7.0602087, 1.9391218, -1.6463597, -3.2995634], t: [1, 1.5, 2, 4] },
    dew: null,
  },
  // Lemmon, Int. J. Thermophys. 24 (2003) 991 (from memory)
  'R-410A': {
    criticalK: 344.494,
    criticalKpa: 4901.2,
    bubble: { n: [-7.2818, 2.5093, -3.2695, -2.8022], t: [1, 1.8, 2.4, 4.9] },
    dew: { n: [-7.4411, 1.9883, -2.4925, -3.2633], t: [1, 1.6, 2.4, 5.0] },
  },
  // Lemmon 2003 (from memory)
  'R-404A': {
    criticalK: 345.27,
    criticalKpa: 3734.8,
    bubble: { n: [0.061067, -6.5646, -3.6162, -3.9771], t: [0.54, 0.965, 3.7, 9.0] },
    dew: { n: [-0.00026863, -6.5757, -4.1802, -7.9102], t: [0.1, 0.972, 3.8, 9.0] },
  },
  // Lemmon 2003 (from memory)
  'R-407C': {
    criticalK: 359.345,
    criticalKpa: 4631.7,
    bubble: { n: [0.48722, -6.6959, -1.4165, -2.5109], t: [0.54, 0.925, 2.7, 4.7] },
    dew: { n: [-0.086077, -6.6364, -2.4648, -3.4776], t: [0.4, 0.965, 3.1, 5.0] },
  },
} as const satisfies Record<string, Fluid>

export type Refrigerant = keyof typeof FLUIDS
export const REFRIGERANTS = Object.keys(FLUIDS) as Refrigerant[]
/** Bubble for condensing and a probe in the liquid line, dew for superheat; one and the same for a single substance. */
export type Side = 'bubble' | 'dew'

const KELVIN = 273.15
const COLDEST_C = -60

export const criticalC = (fluid: Refrigerant): number => FLUIDS[fluid].criticalK - KELVIN

/** Saturation pressure (kPa absolute) at a temperature (°C); NaN at and above the critical point, where there is none. */
export function saturationKpa(fluid: Refrigerant, side: Side, tempC: number): number {
  const { criticalK, criticalKpa, bubble, dew }: Fluid = FLUIDS[fluid]
  const t = tempC + KELVIN
  if (t >= criticalK) return NaN
  const { n, t: powers } = side === 'dew' && dew ? dew : bubble
  const theta = 1 - t / criticalK
  const sum = n.reduce((total, factor, index) => total + factor * theta ** powers[index]!, 0)
  return criticalKpa * Math.exp((criticalK / t) * sum)
}

/** Saturation temperature (°C) at an absolute pressure (kPa); NaN outside −60 °C to the critical point. */
export function saturationC(fluid: Refrigerant, side: Side, kpa: number): number {
  const warmestC = criticalC(fluid) - 1e-6
  const at = (tempC: number) => saturationKpa(fluid, side, tempC)
  if (!(kpa >= at(COLDEST_C) && kpa <= at(warmestC))) return NaN
  return whereRising(at, kpa, COLDEST_C, warmestC)
}
