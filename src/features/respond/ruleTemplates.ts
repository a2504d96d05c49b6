import { freeId } from '@/core/document/freeId'
import type { Installation } from '@/core/document/installation'
import type { Input, Response, Rule } from '@/core/response/schema'

export type RuleTemplate = {
  readonly sentence: string
  readonly words: string
  readonly add: (draft: Installation) => void
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

const ROOM_TEMP: Input = { id: 'roomTemp', kind: 'temperature', name: 'room temperature', from: 10, to: 40 }
const HUMIDITY: Input = { id: 'humidity', kind: 'humidity', name: 'humidity', from: 30, to: 100 }

/** Adds a rule under a free id; `input` is what it answers to, made when there is none of its kind. */
const addRule = (make: (input: string, response: Response) => Rule, input: Input | null) => (draft: Installation) => {
  const rule = make(input ? ensureInput(draft, input) : '', draft.response)
  draft.response.rules.push({
    ...rule,
    id: freeId(
      draft.response.rules.map(({ id }) => id),
      rule.id,
    ),
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
      add: addRamp(ROOM_TEMP, 22, 27),
    },
    {
      sentence: 'As humidity climbs, run faster',
      words: 'hum damp ramp moisture',
      add: addRamp(HUMIDITY, 65, 80),
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
    {
      sentence: 'When room temperature reaches a point, run at a set speed until it falls to another',
      words: 'on off differential two-speed hysteresis thermostat cool',
      add: addRule(
        (input, { ceiling }) => ({
          id: 'onOff',
          kind: 'differential',
          input,
          sense: 'cooling',
          onAt: 26,
          offAt: 24,
          speedPct: ceiling.speedPct,
          minOnS: 0,
          minOffS: 0,
        }),
        ROOM_TEMP,
      ),
    },
    {
      sentence: 'When humidity rises quickly, run until it is back',
      words: 'hum surge shower steam rise',
      add: addRule(
        (input, { ceiling }) => ({
          id: 'surge',
          kind: 'surge',
          input,
          windowS: 300,
          rise: 8,
          release: 3,
          speedPct: ceiling.speedPct,
          capS: 1800,
        }),
        HUMIDITY,
      ),
    },
    {
      sentence: 'While it is hot, run; when it has cooled, run on for a time, then stop',
      words: 'after run flue stove countdown',
      add: addRule(
        (input, { ceiling }) => ({
          id: 'afterRun',
          kind: 'after-run',
          input,
          armAbove: 60,
          speedPct: ceiling.speedPct,
          holdS: 2700,
        }),
        ROOM_TEMP,
      ),
    },
    {
      sentence: 'By the clock, run at a set speed on working days',
      words: 'week time timer hours days night',
      add: addRule(
        (_input, { ceiling }) => ({
          id: 'week',
          kind: 'week',
          periods: [{ days: [0, 1, 2, 3, 4], startMin: 480, endMin: 1020, speedPct: ceiling.speedPct }],
        }),
        null,
      ),
    },
    {
      sentence: 'Run for some minutes in every hour',
      words: 'cycle timer minimum ventilation period',
      add: addRule(
        (_input, { ceiling }) => ({ id: 'cycle', kind: 'cycle', onS: 300, periodS: 3600, speedPct: ceiling.speedPct }),
        null,
      ),
    },
    ...followers.map(({ id, name }) => ({
      sentence: `${name} follows the lead`,
      words: 'follow make-up ratio second fan',
      add: ({ response: draft }: Installation) =>
        void draft.followers.push({ fan: id, ratio: 0.8, floorPct: 0, atLeadFloor: 'follow' }),
    })),
  ]
}
