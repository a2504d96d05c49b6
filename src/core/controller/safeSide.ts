import type { Duty } from '@/core/brief/duty'
import type { Signal } from '@/core/physics/signal'
import type { Brief } from '@/core/brief/schema'
import type { Meaning } from '@/core/controller/schema'

/** What must not be got wrong where a controller cannot have the value asked for.
 *  `air`: no less air than asked. `pressure`: no more air in the cold, full when hot. `suction`: no more extract than asked, as a room with an
 *  open flue may not be drawn on harder. */
export const CARES = ['air', 'pressure', 'suction'] as const
export type Care = (typeof CARES)[number]
type Towards = 'up' | 'down' | 'nearest'
export type SafeSide = { readonly towards: Towards; readonly because: string }
/** What `fit` has to know of the place: the duty, whether a flue is open, and what the lead takes for a signal where somebody said so. */
export type Place = Pick<Brief, 'duty' | 'answers'> & { readonly signal?: Signal }

/** An open flue counts only where somebody has said that there is one; nobody having looked is an open question of the brief. */
export const careOf = ({ duty, answers }: Place): Care =>
  duty === 'head-pressure' ? 'pressure' : answers?.openFlue === true ? 'suction' : 'air'

const MORE_AIR: Record<Duty, string> = {
  extract: 'damp air must not be left standing',
  exhaust: 'heat must not build up',
  'head-pressure': 'pressure must not climb',
  livestock: 'animals must not be short of air',
  'grow-room': 'the room must not pass its limit',
  'stove-flue': 'the flue must keep drawing',
  balanced: 'the home must not be short of air',
  'door-curtain': 'the door must stay covered',
  electronics: 'the component must stay below its limit',
}
const FLUE = 'an open flue must not be drawn on harder'

/** `sooner` and `later` are of points: down and up where a rise asks, the other way round where a fall does. */
type Way = Towards | 'sooner' | 'later'
type Side = readonly [way: Way, because: string]
type Row = { readonly air: Side; readonly pressure?: Side; readonly suction?: Side }

/** `…` stands for why the duty wants more air. */
const MORE: Row = { air: ['up', 'more air, as …'], suction: ['down', `less extract: ${FLUE}`] }
const SOONER: Row = { air: ['down', 'sooner gives more air, and …'], suction: ['up', `later draws less: ${FLUE}`] }
const LONGER: Row = {
  air: ['up', 'a longer time clears more'],
  suction: ['down', `a shorter time draws less: ${FLUE}`],
}
const SPARE: Row = { air: ['up', 'a wider band and longer times spare the motors'] }
const SURE: Row = { air: ['up', 'a stronger start is surer'] }
const EITHER: Row = { air: ['nearest', 'either side is as good'] }

