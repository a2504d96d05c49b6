import { defineCalculation, number, out } from '@/core/calculation/calculation'
import { HEAT_OF_AIR_J_PER_LK } from '@/core/physics/heatFlow'

/** Air and fabric of a room after a time of cooling by outside air (°C): two nodes, solved by eigenvalues.
 *  Ca dTa/dt = P + G(To − Ta) + H(Tm − Ta); Cm dTm/dt = H(Ta − Tm). Source: energy balance; `air.heatRemovalTwoNode`. */
function twoNodes(room: {
  readonly heatW: number
  readonly flowLs: number
  readonly outC: number
  readonly startC: number
  readonly airJK: number
  readonly massJK: number
  readonly surfaceWK: number
  readonly timeS: number
}): { readonly airC: number; readonly massC: number } {
  const { heatW, flowLs, outC, startC, airJK, massJK, surfaceWK, timeS } = room
  const g = HEAT_OF_AIR_J_PER_LK * flowLs
  const [a, b, c, d] = [-(g + surfaceWK) / airJK, surfaceWK / airJK, surfaceWK / massJK, -surfaceWK / massJK]
  const endC = outC + heatW / g
  const half = (a + d) / 2
  const root = Math.sqrt(((a - d) / 2) ** 2 + b * c)
  const [fast, slow] = [half - root, half + root]
  // Both start at startC; each mode is (b, λ − a) in air and mass.
  const start = startC - endC
  const slowShare = (start * (b - (fast - a))) / (b * (slow - fast))
  const fastShare = (start - slowShare * b) / b
  const [ef, es] = [Math.exp(fast * timeS), Math.exp(slow * timeS)]
  return {
    airC: endC + fastShare * b * ef + slowShare * b * es,
    massC: endC + fastShare * (fast - a) * ef + slowShare * (slow - a) * es,
  }
}

export const purgeHeat = defineCalculation({
  id: 'purge-heat',
  name: 'Cooling a room and its fabric with outside air',
  group: 'flow',
  words: 'purge night evening mass two nodes walls',
  inputs: {
    P: number('heat given off', 'power', 600),
    q: number('flow', 'flow', 100, [0.1, 100000]),
    to: number('outside temperature', 'temperature', 15, [-40, 50]),
    ti: number('room at the beginning', 'temperature', 30, [-20, 80]),
    V: number('volume of the room', 'volume', 50, [0.1, 1000000]),
    Cm: number('heat held by the fabric', 'heatCapacity', 3000, [1, 10000000]),
    H: number('exchange between air and fabric', 'conductance', 200, [0.1, 1000000]),
    t: number('time', 'time', 3600),
  },
  outputs: { air: out('air', 'temperature'), mass: out('fabric', 'temperature') },
  formula:
    'Ca·dTa/dt = {P} + 1.2072·{q}·({to} − Ta) + {H}·(Tm − Ta); {Cm}·dTm/dt = {H}·(Ta − Tm); Ca = 1207.2·{V}; both {ti} at first, after {t}',
  source:
    'Energy balance of two nodes. The air is done in minutes, the building is not; useless when outdoors is warmer',
  run({ P, q, to, ti, V, Cm, H, t }) {
    const { airC, massC } = twoNodes({
      heatW: P,
      flowLs: q,
      outC: to,
      startC: ti,
      airJK: HEAT_OF_AIR_J_PER_LK * V * 1000,
      massJK: Cm * 1000,
      surfaceWK: H,
      timeS: t,
    })
    return { air: airC, mass: massC }
  },
})
