import { Type, type Static } from '@sinclair/typebox'
import { fail, ok, type Outcome } from '@/core/json/problem'
import { validator } from '@/core/json/validator'
import { about, closed, documentSchema } from '@/core/json/vocabulary'
import type { Machine } from '@/core/machine/compile'
import type { MachineState } from '@/core/machine/state'

// JSON has no NaN and no Infinity; they are written as words.
const Figure = Type.Union([Type.Number(), Type.Literal('NaN'), Type.Literal('Infinity')])
const Figures = Type.Array(Figure, { maxItems: 100_000 })
const FIELDS = ['memory', 'sensed', 'asksPct', 'fansPct', 'figures'] as const

export const STATE_SCHEMA = 'soft-gale/machine-state@1'
export const MachineStateDocument = Type.Object(
  {
    schema: documentSchema(STATE_SCHEMA),
    memory: about('what the machine remembers, in the order of its plan', Figures),
    sensed: about('inputs as sensed last', Figures),
    asksPct: about('what each rule asked for last, percent; NaN for nothing', Figures),
    fansPct: about('what each fan was given last, percent', Figures),
    figures: about('asked, limited, held, who held, wanted, aimed at and the rest of the kick', Figures),
    inCharge: about('index of the rule that is active; -1 the floor, -2 the run-on', Type.Integer({ minimum: -2 })),
  },
  closed,
)
export type MachineStateDocument = Static<typeof MachineStateDocument>

const readShape = validator(MachineStateDocument)

const written = (x: number): Static<typeof Figure> => (Number.isNaN(x) ? 'NaN' : x === Infinity ? 'Infinity' : x)

/** A state as JSON, to go on from later or elsewhere. */
export const saveState = (state: MachineState): MachineStateDocument => ({
  schema: STATE_SCHEMA,
  memory: Array.from(state.memory, written),
  sensed: Array.from(state.sensed, written),
  asksPct: Array.from(state.asksPct, written),
  fansPct: Array.from(state.fansPct, written),
  figures: Array.from(state.figures, written),
  inCharge: state.inCharge,
})

/** The state of `machine` from JSON; one of another response does not fit and is refused. */
export function loadState(machine: Machine, data: unknown): Outcome<MachineState> {
  const read = readShape(data)
  if (!read.ok) return read
  const state = machine.newState()
  const other = FIELDS.find((field) => read.value[field].length !== state[field].length)
  if (other) return fail({ code: 'other_state', path: other })
  for (const field of FIELDS) state[field].set(read.value[field].map(Number))
  state.inCharge = read.value.inCharge
  return ok(state)
}
