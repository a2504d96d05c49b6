import type { Installation } from '@/core/installation/installation'
import { freeId } from '@/core/json/freeId'
import { findLink } from '@/core/machine/findLink'
import { OUTPUT_STATE } from '@/core/machine/outputState'
import type { Condition, OtherOutput } from '@/core/response/schema'
import { text, type MoreAction, type SentencePart } from '@/core/rules/kind'
import { field, inputPart, listed, measures, pastPart } from '@/core/rules/sentence'
import { OUTDOOR, ROOM_TEMP } from '@/core/rules/usualInputs'
import { ofCommonPractice, type BehaviourKind, type SentenceContext } from '@/core/sentences/behaviour'
import { conditionChoices, conditionParts } from '@/core/sentences/condition'
import { ensureInput, ensureOwnInput } from '@/core/sentences/ensureInput'

function outputConditionParts(
  path: string,
  condition: Condition,
  { response, fanName }: SentenceContext,
): readonly SentencePart[] {
  const under = (key: string) => `${path}.${key}`
  switch (condition.kind) {
    case 'speed':
      return [
        { kind: 'input', name: fanName(condition.fan) },
        text(' runs '),
        pastPart(under('when'), `${fanName(condition.fan)}, which side`, condition.when),
        text(' '),
        field(under('atPct'), `${fanName(condition.fan)}, speed`, 'speed', condition.atPct),
      ]
    case 'lost':
      return [
        inputPart(response, under('input'), 'probe that is looked at', condition.input, measures()),
        text(' has no reading'),
      ]
    case 'overheated':
      return [text('it has been too hot since power came')]
    case 'input':
    case 'between':
    case 'difference':
    case 'switch':
    case 'clock':
      return conditionParts(path, condition, response)
  }
}

type Listed = 'onWhen' | 'notWhile'

/** What a reason or a bar may be begun with: what rules hang on too, and the lead’s speed. */
const additions = (list: Listed, lead: string, { response }: SentenceContext): readonly MoreAction<OtherOutput>[] =>
  [
    ...conditionChoices(response),
    {
      words: 'the fan runs fast enough',
      condition: { kind: 'speed', fan: response.lead, when: 'at-or-above', atPct: 50 } as const,
    },
  ].map(({ words, condition }) => ({
    label: `${lead} ${words}`,
    change: (draft) => void draft[list].push(condition),
  }))

function add(draft: Installation, made: OtherOutput): void {
  const outputs = draft.response.otherOutputs ?? []
  const id = freeId(
    outputs.map((output) => output.id),
    made.id,
  )
  draft.response.otherOutputs = [...outputs, { ...made, id }]
}

/** Damper, shutter, alarm contact, heater permission, lamp. */
export const otherOutput: BehaviourKind<OtherOutput> = {
  places: ({ otherOutputs = [] }) => otherOutputs.map(({ id }) => `otherOutputs.${id}`),
  name: ({ name }) => name,
  cause: () => 'switch',
  sentence: ({ kind, name, onWhen, notWhile, delayS }, context) => [
    { kind: 'input', name },
    text(` is ${OUTPUT_STATE[kind][1]} when `),
    ...listed(
      ' or ',
      onWhen.map((condition, index) => outputConditionParts(`onWhen.${index}`, condition, context)),
    ),
    text(' for '),
    field('delayS', `${name}, delay`, 'time', delayS),
    ...(notWhile.length === 0
      ? []
      : [
          text(', but not while '),
          ...listed(
            ' or ',
            notWhile.map((condition, index) => outputConditionParts(`notWhile.${index}`, condition, context)),
          ),
        ]),
    text('.'),
  ],
  now({ id, kind }, { chain }) {
    const link = findLink(chain, 'give', 'output', ({ output }) => output.id === id)
    return link ? OUTPUT_STATE[kind][link.isOn ? 1 : 0] : '–'
  },
  why: () => ({ formula: 'any of the first for the delay, and none of the second', source: ofCommonPractice }),
  more: ({ onWhen, notWhile }, context) => [
    ...additions('onWhen', 'Or while', context),
    ...additions('notWhile', 'But not while', context),
    ...(onWhen.length > 1
      ? [{ label: 'Take the last reason away', change: (draft: OtherOutput) => void draft.onWhen.pop() }]
      : []),
    ...(notWhile.length > 0
      ? [{ label: 'Take the last bar away', change: (draft: OtherOutput) => void draft.notWhile.pop() }]
      : []),
  ],
  offers: () => [
    {
      sentence: 'Raise an alarm when it gets too hot, or a probe is lost',
      words: 'alarm contact warn too hot lost output',
      figure: { quantity: 'temperature', typedUnit: '°C' },
      add(draft, figureC) {
        const input = ensureInput(draft, ROOM_TEMP)
        add(draft, {
          id: 'alarm',
          kind: 'alarm',
          name: 'alarm contact',
          onWhen: [
            { kind: 'input', input, when: 'at-or-above', at: figureC ?? 32, release: 1 },
            { kind: 'lost', input },
          ],
          notWhile: [],
          delayS: 60,
        })
      },
    },
    {
      sentence: 'Open a bypass when it is warm inside, unless it is cold outside',
      words: 'bypass summer damper output heat recovery',
      add(draft) {
        const [room, outdoor] = [ensureInput(draft, ROOM_TEMP), ensureOwnInput(draft, OUTDOOR)]
        add(draft, {
          id: 'bypass',
          kind: 'bypass',
          name: 'bypass',
          onWhen: [{ kind: 'input', input: room, when: 'at-or-above', at: 24, release: 1 }],
          notWhile: [{ kind: 'input', input: outdoor, when: 'at-or-below', at: 13, release: 1 }],
          delayS: 0,
        })
      },
    },
    {
      sentence: 'Open a shutter while the fan runs',
      words: 'shutter damper open output',
      add: (draft) =>
        add(draft, {
          id: 'shutter',
          kind: 'shutter',
          name: 'shutter',
          onWhen: [{ kind: 'speed', fan: draft.response.lead, when: 'at-or-above', atPct: 1 }],
          notWhile: [],
          delayS: 0,
        }),
    },
    {
      sentence: 'Permit heat only while the fan runs fast enough',
      words: 'heater permission interlock heat output',
      figure: { quantity: 'speed', typedUnit: '%' },
      add: (draft, figurePct) =>
        add(draft, {
          id: 'heater',
          kind: 'heater',
          name: 'heat',
          onWhen: [{ kind: 'speed', fan: draft.response.lead, when: 'at-or-above', atPct: figurePct ?? 45 }],
          notWhile: [],
          delayS: 10,
        }),
    },
    {
      sentence: 'Light a lamp when it gets too hot',
      words: 'lamp warn light signal output',
      add(draft) {
        const input = ensureInput(draft, ROOM_TEMP)
        add(draft, {
          id: 'lamp',
          kind: 'lamp',
          name: 'warning lamp',
          onWhen: [{ kind: 'input', input, when: 'at-or-above', at: 32, release: 1 }],
          notWhile: [],
          delayS: 0,
        })
      },
    },
  ],
}
