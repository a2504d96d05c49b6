import { judgeInstallation } from '@/core/advise/judge'
import { judgementText, says } from '@/core/advise/words'
import { derive } from '@/core/derive/derive'
import { CUSTOMARY, type UnitPreference } from '@/core/quantity/format'
import { DANGEROUS } from '@/testing/corpus/dangerous'

const IMPERIAL: UnitPreference = { temperature: 'F', flow: 'cfm' }

const judged = DANGEROUS.flatMap(({ document }) => judgeInstallation(document, derive(document), 2))

/** Said in °C whoever reads it: that is what it is about. */
const IN_ITS_UNIT = /^wrong-unit/

test('the corpus says most of what can be said', () =>
  expect(new Set(judged.map((judgement) => judgement.says.code)).size).toBeGreaterThanOrEqual(35))

test('every judgement is said in the reader’s units', () => {
  const metric = judged.filter(
    (judgement) => !IN_ITS_UNIT.test(judgement.says.code) && /°C|\bK\b|l\/s/.test(judgementText(judgement).detail),
  )
  expect(metric.length).toBeGreaterThan(20)
  for (const judgement of metric) {
    const { title, detail, cure = '' } = judgementText(judgement, IMPERIAL)
    // A why of a brief is as its author wrote it.
    expect(`${title} ${detail.replace(/: [a-z][^:]*$/, '')} ${cure}`).not.toMatch(/°C|\d K\b|l\/s/)
  }
})

test('whatever has a cure says what a press on it does', () => {
  for (const judgement of judged) if (judgement.cure) expect(judgementText(judgement).cure).toMatch(/\w/)
})

const CUSTOMARY_READER: UnitPreference = { ...CUSTOMARY, dates: { order: 'month', clock: '12', weekFrom: 'sun' } }

/** Those that hang on a day or an hour, and those that no installation of the corpus brings about. */
test.each([
  {
    of: says('season-wrong', { now: 'winter', should: 'summer', from: '04-15' }),
    metric: 'It stands in the winter; it is the summer since 15 Apr.',
    customary: 'It stands in the winter; it is the summer since Apr 15.',
  },
  {
    of: says('season-soon', { next: 'winter', from: '10-01', inDays: 1 }),
    metric: 'The winter begins in 1 day, on 1 Oct.',
    customary: 'The winter begins in 1 day, on Oct 1.',
  },
  {
    of: says('purge-by-clock', {
      period: { days: [0, 1, 2, 3, 4], startMin: 1320, endMin: 1440 },
      speedPct: 80,
      readsOutside: true,
    }),
    metric: 'Mon to Fri 22:00 to 24:00 it runs at 80 %: on a hot night it brings heat in',
    customary: 'Mon to Fri 10:00 PM to 12:00 AM it runs at 80 %: on a hot night it brings heat in',
  },
  {
    of: says('purge-wetter', { rule: 'drying', outsideGKg: 12.5, insideGKg: 8 }),
    metric: 'The air coming in holds 12.50 g/kg of water, the room as wanted 8.00 g/kg.',
    // 7 grains a pound are a gram a kilogram.
    customary: 'The air coming in holds 87.5 gr/lb of water, the room as wanted 56.0 gr/lb.',
  },
  {
    of: says('purge-warmer', { name: 'bypass', roomC: 25, outdoorC: 30, opensAtC: 24 }),
    metric: 'At 25.0 °C inside and 30.0 °C outside it is open',
    customary: 'At 77.0 °F inside and 86.0 °F outside it is open',
  },
  {
    of: says('bypass-never-acts', { name: 'bypass', input: 'room', kind: 'temperature', opensAt: 25, blockedAt: 22 }),
    metric: 'It opens at 25.0 °C and is blocked at 22.0 °C of the same room',
    customary: 'It opens at 77.0 °F and is blocked at 71.6 °F of the same room',
  },
  {
    of: says('current-over-rating', { output: 'Output 1', totalA: 6.2, carriesA: 4, ratedA: 5, deratedToPct: 80 }),
    metric: 'Output 1 would carry 6.20 A and is good for 4.00 A. Rated 5.00 A, of which its surroundings leave 80 %.',
    customary:
      'Output 1 would carry 6.20 A and is good for 4.00 A. Rated 5.00 A, of which its surroundings leave 80 %.',
  },
  {
    of: says('starts-too-often-band', { rule: 'thermostat', starts: 14, most: 6, bandK: 1 }),
    metric: 'The band is 1.0 K, and the space is small for this flow.',
    customary: 'The band is 1.8 F°, and the space is small for this flow.',
  },
  {
    of: says('without-air', { gapS: Infinity, mostS: 3600 }),
    metric: 'For ever; here no more than 60 min.',
    customary: 'For ever; here no more than 60 min.',
  },
  {
    of: says('least-air', { meanPct: 0, flow: { meanLs: 0, leastLs: 20, why: 'Each calf breathes' } }),
    metric:
      'The house gets no air in the cold. Over an hour it is 0 l/s; these animals need 20 l/s: each calf breathes.',
    customary: 'Over an hour it is 0 cfm; these animals need 42 cfm: each calf breathes.',
  },
  {
    of: says('wrong-unit-point', { of: { kind: 'rule', name: 'ramp' }, at: 68, input: 'the room', meant: 20 }),
    metric: 'The ramp may be in the wrong unit. 68.0 °C is hotter than the room is here; as °F it would be 20.0 °C.',
    customary: '68.0 °C is hotter than the room is here; as °F it would be 20.0 °C.',
  },
])('$of.code', ({ of, metric, customary }) => {
  const said = (preference?: UnitPreference) => {
    const { title, detail } = judgementText({ says: of }, preference)
    return `${title} ${detail}`
  }
  expect(said()).toContain(metric)
  expect(said(CUSTOMARY_READER)).toContain(customary)
})

describe('moments in words', () => {
  const wording = (facts: Parameters<typeof says<'not-full-when-hot'>>[1]['with']) =>
    judgementText({ says: says('not-full-when-hot', { share: 0.5, with: facts }) }).detail
  test.each([
    [[], 'At its hottest it gives 50 % of its full air. Heat comes first here.'],
    [[{ kind: 'switch' as const, name: 'door', isOn: true }], / with door on\./],
    [[{ kind: 'lost' as const, name: 'coil' }], / with coil lost\./],
    [[{ kind: 'clock' as const, minute: 2 * 1440 + 75 }], / with at Wed 01:15\./],
    [
      [
        { kind: 'reading' as const, name: 'outside', x: -5, quantity: 'temperature' as const },
        { kind: 'switch' as const, name: 'door', isOn: false },
        { kind: 'lost' as const, name: 'coil' },
      ],
      / with outside at −5\.0 °C, door off and coil lost\./,
    ],
  ])('%j', (facts, words) => expect(wording(facts)).toMatch(words))
})
