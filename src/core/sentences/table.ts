import { alsoCalled } from '@/core/glossary/glossary'
import type { Installation } from '@/core/installation/installation'
import { keysOf, valueAt, type Path } from '@/core/json/path'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import type { Response } from '@/core/response/schema'
import type { BehaviourKind, Offer, SentenceContext } from '@/core/sentences/behaviour'
import { bounds } from '@/core/sentences/bounds'
import { clockMode } from '@/core/sentences/clockMode'
import { combined } from '@/core/sentences/combined'
import { finalRunOn } from '@/core/sentences/finalRunOn'
import { follower } from '@/core/sentences/follower'
import { heaterPurge } from '@/core/sentences/heaterPurge'
import { lightMode } from '@/core/sentences/lightMode'
import { lostSensor } from '@/core/sentences/lostSensor'
import { otherOutput } from '@/core/sentences/otherOutput'
import { overheat } from '@/core/sentences/overheat'
import { powerMemory } from '@/core/sentences/powerMemory'
import { rate } from '@/core/sentences/rate'
import { reduction } from '@/core/sentences/reduction'
import { ruleBehaviour } from '@/core/sentences/ruleBehaviour'
import { scan } from '@/core/sentences/scan'
import { skipBand } from '@/core/sentences/skipBand'
import { stages } from '@/core/sentences/stages'
import { startKick } from '@/core/sentences/startKick'
import { isolated, safetyStop } from '@/core/sentences/stops'
import { seasons } from '@/core/sentences/seasons'
import { growth } from '@/core/sentences/growth'
import { target } from '@/core/sentences/target'
import { namedSpeed } from '@/core/sentences/namedSpeed'
import { stepUp } from '@/core/sentences/stepUp'
import { cutOut } from '@/core/sentences/cutOut'
import { startTrim } from '@/core/sentences/startTrim'
import { powerReturn } from '@/core/sentences/powerReturn'
import { liveZero } from '@/core/sentences/liveZero'
import { contactSense } from '@/core/sentences/contactSense'
import { refrigerant } from '@/core/sentences/refrigerant'
import { testOverride } from '@/core/sentences/testOverride'

/** Every kind of behaviour, in the order in which they are said. */
const BEHAVIOURS = {
  bounds,
  startKick,
  seasons,
  growth,
  target,
  combined,
  lightMode,
  clockMode,
  rule: ruleBehaviour,
  namedSpeed,
  stepUp,
  follower,
  stages,
  finalRunOn,
  reduction,
  skipBand,
  cutOut,
  startTrim,
  rate,
  scan,
  powerReturn,
  powerMemory,
  lostSensor,
  liveZero,
  contactSense,
  refrigerant,
  heaterPurge,
  overheat,
  testOverride,
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
  readonly place: Path
  readonly value: unknown
  /** Its place among what is set aside; null for what is in force. */
  readonly switchedOffAt: number | null
}

export const sentenceContext = (
  { response, kit }: Pick<Installation, 'response' | 'kit'>,
  preference: UnitPreference = METRIC,
): SentenceContext => ({ response, fanName: (id) => kit.fans.find((fan) => fan.id === id)?.name ?? id, preference })

/** What stands under an input. */
const INPUT_PARTS: Readonly<Record<string, BehaviourName>> = {
  combines: 'combined',
  lostBelow: 'liveZero',
  contact: 'contactSense',
  refrigerant: 'refrigerant',
}

/** Which kind of behaviour stands at a place. */
function behaviourAt(place: Path): BehaviourName {
  const [first = '', second = '', third = ''] = keysOf(place)
  switch (first) {
    case 'rules':
      return 'rule'
    case 'followers':
      return 'follower'
    case 'reductions':
      return 'reduction'
    case 'skipBands':
      return 'skipBand'
    case 'targets':
      return 'target'
    case 'speeds':
      return 'namedSpeed'
    case 'stepUps':
      return 'stepUp'
    case 'placedOn':
      return 'growth'
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
      return INPUT_PARTS[third] ?? 'lostSensor'
    case 'overrides':
      return second === 'test' ? 'testOverride' : (second as 'overheat' | 'safetyStop' | 'isolated')
    case '':
      return 'bounds'
    default:
      return first as
        | 'seasons'
        | 'cutOut'
        | 'startTrim'
        | 'powerReturn'
        | 'startKick'
        | 'stages'
        | 'finalRunOn'
        | 'rate'
        | 'heaterPurge'
  }
}

/** Every sentence of a response in order, those set aside after their own kind. */
export function lines(response: Response): readonly Line[] {
  const switchedOff = response.switchedOff ?? []
  return NAMES.flatMap((behaviour): readonly Line[] => {
    const kind = kindOf(behaviour)
    return [
      // In a document that contradicts itself a place may be named twice, and then holds something else.
      ...kind.places(response).flatMap((place) => {
        const value = valueAt(response, place)
        return value === undefined ? [] : [{ behaviour, kind, place, value, switchedOffAt: null }]
      }),
      ...switchedOff.flatMap(({ at, value }, switchedOffAt) =>
        behaviourAt(at) === behaviour ? [{ behaviour, kind, place: at, value, switchedOffAt }] : [],
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
