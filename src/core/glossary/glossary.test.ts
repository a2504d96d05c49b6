import { findCalculations } from '@/core/calculation/registry'
import { alsoCalled, GLOSSARY, termsFor, whyNotHere } from '@/core/glossary/glossary'
import { findOffers } from '@/core/sentences/findOffers'
import { offers } from '@/core/sentences/table'
import { demoInstallation } from '@/testing/examples'

const offered = offers({ ...demoInstallation('archive-flat') })
const first = (typed: string) => findOffers(offered, typed)[0]?.offer.sentence ?? null

test.each([
  ['proportional', /climbs, run faster/],
  ['setpoint', /climbs|reaches a point/],
  ['set point', /climbs|reaches a point/],
  ['run-on', /switch is on/],
  ['final run-on', /./],
  ['night purge', /By night/],
  ['free cooling', /By night/],
  ['cyclic', /some minutes in every hour/],
  ['interval', /some minutes in every hour/],
  ['dead band', /reaches a point|falls to a point/],
  ['humidistat', /reaches a point|falls to a point/],
  ['thermostat', /reaches a point|falls to a point/],
  ['night setback', /By the clock|night|day/],
  ['skip frequency', /./],
  ['rapid rise', /rises quickly/],
])('“%s” finds its rule', (typed, sentence) => expect(first(typed)).toMatch(sentence))

test('what names no rule is explained, and what is not to be had is answered', () => {
  expect(first('trickle')).toBeNull()
  expect(termsFor('trickle').map(({ term }) => term)).toEqual(['floor'])
  expect(first('PID')).toBeNull()
  expect(whyNotHere('PID')).toMatch(/No PID/)
  expect(whyNotHere('ramp')).toBeNull()
})

test('a calculation is found by its own words, and by those of the trade', () => {
  expect(findCalculations('hysteresis').map(({ id }) => id)).toContain('differential-points')
  expect(findCalculations('no such word')).toEqual([])
})

test('every word stands once for a term, and every kind of rule has one', () => {
  for (const { term, also } of GLOSSARY) expect(new Set([term, ...also]).size).toBe(also.length + 1)
  for (const kind of ['ramp', 'switch', 'differential', 'rapid-rise', 'week', 'cycle', 'hold-after-fall', 'purge'])
    expect(alsoCalled(kind).length).toBeGreaterThan(1)
})
