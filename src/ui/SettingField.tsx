import type { Setting } from '@/core/controller/schema'
import { Choice } from '@/ui/Choice'
import { QuantityField } from '@/ui/QuantityField'

type Props = {
  label: string
  setting: Setting
  /** In the base unit of the setting; null where nobody knows. */
  value: number | null
  onChange: (value: number) => void
  /** There is no value any more. */
  onClear?: () => void
  onDone?: () => void
}

const NOT_KNOWN = ''

/** A value of a setting, typed or chosen as the panel says it: by its own choices, by its own figure, or as the quantity it is. */
export function SettingField({ label, setting, value, onChange, onClear, onDone }: Props) {
  const { choices, figure, quantity, min, max, step } = setting
  if (choices)
    return (
      <Choice
        label={label}
        value={value === null ? NOT_KNOWN : String(value)}
        options={[
          ...(value === null || onClear ? [[NOT_KNOWN, '–'] as const] : []),
          ...choices.map((choice) => [String(choice.value), choice.shown] as const),
        ]}
        onChange={(next) => {
          if (next !== NOT_KNOWN) onChange(Number(next))
          else onClear?.()
          onDone?.()
        }}
      />
    )
  const [times, plus] = figure ? [figure.times, figure.plus] : [1, 0]
  const ends = [min * times + plus, max * times + plus]
  return (
    <>
      <QuantityField
        label={label}
        quantity={figure ? 'count' : quantity}
        value={value === null ? null : value * times + plus}
        step={Math.abs(step * times)}
        limits={[Math.min(...ends), Math.max(...ends)]}
        onChange={(shown) => onChange((shown - plus) / times)}
        {...(onClear ? { onClear } : {})}
        {...(onDone ? { onDone } : {})}
      />
      {figure && ` ${figure.unit}`}
    </>
  )
}
