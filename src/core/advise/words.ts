import { keptText, type Requirement } from '@/core/brief/requirement'
import { FLOOR_REASON_NAMES } from '@/core/calibration/floorReasons'
import { driveText, type DriveProblem } from '@/core/kit/rankModels'
import { figuresFor, formatQuantity, type Figures, METRIC, type UnitPreference } from '@/core/quantity/format'
import { differenceOf, type Quantity } from '@/core/quantity/units'
import { clockText } from '@/core/quantity/clock'
import type { FloorReason } from '@/core/response/schema'
import { daysText, periodText } from '@/core/rules/week'
import type { WeekSpan } from '@/core/rules/weekSpan'
import { dateText, yearDayText } from '@/core/rules/yearDay'
import { capital, uncapital } from '@/core/sentences/words'
import { coderOf, textOf, type Coded } from '@/core/words/coded'

/** One of the things that are so at a moment and not at another. */
export type MomentFact =
  | { readonly kind: 'clock'; readonly minute: number }
  | { readonly kind: 'date'; readonly date: number }
  | { readonly kind: 'switch'; readonly name: string; readonly isOn: boolean }
  | { readonly kind: 'lost'; readonly name: string }
  | { readonly kind: 'reading'; readonly name: string; readonly x: number; readonly quantity: Quantity }

/** What is said of a judgement: the headline, the sentence behind it, and what a press on its cure would do. */
export type JudgementText = { readonly title: string; readonly detail: string; readonly cure?: string }

type Say = Figures & {
  /** A quantity in the reader's unit. */
  readonly q: (x: number, quantity: Quantity) => string
  /** A day of the year (MM-DD), in the reader’s order. */
  readonly day: (date: string) => string
  /** Days and hours, by the reader’s clock. */
  readonly period: (period: WeekSpan) => string
  /** “with outdoor temperature at −10.0 °C and boost button on”; empty where nothing is different. */
  readonly moment: (facts: readonly MomentFact[]) => string
}

const EMBERS = 'Embers give off carbon monoxide for hours; a fan that stops on them can let it into the room.'

