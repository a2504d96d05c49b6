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
} from '@/testing/corpus/build'

/** A document that a careful person would leave as it is, and why. */
export type SaneCase = { readonly why: string; readonly document: Installation }

const sane = (why: string, document: Installation): SaneCase => ({ why, document })
const FIFTEEN_MIN = { kind: 'fixed', holdS: 900 } as const
const fans4 = fans('fixed-1', 'fixed-2', 'fixed-3')

// One line of reason each: what such an installation is for, and why it is right so. Common practice, no source, where none is named.
export const SANE: readonly SaneCase[] = [
  // Extract
  sane('a bathroom with a trickle, a light switch and a quick rise', a('extract')),
  sane('the same on coded plugs', a('extract', {}, on('coded-plug-extract'))),
  sane(
    'a pull cord with fifteen minutes of overrun',
    a('extract', {}, rules(switched('live', 80, FIFTEEN_MIN)), limit(null, 'humidity')),
  ),
  sane(
    'runs on as long as the room was used, an hour at the most',
    a('extract', {}, first({}), more(switched('live', 90, { kind: 'matched', factor: 1, floorS: 300, capS: 3600 }))),
  ),
  sane('more as it gets damp, full under the limit', a('extract', {}, rules(ramp('humidity', 60, 80)))),
  sane(
    'a trickle that never stops and nothing else: a dry store',
    a('extract', { room: 'utility', rule: 'own' }, limit(null, 'humidity'), rules()),
  ),
  sane(
    'an open flue that has passed its spillage test',
    a('extract', { openFlue: true }, mounted({ spillage: 'yes' })),
  ),
  sane(
    'twenty minutes after everything stops, with no overrun beside it',
    a(
      'extract',
      {},
      first({}),
      rules(ramp('humidity', 60, 80), switched('live', 80)),
      response({ finalRunOn: { holdS: 1200, speedPct: null } }),
    ),
  ),
  sane('the air that the rule wants, by the map', a('extract', {}, mapped(60), wants(8), floor(20))),
  sane(
    'the air wanted while somebody is there, less when nobody is',
    a('extract', {}, mapped(60), wants(30, 'occupied'), floor(15)),
  ),
  // Exhaust
  sane('a cupboard that follows its heat', a('exhaust')),
  sane('the same on a dial', a('exhaust', {}, on('dial-pages-twin'))),
  sane(
    'a kiln on its contactor: full while it fires',
    a(
      'exhaust',
      {},
      response({ inputs: [{ id: 'firing', kind: 'switch', name: 'kiln contactor' }] }),
      rules(switched('firing', 100)),
    ),
  ),
  sane(
    'steady air that carries all of the heat, by the map',
    a(
      'exhaust',
      { fumes: true },
      mapped(400),
      heats(1200, 10),
      wants(200),
      floor(60),
      response({ inputs: [] }),
      rules(),
    ),
  ),
  sane('a thermostat with two kelvin between on and off', a('exhaust', {}, rules(onOff('roomTemp', 30, 28, 100)))),
  sane('more on working days besides the heat', a('exhaust', {}, more(clock(480, 1020, 50, [0, 1, 2, 3, 4])))),
  sane(
    'a boost button for ten minutes besides the heat',
    a(
      'exhaust',
      {},
      input(contact('button', 'boost button')),
      more(switched('button', 100, { kind: 'fixed', holdS: 600 })),
    ),
  ),
  sane(
    'ten minutes of run-on after the machine stops',
    a(
      'exhaust',
      {},
      input(contact('machine', 'saw runs')),
      more(switched('machine', 80)),
      response({ finalRunOn: { holdS: 600, speedPct: null } }),
    ),
  ),
  sane(
    'the slowest changes a drive likes: two percent a second',
    a('exhaust', {}, response({ rate: { upPctPerS: 2, downPctPerS: 2 } })),
  ),
  // Head pressure
  sane('one circuit by its coil', a('head-pressure')),
  sane('the same on its fixed law', a('head-pressure', {}, on('trimmer-condenser'))),
  sane('two circuits, the hottest governs', a('head-pressure', { circuits: '2' })),
  sane('three circuits on sleeve bearings', a('head-pressure', { circuits: '3', sleeve: true })),
  sane('full in heating and defrost, by a contact', a('head-pressure', { heatPump: true })),
  sane('read every ten seconds: a coil is slow', a('head-pressure', {}, response({ scanS: 10 }))),
  sane(
    'on and off by the coil: worse than a ramp, and done',
    a('head-pressure', {}, rules(onOff('coil1', 38, 30, 100))),
  ),
  // Livestock
  sane('calves, a ramp over a floor that holds the shutters', a('livestock')),
  sane('the same on a strip list', a('livestock', {}, on('strip-list-house'))),
  sane('one variable and three fixed fans', a('livestock', {}, fans4)),
  sane(
    'a cycle of a minute in five for the least air, still between',
    a('livestock', {}, floor(65, true), first({ below: 'nothing' }), more(cycle(60, 300, 65))),
  ),
  sane(
    'the same with least air required as a mean',
    a(
      'livestock',
      {},
      mapped(2000),
      wants(250),
      floor(65, true),
      first({ below: 'nothing' }),
      more(cycle(60, 300, 65)),
    ),
  ),
  sane('two speeds, full above the set temperature', a('livestock', {}, rules(onOff('house', 14, 12, 100)))),
  sane(
    'an alarm well under the limit',
    a('livestock', {}, output(alarm([past('house', 19), { kind: 'lost', input: 'house' }]))),
  ),
  sane(
    'stages a minute apart',
    a('livestock', {}, fans4, (d) => void Object.assign(d.response.stages!, { minStageS: 60 })),
  ),
  sane(
    'chicks kept warm: the house wanted at thirty',
    a('livestock', { animal: 'broiler', house: 30, mass: 0.5, count: 500 }),
  ),
  // Grow room
  sane('follows the heat of the lamps', a('grow-room')),
  sane('the same on a dial', a('grow-room', {}, on('dial-pages-twin'))),
  sane('a make-up fan at four fifths', a('grow-room', {}, fans('make-up'))),
  sane(
    'damp carried out by drier air',
    a(
      'grow-room',
      { air: 12, airDamp: 50 },
      input({ ...DAMP, lostPct: 50 }),
      more(ramp('rh', 75, 90)),
      limit(95, 'humidity'),
    ),
  ),
  sane(
    'day and night with points of their own',
    a(
      'grow-room',
      {},
      input({ id: 'light', kind: 'light', name: 'light', from: 0, to: 100 }),
      response({ light: { input: 'light', level: 50, delayS: 60 } }),
      rules(
        { ...ramp('roomTemp', 22, 27), id: 'day', modes: ['day'] },
        { ...ramp('roomTemp', 20, 27), id: 'night', modes: ['night'] },
      ),
    ),
  ),
  sane(
    'a ceiling that the ducts bear, still enough by the map',
    a(
      'grow-room',
      {},
      mapped(500),
      heats(1500, 5),
      response({ ceiling: { speedPct: 80, how: 'clip' } }),
      first({ toPct: 80 }),
    ),
  ),
  sane(
    'a harvest switch with twenty minutes of overrun',
    a(
      'grow-room',
      {},
      input(contact('harvest', 'harvest switch')),
      more(switched('harvest', 80, { kind: 'fixed', holdS: 1200 })),
    ),
  ),
  // Stove and flue
  sane('a blower of room air that stops as the fire dies: it keeps the heat', a('stove-flue')),
  sane('the same five minutes longer', a('stove-flue', {}, response({ finalRunOn: { holdS: 300, speedPct: null } }))),
  sane(
    'a blower of room air that follows the metal',
    a('stove-flue', {}, rules(ramp('metal', 50, 80, { below: 'nothing' }))),
  ),
  sane('a flue fan that runs on for three quarters of an hour', a('stove-flue', { moves: 'flue' })),
  sane(
    'a flue fan that never stops',
    a('stove-flue', { moves: 'flue' }, floor(45), rules(ramp('metal', 60, 120, { fromPct: 45 }))),
  ),
  sane('a flue fan on six levels', a('stove-flue', { moves: 'flue' }, on('six-level-rocker'))),
  sane(
    'a probe that stands more than the hardest firing',
    a('stove-flue', { hardest: 150 }, probeOf({ survivesToC: 200 })),
  ),
  sane(
    'a probe beside the blower, out of its air',
    a('stove-flue', {}, probeOf({ place: 'on the shroud, out of the blower’s air' })),
  ),
  // Balanced
  sane('a flat with a boost button', a('balanced')),
  sane('the same on a scroll wheel', a('balanced', {}, on('scroll-wheel-balanced'))),
  sane(
    'a bypass, barred in the cold and while it is as warm outside',
    a(
      'balanced',
      {},
      input(OUTDOOR),
      output(bypass([past('outside', 13, { when: 'at-or-below' }), past('outside', 23)])),
    ),
  ),
  sane('never under what the heat pump needs', a('balanced', { heatPump: true })),
  sane('more in the evening while people are in', a('balanced', {}, more(clock(1020, 1320, 55)))),
  sane('a boost of three hours for guests', a('balanced', {}, first({ overrun: { kind: 'fixed', holdS: 10800 } }))),
  sane(
    'a fifth less in hard frost, never under the floor',
    a(
      'balanced',
      {},
      input(OUTDOOR),
      response({ reductions: [{ input: 'outside', when: 'at-or-below', at: -10, byPct: 20, how: 'points' }] }),
    ),
  ),
  sane('the air of the whole dwelling, by the map', a('balanced', { bedrooms: 2 }, mapped(120), wants(31), floor(30))),
  sane(
    'a purge by night that is less while it is warm outside',
    a(
      'balanced',
      {},
      input(OUTDOOR),
      more(clock(1380, 300, 80)),
      response({ reductions: [{ input: 'outside', when: 'at-or-above', at: 20, byPct: 50, how: 'points' }] }),
    ),
  ),
  sane('extract and supply at the same percent', a('balanced', {}, fans('supply'))),
  // Door curtain
  sane('electric, cooled for two minutes', a('door-curtain')),
  sane('the same on a gear wheel', a('door-curtain', {}, on('gear-wheel-curtain'))),
  sane('hot water needs no cool-down', a('door-curtain', { heater: 'water' })),
  sane('air only', a('door-curtain', { heater: 'none' })),
  sane(
    'heat permitted from forty percent',
    a('door-curtain', {}, output(heater([{ kind: 'speed', fan: 'fan', when: 'at-or-above', atPct: 40 }]))),
  ),
  sane('two gears that climb', a('door-curtain', {}, first({ speedPct: 50 }))),
  // Electronics
  sane('a board that follows its heat sink', a('electronics')),
  sane('the same on two pads, which falls back to its base', a('electronics', { failsLow: true }, on('two-pad-pwm'))),
  sane('full five kelvin under the plate', a('electronics', { limit: 70, margin: 5 })),
  sane(
    'a twelve-volt fan stepped by its voltage',
    a(
      'electronics',
      {},
      on('six-level-rocker'),
      signal(
        {
          kind: 'levels',
          levels: [
            { pct: 35, volts: 5 },
            { pct: 61, volts: 8 },
            { pct: 100, volts: 12 },
          ],
        },
        'dc',
      ),
      rules(onOff('sink', 45, 40, 100)),
      lost(100),
      (d) => void (d.kit.controller = null),
    ),
  ),
  sane('an alarm five kelvin under the limit', a('electronics', {}, output(alarm([past('sink', 54)])))),
  // Volts taken as volts × 10
  sane(
    'a fan that is off below 2 V, never told less than 22 %',
    a('exhaust', {}, signal({ kind: 'volts', convention: 'ten-cut-off' }), floor(22), first({ fromPct: 22 })),
  ),
  sane(
    'a flue fan armed at forty, half an hour more than enough',
    a('stove-flue', { moves: 'flue', normal: 70 }, rules(holdAfterFall('metal', 45, 3600))),
  ),
  sane(
    'a curtain whose contact tells of heat',
    a(
      'door-curtain',
      {},
      (d) =>
        void d.response.inputs.splice(
          d.response.inputs.findIndex(({ id }) => id === 'heat'),
          1,
          HEAT,
        ),
    ),
  ),
]
