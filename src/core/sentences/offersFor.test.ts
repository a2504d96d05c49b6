import { derive } from '@/core/derive/derive'
import type { ControllerModel } from '@/core/controller/schema'
import { newInstallation } from '@/core/installation/newInstallation'
import { offersFor } from '@/core/sentences/offersFor'
import { DEMO_NAMES, demoInstallation, demoModel } from '@/testing/examples'

const TODAY = '2026-11-28'

/** Sentences that a controller can do, and that it cannot, where no rule is there yet. */
function offered(model: ControllerModel | null) {
  const one = newInstallation('Cupboard', 'electronics')
  const installation = { ...one, response: { ...one.response, rules: [] }, kit: { ...one.kit, controller: model } }
  const all = [...offersFor(installation, TODAY)]
  const sentences = (isBeyond: boolean) =>
    all.filter((offer) => offer.isBeyond === isBeyond).map(({ sentence }) => sentence)
  return { can: sentences(false), cannot: sentences(true) }
}

test('without a controller nothing is beyond it', () => expect(offered(null).cannot).toEqual([]))

test('what a small controller has no place for is beyond it, a ramp is not', () => {
  const { can, cannot } = offered(demoModel('two-pad-pwm'))
  expect(cannot.filter((sentence) => /clock/i.test(sentence))).not.toEqual([])
  expect(can.filter((sentence) => /climbs/i.test(sentence))).not.toEqual([])
})

test.each(DEMO_NAMES)('%s: what is offered as possible loses nothing when it is added', (name) => {
  const installation = demoInstallation(name)
  const lost = (of: typeof installation) =>
    derive(of).fit?.losses.filter(({ kind }) => kind === 'rule-left-out' || kind === 'part-left-out').length ?? 0
  const before = lost(installation)
  for (const offer of offersFor(installation, TODAY)) {
    if (offer.isBeyond) continue
    const draft = structuredClone(installation)
    offer.add(draft, null, TODAY)
    expect([offer.sentence, lost(draft) > before]).toEqual([offer.sentence, false])
  }
})
