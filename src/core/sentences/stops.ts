import type { OverrideKind } from '@/core/machine/parts/overrides'
import { text } from '@/core/rules/kind'
import { inputName, inputPart, isSwitch } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { overrideNow, newInput } from '@/core/sentences/ensureInput'

type StopWords = { readonly name: string; readonly tail: string; readonly words: string; readonly sentence: string }

/** A switch that lets nothing turn; its value is the switch's id. */
const stop = (key: 'isolated' | 'safetyStop', by: OverrideKind, words: StopWords): BehaviourKind<string> => ({
  places: ({ overrides }) => (overrides?.[key] === undefined ? [] : [`overrides.${key}`]),
  name: (input, { response }) => `${words.name} (${inputName(response, input)})`,
  cause: () => 'switch',
  sentence: (input, { response }) => [
    text('While '),
    inputPart(response, '', `switch of the ${words.name}`, input, isSwitch),
    text(words.tail),
  ],
  now: overrideNow(by),
  why: () => ({
    formula: 'held = 0, whatever was asked; the strongest holds have the last word',
    source: ofCommonPractice,
  }),
  offers: ({ response }) =>
    response.overrides?.[key] === undefined
      ? [
          {
            sentence: words.sentence,
            words: words.words,
            add: ({ response: draft }) => {
              const input = newInput(draft, { id: key, kind: 'switch', name: words.name })
              draft.overrides = { ...draft.overrides, [key]: input }
            },
          },
        ]
      : [],
})

export const isolated = stop('isolated', 'isolated', {
  name: 'isolator',
  tail: ' is open, nothing turns. Locking off and proving dead still come first.',
  sentence: 'While the isolator is open, nothing turns',
  words: 'isolate isolated isolator off locked hold',
})

export const safetyStop = stop('safetyStop', 'safety-stop', {
  name: 'safety stop',
  tail: ' is on, nothing turns.',
  sentence: 'While a safety stop is on, nothing turns',
  words: 'safety stop smoke fire hold emergency',
})