/** All that judgements say, by their codes: the one place for a language. Facts are names that people gave and figures in base units. */
const WORDS = {
  'alarm-too-late': (
    f: {
      name: string
      kind: 'temperature' | 'humidity'
      at: number
      limit: number
      isTarget: boolean
      half: number
      isPast: boolean
      wantedAt: number
    },
    { q },
  ) => ({
    title: `“${f.name}” ${f.isPast ? 'is' : 'may be'} raised too late.`,
    detail: `It is raised at ${q(f.at, f.kind)}; ${f.isTarget ? 'the limit is' : 'the probe survives to'} ${q(f.limit, f.kind)}${
      f.isPast ? '' : `, and its probe is good to ± ${q(f.half, differenceOf(f.kind))}`
    }. Below that it would be a warning.`,
    cure: `Raise it at ${q(f.wantedAt, f.kind)}`,
  }),
  'answers-too-slowly': (
    f: {
      what: 'heat' | 'an open door'
      tookS: number | null
      lookedS: number
      why: SlowReason
    },
    { time },
  ) => ({
    title: `It takes too long to answer ${f.what}.`,
    detail: `${f.tookS === null ? `More than ${time(f.lookedS)}` : time(Math.round(f.tookS))} until the air is there; ${SLOW_REASONS[f.why]}. Look at scan, rate, delays, least times and stages.`,
  }),
  'ask-above-ceiling': (f: { rule: string; askPct: number; ceilingPct: number }, { pct }) => ({
    title: `The ${f.rule} asks for more than the ceiling.`,
    detail: `It asks ${pct(f.askPct)} %; the ceiling cuts at ${pct(f.ceilingPct)} %.`,
  }),
  'below-cut-off': (f: { fan: string; slowestPct: number; cutOffPct: number }, { num, pct }) => ({
    title: `“${f.fan}” stands where it should run slowly.`,
    detail: `It is told ${pct(f.slowestPct)} %, and takes anything below 2 V (${f.cutOffPct} %) as off: ${num(0, 2)} V at its terminals. Never below ${f.cutOffPct}.`,
  }),
  'bypass-in-frost': (f: { name: string; frostC: number; probe: string | null; barredC: number }, { q }) => ({
    title: `“${f.name}” may be open in frost.`,
    detail: `With the room warm it is open at ${q(f.frostC, 'temperature')} outside: cold air comes in unwarmed, and water in the unit freezes. Bar it while it is cold outside.`,
    cure: `Not while ${f.probe ?? ''} is ${q(f.barredC, 'temperature')} or less`,
  }),
  'bypass-never-acts': (
    f: { name: string; input: string; kind: Quantity; opensAt: number; blockedAt: number },
    { q },
  ) => ({
    title: `“${f.name}” never opens.`,
    detail: `It opens at ${q(f.opensAt, f.kind)} and is blocked at ${q(f.blockedAt, f.kind)} of the same ${f.input}: nothing is left between.`,
  }),
  'bypass-never-blocks': (f: { name: string; input: string; kind: Quantity; blockedAt: number }, { q }) => ({
    title: `The block of “${f.name}” never acts.`,
    detail: `${f.input} never reaches ${q(f.blockedAt, f.kind)}.`,
  }),
  'cannot-drive': (f: { problem: DriveProblem }) => ({
    title: driveText(f.problem),
    detail:
      f.problem.kind === 'motor'
        ? 'It overheats or burns out slowly. Choose a controller with another output, or another fan.'
        : 'Choose a controller with such an output, or correct what the fan takes.',
  }),
  'current-over-rating': (
    f: {
      output: string
      totalA: number
      carriesA: number
      ratedA: number
      deratedToPct: number | null
    },
    { num },
  ) => ({
    title: `${f.output} would carry ${num(f.totalA, 2)} A and is good for ${num(f.carriesA, 2)} A.`,
    detail: `Rated ${num(f.ratedA, 2)} A${f.deratedToPct === null ? '' : `, of which its surroundings leave ${num(f.deratedToPct, 0)} %`}. Fewer fans on it, a cooler place, or a bigger controller.`,
  }),
  'differential-too-small': (
    f: { rule: string; quantity: Quantity; width: number; resolution: number; least: number },
    { q },
  ) => ({
    title: `The ${f.rule} will chatter.`,
    detail: `It is ${q(f.width, f.quantity)} wide and its probe moves in steps of ${q(f.resolution, f.quantity)}: it switches on noise. At least ${q(f.least, f.quantity)}, or a probe that shows less.`,
  }),
  'evidence-weak': (f: { flowLs: number }, { q }) => ({
    title: 'The evidence is too weak for a verdict on the required flow.',
    detail: `${q(f.flowLs, 'flow')} is wanted, and the map rests on one velocity times the area. Traverse the duct or use a hood.`,
  }),
  'flue-stops-no-probe': () => ({
    title: 'The flue fan may stand while the fire burns.',
    detail: `No probe tells it that the flue is warm. ${EMBERS}`,
  }),
  'flue-stops-burning': (f: { with: readonly MomentFact[] }, { moment }) => ({
    title: 'The flue fan stands while the fire burns.',
    detail: `It does not run with the flue hot${f.with.length === 0 ? '' : `, ${moment(f.with)}`}. ${EMBERS}`,
  }),
  'flue-stops-embers': (f: { afterS: number; leastS: number }, { time }) => ({
    title: 'The flue fan stops on embers.',
    detail: `Once the flue has cooled it stands ${f.afterS < 60 ? 'at once' : `after ${time(f.afterS)}`}; at least ${time(f.leastS)}, 45 min are usual. ${EMBERS}`,
  }),
  'flue-stops-lost': () => ({
    title: 'The flue fan stops when its probe is lost.',
    detail: `A broken wire in the middle of a firing stops it. Let a lost probe run it at full. ${EMBERS}`,
  }),
  'floor-below-reason': (f: { floorPct: number; reason: FloorReason }, { pct }) => ({
    title: `The floor of ${pct(f.floorPct)} % is too low.`,
    detail: `${FLOOR_REASON_NAMES[f.reason.kind]} needs ${pct(f.reason.speedPct)} %${f.reason.note ? ` (${f.reason.note})` : ''}.`,
    cure: `Use ${pct(f.reason.speedPct)}`,
  }),
  'in-skip-band': (f: { ruleNumber: number | null; pct: number; fromPct: number; toPct: number }, { pct }) => ({
    title: `${f.ruleNumber === null ? 'The floor' : `Rule ${f.ruleNumber}`} lies in a skip band.`,
    detail: `${pct(f.pct)} % is passed over; the fan runs at ${pct(f.fromPct)} or ${pct(f.toPct)} %. Say which.`,
  }),
  'follower-too-slow': (
    f: { fan: string; startPct: number; toldPct: number; leadPct: number; upToPct: number },
    { pct },
  ) => ({
    title: `The ${f.fan} may stand still while it should follow.`,
    detail: `It starts at ${pct(f.startPct)} %, and is told ${pct(f.toldPct)} % with the lead at ${pct(f.leadPct)} %${f.upToPct > f.leadPct ? `, too little up to ${pct(f.upToPct)} %` : ''}.`,
    cure: `Follower not below ${pct(f.startPct)}`,
  }),
  'forgets-without-power': (f: { settings: readonly string[] }) => ({
    title: `${f.settings.length === 1 ? 'One setting is' : `${f.settings.length} settings are`} lost without power.`,
    detail: `After an outage enter again: ${f.settings.join(', ')}.`,
  }),
  'full-above-limit': (
    f: { quantity: 'temperature' | 'humidity'; limit: number; atLimitPct: number; mostPct: number },
    { q, pct },
  ) => ({
    title: `Full air comes after the ${f.quantity} limit.`,
    detail: `The limit is ${q(f.limit, f.quantity)}; there it gives ${pct(f.atLimitPct)} %, and ${pct(f.mostPct)} % only above it.`,
    cure: `Full at ${q(f.limit, f.quantity)}`,
  }),
  'gears-not-ascending': (f: { rule: string; pct: number; below: string; belowPct: number }, { pct }) => ({
    title: `The gear of the ${f.rule} is not above the one before.`,
    detail: `It gives ${pct(f.pct)} %, and the ${f.below} already gives ${pct(f.belowPct)} %: opening the door changes nothing.`,
  }),
  'heater-purge-too-short': (
    f: {
      after: { leastPct: number; keptS: number } | null
      leastPct: number
      leastS: number
      cure: { speedPct: number; holdS: number }
    },
    { pct, time },
  ) => ({
    title: 'The heater is left without air too soon.',
    detail: `${
      f.after === null
        ? 'Nothing tells the fan that heat was given, and it may stand right after.'
        : `After heat it gives ${pct(f.after.leastPct)} % within ${f.leastS} s${f.after.keptS > 0 ? `, and ${f.leastPct} % for only ${time(f.after.keptS)}` : ''}.`
    } At least ${f.leastPct} % for ${f.leastS} s, and what its maker says.`,
    cure: `Cool at ${pct(f.cure.speedPct)} % for ${time(f.cure.holdS)}`,
  }),
  'heater-without-air': (
    f: { name: string; leastPct: number | null; with: readonly MomentFact[] },
    { moment, pct },
  ) => ({
    title: `“${f.name}” is permitted while the fan may stand.`,
    detail: `${f.leastPct === null ? 'Its speed condition lies at or below where the fan starts.' : `It is permitted with the fan at ${pct(f.leastPct)} %${f.with.length === 0 ? '' : ` ${moment(f.with)}`}.`} Permit heat only from a speed at which air surely moves.`,
  }),
  'intent-changed': (f: { greatestPct: number; meanPct: number }, { num }) => ({
    title: `This controller gives up to ${num(f.greatestPct, 0)} points other than asked.`,
    detail: `On average ${num(f.meanPct, 1)}. Kit shows what it cannot do, and which controller comes nearer.`,
  }),
  'kick-shorter-than-shutters': (f: { opensInS: number; holdS: number }, { time }) => ({
    title: 'The start kick is over before the shutters are open.',
    detail: `They took ${time(f.opensInS)}; the kick lasts ${time(f.holdS)}.`,
    cure: `Kick for ${time(Math.ceil(f.opensInS))}`,
  }),
  'least-air': (f: { meanPct: number; flow: { meanLs: number; leastLs: number; why: string } | null }, { q, num }) => ({
    title: f.meanPct === 0 ? 'The house gets no air in the cold.' : 'The house gets too little air in the cold.',
    detail: f.flow
      ? `Over an hour it is ${q(f.flow.meanLs, 'flow')}; these animals need ${q(f.flow.leastLs, 'flow')}: ${uncapital(f.flow.why)}.`
      : `Over an hour it is ${num(f.meanPct, 1)} % of one fan: damp, ammonia and carbon dioxide stay. A cycle for the least air, or a floor that never stands still.`,
  }),
  'fails-low': (f: { share: number; byController: boolean }, { pct }) => ({
    title: 'With a probe lost it fails low.',
    detail: `It then gives ${f.share === 0 ? 'no air' : `${pct(f.share * 100)} % of what it gives when it is hot`}. ${
      f.byController
        ? 'This controller can do no better: choose another, raise the floor to what protects, or put an independent thermostat beside it.'
        : 'Too much air does less harm than none.'
    }`,
    cure: 'A lost probe runs it at 100 %',
  }),
  'no-alarm': (f: { lacks: readonly ('alarm' | 'backup')[] }) => ({
    title: `There is not yet ${f.lacks.map((lack) => (lack === 'alarm' ? 'an alarm that reaches a person' : 'a thermostat on its own supply')).join(', nor ')}.`,
    detail:
      'When this controller or its supply fails, animals die within hours. Fit it first, try it, then answer so under Brief.',
  }),
  'no-co-alarm': () => ({
    title: 'There is no carbon monoxide alarm.',
    detail: 'Fit one before the fan is tried. A fan never makes a stove safe.',
  }),
  'no-defrost': (f: { contactPct: number | null }, { pct }) => ({
    title: 'Nothing brings it to full in heating and defrost.',
    detail:
      f.contactPct === null
        ? 'It also heats or defrosts, and no contact tells the fan: with a cold coil it would crawl. Wire one, and let it ask for 100 %.'
        : `Its contact brings ${pct(f.contactPct)} % on a cold coil; it should be 100 %.`,
  }),
  'not-full-when-hot': (f: { share: number; with: readonly MomentFact[] }, { moment, pct }) => ({
    title: 'Air is taken away while it is hot.',
    detail: `At its hottest it gives ${pct(f.share * 100)} % of its full air${f.with.length === 0 ? '' : ` ${moment(f.with)}`}. Heat comes first here.`,
  }),
  'ceiling-below-heat': (f: { ceilingPct: number; movesLs: number; wantedLs: number; why: string }, { q, pct }) => ({
    title: 'The ceiling is below what the heat needs.',
    detail: `At ${pct(f.ceilingPct)} % it moves ${q(f.movesLs, 'flow')}; ${q(f.wantedLs, 'flow')} are wanted: ${uncapital(f.why)}.`,
  }),
  'not-read-back': (f: { open: number; count: number }) => ({
    title: 'The controller does not hold what stands here.',
    detail: `${f.open} of ${f.count} settings are not ticked with the value they have now. Dial them in, or read them back.`,
  }),
  'nothing-protects': (f: { quantity: 'temperature' | 'humidity'; limit: number }, { q }) => ({
    title: `Nothing brings more air when the ${f.quantity} rises.`,
    detail: `The limit is ${q(f.limit, f.quantity)}, and nothing that is switched on answers to ${f.quantity}. Switch a rule on, or let the floor alone carry it and say which flow that needs.`,
  }),
  'open-flue-unproved': () => ({
    title: 'An open flue, and no spillage test.',
    detail:
      'Extract can pull its gases into the room. With every extract in the building at full, a certified person tests for spillage; then say so under Kit. Carbon monoxide kills.',
  }),
  'overrun-without-cap': (f: { rule: string; longestS: number; usualS: number; isMatched: boolean }, { time }) => ({
    title: `The ${f.rule} may run on for ${time(f.longestS)}.`,
    detail: f.isMatched
      ? `A switch left on all day brings that. Cap it at ${time(f.usualS)} or less.`
      : `Here ${time(f.usualS)} are long. Left over from a test?`,
    cure: f.isMatched ? `Cap at ${time(f.usualS)}` : `Run on for ${time(f.usualS)}`,
  }),
  'own-air': (f: { probe: string; place: string }) => ({
    title: `“${f.probe}” hangs in its own fan’s air.`,
    detail: `“${f.place}”: there it reads what the fan makes of it, and the fan starts and stops by itself. Move it out of the draught.`,
  }),
  'probe-over-limit': (f: { probe: string; survivesToC: number; hotC: number; why: 'rules' | 'firing' }, { q }) => ({
    title: `The probe “${f.probe}” may not live to see full speed.`,
    detail: `It survives ${q(f.survivesToC, 'temperature')}; ${f.why === 'rules' ? 'its rules go to' : 'in the hardest firing it is'} ${q(f.hotC, 'temperature')}. Move the probe or choose one that survives more.`,
  }),
  'profile-reversed': (f: { summer: string; winter: string }) => ({
    title: 'The season profiles are reversed.',
    detail: `It keeps ${f.summer} in summer and ${f.winter} in winter: it holds heat when it should shed it, and sheds it when it should hold it.`,
    cure: 'Swap them',
  }),
  'cool-in-winter': () => ({
    title: 'The cool profile is left on in winter.',
    detail: 'It sheds heat early: in the cold season that is heat the home has paid for.',
    cure: 'Warm in winter',
  }),
  'purge-by-clock': (f: { period: WeekSpan; speedPct: number; readsOutside: boolean }, { period, pct }) => ({
    title: 'It purges by the clock, whatever the air outside is.',
    detail: `${period(f.period)} it runs at ${pct(f.speedPct)} %${
      f.readsOutside ? '' : ', and nothing reads the air outside'
    }: on a hot night it brings heat in, on a muggy one water. ${
      f.readsOutside ? 'Let it run less while it is warm outside.' : 'A probe outside, and less while it is warm there.'
    }`,
  }),
  'purge-warmer': (f: { name: string; roomC: number; outdoorC: number; opensAtC: number }, { q }) => ({
    title: `“${f.name}” opens while it is warmer outside.`,
    detail: `At ${q(f.roomC, 'temperature')} inside and ${q(f.outdoorC, 'temperature')} outside it is open, and brings heat in. Bar it while it is as warm outside as where it opens.`,
    cure: `Not while outdoor is ${q(f.opensAtC, 'temperature')} or more`,
  }),
  'purge-wetter': (f: { rule: string; outsideGKg: number; insideGKg: number }, { q }) => ({
    title: `The ${f.rule} brings wetter air in.`,
    detail: `The air coming in holds ${q(f.outsideGKg, 'humidityRatio')} of water, the room as wanted ${q(f.insideGKg, 'humidityRatio')}. More of it cannot dry the room; with drier air outside it could.`,
  }),
  'ramp-too-narrow': (
    f: { rule: string; quantity: Quantity; span: number; steps: number; stepCount: number; off: number; least: number },
    { q },
  ) => ({
    title: `The ${f.rule} ${f.steps > f.span ? 'will hunt' : 'is narrower than its probe is good for'}.`,
    detail: `It goes from one end to the other over ${q(f.span, f.quantity)}, and its probe ${
      f.steps > f.span
        ? `moves in steps of ${q(f.steps / f.stepCount, f.quantity)}`
        : `may be off by ${q(f.off / 2, f.quantity)} to either side`
    }. Spread it over at least ${q(f.least, f.quantity)}.`,
    cure: `Over ${q(f.least, f.quantity)}`,
  }),
  'required-flow': (
    f: { requirement: Requirement; with: readonly MomentFact[]; givesLs: number; floorPct: number },
    { q, moment, pct },
  ) => ({
    title: 'Less air than is required.',
    detail: `${q(f.requirement.flowLs, 'flow')} are wanted ${keptText(f.requirement)}; ${f.with.length === 0 ? '' : `${moment(f.with)} `}it gives ${q(f.givesLs, 'flow')}.`,
    cure: `Never below ${pct(f.floorPct)}`,
  }),
  'run-on-left-over': (f: { holdS: number; usualS: number }, { time }) => ({
    title: `It runs on for ${time(f.holdS)} after everything stopped asking.`,
    detail:
      f.holdS > f.usualS
        ? `Left over from a test? Here ${time(f.usualS)} are long.`
        : 'A switch has an overrun of its own, and this comes on top of it. Keep one of them.',
  }),
  'sense-reversed': (
    f: { quantity: Quantity; other: number; otherPct: number; wanted: number; wantedPct: number },
    { q, pct },
  ) => ({
    title: 'It works the wrong way round.',
    detail: `At ${q(f.other, f.quantity)} it gives ${pct(f.otherPct)} %, at ${q(f.wanted, f.quantity)} only ${pct(f.wantedPct)} %; this duty wants more there. Turn the points round.`,
  }),
  'starts-too-often-cycle': (f: { rule: string; starts: number; most: number; periodS: number }, { time, num }) => ({
    title: `The ${f.rule} may start the fan ${num(f.starts, 0)} times an hour.`,
    detail: `More than ${f.most} wear a small motor. Its period is ${time(f.periodS)}; a longer one with the same share gives the same air.`,
    cure: 'A period of 6 min with the same share',
  }),
  'starts-too-often-band': (f: { rule: string; starts: number; most: number; bandK: number }, { q, num }) => ({
    title: `The ${f.rule} may start the fan ${num(f.starts, 0)} times an hour.`,
    detail: `More than ${f.most} wear a small motor. The band is ${q(f.bandK, 'temperatureDifference')}, and the space is small for this flow. Least times on and off hold it back.`,
    cure: 'At least 3 min on and 3 min off',
  }),
  'suction-lost': (f: { fan: string; leadPct: number; overLs: number }, { q, pct }) => ({
    title: 'The room loses its suction.',
    detail: `With the lead at ${pct(f.leadPct)} % the ${f.fan} brings in ${q(f.overLs, 'flow')} more than goes out. A ratio of speed is not a ratio of flow: lower it, or its floor.`,
  }),
  'trickle-above-boost': (f: { rule: string; askPct: number; floorPct: number }, { pct }) => ({
    title: `The ${f.rule} brings no more air.`,
    detail: `It asks for ${pct(f.askPct)} %, and the fan never runs below ${pct(f.floorPct)} %. Raise the one or lower the other.`,
  }),
  'stops-without-air': (f: { output: string; delayS: number }, { time }) => ({
    title: `“${f.output}” stops every fan.`,
    detail: `${f.delayS > 0 ? `${time(f.delayS)} after its reason` : 'With its reason'} there is no air at all until someone comes. See that it reaches a person long before, or let it only warn.`,
    cure: 'Let it only warn',
  }),
  'season-wrong': (f: { now: string; should: string; from: string }, { day }) => ({
    title: `It stands in the ${f.now}; it is the ${f.should} since ${day(f.from)}.`,
    detail: 'It knows no date: someone has to change it over, and enter what changes.',
    cure: `Put it to the ${f.should}`,
  }),
  'season-soon': (f: { next: string; from: string; inDays: number }, { day }) => ({
    title: `The ${f.next} begins in ${f.inDays} ${f.inDays === 1 ? 'day' : 'days'}, on ${day(f.from)}.`,
    detail: 'It knows no date: plan the visit that changes it over.',
  }),
  'cut-lead': (f: { input: string }) => ({
    title: `${capital(f.input)} closes when it comes: with its lead cut it never does.`,
    detail: 'Use the contact that opens, so that a cut lead stops or warns too.',
  }),
  'unsealed-changes': (f: { count: number }) => ({
    title: f.count === 1 ? 'A change is not sealed.' : `${f.count} changes are not sealed.`,
    detail: 'What was sealed last is what the record in the box says. Seal again when this is what is meant.',
  }),
  mounting: (f: { otherwise: string; cure: string }) => ({ title: f.otherwise, detail: f.cure }),
  'without-air': (f: { gapS: number; mostS: number }, { time }) => ({
    title: 'The timer leaves it without air for too long.',
    detail: `${Number.isFinite(f.gapS) ? `Up to ${time(f.gapS)} in one go` : 'For ever'}; here no more than ${time(f.mostS)}. Do not let the floor stand still, or close the gap.`,
    cure: 'Never stand still',
  }),
  'wrong-unit-point': (f: { of: NamedPlace; at: number; input: string; meant: number }) => ({
    title: `${placeName(f.of)} may be in the wrong unit.`,
    detail: `${celsius(f.at)} is hotter than ${f.input} is here; as °F it would be ${celsius(f.meant)}.`,
  }),
  'wrong-unit-target': (f: { at: number; meant: number }) => ({
    title: 'A target may be in the wrong unit.',
    detail: `${celsius(f.at)} is no air of a room; as °F it would be ${celsius(f.meant)}.`,
  }),
  'wrong-unit-width': (f: { of: NamedPlace; widthK: number; meantK: number }) => ({
    title: `${placeName(f.of)} may be in the wrong unit.`,
    detail: `${kelvins(f.widthK)} looks like ${kelvins(f.meantK)} with 32 added: a difference is only scaled, never shifted.`,
  }),
} satisfies Record<string, (facts: never, say: Say) => JudgementText>

