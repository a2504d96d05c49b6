import { judgeInstallation } from '@/core/advise/judge'
import { derive } from '@/core/derive'
import type { Installation } from '@/core/document/installation'
import { demoInstallation, demoModel } from '@/testing/examples'

const judge = (change: (draft: Installation) => void, name = 'fruiting-room') => {
  const draft = demoInstallation(name)
  change(draft)
  return { draft, judgements: judgeInstallation(draft, derive(draft)) }
}
const ids = (change: (draft: Installation) => void) => judge(change).judgements.map(({ id }) => id)

test('the fruiting room as it is has nothing to say', () => expect(ids(() => undefined)).toEqual([]))

/** A follower that starts at 13 %, at half the lead's 25 %, with this floor of its own. */
const slowFollower = (floorPct: number) => (d: Installation) => {
  d.calibration.fans[1]!.startsPct = [13]
  Object.assign(d.response.followers[0]!, { floorPct, ratio: 0.5 })
}

describe.each([
  {
    id: 'floor-below-reason',
    triggers: (d: Installation) => void (d.response.floor.speedPct = 21),
    short: (d: Installation) => void (d.response.floor.speedPct = 22),
  },
  {
    id: 'probe-over-limit-room-probe',
    triggers: (d: Installation) => void (d.kit.probes[0]!.survivesToC = 20),
    short: (d: Installation) => void (d.kit.probes[0]!.survivesToC = 20.1),
  },
  {
    id: 'full-above-limit-temp',
    triggers: (d: Installation) => void Object.assign(d.response.rules[0]!, { fullAt: 20.5 }),
    short: (d: Installation) => void Object.assign(d.response.rules[0]!, { fullAt: 20 }),
  },
  {
    id: 'ask-above-ceiling-boost',
    triggers: (d: Installation) => void Object.assign(d.response.rules[2]!, { speedPct: 95 }),
    short: (d: Installation) => void Object.assign(d.response.rules[2]!, { speedPct: 90 }),
  },
  {
    id: 'cannot-drive-other-signal-exhaust',
    triggers: (d: Installation) => void (d.kit.fans[0]!.signal = { kind: 'pwm', inverted: false }),
    short: (d: Installation) => void (d.kit.fans[0]!.signal = { kind: 'volts', convention: 'two-to-ten' }),
  },
  {
    id: 'cannot-drive-motor-exhaust',
    triggers: (d: Installation) => {
      d.kit.controller = demoModel('slide-lever-box')
      Object.assign(d.kit.fans[0]!, { signal: { kind: 'phase-cut', supplyV: 230 }, motor: 'three-phase' })
    },
    short: (d: Installation) => {
      d.kit.controller = demoModel('slide-lever-box')
      Object.assign(d.kit.fans[0]!, { signal: { kind: 'phase-cut', supplyV: 230 }, motor: 'capacitor' })
    },
  },
  {
    id: 'current-over-rating-fan',
    triggers: (d: Installation) => {
      d.kit.controller = demoModel('slide-lever-box')
      d.kit.deratedToPct = 70
      for (const fan of d.kit.fans) Object.assign(fan, { output: 'fan', ratedCurrentA: 1.06 })
    },
    short: (d: Installation) => {
      d.kit.controller = demoModel('slide-lever-box')
      d.kit.deratedToPct = 70
      for (const fan of d.kit.fans) Object.assign(fan, { output: 'fan', ratedCurrentA: 1.05 })
    },
  },
  {
    id: 'kick-shorter-than-shutters',
    triggers: (d: Installation) => void (d.calibration.fans[0]!.shutters = { opensInS: [3.5, 4.1], openFromPct: null }),
    short: (d: Installation) => void (d.calibration.fans[0]!.shutters = { opensInS: [3.5, 4], openFromPct: null }),
  },
  {
    id: 'mounting-series',
    triggers: (d: Installation) => void (d.kit.mounting = { series: 'yes' }),
    short: (d: Installation) => void (d.kit.mounting = { series: 'no', backup: 'no' }),
  },
  {
    id: 'mounting-backup',
    triggers: (d: Installation) =>
      void Object.assign(d, {
        brief: { ...d.brief, duty: 'livestock' },
        kit: { ...d.kit, mounting: { backup: 'no' } },
      }),
    short: (d: Installation) =>
      void Object.assign(d, {
        brief: { ...d.brief, duty: 'livestock' },
        kit: { ...d.kit, mounting: { backup: 'yes' } },
      }),
  },
  { id: 'follower-too-slow-make-up', triggers: slowFollower(12.9), short: slowFollower(13) },
  {
    id: 'forgets-without-power',
    triggers: (d: Installation) => void (d.kit.controller!.settings[0]!.power = 'lost'),
    short: (d: Installation) => void (d.kit.controller!.settings[0]!.power = 'kept'),
  },
])('$id', ({ id, triggers, short }) => {
  test('is said', () => expect(ids(triggers)).toContain(id))
  test('is not said just short of it', () => expect(ids(short)).not.toContain(id))
  test('is gone after its cure, where it has one', () => {
    const { draft, judgements } = judge(triggers)
    const cure = judgements.find((judgement) => judgement.id === id)?.cure
    if (!cure) return
    const cured = cure.apply(draft)
    expect(judgeInstallation(cured, derive(cured)).map((judgement) => judgement.id)).not.toContain(id)
  })
})

test('the gravest comes first', () => {
  const { judgements } = judge((d) => {
    d.response.floor.speedPct = 10
    d.kit.controller!.settings[0]!.power = 'lost'
  })
  expect(judgements.map(({ severity }) => severity)).toEqual(['hurts', 'know'])
})
