'use client'

import { putAt, valueAt, type Path } from '@/core/json/path'
import type { Quantity } from '@/core/quantity/units'
import { Choice } from '@/ui/Choice'
import { DateField } from '@/ui/DateField'
import { QuantityField } from '@/ui/QuantityField'
import { TextLine } from '@/ui/TextLine'
import { useWorkingCopy } from '@/ui/workingCopy/context'

type Common = {
  /** Where in the installation it stands: dotted. */
  readonly place: Path
  readonly label: string
  /** What undo calls a change of it; the label where nothing is said. */
  readonly change?: string
}
type Figure = {
  readonly quantity: Quantity
  readonly limits?: readonly [min: number, max: number]
  /** It may be emptied; null then stands there. */
  readonly mayBeEmpty?: boolean
  readonly showUnit?: boolean
}
type Words = {
  readonly maxLength?: number
  readonly placeholder?: string
  readonly grow?: boolean
  readonly atLeast?: string
}
type Options = { readonly options: readonly (readonly [value: string, text: string])[] }

type Props = Common & (Figure | Options | { readonly text: Words } | { readonly day: true })

/** A field over one place of the installation in hand: shows what stands there, puts there what is typed, as one change for undo. */
export function DocumentField({ place, label, change = label, ...field }: Props) {
  // Hears of its own place alone: another change of the document does not draw it again.
  const value = useWorkingCopy(({ document }) => valueAt(document, place))
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const put = (next: unknown) => edit(change, (draft) => putAt(draft, place, next), place)
  if ('text' in field) {
    const { atLeast = '', ...words } = field.text
    return (
      <TextLine
        label={label}
        value={typeof value === 'string' ? value : ''}
        onDone={onDone}
        onChange={(text) => put(text || atLeast)}
        {...words}
      />
    )
  }
  if ('options' in field)
    return (
      <Choice label={label} value={typeof value === 'string' ? value : ''} options={field.options} onChange={put} />
    )
  if ('day' in field) return <DateField label={label} value={typeof value === 'string' ? value : null} onChange={put} />
  const { mayBeEmpty = false, ...figure } = field
  return (
    <QuantityField
      label={label}
      value={typeof value === 'number' ? value : null}
      onDone={onDone}
      onChange={put}
      {...(mayBeEmpty ? { onClear: () => put(null) } : {})}
      {...figure}
    />
  )
}
