import { newInstallation } from '@/core/installation/newInstallation'
import { saturationKpa } from '@/core/physics/saturation'
import { CUSTOMARY, METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import { refrigerant } from '@/core/sentences/refrigerant'
import { partsText } from '@/core/sentences/words'
import { exampleResponse } from '@/testing/examples'

const AIR_KPA = 101.325
/** Gauge pressure, Pa, at which R134a is saturated at `tempC`. */
const gaugePa = (tempC: number) => (saturationKpa('R-134a', 'dew', tempC) - AIR_KPA) * 1000

const response: Response = exampleResponse({
  inputs: [{ id: 'head', kind: 'pressure', name: 'head pressure', from: 0, to: 4e6, refrigerant: 'R-134a' }],
  rules: [
    {
      ...{ id: 'r', kind: 'ramp', input: 'head', fromPct: 30, toPct: 100, below: 'nothing' },
      ...{ startAt: gaugePa(30), fullAt: gaugePa(45) },
    },
  ],
})
const PLACE = 'inputs.head.refrigerant'
const sentence = (preference: UnitPreference) =>
  partsText(refrigerant.sentence('R-134a', { response, preference, fanName: (id) => id }, PLACE), preference)

test('the points of its rules are said as saturation, each in the unit in which the reader has gauges', () => {
  // R-134a at 30 and 45 °C: 770.2 and 1160.0 kPa absolute (IIR tables, from memory; within 0.5 %).
  expect(gaugePa(30) / 1000 + AIR_KPA).toBeCloseTo(770, -1)
  expect(sentence(METRIC)).toMatch(
    /^head pressure is the gauge pressure of R-134a: \d{3}\.\d kPa is 30\.0 °C saturated, \d{4}\.\d kPa is 45\.0 °C saturated\.$/,
  )
  expect(sentence(CUSTOMARY)).toMatch(
    /: \d{2,3}\.\d psi is 86\.0 °F saturated, \d{3}\.\d psi is 113\.0 °F saturated\.$/,
  )
})

test('it stands where an input has one, and is offered where a pressure has none', () => {
  expect(refrigerant.places(response)).toEqual([PLACE])
  const installation = newInstallation('Condenser', 'head-pressure')
  const bare = {
    ...installation,
    response: { ...response, inputs: [{ ...response.inputs[0]!, refrigerant: undefined }] as Response['inputs'] },
  }
  expect(refrigerant.places(bare.response)).toEqual([])
  const [offer, ...others] = refrigerant.offers(bare)
  expect(others).toEqual([])
  expect(offer?.sentence).toBe('Say which refrigerant head pressure is of')
  expect(refrigerant.offers({ ...installation, response })).toEqual([])
})
