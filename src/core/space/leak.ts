/** Discharge of a sharp opening, and what turns m²·√Pa into L/s at 1.2 kg/m³. Source: q = Cd A √(2 Δp/ρ), Cd 0.6 from memory. */
const OPEN_LS_PER_M2 = 0.6 * Math.sqrt(2 / 1.2) * 1000

/** A flow that is none: its logarithm would not be a number of any use. */
const LEAST_LS = 1e-9

type Ways = {
  /** L/s at 1 Pa through the leaks, and their exponent. */
  readonly leakC: number
  readonly exponent: number
  /** Openings beside the leaks, m². */
  readonly openM2: number
}

/** Pressure (Pa) at which leaks and openings together pass a flow (L/s): leakC·Δpⁿ + open·√Δp. By Newton's steps on logarithms, where the sum is
 *  nearly straight. Infinity where there is nothing for it to pass through. */
export function leakPressurePa(flowLs: number, { leakC, exponent, openM2 }: Ways): number {
  if (!(flowLs > LEAST_LS)) return 0
  const open = OPEN_LS_PER_M2 * openM2
  if (open === 0) return leakC > 0 ? (flowLs / leakC) ** (1 / exponent) : Infinity
  if (leakC === 0) return (flowLs / open) ** 2
  let at = Math.min(Math.log(flowLs / leakC) / exponent, 2 * Math.log(flowLs / open))
  for (let step = 0; step < 3; step++) {
    const [byLeak, byOpen] = [leakC * Math.exp(exponent * at), open * Math.exp(at / 2)]
    const total = byLeak + byOpen
    at -= (Math.log(total / flowLs) * total) / (exponent * byLeak + byOpen / 2)
  }
  return Math.exp(at)
}
