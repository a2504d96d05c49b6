import { defineCalculation, choice, number, out } from '@/core/calculation/calculation'

/** Kinematic viscosity of air (m²/s) by Sutherland’s law at 1.2 kg/m³ and 20 °C scaled with temperature. Source: handbook, from memory. */
const viscosityM2S = (tempC: number): number => 1.516e-5 * ((tempC + 273.15) / 293.15) ** 1.75

/** Darcy friction factor: laminar 64/Re below 2300, above it by Colebrook and White, solved to the last digit by repeating.
 *  @param relativeRoughness roughness over hydraulic diameter */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  if (reynolds < 2300) return 64 / reynolds
  let root = 7
  for (let step = 0; step < 60; step++) root = -2 * Math.log10(relativeRoughness / 3.7 + (2.51 * root) / reynolds)
  return 1 / root ** 2
}

export const ductFriction = defineCalculation({
  id: 'duct-friction',
  name: 'Loss of a duct with its fittings, from its size',
  group: 'flow',
  words: 'pressure darcy colebrook friction bend resistance round rectangular roughness flexible',
  inputs: {
    shape: choice('shape', 'round', [
      ['round', 'round'],
      ['rectangular', 'rectangular'],
    ]),
    D: number('inside diameter (round)', 'length', 0.16, [0.02, 5]),
    w: number('inside width (rectangular)', 'length', 0.3, [0.02, 10]),
    h: number('inside height (rectangular)', 'length', 0.2, [0.02, 10]),
    L: number('length', 'length', 10, [0, 1000]),
    e: number('roughness (mm): spiral 0.09, plastic 0.01, flexible 1 to 3', 'count', 0.09, [0, 10]),
    z: number('sum of the loss coefficients of its fittings', 'count', 1.5, [0, 200]),
    q: number('flow', 'flow', 70, [0.01, 100000]),
    t: number('air temperature', 'temperature', 20, [-40, 200]),
  },
  outputs: {
    v: out('velocity', 'airSpeed'),
    each: out('friction of each metre', 'pressure', 2),
    friction: out('friction', 'pressure', 1),
    fittings: out('fittings', 'pressure', 1),
    total: out('loss', 'pressure', 1),
    Re: out('Reynolds number', 'count', 0),
    f: out('friction factor', 'count', 4),
  },
  formula:
    'Δp = (f · {L} / Dh + {z}) · ρ({t}) · v² / 2; v = {q} / A; 1/√f = −2 log₁₀({e} / 3.7 Dh + 2.51 / Re √f); {shape}: Dh = {D}, or 2 · {w} · {h} / ({w} + {h})',
  source: 'Darcy and Weisbach with Colebrook and White (1939); roughness by handbook, from memory',
  caution: 'Half-crushed or loosely pulled flexible duct loses several times as much.',
  run({ shape, D, w, h, L, e, z, q, t }) {
    const [area, dh] = shape === 'round' ? [(Math.PI * D ** 2) / 4, D] : [w * h, (2 * w * h) / (w + h)]
    const v = q / 1000 / area
    const dynamic = (1.2 * (293.15 / (t + 273.15)) * v ** 2) / 2
    const Re = (v * dh) / viscosityM2S(t)
    const f = frictionFactor(Re, e / 1000 / dh)
    const each = (f / dh) * dynamic
    return { v, each, friction: each * L, fittings: z * dynamic, total: each * L + z * dynamic, Re, f }
  },
  verdict: (_given, { Re, v }) =>
    Re >= 2300 && Re < 4000
      ? 'Between laminar and turbulent: the figure may be half or double.'
      : v > 6
        ? 'Fast for a duct beside rooms: it will be heard.'
        : 'Clean, tight duct; a real one loses some more.',
})
