import { readSpace } from '@/core/installation/read'
import { checkSpace, checkSpaceHere } from '@/core/space/checkSpace'
import { spaceOf, startingSpace } from '@/core/space/starting'
import type { Space } from '@/core/space/schema'
import { problemLine } from '@/core/words/problems'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'

const installation = demoInstallation('fruiting-room')
const space = startingSpace(installation)
const serving = (changes: object): Space => ({ ...space, serves: { ...space.serves, ...changes } })

test('a space begun from a brief is sound, whatever the duty', () => {
  for (const name of DEMO_NAMES) {
    const demo = demoInstallation(name)
    const { space: _own, ...without } = demo
    const begun = spaceOf(without)
    expect(readSpace(begun)).toMatchObject({ ok: true })
    expect(checkSpaceHere(begun, demo)).toEqual([])
  }
})

test.each([
  {
    wrong: 'fans that differ and nothing that leaks',
    of: serving({ leakLsAt50: 0 }),
    says: /serves\.leakLsAt50: .*l\/s out and .* l\/s in, and nothing leaks/,
  },
  {
    wrong: 'air that is changed at once',
    of: serving({ volumeM3: 0.2, airFactor: 1 }),
    says: /serves\.volumeM3: At full air this answers in/,
  },
  {
    wrong: 'a fan that is not there',
    of: { ...space, fans: [{ ...space.fans[0]!, fan: 'roof' }] },
    says: /fans\.0\.fan: There is no fan “roof”; known: exhaust, make-up/,
  },
  {
    wrong: 'an input that is not there',
    of: { ...space, probes: [{ ...space.probes[0]!, input: 'cellar' }] },
    says: /probes\.0\.input: There is no input “cellar”/,
  },
])('$wrong is refused with its place', ({ of, says }) => {
  expect(checkSpaceHere(of, installation).map(problemLine).join('\n')).toMatch(says)
})

test.each([
  { wrong: 'a negative capacity', of: serving({ fabricKjK: -5 }), says: /serves.*fabricKjK/ },
  {
    wrong: 'a probe said twice',
    of: { ...space, probes: [space.probes[0]!, space.probes[0]!] },
    says: /probes\.1\.input/,
  },
])('$wrong is no document', ({ of, says }) => {
  const outcome = readSpace(of)
  expect(outcome.ok ? '' : outcome.problems.map(problemLine).join('\n')).toMatch(says)
})

test('a sink without any weight is quicker than the steps', () => {
  const cupboard = startingSpace(demoInstallation('inverter-cupboard'))
  const quick = { ...cupboard, serves: { ...cupboard.serves, sinkKjK: 0.01 } } as Space
  expect(checkSpace(quick).map(problemLine).join()).toMatch(/serves\.sinkKjK: At full air this answers in 0\.\d+ s/)
})

test('a valve that needs more than the compressor stands is refused', () => {
  const condenser = startingSpace(demoInstallation('creamery-condenser'))
  const wrong = { ...condenser, serves: { ...condenser.serves, leastC: 60 } } as Space
  expect(checkSpace(wrong).map(problemLine).join()).toMatch(/serves\.leastC/)
})

test('a space follows the fans and inputs that are there: what is gone is left, what is new begins as usual', () => {
  const own: Space = { ...space, fans: [{ fan: 'exhaust', way: 'out', fullLs: 7, runUpS: 1 }], probes: [] }
  const here = spaceOf({ ...installation, space: own })
  expect(here.fans.map(({ fan }) => fan)).toEqual(['exhaust', 'make-up'])
  expect(here.fans[0]!.fullLs).toBe(7)
  expect(here.probes.map(({ input }) => input)).toEqual(['roomTemp', 'humidity'])
})
