import type { Installation } from '@/core/document/installation'
import type { Input } from '@/core/response/schema'

export type RuleTemplate = {
  readonly sentence: string
  readonly words: string
  readonly add: (draft: Installation) => void
}

function freeId(taken: readonly string[], wanted: string): string {
  if (!taken.includes(wanted)) return wanted
  let number = 2
  while (taken.includes(`${wanted}-${number}`)) number++
  return `${wanted}-${number}`
}

/** The input of this kind, made when the installation has none. */
function ensureInput({ response }: Installation, made: Input): string {
  const found = response.inputs.find(({ kind }) => kind === made.kind)
  if (found && made.kind !== 'switch') return found.id
  const id = freeId(
    response.inputs.map((input) => input.id),
    made.id,
  )
  response.inputs.push({ ...made, id })
  return id
}

const addRamp = (made: Input, startAt: number, fullAt: number) => (draft: Installation) => {
  const input = ensureInput(draft, made)
  const { response } = draft
  response.rules.push({
    id: freeId(
      response.rules.map(({ id }) => id),
      made.id,
    ),
    kind: 'ramp',
    input,
    startAt,
    fullAt,
    fromPct: response.floor.speedPct,
    toPct: response.ceiling.speedPct,
    below: 'from',
  })
}

/** The sentences that can be added here. */
export function ruleTemplates({ response, kit }: Installation): RuleTemplate[] {
  const followers = kit.fans.filter(
    ({ id }) => id !== response.lead && !response.followers.some(({ fan }) => fan === id),
  )
  return [
    {
      sentence: 'As room temperature climbs, run faster',
      words: 'temp ramp heat hot',
      add: addRamp({ id: 'roomTemp', kind: 'temperature', name: 'room temperature', from: 10, to: 40 }, 22, 27),
    },
    {
      sentence: 'As humidity climbs, run faster',
      words: 'hum damp ramp moisture',
      add: addRamp({ id: 'humidity', kind: 'humidity', name: 'humidity', from: 30, to: 100 }, 65, 80),
    },
    {
      sentence: 'When a switch is on, run at a set speed, and run on afterwards',
      words: 'boost switch overrun contact button',
      add: (draft) => {
        const input = ensureInput(draft, { id: 'boost', kind: 'switch', name: 'boost switch' })
        const { rules, ceiling } = draft.response
        rules.push({
          id: freeId(
            rules.map(({ id }) => id),
            'boost',
          ),
          kind: 'switch',
          input,
          speedPct: ceiling.speedPct,
          onDelayS: 0,
          overrun: { kind: 'fixed', holdS: 900 },
        })
      },
    },
    ...followers.map(({ id, name }) => ({
      sentence: `${name} follows the lead`,
      words: 'follow make-up ratio second fan',
      add: ({ response: draft }: Installation) =>
        void draft.followers.push({ fan: id, ratio: 0.8, floorPct: 0, atLeadFloor: 'follow' }),
    })),
  ]
}
