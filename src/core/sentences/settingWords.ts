import type { SettingFilter, SettingTask, SettingWhy } from '@/core/installation/settingsList'
import type { Setting } from '@/core/controller/schema'

/** What is to be done with a setting, in a word or two. */
export const TASK_WORDS: Record<SettingTask, string> = {
  change: 'Change',
  leave: 'Leave',
  decide: 'Decide',
  note: 'Note what it shows',
  maker: 'Maker’s',
}

const WHY_WORDS: Record<Exclude<SettingWhy['code'], 'advice'>, string> = {
  response: 'As the response asks.',
  decided: 'Decided here.',
  unknown: 'Nobody at hand knows what it does: note what it shows, and leave it.',
  maker: 'Only its maker may change it.',
}

export const settingWhyText = (why: SettingWhy): string => (why.code === 'advice' ? why.why : WHY_WORDS[why.code])

export const FILTER_WORDS: Record<SettingFilter, string> = {
  all: 'All',
  open: 'Open',
  differs: 'Differs from default',
  unsaved: 'Unsaved',
  commissioned: 'Commissioned',
}

export const WHO_WORDS: Record<NonNullable<Setting['who']>, string> = {
  user: 'whoever uses it',
  commissioned: 'whoever commissions it',
  maker: 'its maker alone',
}

/** When a changed value is written for good. */
export function writtenText({ written }: Setting): string {
  switch (written?.when ?? 'at-once') {
    case 'at-once':
      return 'at once'
    case 'on-key':
      return 'when it is kept with a key'
    case 'after':
      return `after ${written?.afterS ?? 0} s without a touch`
    case 'on-leaving':
      return 'on leaving the menu'
  }
}

/** Whether it outlasts a power cut. */
export const powerText = ({ power, powerNote }: Setting): string =>
  power === 'kept' ? 'kept' : power === 'lost' ? 'lost' : `kept, ${powerNote ?? 'verify'}`
