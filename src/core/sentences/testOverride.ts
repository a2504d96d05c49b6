import type { Overrides } from '@/core/response/schema'
import { text } from '@/core/rules/kind'
import { field, inputName, inputPart, isSwitch } from '@/core/rules/sentence'
import { ofCommonPractice, type BehaviourKind } from '@/core/sentences/behaviour'
import { overrideNow, newInput } from '@/core/sentences/ensureInput'

type TestOverride = NonNullable<Overrides['test']>

/** One speed while a test switch is on. */
export const testOverride: BehaviourKind<TestOverride> = {
  places: ({ overrides }) => (overrides?.test ? ['overrides.test'] : []),
  name: ({ input }, { response }) => `test (${inputName(response, input)})`,
  cause: () => 'switch',
  sentence: ({ input, speedPct }, { response }) => [
    text('While '),
    inputPart(response, 'input', 'test switch', input, isSwitch),
    text(' is on, run '),
    field('speedPct', 'speed of the test', 'speed', speedPct),
    text(', whatever is asked. It must not be forgotten: a test left on is no ventilation by rule.'),
  ],
  now: overrideNow('test'),
  why: () => ({ formula: 'held = the test’s speed; only the stronger holds overrule it', source: ofCommonPractice }),
  offers: ({ response }) =>
    response.overrides?.test
      ? []
      : [
          {
            sentence: 'While a test switch is on, run one speed',
            words: 'test hold commissioning service',
            figure: { quantity: 'speed', typedUnit: '%' },
            add: ({ response: draft }, figurePct) => {
              const input = newInput(draft, { id: 'test', kind: 'switch', name: 'test switch' })
              draft.overrides = { ...draft.overrides, test: { input, speedPct: figurePct ?? 100 } }
            },
          },
        ],
}
