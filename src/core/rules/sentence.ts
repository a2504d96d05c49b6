import type { Quantity } from '@/core/quantity/units'
import type { SetPoint, WeekSpan } from '@/core/rules/weekSpan'
import { isMeasured, type Input, type MeasuredInput, type Side } from '@/core/rules/input'
import { text, type Cause, type MoreAction, type SentencePart, type Surroundings } from '@/core/rules/kind'

export const field = (path: string, label: string, quantity: Quantity, value: number): SentencePart => ({
  kind: 'field',
  path,
  label,
  quantity,
  value,
})

type Inputs = Pick<Surroundings, 'inputs'>

export const inputOf = (response: Inputs, id: string): Input | undefined =>
  response.inputs.find((input) => input.id === id)

export const inputName = (response: Inputs, id: string): string => inputOf(response, id)?.name ?? id

export const inputCause = (input: Input | undefined): Cause => (input && isMeasured(input) ? input.kind : 'switch')

/** The choice among the inputs that fit: with one alone it is plain text. */
export function inputPart(
  response: Inputs,
  path: string,
  label: string,
  id: string,
  fits: (input: Input) => boolean,
): SentencePart {
  const options = response.inputs.filter(fits).map(({ id: value, name }) => [value, name] as const)
  return options.length > 1 && options.some(([value]) => value === id)
    ? { kind: 'choice', path, label, value: id, options }
    : { kind: 'input', name: inputName(response, id) }
}

export const isSwitch = (input: Input): boolean => !isMeasured(input)
export const measures =
  (...kinds: readonly MeasuredInput['kind'][]) =>
  (input: Input): boolean =>
    isMeasured(input) && (kinds.length === 0 || kinds.includes(input.kind))

/** Days and times of a span of the week. */
export const spanParts = (path: string, { days, startMin, endMin }: WeekSpan): readonly SentencePart[] => [
  { kind: 'days', path: `${path}.days`, label: 'days', value: days },
  text(' from '),
  { kind: 'clock', path: `${path}.startMin`, label: 'from', value: startMin },
  text(' to '),
  { kind: 'clock', path: `${path}.endMin`, label: 'to', value: endMin },
]

/** Items said one after the other, with a word between. */
export const listed = (between: string, items: readonly (readonly SentencePart[])[]): readonly SentencePart[] =>
  items.flatMap((item, index) => (index === 0 ? item : [text(between), ...item]))

/** Which side of a point counts. */
export const pastPart = (path: string, label: string, value: Side): SentencePart => ({
  kind: 'choice',
  path,
  label,
  value,
  options: [
    ['at-or-above', 'at or above'],
    ['at-or-below', 'at or below'],
    ['above', 'above'],
    ['below', 'below'],
  ],
})

/** The hours at which a rule begins at another point. */
export const setPointParts = (
  setPoints: readonly SetPoint[] | undefined,
  quantity: Quantity,
  verb: string,
): readonly SentencePart[] =>
  (setPoints ?? []).flatMap((point, index) => [
    text('; '),
    ...spanParts(`setPoints.${index}`, point),
    text(` it ${verb} at `),
    field(`setPoints.${index}.at`, `set point ${index + 1}`, quantity, point.at),
  ])

/** Where somebody adds a time of the week: common practice, no source. */
export const WEEKEND: WeekSpan = { days: [5, 6], startMin: 480, endMin: 1020 }

/** Adds and takes away hours at which a rule begins at another point than `at`. */
export const setPointActions = (
  { setPoints = [] }: { readonly setPoints?: readonly SetPoint[] },
  at: number,
): readonly MoreAction<{ setPoints?: SetPoint[] }>[] => [
  {
    label: 'Add hours with another set point',
    change: (draft) => void (draft.setPoints = [...setPoints, { ...WEEKEND, at }]),
  },
  ...(setPoints.length > 0
    ? [
        {
          label: 'Take the last set point away',
          change: (draft: { setPoints?: SetPoint[] }) => {
            if (setPoints.length > 1) draft.setPoints?.pop()
            else delete draft.setPoints
          },
        },
      ]
    : []),
]
