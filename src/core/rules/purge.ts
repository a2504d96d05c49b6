import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id, Percent } from '@/core/json/vocabulary'
import { humidityRatio } from '@/core/physics/moistAir'
import { raise } from '@/core/rules/block'
import { common } from '@/core/rules/common'
import { emptySpan, WeekSpan } from '@/core/rules/weekSpan'
import { exact } from '@/core/rules/exact'
import { inputQuantity, isMeasured, type Input, type MeasuredInput } from '@/core/rules/input'
import { ONE_SPEED, PLAIN, text, type OfferContext, type RuleKind, type RuleOffer } from '@/core/rules/kind'
import { field, inputPart, listed, measures, spanParts, WEEKEND } from '@/core/rules/sentence'
import { HUMIDITY, OUTDOOR, OUTDOOR_HUMIDITY, ROOM_TEMP } from '@/core/rules/usualInputs'
import { fillSpan, minuteOf, WEEK_MIN } from '@/core/rules/week'

/** Cools a room with the air outside: in its hours, while outside is cooler than the room by `marginK` and, where humidities are named, no wetter, until
 *  the room has come down to `untilAt`. */
export const Purge = Type.Object(
  {
    ...common,
    kind: about('a purge with cooler air', Type.Literal('purge')),
    input: about('temperature of the room', Id),
    outdoor: about('temperature outside', Id),
    marginK: about('how much cooler it must be outside, K', Type.Number({ minimum: 0.5, maximum: 20 })),
    untilAt: about('what the room is to come down to, °C', Type.Number()),
    spans: about('its hours', Type.Array(WeekSpan, { minItems: 1, maxItems: 28 })),
    speedPct: about('its speed, percent', Percent),
    notWetter: about(
      'only while the air outside holds no more water',
      Type.Optional(
        Type.Object({ room: about('humidity of the room', Id), outdoor: about('humidity outside', Id) }, closed),
      ),
    ),
  },
  closed,
)
export type Purge = Static<typeof Purge>

/** Once the room has come down it begins again only so far above, K: common practice, no source. */
export const PURGE_REBOUND_K = 1

/** Once it runs it goes on down to this share of its margin, so that a gust does not stop it: common practice, no source. */
const PURGE_KEEPS = 0.5

type Why =
  | { readonly kind: 'purge-on'; readonly x: number; readonly edge: number }
  | { readonly kind: 'purge-outside-hours' }
  | { readonly kind: 'purge-come-down'; readonly x: number; readonly edge: number }
  | { readonly kind: 'purge-not-cooler'; readonly by: number; readonly margin: number }
  | { readonly kind: 'purge-wetter' }

const temperature = measures('temperature')
const humidity = measures('humidity')

const offer = (sentence: string, words: string, withHumidity: boolean): RuleOffer<Purge> => ({
  sentence,
  words,
  figure: { quantity: 'temperature', typedUnit: '°C' },
  make({ figure: figureC, ceilingPct, ensure, ensureOwn }: OfferContext) {
    const outdoor = ensureOwn(OUTDOOR)
    const notWetter = () => {
      const outside = ensureOwn(OUTDOOR_HUMIDITY)
      return { outdoor: outside, room: ensure(HUMIDITY, outside) }
    }
    return {
      id: 'purge',
      kind: 'purge',
      input: ensure(ROOM_TEMP, outdoor),
      outdoor,
      marginK: 3,
      untilAt: figureC ?? 20,
      spans: [{ days: [0, 1, 2, 3, 4, 5, 6], startMin: 1320, endMin: 360 }],
      speedPct: ceilingPct,
      ...(withHumidity ? { notWetter: notWetter() } : {}),
    }
  },
})

