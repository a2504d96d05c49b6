import type { Setting, SettingValue } from '@/core/controller/schema'

/** The value that stands in a list for a setting; undefined where it has none there. */
export const valueFor = (values: readonly SettingValue[], settingId: string): number | undefined =>
  values.find(({ setting }) => setting === settingId)?.value

/** What a setting stands at: as read from the panel, or the model's default where it was not read. */
export const presentValue = ({ id, default: usual }: Setting, present: readonly SettingValue[]): number =>
  valueFor(present, id) ?? usual
