import { given } from '@/core/controller/given'
import type { SlotKind } from '@/core/controller/slots/slotKind'
import type { ByAge } from '@/core/rules/byAge'

/** Most rows of the table; its figures are chosen row by row. */
type AgeSlot = { readonly rows: number }

export const byAgeSlot: SlotKind<ByAge, AgeSlot> = {
  slots: ({ abilities }) => (abilities?.byAge ? [{ rows: abilities.byAge }] : []),
  takes: () => true,
  wants: {},
  give: (rule, slot) =>
    given(
      { ...rule, rows: rule.rows.slice(0, Math.max(2, slot.rows)) },
      rule.rows.length > slot.rows && {
        kind: 'rows-left-out',
        rule: rule.id,
        kept: slot.rows,
        asked: rule.rows.length,
      },
    ),
  lowerIsMore: () => false,
}
