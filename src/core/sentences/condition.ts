import { differenceOf } from '@/core/quantity/units'
import type { Response } from '@/core/response/schema'
import type { PlainCondition } from '@/core/rules/condition'
import { inputQuantity, isMeasured } from '@/core/rules/input'
import { text, type MoreAction, type SentencePart } from '@/core/rules/kind'
import { distanceParts, seasonPart, tieConditionActions } from '@/core/sentences/tie'
import {
  field,
  inputName,
  inputOf,
  inputPart,
  isSwitch,
  listed,
  measures,
  pastPart,
  spanParts,
  WEEKEND,
} from '@/core/rules/sentence'
import type { Rule } from '@/core/rules/table'

type Inputs = Pick<Response, 'inputs' | 'targets' | 'seasons'>

/** A condition as the middle of a sentence, with its blanks: “room is at or above 20 °C”. */
export function conditionParts(path: string, condition: PlainCondition, response: Inputs): readonly SentencePart[] {
  const under = (key: string) => `${path}.${key}`
  switch (condition.kind) {
    case 'input': {
      const input = inputOf(response, condition.input)
      const [name, quantity] = [input?.name ?? condition.input, inputQuantity(input)]
      return [
        inputPart(response, under('input'), 'what is looked at', condition.input, measures()),
        text(' is '),
        pastPart(under('when'), `${name}, which side`, condition.when),
        text(' '),
        field(under('at'), `${name}, point`, quantity, condition.at),
        ...distanceParts(response, condition.target, [condition.at]),
        text(' (until '),
        field(under('release'), `${name}, way back`, differenceOf(quantity), condition.release),
        text(' back from it)'),
      ]
    }
    case 'between': {
      const input = inputOf(response, condition.input)
      const [name, quantity] = [input?.name ?? condition.input, inputQuantity(input)]
      return [
        inputPart(response, under('input'), 'what is looked at', condition.input, measures()),
        text(' is from '),
        field(under('from'), `${name}, lowest`, quantity, condition.from),
        text(' to '),
        field(under('to'), `${name}, highest`, quantity, condition.to),
        ...distanceParts(response, condition.target, [condition.from, condition.to]),
      ]
    }
    case 'difference': {
      const input = inputOf(response, condition.input)
      const difference = differenceOf(inputQuantity(input))
      const alike = input && isMeasured(input) ? measures(input.kind) : measures()
      return [
        inputPart(response, under('input'), 'what is looked at', condition.input, alike),
        text(' less '),
        inputPart(response, under('minus'), 'what is taken from it', condition.minus, alike),
        text(' is '),
        pastPart(under('when'), 'difference, which side', condition.when),
        text(' '),
        field(under('by'), 'difference', difference, condition.by),
        text(' (until '),
        field(under('release'), 'difference, way back', difference, condition.release),
        text(' back from it)'),
      ]
    }
    case 'switch':
      return [
        inputPart(response, under('input'), 'switch that is looked at', condition.input, isSwitch),
        text(' is '),
        {
          kind: 'choice',
          path: under('is'),
          label: 'on or off',
          value: condition.is,
          options: [
            ['on', 'on'],
            ['off', 'off'],
          ],
        },
      ]
    case 'drier':
      return [
        text('the air outside holds '),
        ...(condition.by > 0
          ? [
              text('at least '),
              field(under('by'), 'how much less water outside', 'humidityRatio', condition.by),
              text(' less water than inside ('),
            ]
          : [text('no more water than inside (')]),
        inputPart(response, under('input'), 'temperature inside', condition.input, measures('temperature')),
        text(', '),
        inputPart(response, under('humidity'), 'humidity inside', condition.humidity, measures('humidity')),
        text('; '),
        inputPart(response, under('outdoor'), 'temperature outside', condition.outdoor, measures('temperature')),
        text(', '),
        inputPart(
          response,
          under('outdoorHumidity'),
          'humidity outside',
          condition.outdoorHumidity,
          measures('humidity'),
        ),
        text(')'),
      ]
    case 'season':
      return [text('it is '), seasonPart(response, under('season'), condition.season)]
    case 'clock':
      return [
        text('it is '),
        ...listed(
          ' or ',
          condition.spans.map((span, index) => spanParts(under(`spans.${index}`), span)),
        ),
      ]
  }
}

