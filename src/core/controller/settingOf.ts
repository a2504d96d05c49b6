import type { ControllerModel, Meaning, PartSetting } from '@/core/controller/schema'

/** The setting of a model that stands for a part of a response. */
export const settingOf = (model: ControllerModel, means: Meaning, slot: number): PartSetting | undefined =>
  model.settings.find((setting): setting is PartSetting => setting.means === means && setting.slot === slot)
