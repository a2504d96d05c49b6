import type { Input } from '@/core/rules/input'
import type { Rule } from '@/core/rules/table'
import type { Offer } from '@/core/sentences/behaviour'
import { ensureInput, HUMIDITY, newInput, ROOM_TEMP } from '@/core/sentences/ensureInput'
import { freeId } from '@/core/json/freeId'
import type { Installation } from '@/core/installation/installation'
import type { Response } from '@/core/response/schema'

/** Adds a rule under a free id. */
const addRule =
  (make: (draft: Installation, figure: number | null) => Rule): Offer['add'] =>
  (draft, figure) => {
    const rule = make(draft, figure)
    const taken = draft.response.rules.map(({ id }) => id)
    draft.response.rules.push({ ...rule, id: freeId(taken, rule.id) })
  }

const ramp = (id: string, made: Input, startAt: number, span: number): Offer['add'] =>
  addRule((draft, figure) => ({
    id,
    kind: 'ramp',
    input: ensureInput(draft, made),
    startAt: figure ?? startAt,
    fullAt: (figure ?? startAt) + span,
    fromPct: draft.response.floor.speedPct,
    toPct: draft.response.ceiling.speedPct,
    below: 'from',
  }))

const ceilingOf = ({ response }: { response: Response }): number => response.ceiling.speedPct

/** Two kelvin apart, off on the side from which it came. */
const onOff = (id: string, sense: 'cooling' | 'heating', usualC: number): Offer['add'] =>
  addRule((draft, figureC) => ({
    id,
    kind: 'differential',
    input: ensureInput(draft, ROOM_TEMP),
    sense,
    onAt: figureC ?? usualC,
    offAt: (figureC ?? usualC) + (sense === 'cooling' ? -2 : 2),
    speedPct: ceilingOf(draft),
    minOnS: 0,
    minOffS: 0,
  }))

/** The rules that can be added. Starting figures: common practice, no source. */
export const RULE_OFFERS: readonly Offer[] = [
  {
    sentence: 'As room temperature climbs, run faster',
    words: 'temp ramp heat hot',
    figure: { quantity: 'temperature', typedUnit: '°C' },
    add: ramp('roomTemp', ROOM_TEMP, 22, 5),
  },
  {
    sentence: 'As humidity climbs, run faster',
    words: 'hum damp ramp moisture',
    figure: { quantity: 'humidity', typedUnit: '%RH' },
    add: ramp('humidity', HUMIDITY, 65, 15),
  },
  {
    sentence: 'When a switch is on, run at a set speed, and run on afterwards',
    words: 'boost switch overrun contact button',
    figure: { quantity: 'time', typedUnit: 'min' },
    add: addRule((draft, figureS) => ({
      id: 'boost',
      kind: 'switch',
      input: newInput(draft.response, { id: 'boost', kind: 'switch', name: 'boost switch' }),
      speedPct: ceilingOf(draft),
      onDelayS: 0,
      overrun: { kind: 'fixed', holdS: figureS ?? 900 },
    })),
  },
  {
    sentence: 'When room temperature reaches a point, run at a set speed until it falls to another',
    words: 'on off differential two-speed hysteresis thermostat cool',
    figure: { quantity: 'temperature', typedUnit: '°C' },
    add: onOff('onOff', 'cooling', 26),
  },
  {
    sentence: 'When room temperature falls to a point, run at a set speed until it is warm again',
    words: 'heating on off differential cold thermostat curtain',
    figure: { quantity: 'temperature', typedUnit: '°C' },
    add: onOff('cold', 'heating', 18),
  },
  {
    sentence: 'When humidity rises quickly, run until it is back',
    words: 'hum surge shower steam rise',
    figure: { quantity: 'humidity', typedUnit: '%RH' },
    add: addRule((draft, figure) => ({
      id: 'surge',
      kind: 'surge',
      input: ensureInput(draft, HUMIDITY),
      windowS: 300,
      rise: figure ?? 8,
      release: 3,
      speedPct: ceilingOf(draft),
      capS: 1800,
    })),
  },
  {
    sentence: 'While it is hot, run; when it has cooled, run on for a time, then stop',
    words: 'after run flue stove countdown',
    figure: { quantity: 'time', typedUnit: 'min' },
    add: addRule((draft, figureS) => ({
      id: 'afterRun',
      kind: 'after-run',
      input: ensureInput(draft, ROOM_TEMP),
      armAbove: 60,
      speedPct: ceilingOf(draft),
      holdS: figureS ?? 2700,
    })),
  },
  {
    sentence: 'By the clock, run at a set speed on working days',
    words: 'week time timer hours days night',
    figure: { quantity: 'speed', typedUnit: '%' },
    add: addRule((draft, figurePct) => ({
      id: 'week',
      kind: 'week',
      periods: [{ days: [0, 1, 2, 3, 4], startMin: 480, endMin: 1020, speedPct: figurePct ?? ceilingOf(draft) }],
    })),
  },
  {
    sentence: 'Run for some minutes in every hour',
    words: 'cycle timer minimum ventilation period',
    figure: { quantity: 'time', typedUnit: 'min' },
    add: addRule((draft, figureS) => ({
      id: 'cycle',
      kind: 'cycle',
      onS: Math.min(figureS ?? 300, 3600),
      periodS: 3600,
      speedPct: ceilingOf(draft),
    })),
  },
]
