import { Type, type Static } from '@sinclair/typebox'
import { about, closed, Id, Name, Percent } from '@/core/json/vocabulary'
import type { Quantity } from '@/core/quantity/units'

/** What an input stands for, so that nobody has to guess it from its name. The first are read, the others are contacts. */
export const MEASURED_ROLES = [
  'room',
  'outdoor',
  'supply',
  'coil',
  'flue',
  'shell',
  'component',
  'body',
  'light',
  'pressure',
  'request',
] as const
export const SWITCH_ROLES = [
  'request',
  'door',
  'isolator',
  'safety-stop',
  'test',
  'heat',
  'equipment',
  'defrost',
  'alarm',
] as const
export type Role = (typeof MEASURED_ROLES)[number] | (typeof SWITCH_ROLES)[number]

/** What the response can sense. `from` and `to` are the range shown on charts and sliders, in the base unit of the kind. */
export const MEASURED = ['temperature', 'humidity', 'pressure', 'light', 'volts'] as const
export const MeasuredInput = Type.Object(
  {
    id: Id,
    kind: about(
      'what it measures: °C, %RH, Pa, lx, V of a 0–10 V signal',
      Type.Union(MEASURED.map((kind) => Type.Literal(kind))),
    ),
    name: Name,
    from: about('lower end of the range shown, in its base unit', Type.Number()),
    to: about('upper end of the range shown, in its base unit', Type.Number()),
    offset: about('added to what the sensor says', Type.Optional(Type.Number())),
    lostBelow: about(
      'a reading below this is none: a signal with a living zero (2–10 V) says so when its lead is cut',
      Type.Optional(Type.Number()),
    ),
    refrigerant: about(
      'of a pressure: the refrigerant whose saturation it shows, a name of its table',
      Type.Optional(Type.String({ pattern: '^R-[0-9A-Za-z]{2,8}$' })),
    ),
    combines: about(
      'made of other inputs instead of read; readings that are lost are left out, but a difference needs both',
      Type.Optional(
        Type.Object(
          {
            of: about('ids of the inputs it is made of', Type.Array(Id, { minItems: 1, maxItems: 8 })),
            how: about(
              'what is made of them',
              Type.Union([
                Type.Literal('highest'),
                Type.Literal('lowest'),
                Type.Literal('average'),
                Type.Literal('difference'),
              ]),
            ),
          },
          closed,
        ),
      ),
    ),
    lostPct: about(
      'speed held while this input has no reading: by duty, full where lives or machines hang on it',
      Type.Optional(Percent),
    ),
    role: about(
      'what it measures; proposed by duty where nothing is said',
      Type.Optional(Type.Union(MEASURED_ROLES.map((role) => Type.Literal(role)))),
    ),
  },
  closed,
)
const SwitchInput = Type.Object(
  {
    id: Id,
    kind: about('a switch or contact, on or off', Type.Literal('switch')),
    name: Name,
    contact: about(
      'what the contact does when it comes on: closes (normally open) or opens (normally closed); closes where nothing is said. A cut lead reads as open',
      Type.Optional(Type.Union([Type.Literal('closes'), Type.Literal('opens')])),
    ),
    role: about(
      'what it tells; proposed by duty where nothing is said',
      Type.Optional(Type.Union(SWITCH_ROLES.map((role) => Type.Literal(role)))),
    ),
  },
  closed,
)
export const Input = Type.Union([MeasuredInput, SwitchInput])
export type MeasuredInput = Static<typeof MeasuredInput>
export type Input = Static<typeof Input>

/** Which side of a point counts, and whether the point itself does. */
export const SIDES = ['at-or-above', 'at-or-below', 'above', 'below'] as const
export type Side = (typeof SIDES)[number]
export const when = Type.Union(SIDES.map((side) => Type.Literal(side)))

export const isMeasured = (input: Input): input is MeasuredInput => input.kind !== 'switch'

/** The quantity in which an input of this kind is measured. */
export const inputQuantity = (input: Input | undefined): Quantity => (input && isMeasured(input) ? input.kind : 'speed')
