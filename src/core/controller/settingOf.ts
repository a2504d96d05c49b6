import type { ControllerModel, Meaning, Setting } from '@/core/controller/schema'

/** The setting of a model that means this, in slot number `slot`. */
export const settingOf = ({ settings }: ControllerModel, means: Meaning, slot: number): Setting | undefined =>
  settings.find((setting) => setting.means === means && setting.slot === slot)