/** What may be in the wrong unit. */
export type NamedPlace =
  | { readonly kind: 'rule'; readonly name: string }
  | { readonly kind: 'output'; readonly name: string }
  | { readonly kind: 'offset'; readonly name: string }
  | { readonly kind: 'reduction' | 'overheat' }

function placeName(place: NamedPlace): string {
  switch (place.kind) {
    case 'rule':
      return `The ${place.name}`
    case 'output':
      return `“${place.name}”`
    case 'offset':
      return `The offset of ${place.name}`
    case 'reduction':
      return 'The reduction'
    case 'overheat':
      return 'The overheat hold'
  }
}

// What may be in the wrong unit is said as it is kept, in °C, whatever unit the reader likes.
const celsius = (x: number): string => formatQuantity(x, 'temperature')
const kelvins = (x: number): string => formatQuantity(x, 'temperatureDifference')

/** Why a duty does not bear that its air comes late. */
export type SlowReason = keyof typeof SLOW_REASONS
const SLOW_REASONS = {
  pressure: 'the pressure is out of its band long before',
  house: 'a closed house heats up within minutes',
  sink: 'a heat sink is hot within a minute',
  fire: 'the fire is burning',
  heat: 'the heat has to go while it is made',
  crop: 'the crop stands in it meanwhile',
  people: 'people have walked through by then',
} as const

