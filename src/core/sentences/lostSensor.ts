import { lostSensorPct } from '@/core/brief/lostSensor'
import { keysOf } from '@/core/json/path'
import { isMeasured } from '@/core/rules/input'
import { text } from '@/core/rules/kind'
import { field, inputCause, inputName, inputOf } from '@/core/rules/sentence'
import type { BehaviourKind } from '@/core/sentences/behaviour'
import { overrideNow } from '@/core/sentences/ensureInput'

const inputAt = (place: string): string => keysOf(place)[1] ?? ''

/** What it does while a probe has no reading. */
export const lostSensor: BehaviourKind<number> = {
  places: ({ inputs }) =>
    inputs.flatMap((input) => (isMeasured(input) && input.lostPct !== undefined ? [`inputs.${input.id}.lostPct`] : [])),
  name: (_pct, { response }, place) => `${inputName(response, inputAt(place))} lost`,
  cause: (_pct, { response }, place) => inputCause(inputOf(response, inputAt(place))),
  sentence(pct, { response }, place) {
    const name = inputName(response, inputAt(place))
    return [
      text('While '),
      { kind: 'input', name },
      text(' has no reading, run '),
      field('', `speed without ${name}`, 'speed', pct),
      text('.'),
    ]
  },
  trade: () => 'fail-safe speed',
  now: overrideNow('lost-sensor'),
  why: () => ({
    formula: 'held = the speed of the lost input; the highest where several are lost',
    source: 'the shared trade notes, section 3: by duty',
  }),
  offers: ({ response, brief }) =>
    response.inputs.filter(isMeasured).flatMap((input) =>
      input.lostPct === undefined
        ? [
            {
              sentence: `While ${input.name} has no reading, run a set speed`,
              words: 'lost sensor probe broken fault unplugged',
              figure: { quantity: 'speed', typedUnit: '%' } as const,
              add: ({ response: draft }, figurePct) => {
                const held = draft.inputs.find(({ id }) => id === input.id)
                if (held && isMeasured(held))
                  held.lostPct = figurePct ?? lostSensorPct(brief.duty, response.floor.speedPct)
              },
            },
          ]
        : [],
    ),
}
