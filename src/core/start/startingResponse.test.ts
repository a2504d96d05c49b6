import { flowLsAt } from '@/core/calibration/flowMap'
import { DUTIES } from '@/core/brief/duty'
import { derive } from '@/core/derive/derive'
import { checkInstallation } from '@/core/installation/checkInstallation'
import { newInstallation } from '@/core/installation/newInstallation'
import { valueAt } from '@/core/json/path'
import { compile } from '@/core/machine/compile'
import { adopt } from '@/core/start/adopt'
import { startingResponse } from '@/core/start/startingResponse'
import { DEMO_NAMES, demoInstallation } from '@/testing/examples'

test.each(DUTIES)('%s: a new one starts with a response that can be carried out', (duty) => {
  const fresh = newInstallation('New', duty)
  const { response, origins } = startingResponse(fresh)
  expect(checkInstallation({ ...fresh, response })).toEqual([])
  expect(origins.map(({ place }) => place)).toContain('floor.speedPct')
})

test.each(DEMO_NAMES)(
  '%s: the floor is the highest of its reasons, and every figure with an origin is there',
  (name) => {
    const installation = demoInstallation(name)
    const { response, origins } = startingResponse(installation)
    expect(checkInstallation({ ...installation, response })).toEqual([])
    const [highest] = derive(installation).lead?.reasons ?? []
    if (highest) expect(response.floor.speedPct).toBe(Math.ceil(highest.speedPct))
    for (const { place, wording } of origins) {
      expect(valueAt(response, place)).toEqual(expect.any(Number))
      expect(wording).toMatch(/\.$/)
    }
  },
)

test('the boost is the speed at which the map gives the flow wanted at the most', () => {
  const rooms = demoInstallation('changing-rooms')
  const { response, origins } = startingResponse(rooms)
  const lead = derive(rooms).lead!
  const boost = response.rules.find(({ kind }) => kind === 'switch')!
  if (lead.flow?.kind !== 'map' || boost.kind !== 'switch') throw new Error('the demo has a map and a boost')
  const wording = origins.find(({ place }) => place === `rules.${boost.id}.speedPct`)!.wording
  const wantedLs = Number(/(\d+) l\/s/.exec(wording)![1])
  expect(flowLsAt(lead.flow.map, boost.speedPct)).toBeGreaterThanOrEqual(wantedLs - 0.5)
})

test('a full point is moved under the limit', () => {
  const cupboard = demoInstallation('inverter-cupboard')
  const target = cupboard.brief.targets[0]!
  const tight = { ...cupboard, brief: { ...cupboard.brief, targets: [{ ...target, limitAbove: target.bandTo + 1 }] } }
  const ramp = startingResponse(tight).response.rules.find(({ kind }) => kind === 'ramp')
  expect(ramp?.kind === 'ramp' && ramp.fullAt).toBeLessThan(target.bandTo + 1)
})

const PAIRS = DEMO_NAMES.flatMap((from) => DEMO_NAMES.filter((to) => to !== from).map((to) => [from, to] as const))
test.each(PAIRS)('the response of %s can be taken over by %s', (from, to) => {
  const [giver, taker] = [demoInstallation(from), demoInstallation(to)]
  const response = adopt(
    taker.response,
    giver.response,
    taker.kit.fans.map(({ id }) => id),
  )
  expect(compile(response)).toMatchObject({ ok: true })
  expect(checkInstallation({ ...taker, response })).toEqual([])
})

test('what belongs to the other fan does not come along: reasons of its floor, its skip bands', () => {
  const [giver, taker] = [demoInstallation('fruiting-room'), demoInstallation('inverter-cupboard')]
  const bands = { ...giver.response, skipBands: [{ fromPct: 40, toPct: 50 }] }
  const response = adopt(taker.response, bands, ['fan'])
  expect(response.floor).toEqual({ ...giver.response.floor, reasons: [] })
  expect(response.skipBands).toEqual(taker.response.skipBands)
})
