import type { Installation } from '@/core/installation/installation'
import { freeId } from '@/core/json/freeId'
import { findLink } from '@/core/machine/findLink'
import { outputStateText } from '@/core/sentences/words'
import { OUTPUT_STATE } from '@/core/machine/outputState'
import type { Condition, OtherOutput } from '@/core/response/schema'
import { text, type MoreAction, type SentencePart } from '@/core/rules/kind'
import { field, inputPart, listed, measures, pastPart } from '@/core/rules/sentence'
import { OUTDOOR, ROOM_TEMP } from '@/core/rules/usualInputs'
import { ofCommonPractice, type BehaviourKind, type Offer, type SentenceContext } from '@/core/sentences/behaviour'
import { conditionChoices, conditionParts } from '@/core/sentences/condition'
import { tieConditionActions } from '@/core/sentences/tie'
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
    case 'drier':
    case 'season':
    case 'difference':
    case 'switch':
    case 'clock':
      return conditionParts(path, condition, response)
  }
}

/** A filter alarm may wait for a year before it stops anything. */
const LONGEST_S = 400 * 86_400

type Listed = 'onWhen' | 'notWhile'

/** What a reason or a bar may be begun with: what rules hang on too, and the lead’s speed where the output does not stop it. */
const additions = (
  list: Listed,
  lead: string,
  { response }: SentenceContext,
  stopsFans = false,
): readonly MoreAction<OtherOutput>[] =>
  [
    ...conditionChoices(response),
    ...(stopsFans
      ? []
      : [
          {
            words: 'the fan runs fast enough',
            condition: { kind: 'speed', fan: response.lead, when: 'at-or-above', atPct: 50 } as const,
          },
        ]),
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

/** Figures to begin with: common practice, no source. */
const OFFERS: readonly Offer[] = [
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
    sentence: 'Stop the fans so many days after the filter alarm',
    words: 'filter stop alarm days service output',
    figure: { quantity: 'time', typedUnit: 'h' },
    add(draft, figureS) {
      const input = ensureOwnInput(draft, { id: 'filterAlarm', kind: 'switch', name: 'filter alarm', role: 'alarm' })
      add(draft, {
        id: 'filterStop',
        kind: 'alarm',
        name: 'filter stop',
        onWhen: [{ kind: 'switch', input, is: 'on' }],
        notWhile: [],
        delayS: figureS ?? 14 * 86_400,
        stopsFans: true,
      })
    },
  },
  {
    sentence: 'Heat the hot water by the clock, once a week',
    words: 'hot water valve clock weekly cycle output',
    add: (draft) =>
      add(draft, {
        id: 'hotWater',
        kind: 'valve',
        name: 'hot water',
        onWhen: [{ kind: 'clock', spans: [{ days: [6], startMin: 180, endMin: 300 }] }],
        notWhile: [],
        delayS: 0,
      }),
  },
  {
    sentence: 'Let the heat pump run only with enough air',
    words: 'heat pump permission permit least flow output',
    figure: { quantity: 'speed', typedUnit: '%' },
    add: (draft, figurePct) =>
      add(draft, {
        id: 'heatPump',
        kind: 'permit',
        name: 'heat pump permission',
        onWhen: [{ kind: 'speed', fan: draft.response.lead, when: 'at-or-above', atPct: figurePct ?? 35 }],
        notWhile: [],
        delayS: 20,
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
]

/** Damper, shutter, alarm contact, heater permission, lamp. */
export const otherOutput: BehaviourKind<OtherOutput> = {
  places: ({ otherOutputs = [] }) => otherOutputs.map(({ id }) => `otherOutputs.${id}`),
  name: ({ name }) => name,
  cause: () => 'switch',
  sentence: ({ kind, name, onWhen, notWhile, delayS, holdS, level, stopsFans }, context) => [
    { kind: 'input', name },
    text(` is ${OUTPUT_STATE[kind][1]}${level === undefined ? '' : ' at level '}`),
    ...(level === undefined ? [] : [field('level', `${name}, level`, 'count', level)]),
    text(' when '),
    ...listed(
      ' or ',
      onWhen.map((condition, index) => outputConditionParts(`onWhen.${index}`, condition, context)),
    ),
    text(' for '),
    { ...field('delayS', `${name}, delay`, 'time', delayS), limits: [0, LONGEST_S] },
    ...(holdS === undefined
      ? []
      : [
          text(', and '),
          { ...field('holdS', `${name}, held on`, 'time', holdS), limits: [0, LONGEST_S] as const },
          text(' longer'),
        ]),
    ...(notWhile.length === 0
      ? []
      : [
          text(', but not while '),
          ...listed(
            ' or ',
            notWhile.map((condition, index) => outputConditionParts(`notWhile.${index}`, condition, context)),
          ),
        ]),
    text(stopsFans ? '. While it is, every fan stands.' : '.'),
  ],
  now({ id }, { chain }, { preference }) {
    const link = findLink(chain, 'give', 'output', ({ output }) => output.id === id)
    return link ? outputStateText(link, preference) : '–'
  },
  why: () => ({ formula: 'any of the first for the delay, and none of the second', source: ofCommonPractice }),
  more: ({ onWhen, notWhile, holdS, level, stopsFans }, context) => [
    ...additions('onWhen', 'Or while', context, stopsFans),
    ...additions('notWhile', 'But not while', context, stopsFans),
    {
      label: holdS === undefined ? 'Hold it on for a time' : 'Off as soon as no reason stands',
      change: (draft) => {
        if (holdS === undefined) draft.holdS = 300
        else delete draft.holdS
      },
    },
    {
      label: level === undefined ? 'It has levels' : 'It has no levels',
      change: (draft) => {
        if (level === undefined) draft.level = 1
        else delete draft.level
      },
    },
    ...([...onWhen, ...notWhile].some(({ kind }) => kind === 'speed')
      ? []
      : [
          {
            label: stopsFans ? 'It stops no fan' : 'It stops the fans',
            change: (draft) => {
              if (stopsFans) delete draft.stopsFans
              else draft.stopsFans = true
            },
          } satisfies MoreAction<OtherOutput>,
        ]),
    ...tieConditionActions('onWhen', onWhen, context.response),
    ...tieConditionActions('notWhile', notWhile, context.response),
    ...(onWhen.length > 1
      ? [{ label: 'Take the last reason away', change: (draft: OtherOutput) => void draft.onWhen.pop() }]
      : []),
    ...(notWhile.length > 0
      ? [{ label: 'Take the last bar away', change: (draft: OtherOutput) => void draft.notWhile.pop() }]
      : []),
  ],
  offers: () => OFFERS,
}