/** One row for each thing a setting can stand for. Common practice, no source. */
const TABLE: Record<Meaning, Row> = {
  floor: { air: ['up', 'below the floor it may not restart'] },
  ceiling: {
    air: ['nearest', 'a ceiling is set for noise or pressure, either side is near'],
    pressure: ['up', 'it must be full when it is hot'],
    suction: ['down', `its full extract is what the flue was tested at: ${FLUE}`],
  },
  'ramp.startAt': {
    air: ['sooner', 'an earlier start gives more air, and …'],
    pressure: ['later', 'a later start keeps the pressure up in the cold'],
    suction: ['later', `a later start draws less: ${FLUE}`],
  },
  'ramp.span': {
    air: ['down', 'a shorter band gives more air, and …'],
    suction: ['up', `a wider band draws less: ${FLUE}`],
  },
  'ramp.fromPct': { ...MORE, pressure: ['down', 'less air keeps the pressure up in the cold'] },
  'ramp.toPct': MORE,
  'switch.speedPct': MORE,
  'switch.onDelayS': SOONER,
  'switch.overrunS': LONGER,
  'differential.setPoint': {
    air: ['sooner', 'coming on earlier gives more air, and …'],
    suction: ['later', `coming on later draws less: ${FLUE}`],
  },
  'differential.width': SPARE,
  'differential.onAt': {
    air: ['sooner', 'coming on earlier gives more air, and …'],
    suction: ['later', `coming on later draws less: ${FLUE}`],
  },
  'differential.offAt': {
    air: ['sooner', 'going off later gives more air, and …'],
    suction: ['later', `going off sooner draws less: ${FLUE}`],
  },
  'differential.speedPct': MORE,
  'differential.minOnS': SPARE,
  'differential.minOffS': SPARE,
  'rapidRise.rise': SOONER,
  'rapidRise.release': {
    air: ['down', 'a smaller release runs longer and clears more'],
    suction: ['up', `a larger release ends sooner: ${FLUE}`],
  },
  'rapidRise.windowS': {
    air: ['up', 'a longer time finds slower rises'],
    suction: ['down', `a shorter time finds fewer rises: ${FLUE}`],
  },
  'rapidRise.capS': LONGER,
  'rapidRise.speedPct': MORE,
  'cycle.onS': MORE,
  'cycle.periodS': SOONER,
  'cycle.speedPct': MORE,
  'holdAfterFall.armAbove': SOONER,
  'holdAfterFall.holdS': LONGER,
  'holdAfterFall.speedPct': MORE,
  'follower.ratioPct': {
    air: ['down', 'less make-up keeps the room under suction'],
    suction: ['up', `more make-up draws less: ${FLUE}`],
  },
  'kick.speedPct': SURE,
  'kick.holdS': SURE,
  'finalRunOn.holdS': LONGER,
  'heaterPurge.speedPct': { air: ['up', 'the heater must not be left without air'] },
  'heaterPurge.holdS': { air: ['up', 'the heater must not be left without air'] },
  'light.level': EITHER,
  'light.delayS': EITHER,
  'reduction.at': EITHER,
  'reduction.byPct': {
    air: ['down', 'a smaller reduction leaves more air'],
    suction: ['up', `a larger reduction draws less: ${FLUE}`],
  },
  'skipBand.fromPct': { air: ['down', 'a wider band is sure to hold the resonance'] },
  'skipBand.toPct': { air: ['up', 'a wider band is sure to hold the resonance'] },
  'stages.joinPct': {
    air: ['down', 'a fan that joins sooner gives more air, and …'],
    suction: ['up', `a fan that joins later draws less: ${FLUE}`],
  },
  'stages.offBelowPct': SPARE,
  'stages.minStageS': SPARE,
  'input.offset': EITHER,
  'lost.speedPct': MORE,
  'cutOut.offBelowPct': { air: ['down', 'a lower cut-out keeps the fan running longer'] },
  'cutOut.backAtPct': { air: ['down', 'coming back sooner gives more air'] },
  'startTrim.signalPct': SURE,
  'powerReturn.waitS': { air: ['down', 'a shorter wait gives air sooner'] },
  'night.floorPct': MORE,
  'night.ceilingPct': {
    air: ['nearest', 'a ceiling of the night is set for quiet, either side is near'],
    suction: ['down', `its full extract is what the flue was tested at: ${FLUE}`],
  },
  'target.at': EITHER,
  'target.nightAt': EITHER,
  'season.now': EITHER,
  'named.speedPct': MORE,
  'named.followerPct': { air: ['nearest', 'supply and extract are trimmed to one another'] },
  'stepUp.by': MORE,
  'byAge.speedPct': MORE,
  'byAge.day': { air: ['down', 'an earlier day gives more air'] },
  'output.at': EITHER,
  'output.release': EITHER,
  'output.overTarget': EITHER,
  'output.barUnderTarget': EITHER,
  'output.delayS': { air: ['down', 'an alarm that comes sooner is surer'] },
  'output.holdS': { air: ['up', 'a longer time is surer'] },
  'output.level': EITHER,
  'switch.contact': EITHER,
  'signal.type': EITHER,
  'follower.floorPct': { air: ['up', 'below its floor it may not restart'] },
  'follower.atLeadFloor': EITHER,
  'stages.joinAt': { air: ['down', 'a fan that joins sooner gives more air, and …'] },
  'stages.inletPct': MORE,
  'scan.everyS': EITHER,
  'steps.stepPct': { air: ['down', 'finer steps come nearer to what is asked'] },
  'rate.upPctPerS': EITHER,
  'rate.downPctPerS': EITHER,
  'overheat.onAt': { air: ['down', 'sooner is safer'] },
  'overheat.offBelow': { air: ['down', 'longer is safer'] },
  'test.speedPct': EITHER,
  'input.lostBelow': EITHER,
  'input.used': EITHER,
}

const rowOf = (means: Meaning, care: Care): Side => TABLE[means][care] ?? TABLE[means].air

/** To which side a setting is rounded when the controller cannot have the value asked for, and why.
 *  @param lowerIsMore whether a lower point means more air; not so for falling ramps and for heating */
export function safeSide(means: Meaning, place: Place, lowerIsMore = true): SafeSide {
  const [way, because] = rowOf(means, careOf(place))
  const towards =
    way === 'sooner' ? (lowerIsMore ? 'down' : 'up') : way === 'later' ? (lowerIsMore ? 'up' : 'down') : way
  return { towards, because: because.replace('…', MORE_AIR[place.duty]) }
}

/** The table as it is published: a row for each thing a setting can stand for, a side for each care. */
export const safeSideRows = (): readonly (readonly string[])[] =>
  (Object.keys(TABLE) as Meaning[]).map((means) => [
    means,
    ...CARES.map((care) => {
      const [way, because] = rowOf(means, care)
      return `${way}: ${because.replace('…', 'the duty wants it')}`
    }),
  ])
