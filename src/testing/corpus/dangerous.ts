import type { Duty } from '@/core/brief/duty'
import type { Brief } from '@/core/brief/schema'
import type { Installation } from '@/core/installation/installation'
import {
  a,
  holdAfterFall,
  alarm,
  bypass,
  clock,
  contact,
  cycle,
  DAMP,
  fans,
  first,
  floor,
  heater,
  HEAT,
  heats,
  input,
  limit,
  lost,
  mapped,
  more,
  mounted,
  on,
  onOff,
  OUTDOOR,
  output,
  past,
  probeOf,
  ramp,
  response,
  rules,
  signal,
  switched,
  wants,
  type Change,
} from '@/testing/corpus/build'

/** A document that can hurt or will not do, the judgement that must speak, and the nearest one that is sane, on which it must not. */
export type DangerCase = {
  readonly why: string
  /** Beginning of the judgement’s id. */
  readonly says: string
  readonly document: Installation
  readonly neighbour: Installation
}

/** What both have, then what makes the one dangerous and the other sane. */
const of =
  (duty: Duty, answers: NonNullable<Brief['answers']> = {}, ...both: readonly Change[]) =>
  (
    why: string,
    says: string,
    danger: Change | readonly Change[],
    sane: Change | readonly Change[] = [],
  ): DangerCase => ({
    why,
    says,
    document: a(duty, answers, ...both, ...[danger].flat()),
    neighbour: a(duty, answers, ...both, ...[sane].flat()),
  })

const answer =
  (answers: NonNullable<Brief['answers']>): Change =>
  (draft) =>
    void (draft.brief.answers = { ...draft.brief.answers, ...answers })
const off: Change = (draft) => {
  for (const rule of draft.response.rules) rule.off = true
}
const fans4 = fans('fixed-1', 'fixed-2', 'fixed-3')
const ladderTime =
  (minStageS: number): Change =>
  (draft) =>
    void Object.assign(draft.response.stages!, { minStageS })
const heaterPurge =
  (speedPct: number, holdS: number): Change =>
  (draft) =>
    void (draft.response.heaterPurge = { input: 'heat', speedPct, holdS })
const noHeaterPurge: Change = (draft) => void delete draft.response.heaterPurge
const follower =
  (ratio: number, parts: object = {}): Change =>
  (draft) =>
    void (draft.response.followers = [{ fan: 'make-up', ratio, floorPct: 0, atLeadFloor: 'follow', ...parts }])
const startsAt =
  (fan: string, pct: number): Change =>
  (draft) => {
    const known = draft.calibration.fans.find((candidate) => candidate.fan === fan)
    if (known) known.startsPct = [pct, pct, pct]
  }

const flue = of('stove-flue', { moves: 'flue' })
const stove = of('stove-flue')
const house = of('livestock')
const least = of('livestock', {}, floor(65, true), first({ below: 'nothing' }))
const coil = of('head-pressure')
const cupboard = of('exhaust')
const tent = of('grow-room')
const flat = of('balanced')
const cooled = of('balanced', {}, input(OUTDOOR))
const door = of('door-curtain')
const board = of('electronics')
const bath = of('extract')
const BARS = [past('outside', 13, { when: 'at-or-below' }), past('outside', 23)]

