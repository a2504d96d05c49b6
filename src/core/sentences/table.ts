import { alsoCalled } from '@/core/glossary/glossary'
import type { Installation } from '@/core/installation/installation'
import { keysOf, valueAt, type Place } from '@/core/json/place'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { BehaviourKind, Offer, Telling } from '@/core/sentences/behaviour'
import { bounds } from '@/core/sentences/bounds'
import { clockMode } from '@/core/sentences/clockMode'
import { combined } from '@/core/sentences/combined'
import { coolDown } from '@/core/sentences/coolDown'
import { follower } from '@/core/sentences/follower'
import { lightMode } from '@/core/sentences/lightMode'
import { lostSensor } from '@/core/sentences/lostSensor'
import { otherOutput } from '@/core/sentences/otherOutput'
import { overheat } from '@/core/sentences/overheat'
import { powerMemory } from '@/core/sentences/powerMemory'
import { rate } from '@/core/sentences/rate'
import { reduction } from '@/core/sentences/reduction'
import { restBand } from '@/core/sentences/restBand'
import { ruleBehaviour } from '@/core/sentences/ruleBehaviour'
import { runOn } from '@/core/sentences/runOn'
import { scan } from '@/core/sentences/scan'
import { stages } from '@/core/sentences/stages'
import { startKick } from '@/core/sentences/startKick'
import { isolated, safetyStop } from '@/core/sentences/stops'
import { testHold } from '@/core/sentences/testHold'

/** Every kind of behaviour, in the order in which they are said. */
const BEHAVIOURS = {
  bounds,
  startKick,
  combined,
  lightMode,
  clockMode,
  rule: ruleBehaviour,
  follower,
  stages,
  runOn,
  reduction,
  restBand,
  rate,
  scan,
  powerMemory,
  lostSensor,
  coolDown,
  overheat,
  testHold,
  safetyStop,
  isolated,
  otherOutput,
}
type BehaviourName = keyof typeof BEHAVIOURS

/** A kind whose part is whatever stands at its place: the table has them all under one type. */
type AnyBehaviour = BehaviourKind<unknown>
const kindOf = (name: BehaviourName): AnyBehaviour => BEHAVIOURS[name] as unknown as AnyBehaviour
const NAMES = Object.keys(BEHAVIOURS) as BehaviourName[]

/** One sentence of a response: which kind it is, and where its part stands. Where it is set aside, `place` is where it would go back to. */
export type Line = {
  readonly behaviour: BehaviourName
  readonly kind: AnyBehaviour
  readonly place: Place
  readonly value: unknown
  /** Its place among what is set aside; null for what is in force. */
  readonly asideAt: number | null
}

export const telling = (
  { response, kit }: Pick<Installation, 'response' | 'kit'>,
  preference: UnitPreference = METRIC,
): Telling => ({ response, fanName: (id) => kit.fans.find((fan) => fan.id === id)?.name ?? id, preference })

/** Which kind of behaviour stands at a place. */
function behaviourAt(place: Place): BehaviourName {
  const [first = '', second = '', third = ''] = keysOf(place)
  switch (first) {
    case 'rules':
      return 'rule'
    case 'followers':
      return 'follower'
    case 'reductions':
      return 'reduction'
    case 'restBands':
      return 'restBand'
    case 'otherOutputs':
      return 'otherOutput'
    case 'light':
      return 'lightMode'
    case 'dayByWeek':
      return 'clockMode'
    case 'scanS':
      return 'scan'
    case 'keeps':
      return 'powerMemory'
    case 'inputs':
      return third === 'combines' ? 'combined' : 'lostSensor'
    case 'holds':
      return second === 'test' ? 'testHold' : (second as 'overheat' | 'safetyStop' | 'isolated')
    case '':
      return 'bounds'
    default:
      return first as 'startKick' | 'stages' | 'runOn' | 'rate' | 'coolDown'
  }
}

/** Every sentence of a response in order, those set aside after their own kind. */
export function lines(response: Response): readonly Line[] {
  const aside = response.aside ?? []
  return NAMES.flatMap((behaviour): readonly Line[] => {
    const kind = kindOf(behaviour)
    return [
      // In a document that contradicts itself a place may be named twice, and then holds something else.
      ...kind.places(response).flatMap((place) => {
        const value = valueAt(response, place)
        return value === undefined ? [] : [{ behaviour, kind, place, value, asideAt: null }]
      }),
      ...aside.flatMap(({ at, value }, asideAt) =>
        behaviourAt(at) === behaviour ? [{ behaviour, kind, place: at, value, asideAt }] : [],
      ),
    ]
  })
}

/** Everything that can be added to an installation. */
export const offers = (installation: Installation): readonly Offer[] =>
  NAMES.flatMap((name) =>
    kindOf(name)
      .offers(installation)
      .map((offer) => ({ also: alsoCalled(name), ...offer })),
  )