/** Common practice, no source; the water in the air by ASHRAE Handbook Fundamentals 2021, chapter 1, as everywhere here. */
export const purgeKind: RuleKind<Purge, Why> = {
  ...PLAIN,
  ...ONE_SPEED,
  inputs: ({ notWetter }) => ['input', 'outdoor', ...(notWetter ? ['notWetter.room', 'notWetter.outdoor'] : [])],
  check({ input, outdoor, notWetter, spans }, { response, path }) {
    const wrong = (at: string, id: string, kind: MeasuredInput['kind']) => {
      const found = response.inputs.find((candidate) => candidate.id === id)
      return found && found.kind !== kind
        ? [
            {
              code: 'wrong_kind' as const,
              path: `${path}.${at}`,
              what: `“${found.name}”`,
              got: found.kind,
              needs: `${kind} input`,
            },
          ]
        : []
    }
    const same = (at: string, one: string, other: string) =>
      one === other
        ? [
            {
              code: 'purge_same_input' as const,
              path: `${path}.${at}`,
            },
          ]
        : []
    return [
      ...wrong('input', input, 'temperature'),
      ...wrong('outdoor', outdoor, 'temperature'),
      ...same('outdoor', input, outdoor),
      ...(notWetter
        ? [
            ...wrong('notWetter.room', notWetter.room, 'humidity'),
            ...wrong('notWetter.outdoor', notWetter.outdoor, 'humidity'),
            ...same('notWetter.outdoor', notWetter.room, notWetter.outdoor),
          ]
        : []),
      ...spans.flatMap((span, index) => emptySpan(span, `${path}.spans.${index}`)),
    ]
  },
  compile({ input, outdoor, marginK, untilAt, spans, speedPct, notWetter }, { memory: plan, inputIndex, clockIndex }) {
    const roomAt = inputIndex(input)
    const outdoorAt = inputIndex(outdoor)
    // Where nothing is said of the water these are not looked at.
    const roomDampAt = notWetter ? inputIndex(notWetter.room) : roomAt
    const outdoorDampAt = notWetter ? inputIndex(notWetter.outdoor) : roomAt
    const hours = new Uint8Array(WEEK_MIN)
    for (const span of spans) fillSpan(hours, span, 1)
    const isOn = plan.slot(0, 'latches')

    const isInHours = (weekS: number): boolean => weekS >= 0 && hours[minuteOf(weekS)] === 1
    // Comparisons with a lost reading are false.
    const wants = (wasOn: boolean, weekS: number, roomC: number, outdoorC: number, rh: number, outdoorRh: number) =>
      isInHours(weekS) &&
      exact(roomC - outdoorC) >= (wasOn ? PURGE_KEEPS * marginK : marginK) &&
      (wasOn ? roomC > untilAt : roomC >= untilAt + PURGE_REBOUND_K) &&
      (!notWetter || humidityRatio(outdoorC, outdoorRh) <= humidityRatio(roomC, rh))
    return {
      ask(block, memory, asksPct, rule) {
        const { inputs } = block
        const [clock, rooms, outdoors] = [inputs[clockIndex]!, inputs[roomAt]!, inputs[outdoorAt]!]
        const [damps, outdoorDamps] = [inputs[roomDampAt]!, inputs[outdoorDampAt]!]
        let on = memory[isOn] === 1
        for (let row = block.start; row < block.end; row++) {
          on = wants(on, clock[row]!, rooms[row]!, outdoors[row]!, damps[row]!, outdoorDamps[row]!)
          if (on) raise(block, row, speedPct, rule)
        }
        memory[isOn] = on ? 1 : 0
        asksPct[rule] = on ? speedPct : NaN
      },
      why(inputs, memory) {
        const [x, out] = [inputs[roomAt]!, inputs[outdoorAt]!]
        if (memory[isOn] === 1) return { kind: 'purge-on', x, edge: untilAt }
        if (Number.isNaN(inputs[clockIndex]!)) return { kind: 'no-clock' }
        if (!isInHours(inputs[clockIndex]!)) return { kind: 'purge-outside-hours' }
        if (Number.isNaN(x) || Number.isNaN(out)) return { kind: 'input-lost' }
        if (x < untilAt + PURGE_REBOUND_K) return { kind: 'purge-come-down', x, edge: untilAt }
        return exact(x - out) < marginK
          ? { kind: 'purge-not-cooler', by: x - out, margin: marginK }
          : { kind: 'purge-wetter' }
      },
      settle(inputs, memory) {
        const [roomC, outdoorC, weekS] = [inputs[roomAt]!, inputs[outdoorAt]!, inputs[clockIndex]!]
        memory[isOn] = wants(false, weekS, roomC, outdoorC, inputs[roomDampAt]!, inputs[outdoorDampAt]!) ? 1 : 0
      },
    }
  },
  sentence(rule, { input, response }) {
    const name = input?.name ?? rule.input
    const { notWetter } = rule
    return [
      text('Purge '),
      ...listed(
        ' and ',
        rule.spans.map((span, index) => spanParts(`spans.${index}`, span)),
      ),
      text(': while '),
      inputPart(response, 'outdoor', 'outdoor temperature', rule.outdoor, temperature),
      text(' is cooler than '),
      inputPart(response, 'input', 'room temperature', rule.input, temperature),
      text(' by at least '),
      field('marginK', 'cooler by', 'temperatureDifference', rule.marginK),
      ...(notWetter
        ? [
            text(' and the air outside ('),
            inputPart(response, 'notWetter.outdoor', 'outdoor humidity', notWetter.outdoor, humidity),
            text(') holds no more water than that of the room ('),
            inputPart(response, 'notWetter.room', 'room humidity', notWetter.room, humidity),
            text(')'),
          ]
        : []),
      text(', run '),
      field('speedPct', 'speed of the purge', 'speed', rule.speedPct),
      text(` until ${name} has come down to `),
      field('untilAt', `${name}, end of the purge`, inputQuantity(input), rule.untilAt),
      text('.'),
    ]
  },
  cause: (input: Input | undefined) => (input && isMeasured(input) ? input.kind : 'temperature'),
  name: (input) => `${input} purge`,
  trigger: 'difference',
  memories: () => ['latches'],
  title: 'purge with cooler air',
  trade: () => 'night purge, free cooling',
  formula: `on in its hours while room − outside ≥ margin and room ≥ end + ${PURGE_REBOUND_K} K; off at the end, below half the margin, or where outside holds more water (kg a kg of dry air)`,
  whyText(why, { name, point, difference }) {
    switch (why.kind) {
      case 'purge-on':
        return `${name} is ${point(why.x)}, the air outside cools it down to ${point(why.edge)}`
      case 'purge-outside-hours':
        return 'the clock is outside the hours of the purge'
      case 'purge-come-down':
        return `${name} is ${point(why.x)}, it has come down to ${point(why.edge)}`
      case 'purge-not-cooler':
        return `it is cooler outside by ${difference(why.by)}, less than ${difference(why.margin)}`
      case 'purge-wetter':
        return 'the air outside holds more water than that of the room'
    }
  },
  more: ({ spans, notWetter }) => [
    { label: 'Add hours', change: (draft) => void draft.spans.push({ ...WEEKEND }) },
    ...(spans.length > 1
      ? [{ label: 'Take the last hours away', change: (draft: Purge) => void draft.spans.pop() }]
      : []),
    ...(notWetter
      ? [{ label: 'However wet it is outside', change: (draft: Purge) => void delete draft.notWetter }]
      : []),
  ],
  offers: [
    offer(
      'By night, while it is cooler outside, run until the room has come down',
      'purge night free cooling flush summer',
      false,
    ),
    offer(
      'By night, while it is cooler and no wetter outside, run until the room has come down',
      'purge night free cooling dry humidity moisture',
      true,
    ),
  ],
  points: ({ untilAt }) => [untilAt],
  widths: ({ marginK }) => [marginK],
  movedBy: (rule, by) => ({ ...rule, untilAt: rule.untilAt + by }),
  spans: ({ spans }) => spans,
}