/** A code and the figures that are said with it. */
export type Says = Coded<typeof WORDS>

/** What a judgement says, as a code with its facts. */
export const says = coderOf<typeof WORDS>()

const momentText =
  (preference: UnitPreference) =>
  (facts: readonly MomentFact[]): string => {
    const parts = facts.map((fact): string => {
      switch (fact.kind) {
        case 'clock':
          return `at ${daysText([Math.floor(fact.minute / 1440) % 7])} ${clockText(fact.minute % 1440, preference.dates)}`
        case 'date':
          return `on ${yearDayText(dateText(fact.date).slice(5), preference.dates)}`
        case 'switch':
          return `${fact.name} ${fact.isOn ? 'on' : 'off'}`
        case 'lost':
          return `${fact.name} lost`
        case 'reading':
          return `${fact.name} at ${formatQuantity(fact.x, fact.quantity, preference)}`
      }
    })
    const last = parts.pop()
    return last === undefined ? '' : `with ${parts.length > 0 ? `${parts.join(', ')} and ${last}` : last}`
  }

/** What a judgement says, in words and in the reader's units. */
export const judgementText = (judgement: { readonly says: Says }, preference: UnitPreference = METRIC): JudgementText =>
  textOf<Say, JudgementText, Says['code']>(WORDS, judgement.says, {
    ...figuresFor(preference),
    q: (x, quantity) => formatQuantity(x, quantity, preference),
    day: (date) => yearDayText(date, preference.dates),
    period: (period) => periodText(period, preference.dates),
    moment: momentText(preference),
  })