/** What a rule hangs on, as the end of its sentence; nothing where it asks whatever else is. */
export const onlyWhileParts = ({ onlyWhile = [] }: Rule, response: Inputs): readonly SentencePart[] =>
  onlyWhile.length === 0
    ? []
    : [
        text(' Only while '),
        ...listed(
          ' and ',
          onlyWhile.map((condition, index) => conditionParts(`onlyWhile.${index}`, condition, response)),
        ),
        text('.'),
      ]

/** Two inputs of one kind, the first a room’s: what “only while cooler outside” compares. */
function twoAlike({ inputs }: Inputs): readonly [string, string] | null {
  const temperatures = inputs.filter(isMeasured).filter(({ kind }) => kind === 'temperature')
  const outdoor = temperatures.find(({ id, name }) => /out/i.test(`${id} ${name}`))
  const room = temperatures.find(({ id }) => id !== outdoor?.id)
  return room && outdoor ? [room.id, outdoor.id] : null
}

/** Temperature and humidity inside and outside, where all four are read. */
function drierChoice(response: Inputs): readonly { readonly words: string; readonly condition: PlainCondition }[] {
  const pair = (kind: 'temperature' | 'humidity') => {
    const all = response.inputs.filter((input) => input.kind === kind)
    const outdoor = all.find(({ id, name }) => /out/i.test(`${id} ${name}`))
    return { outdoor, inside: all.find(({ id }) => id !== outdoor?.id) }
  }
  const [temperature, humidity] = [pair('temperature'), pair('humidity')]
  if (!temperature.inside || !temperature.outdoor || !humidity.inside || !humidity.outdoor) return []
  return [
    {
      words: 'the air outside holds less water',
      condition: {
        kind: 'drier',
        input: temperature.inside.id,
        humidity: humidity.inside.id,
        outdoor: temperature.outdoor.id,
        outdoorHumidity: humidity.outdoor.id,
        by: 0.001,
      },
    },
  ]
}

/** Conditions that can be begun with here, as the end of “only while …”. Figures to start from: common practice, no source. */
export function conditionChoices(
  response: Inputs,
): readonly { readonly words: string; readonly condition: PlainCondition }[] {
  const measured = response.inputs.find(isMeasured)
  const contact = response.inputs.find((input) => !isMeasured(input))
  const alike = twoAlike(response)
  const middle = measured ? (measured.from + measured.to) / 2 : 0
  return [
    ...(measured
      ? [
          {
            words: 'a reading is past a point',
            condition: { kind: 'input', input: measured.id, when: 'at-or-above', at: middle, release: 1 } as const,
          },
          {
            words: 'a reading is between two',
            condition: { kind: 'between', input: measured.id, from: measured.from, to: middle } as const,
          },
        ]
      : []),
    ...(alike
      ? [
          {
            words: `it is cooler outside than ${inputName(response, alike[0])}`,
            condition: {
              kind: 'difference',
              input: alike[0],
              minus: alike[1],
              when: 'at-or-above',
              by: 2,
              release: 1,
            } as const,
          },
        ]
      : []),
    ...drierChoice(response),
    ...(response.seasons?.[0]
      ? [
          {
            words: `it is ${response.seasons[0].name}`,
            condition: { kind: 'season', season: response.seasons[0].id } as const,
          },
        ]
      : []),
    ...(contact
      ? [{ words: 'a switch is on', condition: { kind: 'switch', input: contact.id, is: 'on' } as const }]
      : []),
    { words: 'it is some hours of the week', condition: { kind: 'clock', spans: [{ ...WEEKEND }] } },
  ]
}

export const conditionActions = ({ onlyWhile = [] }: Rule, response: Inputs): readonly MoreAction<Rule>[] => [
  ...conditionChoices(response).map(({ words, condition }): MoreAction<Rule> => ({
    label: `Only while ${words}`,
    change: (draft) => void (draft.onlyWhile = [...(draft.onlyWhile ?? []), condition]),
  })),
  ...tieConditionActions('onlyWhile', onlyWhile, response),
  ...(onlyWhile.length > 0
    ? [
        {
          label: 'Take the last condition away',
          change: (draft: Rule) => {
            draft.onlyWhile?.pop()
            if (draft.onlyWhile?.length === 0) delete draft.onlyWhile
          },
        },
      ]
    : []),
]
