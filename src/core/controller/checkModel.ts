import type { ControllerModel, Setting } from '@/core/controller/schema'
import type { Problem } from '@/core/problem'

const onStep = ({ min, step }: Setting, value: number): boolean =>
  Math.abs((value - min) / step - Math.round((value - min) / step)) < 1e-6

function checkSetting(setting: Setting, path: string): Problem[] {
  const { min, max, name } = setting
  const problems: Problem[] = []
  if (!(min < max))
    problems.push({
      code: 'order',
      path: `${path}.min`,
      low: `The lowest ${name}`,
      lowValue: min,
      high: 'the highest',
      highValue: max,
      unit: '',
    })
  if (setting.default < min || setting.default > max)
    problems.push({
      code: 'out_of_range',
      path: `${path}.default`,
      what: `The default of ${name}`,
      got: setting.default,
      min,
      max,
      unit: '',
    })
  else if (!onStep(setting, setting.default))
    problems.push({
      code: 'said',
      path: `${path}.default`,
      text: `The default of ${name} (${setting.default}) is not on a step: from ${min} by ${setting.step}.`,
    })
  return problems
}

/** What contradicts itself in a controller model: ids, ranges, defaults, slots that do not exist. */
export function checkModel(model: ControllerModel): Problem[] {
  const ids = model.settings.map(({ id }) => id)
  const slots: Record<string, number> = {
    ramp: model.ramps.length,
    switch: model.switches.length,
    follower: model.followers.length,
  }
  return model.settings.flatMap((setting, index): Problem[] => {
    const path = `settings.${index}`
    const group = setting.means.split('.')[0] ?? ''
    const places = slots[group] ?? 1
    return [
      ...(ids.indexOf(setting.id) < index
        ? [{ code: 'duplicate_id' as const, path: `${path}.id`, what: 'settings', got: setting.id }]
        : []),
      ...(setting.slot > places
        ? [
            {
              code: 'said' as const,
              path: `${path}.slot`,
              text: `${setting.name} is for ${group} ${setting.slot}, but this controller has ${places}.`,
            },
          ]
        : []),
      ...checkSetting(setting, path),
    ]
  })
}
