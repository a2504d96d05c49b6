import { evenTicks, ticksWithin } from '@/core/quantity/evenTicks'
import { formatTick, inPreferredUnit, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import { toBase, type Quantity } from '@/core/quantity/units'
import type { Axis } from '@/features/respond/views/Plot'

const MOST_TICKS = 7

/** An axis of a quantity over a range in its base unit: its ticks are even in the unit of whoever reads it, which stands at the last of them. */
export function quantityAxis(quantity: Quantity, preference: UnitPreference, from: number, to: number): Axis {
  const unit = preferredUnit(quantity, preference)
  const show = (base: number) => inPreferredUnit(base, quantity, preference)
  return {
    from,
    to,
    unit: unit.symbol,
    ticks: ticksWithin(show(from), show(to), MOST_TICKS).map((shown) => toBase(unit, shown)),
    format: (base) => formatTick(Number(show(base).toPrecision(6)), preference),
  }
}

/** The same from zero up to the even tick above a value. */
export function quantityAxisFromZero(quantity: Quantity, preference: UnitPreference, most: number): Axis {
  const shown = evenTicks(0, inPreferredUnit(most, quantity, preference))
  return quantityAxis(quantity, preference, 0, toBase(preferredUnit(quantity, preference), shown.at(-1)!))
}