// One line of reason each: why somebody can get hurt, or why it will not do what it is there for.
export const DANGEROUS: readonly DangerCase[] = [
  // A fan that moves flue gas and stops on embers
  flue(
    'it stops the moment the flue is cool',
    'flue-stops-embers',
    rules(holdAfterFall('metal', 50, 0)),
    rules(holdAfterFall('metal', 50, 2700)),
  ),
  flue(
    'ten minutes are not enough for embers',
    'flue-stops-embers',
    rules(holdAfterFall('metal', 50, 600)),
    rules(holdAfterFall('metal', 50, 1800)),
  ),
  flue('an on/off rule is for room air', 'flue-stops-embers', rules(onOff('metal', 60, 50, 70)), [
    rules(onOff('metal', 60, 50, 70)),
    floor(40),
  ]),
  flue('a ramp that stands below its start', 'flue-stops-embers', rules(ramp('metal', 50, 90, { below: 'nothing' })), [
    rules(ramp('metal', 50, 90)),
    floor(40),
  ]),
  flue(
    'a ramp and a run-on of no time',
    'flue-stops-embers',
    [rules(ramp('metal', 50, 90, { below: 'nothing' })), response({ finalRunOn: { holdS: 0, speedPct: null } })],
    [rules(ramp('metal', 50, 90, { below: 'nothing' })), response({ finalRunOn: { holdS: 2700, speedPct: null } })],
  ),
  flue('no rule at all, and it may stand', 'flue-stops-burning', rules(), [rules(), floor(45)]),
  flue('the only rule is switched off', 'flue-stops-burning', off),
  flue(
    'a lost probe stops it in the middle of a firing',
    'flue-stops-lost',
    [
      lost(0),
      rules(onOff('metal', 60, 50, 70)),
      response({ finalRunOn: { holdS: 2700, speedPct: null } }),
      (d) => void (d.response.finalRunOn = { holdS: 0, speedPct: null }),
    ],
    [rules(holdAfterFall('metal', 50, 2700))],
  ),
  flue(
    'a switch that somebody turns off',
    'flue-stops',
    [input(contact('sw', 'fan switch')), rules(switched('sw', 70))],
    [input(contact('sw', 'fan switch')), rules(holdAfterFall('metal', 50, 2700), switched('sw', 100))],
  ),
  flue('by the clock only', 'flue-stops', rules(clock(420, 1320, 60)), [rules(clock(420, 1320, 60)), floor(45)]),
  flue('it is known that no carbon monoxide alarm hangs there', 'no-co-alarm', answer({ alarm: false })),
  stove('no carbon monoxide alarm beside a stove', 'no-co-alarm', answer({ alarm: false })),
  stove(
    'the list of looks says that none is there',
    'mounting-co-alarm',
    mounted({ 'co-alarm': 'no' }),
    mounted({ 'co-alarm': 'yes' }),
  ),
  stove(
    'the probe in the blower’s own air',
    'own-air',
    probeOf({ place: 'in the outlet of the blower' }),
    probeOf({ place: 'on the shroud, out of the blower’s air' }),
  ),
  stove(
    'its probe is known to sit in a draught',
    'mounting-probe-air',
    mounted({ 'probe-air': 'no' }),
    mounted({ 'probe-air': 'yes' }),
  ),
  stove(
    'it blows cold and stops hot',
    'sense-reversed',
    rules(onOff('metal', 57, 65, 70)),
    rules(onOff('metal', 65, 57, 70)),
  ),
  of('stove-flue', { hardest: 150 })(
    'a probe that dies in the hardest firing',
    'probe-over-limit',
    probeOf({ survivesToC: 140 }),
    probeOf({ survivesToC: 160 }),
  ),
  of('stove-flue', { moves: 'flue', hardest: 250 })(
    'a flue probe that dies in the hardest firing',
    'probe-over-limit',
    probeOf({ survivesToC: 200 }),
    probeOf({ survivesToC: 300 }),
  ),
  stove(
    '150 °F of metal typed as °C',
    'wrong-unit',
    rules(onOff('metal', 150, 140, 70)),
    rules(onOff('metal', 65, 60, 70)),
  ),
  flue('it waits five minutes between looks', 'answers-too-slowly', response({ scanS: 900 }), response({ scanS: 30 })),

  // Heaters
  door('no heater purge at all', 'heater-purge-too-short', noHeaterPurge),
  door('cooled for ten seconds', 'heater-purge-too-short', heaterPurge(45, 10), heaterPurge(45, 60)),
  door('cooled at a breath', 'heater-purge-too-short', heaterPurge(25, 120), heaterPurge(50, 120)),
  door(
    'heat permitted while the fan stands',
    'heater-without-air',
    output(heater([{ kind: 'speed', fan: 'fan', when: 'at-or-above', atPct: 0 }])),
    output(heater([{ kind: 'speed', fan: 'fan', when: 'at-or-above', atPct: 40 }])),
  ),
  door(
    'heat permitted by the door alone',
    'heater-without-air',
    [
      (d) => void Object.assign(d.response.rules[1]!, { onDelayS: 30 }),
      output(heater([past('hall', 30, { when: 'at-or-below' })])),
    ],
    output(heater([{ kind: 'speed', fan: 'fan', when: 'at-or-above', atPct: 40 }])),
  ),
  of('door-curtain', {}, on('strip-list-house'))(
    'a controller that knows no cool-down',
    'heater-purge-too-short',
    [],
    on('gear-wheel-curtain'),
  ),
  of('exhaust', {}, input(HEAT))(
    'a heater in the duct and a fan that stands when it is cool',
    'heater-purge-too-short',
    floor(20, true),
    [floor(50), first({ fromPct: 50 })],
  ),

  // Livestock: least air
  least('no least air: it stands still in the cold', 'least-air', [], more(cycle(60, 300, 65))),
  least('a second an hour', 'least-air', more(cycle(1, 3600, 65)), more(cycle(60, 300, 65))),
  least(
    'the cycle is switched off',
    'least-air',
    [more({ ...cycle(60, 300, 65), off: true })],
    more(cycle(60, 300, 65)),
  ),
  of(
    'livestock',
    {},
    mapped(2000),
    wants(250),
    floor(65, true),
    first({ below: 'nothing' }),
  )('less than required as a mean', 'required-flow', more(cycle(30, 300, 65)), more(cycle(90, 300, 65))),
  of('livestock', { count: 200, mass: 100 }, mapped(2000), first({ fromPct: 20 }))(
    'far less than these animals need',
    'least-air',
    floor(15),
    floor(100),
  ),
  least(
    'an hour between two gusts',
    'without-air',
    [rules(cycle(600, 4200, 100)), limit(null)],
    [rules(cycle(60, 300, 100)), limit(null)],
  ),
  // Livestock: lost probe, heat, time
  house(
    'a lost probe stops the fan',
    'fails-low',
    [lost(0), floor(20, true), first({ below: 'nothing', fromPct: 20 }), more(cycle(60, 300, 65))],
    [floor(20, true), first({ below: 'nothing', fromPct: 20 }), more(cycle(60, 300, 65))],
  ),
  house(
    'a lost probe leaves it at a fifth',
    'fails-low',
    [lost(20), floor(20), first({ fromPct: 20 })],
    [lost(100), floor(20), first({ fromPct: 20 })],
  ),
  of('livestock', {}, fans4)('a lost probe stops every fixed fan', 'fails-low', lost(0)),
  of(
    'livestock',
    {},
    input(OUTDOOR),
    floor(20),
    first({ fromPct: 20 }),
  )(
    'all of the air taken away by the weather',
    'not-full-when-hot',
    response({ reductions: [{ input: 'outside', when: 'at-or-below', at: 5, byPct: 100, how: 'relative' }] }),
    response({ reductions: [{ input: 'outside', when: 'at-or-below', at: 5, byPct: 10, how: 'points' }] }),
  ),
  house(
    'twenty minutes off at the least',
    'answers-too-slowly',
    [
      floor(65, true),
      rules(onOff('house', 14, 12, 100, { minOffS: 7200, minOnS: 0 }), cycle(60, 300, 65)),
      response({ scanS: 1200 }),
    ],
    [floor(65, true), rules(onOff('house', 14, 12, 100), cycle(60, 300, 65))],
  ),
  of('livestock', {}, fans4)('an hour from stage to stage', 'answers-too-slowly', ladderTime(3600), ladderTime(60)),
  of('livestock', {}, floor(20), first({ fromPct: 20 }))(
    'the drive takes most of an hour from least to full',
    'answers-too-slowly',
    response({ rate: { upPctPerS: 0.03, downPctPerS: 1 } }),
    response({ rate: { upPctPerS: 2, downPctPerS: 1 } }),
  ),
  of('livestock', {}, mapped(600))(
    'a ceiling that holds back what the heat needs',
    'ceiling-below-heat',
    response({ ceiling: { speedPct: 70, how: 'clip' } }),
    response({ ceiling: { speedPct: 100, how: 'clip' } }),
  ),
  house(
    'full only above what the animals stand',
    'full-above-limit',
    first({ startAt: 18, fullAt: 30 }),
    first({ startAt: 12, fullAt: 16 }),
  ),
  house(
    'less air as it gets hot',
    'sense-reversed',
    first({ startAt: 20, fullAt: 12 }),
    first({ startAt: 12, fullAt: 20 }),
  ),
  house('the ramp is switched off to be sure', 'nothing-protects', off),
  house('54 °F typed as °C', 'wrong-unit', first({ startAt: 54, fullAt: 61 }), first({ startAt: 12, fullAt: 16 })),
  house('no alarm that reaches a person', 'no-alarm', answer({ alarm: false })),
  house('no backup on its own supply', 'no-alarm', answer({ backup: false })),
  house('the list of looks says so', 'mounting-backup', mounted({ backup: 'no' }), mounted({ backup: 'yes' })),
  house(
    'an alarm at the limit',
    'alarm-too-late',
    output(alarm([past('house', 22)])),
    output(alarm([past('house', 20)])),
  ),
  house(
    'an alarm nearer to the limit than its probe is good for',
    'alarm-too-late',
    [output(alarm([past('house', 21.6)])), probeOf({ accuracy: 0.5 })],
    [output(alarm([past('house', 21.4)])), probeOf({ accuracy: 0.5 })],
  ),

  // Head pressure
  coil('faster as the coil gets cold', 'sense-reversed', first({ startAt: 37.8, fullAt: 21.1 })),
  of('head-pressure', { heatPump: true })('it also defrosts, and nothing tells the fan', 'no-defrost', (d) => {
    d.response.inputs = d.response.inputs.filter(({ id }) => id !== 'defrost')
    d.response.rules = d.response.rules.filter(({ id }) => id !== 'defrost')
  }),
  of('head-pressure', { heatPump: true })(
    'its defrost contact brings half of the air',
    'no-defrost',
    (d) => void Object.assign(d.response.rules[1]!, { speedPct: 50 }),
  ),
  coil(
    'a lost probe stops it',
    'fails-low',
    [lost(0), floor(30, true), first({ below: 'nothing' })],
    [floor(30, true), first({ below: 'nothing' })],
  ),
  of('head-pressure', { circuits: '2' })('two lost probes leave it at its lowest', 'fails-low', lost(30)),
  coil('70 to 100 °F typed as °C', 'wrong-unit', first({ startAt: 70, fullAt: 100 })),
  coil('a look an hour', 'answers-too-slowly', response({ scanS: 3600 }), response({ scanS: 10 })),
  coil('full long after the pressure is out of hand', 'full-above-limit', first({ startAt: 40, fullAt: 75 })),
  coil(
    'a reduction in the heat',
    'not-full-when-hot',
    [
      input(OUTDOOR),
      response({ reductions: [{ input: 'outside', when: 'at-or-above', at: 25, byPct: 50, how: 'points' }] }),
    ],
    input(OUTDOOR),
  ),

  // Any duty: a flow that is required
  bath(
    'a floor that may stand still',
    'required-flow',
    [mapped(60), wants(8), floor(20, true), first({}), rules(ramp('humidity', 60, 80, { below: 'nothing' }))],
    [mapped(60), wants(8), floor(20), rules(ramp('humidity', 60, 80))],
  ),
  bath('a floor that gives less', 'required-flow', [mapped(60), wants(20)], [mapped(60), wants(12)]),
  bath(
    'a clock that is the only air',
    'required-flow',
    [mapped(60), wants(8), floor(20, true), rules(clock(420, 1320, 40)), limit(null, 'humidity')],
    [mapped(60), wants(8), rules(clock(420, 1320, 40)), limit(null, 'humidity')],
  ),
  bath(
    'too little while somebody is there',
    'required-flow',
    [mapped(60), wants(30, 'occupied'), rules(switched('live', 40)), limit(null, 'humidity')],
    [mapped(60), wants(30, 'occupied'), rules(switched('live', 60)), limit(null, 'humidity')],
  ),
  of('balanced', {}, mapped(120), wants(31))('less than the dwelling wants', 'required-flow', floor(22), floor(30)),
  of('exhaust', {}, mapped(400), wants(80))(
    'a cycle where air is wanted always',
    'required-flow',
    [floor(20, true), rules(ramp('roomTemp', 26, 34, { below: 'nothing' }), cycle(60, 300, 60))],
    [floor(25), first({ fromPct: 25 })],
  ),

  // Any duty: heat
  cupboard(
    'a ramp that begins above what stands in it',
    'full-above-limit',
    [first({ startAt: 70, fullAt: 120 }), limit(60)],
    [first({ startAt: 40, fullAt: 55 }), limit(60)],
  ),
  cupboard(
    'a thermostat above the limit',
    'full-above-limit',
    rules(onOff('roomTemp', 45, 42, 100)),
    rules(onOff('roomTemp', 38, 35, 100)),
  ),
  cupboard('it cools when it is cold', 'sense-reversed', first({ startAt: 34, fullAt: 26 })),
  cupboard('all automatics off, to be sure', 'nothing-protects', off),
  cupboard(
    '24 on and −8 off: a difference with 32 taken away',
    'wrong-unit',
    rules(onOff('roomTemp', 24, -8, 100)),
    rules(onOff('roomTemp', 24, 22, 100)),
  ),
  cupboard('86 °F typed as °C', 'wrong-unit', first({ startAt: 86, fullAt: 95 })),
  cupboard(
    'half an hour until it moves',
    'answers-too-slowly',
    response({ rate: { upPctPerS: 0.02, downPctPerS: 1 } }),
    response({ rate: { upPctPerS: 1, downPctPerS: 1 } }),
  ),
  of('exhaust', {}, signal({ kind: 'volts', convention: 'ten-cut-off' }))(
    '15 %, 0.00 V',
    'below-cut-off',
    [floor(15), first({ fromPct: 15 })],
    [floor(20), first({ fromPct: 20 })],
  ),
  board(
    'full at the limit of the plate',
    'full-above-limit',
    first({ startAt: 55, fullAt: 75 }),
    first({ startAt: 40, fullAt: 55 }),
  ),
  board(
    'a lost probe stops it',
    'fails-low',
    [lost(0), floor(30, true), first({ below: 'nothing' })],
    [floor(30, true), first({ below: 'nothing' })],
  ),
  board('ten minutes between looks', 'answers-too-slowly', response({ scanS: 600 }), response({ scanS: 5 })),
  board('slower as it gets hot', 'sense-reversed', first({ startAt: 55, fullAt: 40 })),
  board(
    'an alarm at the limit',
    'alarm-too-late',
    output(alarm([past('sink', 60)])),
    output(alarm([past('sink', 55)])),
  ),
  board(
    'a probe good for less than the heat sink',
    'probe-over-limit',
    probeOf({ survivesToC: 50 }),
    probeOf({ survivesToC: 90 }),
  ),
  of('electronics', {}, probeOf({ accuracy: 1.5 }))(
    'a ramp narrower than its probe is good for',
    'ramp-too-narrow',
    first({ startAt: 53, fullAt: 55 }),
    first({ startAt: 50, fullAt: 55 }),
  ),
  of('exhaust', {}, probeOf({ resolution: 1 }))(
    'a ramp of two of its probe’s steps',
    'ramp-too-narrow',
    first({ startAt: 30, fullAt: 32 }),
    first({ startAt: 28, fullAt: 34 }),
  ),

  // Followers
  of('grow-room', {}, fans('make-up'), mapped(500))(
    'a make-up fan told less than it starts at',
    'follower-too-slow',
    [follower(0.3), startsAt('make-up', 20)],
    [follower(0.8), startsAt('make-up', 15)],
  ),
  of('grow-room', {}, fans('make-up'), mapped(500))(
    'slow above the set point too',
    'follower-too-slow',
    [follower(0.25, { atLeadFloor: 'off' }), startsAt('make-up', 20)],
    [follower(0.8, { atLeadFloor: 'off' }), startsAt('make-up', 15)],
  ),
  of('grow-room', {}, fans('make-up'), mapped(500))(
    'more in than out: the room loses its suction',
    'suction-lost',
    follower(1.2),
    follower(0.8),
  ),

  // Season, clock, weather
  flat(
    'the cool profile left on in winter',
    'cool-in-winter',
    answer({ winterProfile: 'cool', summerProfile: 'cool' }),
  ),
  flat('cool in winter, warm in summer', 'profile-reversed', answer({ winterProfile: 'cool', summerProfile: 'warm' })),
  cooled('a bypass open at −5 °C', 'bypass-in-frost', output(bypass([past('outside', 23)])), output(bypass(BARS))),
  flat('a bypass that nothing tells of the weather', 'bypass-in-frost', output(bypass([])), [
    input(OUTDOOR),
    output(bypass(BARS)),
  ]),
  cooled(
    'a bypass open while it is warmer outside',
    'purge-warmer',
    output(bypass([past('outside', 13, { when: 'at-or-below' })])),
    output(bypass(BARS)),
  ),
  flat('full by the clock on every night', 'purge-by-clock', more(clock(1380, 360, 90)), more(clock(1020, 1320, 55))),
  cooled('a probe outside, and the purge does not ask it', 'purge-by-clock', more(clock(1380, 360, 90)), [
    more(clock(1380, 360, 90)),
    response({ reductions: [{ input: 'outside', when: 'at-or-above', at: 20, byPct: 60, how: 'points' }] }),
  ]),
  of('grow-room', { temp: 18, damp: 93 }, input(DAMP), more(ramp('rh', 80, 95)))(
    'damp carried out by wetter air',
    'purge-wetter',
    answer({ air: 20, airDamp: 90 }),
    answer({ air: 20, airDamp: 60 }),
  ),
  bath('an open flue, and no spillage test', 'open-flue-unproved', answer({ openFlue: true }), [
    answer({ openFlue: true }),
    mounted({ spillage: 'yes' }),
  ]),
  of('extract', { openFlue: true })(
    'the open flue is known to spill',
    'mounting-spillage',
    mounted({ spillage: 'no' }),
    mounted({ spillage: 'yes' }),
  ),

  // Left over, worn, not driven
  bath(
    'an overrun of five hours',
    'overrun-without-cap',
    rules(switched('live', 80, { kind: 'fixed', holdS: 18000 }), ramp('humidity', 60, 80)),
    rules(switched('live', 80, { kind: 'fixed', holdS: 1200 }), ramp('humidity', 60, 80)),
  ),
  bath(
    'a forgotten run-on of three quarters of an hour',
    'run-on-left-over',
    [rules(ramp('humidity', 60, 80), switched('live', 80)), response({ finalRunOn: { holdS: 2700, speedPct: null } })],
    [rules(ramp('humidity', 60, 80), switched('live', 80)), response({ finalRunOn: { holdS: 1200, speedPct: null } })],
  ),
  door(
    'a forgotten run-on of ten minutes',
    'run-on-left-over',
    [
      first({}),
      (d) => void Object.assign(d.response.rules[1]!, { overrun: { kind: 'none' } }),
      response({ finalRunOn: { holdS: 600, speedPct: null } }),
    ],
    [
      (d) => void Object.assign(d.response.rules[1]!, { overrun: { kind: 'none' } }),
      response({ finalRunOn: { holdS: 60, speedPct: null } }),
    ],
  ),
  bath('a run-on on top of an overrun', 'run-on-left-over', response({ finalRunOn: { holdS: 300, speedPct: null } })),
  cupboard(
    'on and off at nearly the same point',
    'differential-too-small',
    [rules(onOff('roomTemp', 30, 29.9, 100)), probeOf({ resolution: 0.5 })],
    [rules(onOff('roomTemp', 30, 28, 100)), probeOf({ resolution: 0.5 })],
  ),
  tent(
    'a boost that brings no more',
    'trickle-above-boost',
    [input(contact('b', 'boost')), more(switched('b', 15))],
    [input(contact('b', 'boost')), more(switched('b', 80))],
  ),
  of('head-pressure', {}, on('trimmer-condenser'))(
    'a three-phase motor slowed by cutting the supply',
    'cannot-drive-motor',
    signal({ kind: 'phase-cut', supplyV: 230 }, 'three-phase'),
    signal({ kind: 'phase-cut', supplyV: 230 }, 'capacitor'),
  ),
  of('exhaust', {}, mapped(400))(
    'a floor below where it restarts',
    'floor-below-reason',
    [floor(11), first({ fromPct: 11 })],
    [floor(13), first({ fromPct: 13 })],
  ),
  of('livestock', {}, mapped(2000))(
    'shutters that open after the kick is over',
    'kick-shorter-than-shutters',
    (d) => void (d.calibration.fans[0]!.shutters = { opensInS: [9.5], openFromPct: null }),
    (d) => void (d.calibration.fans[0]!.shutters = { opensInS: [7.5], openFromPct: null }),
  ),
  of('exhaust', {}, heats(2000, 8), mapped(120))(
    'two speed controls in series',
    'mounting-series',
    mounted({ series: 'yes' }),
    mounted({ series: 'no' }),
  ),
]
