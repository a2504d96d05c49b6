import { given } from '@/core/controller/given'
import type { Setting } from '@/core/controller/schema'
import { byAgeSlot } from '@/core/controller/slots/byAgeSlot'
import { cycleSlot } from '@/core/controller/slots/cycleSlot'
import { differentialSlot } from '@/core/controller/slots/differentialSlot'
import { holdAfterFallSlot } from '@/core/controller/slots/holdAfterFallSlot'
import { rampSlot } from '@/core/controller/slots/rampSlot'
import { rapidRiseSlot } from '@/core/controller/slots/rapidRiseSlot'
import type { SlotKind } from '@/core/controller/slots/slotKind'
import { switchSlot } from '@/core/controller/slots/switchSlot'
import { weekSlot } from '@/core/controller/slots/weekSlot'
import type { Rule } from '@/core/rules/table'

const SLOT_KINDS: { readonly [K in Rule['kind']]?: unknown } = {
  ramp: rampSlot,
  switch: switchSlot,
  differential: differentialSlot,
  'rapid-rise': rapidRiseSlot,
  week: weekSlot,
  cycle: cycleSlot,
  'hold-after-fall': holdAfterFallSlot,
  'by-age': byAgeSlot,
}

type AnySlotKind = SlotKind<Rule, unknown>

/** Of a kind that no controller known here has. */
const NO_SLOT: AnySlotKind = {
  slots: () => [],
  takes: () => false,
  wants: {},
  give: (rule) => given(rule),
  lowerIsMore: () => true,
}

export const slotKind = (kind: Rule['kind']): AnySlotKind => (SLOT_KINDS[kind] as AnySlotKind | undefined) ?? NO_SLOT

const GROUPS: Readonly<Record<string, Rule['kind']>> = {
  ramp: 'ramp',
  switch: 'switch',
  differential: 'differential',
  rapidRise: 'rapid-rise',
  cycle: 'cycle',
  holdAfterFall: 'hold-after-fall',
}

/** The kind of rule whose slot a setting belongs to; null for settings of the whole controller. */
export const ruleKindOf = (means: Setting['means']): Rule['kind'] | null =>
  means === 'switch.contact' ? null : (GROUPS[means.split('.')[0] ?? ''] ?? null)
