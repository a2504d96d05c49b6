import { wayTo } from '@/core/controller/panel'
import { isPart, type ControllerModel, type Meaning, type Setting } from '@/core/controller/schema'
import type { Problem } from '@/core/json/problem'

const onStep = ({ min, step }: Setting, value: number): boolean =>
  Math.abs((value - min) / step - Math.round((value - min) / step)) < 1e-6

/** Inside its range, and one of its choices where it has only those. */
const isOffered = ({ min, max, choices }: Setting, value: number): boolean =>
  value >= min && value <= max && (!choices || choices.some((choice) => choice.value === value))

function checkSetting(setting: Setting, path: string): Problem[] {
  const { min, max, name, choices, enter, written, off } = setting
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
  else if (choices && !choices.some(({ value }) => value === setting.default))
    problems.push({
      code: 'default_no_choice',
      path: `${path}.default`,
      name,
      got: setting.default,
      choices: choices.map(({ value }) => value),
    })
  else if (!choices && !onStep(setting, setting.default))
    problems.push({
      code: 'default_off_step',
      path: `${path}.default`,
      name,
      got: setting.default,
      from: min,
      step: setting.step,
    })
  if (off !== undefined && !isOffered(setting, off))
    problems.push({
      code: 'off_not_had',
      path: `${path}.off`,
      name,
      got: off,
    })
  for (const [index, { value }] of (choices ?? []).entries()) {
    if (value < min || value > max)
      problems.push({
        code: 'out_of_range',
        path: `${path}.choices.${index}.value`,
        what: `A choice of ${name}`,
        got: value,
        min,
        max,
        unit: '',
      })
    if (index > 0 && value <= choices![index - 1]!.value)
      problems.push({
        code: 'choices_fall',
        path: `${path}.choices.${index}.value`,
        name,
        got: value,
        before: choices![index - 1]!.value,
      })
  }
  if (setting.means === 'nothing' && (setting.purpose === undefined || setting.advice === undefined))
    problems.push({ code: 'no_purpose', path, name })
  if (setting.advice?.what === 'set') {
    const { to } = setting.advice
    if (to === undefined || !isOffered(setting, to) || (!choices && !onStep(setting, to)))
      problems.push({ code: 'advice_not_had', path: `${path}.advice.to`, name, got: to ?? null })
  }
  if (enter.way === 'choose' && !choices)
    problems.push({
      code: 'no_choices',
      path: `${path}.enter.way`,
      name,
    })
  if (written?.when === 'after' && written.afterS === undefined)
    problems.push({ code: 'missing', path: `${path}.written.afterS`, what: `The time after which ${name} is written` })
  return problems
}

function checkPanel({ panel, settings }: ControllerModel): Problem[] {
  if (!panel) return []
  const controls = panel.controls.map(({ id }) => id)
  const states = panel.states.map(({ id }) => id)
  const settingIds = settings.map(({ id }) => id)
  const unreached = states.filter((id) => wayTo(panel, states[0]!, id) === null)
  const unset = settingIds.filter(
    (id) =>
      settings.find((setting) => setting.id === id)?.who !== 'maker' &&
      !panel.states.some((state) => state.setting === id && state.moves.some(({ does }) => does === 'step-up')),
  )
  return [
    ...panel.states.flatMap(({ id, setting, moves }, index): Problem[] => {
      const path = `panel.states.${index}`
      return [
        ...(states.indexOf(id) < index
          ? [{ code: 'duplicate_id' as const, path: `${path}.id`, what: 'states', got: id }]
          : []),
        ...(setting !== undefined && !settingIds.includes(setting)
          ? [{ code: 'unknown_id' as const, path: `${path}.setting`, what: 'setting', got: setting, known: settingIds }]
          : []),
        ...moves.flatMap(({ control, act, to, does }, place): Problem[] => [
          ...(act !== 'wait' && !controls.includes(control)
            ? [
                {
                  code: 'unknown_id' as const,
                  path: `${path}.moves.${place}.control`,
                  what: 'control',
                  got: control,
                  known: controls,
                },
              ]
            : []),
          ...(to !== undefined && !states.includes(to)
            ? [
                {
                  code: 'unknown_id' as const,
                  path: `${path}.moves.${place}.to`,
                  what: 'state',
                  got: to,
                  known: states,
                },
              ]
            : []),
          ...(does !== undefined && setting === undefined
            ? [
                {
                  code: 'nothing_open' as const,
                  path: `${path}.moves.${place}.does`,
                  state: id,
                },
              ]
            : []),
        ]),
      ]
    }),
    ...unreached.map((id): Problem => ({
      code: 'no_way',
      path: `panel.states.${states.indexOf(id)}`,
      from: states[0] ?? '',
      to: id,
    })),
    ...states
      .filter((id) => !unreached.includes(id) && wayTo(panel, id, states[0]!, () => true) === null)
      .map((id): Problem => ({
        code: 'no_way_back',
        path: `panel.states.${states.indexOf(id)}`,
        state: id,
        to: states[0] ?? '',
      })),
    ...unset.map((id): Problem => ({
      code: 'never_changed',
      path: `settings.${settingIds.indexOf(id)}`,
      setting: id,
    })),
  ]
}

/** Inputs and outputs called the same, and levels that do not climb. */
function checkTerminals({ inputs = [], outputs }: ControllerModel): Problem[] {
  const twice = (what: 'inputs' | 'outputs', ids: readonly string[]) =>
    ids.flatMap((got, index): Problem[] =>
      ids.indexOf(got) < index ? [{ code: 'duplicate_id', path: `${what}.${index}.id`, what, got }] : [],
    )
  return [
    ...twice(
      'inputs',
      inputs.map(({ id }) => id),
    ),
    ...twice(
      'outputs',
      outputs.map(({ id }) => id),
    ),
    ...outputs.flatMap(({ levelsPct = [], name }, index) =>
      levelsPct.flatMap((level, place): Problem[] =>
        place > 0 && level <= levelsPct[place - 1]!
          ? [
              {
                code: 'order',
                path: `outputs.${index}.levelsPct.${place}`,
                low: `The level of ${name} before`,
                lowValue: levelsPct[place - 1]!,
                high: 'this one',
                highValue: level,
                unit: '%',
              },
            ]
          : [],
      ),
    ),
  ]
}

/** Figures of a slot that are neither a setting nor built in: a controller that takes whatever is asked does not exist, and a fit would promise it. */
function checkFigures({
  settings,
  ramps,
  differentials = [],
  rapidRises = [],
  holdsAfterFall = [],
  cycles = [],
}: ControllerModel): Problem[] {
  const missing = (
    list: string,
    index: number,
    means: Meaning,
    builtIn: string | null,
    isBuiltIn: boolean,
  ): Problem[] =>
    isBuiltIn || settings.some((setting) => setting.means === means && setting.slot === index + 1)
      ? []
      : [
          {
            code: 'nothing_sets',
            path: `${list}.${index}`,
            means,
            builtIn,
          },
        ]
  return [
    ...ramps.flatMap(({ fixed, fixedSpan }, index) => [
      ...missing('ramps', index, 'ramp.startAt', 'fixed', fixed !== undefined),
      ...missing('ramps', index, 'ramp.span', 'fixedSpan', fixed !== undefined || fixedSpan !== undefined),
    ]),
    ...differentials.flatMap(({ fixedWidth }, index) =>
      ['differential.onAt', 'differential.offAt'].some((means) =>
        settings.some((setting) => setting.means === means && setting.slot === index + 1),
      )
        ? [
            ...missing('differentials', index, 'differential.onAt', null, false),
            ...missing('differentials', index, 'differential.offAt', null, false),
          ]
        : [
            ...missing('differentials', index, 'differential.setPoint', null, false),
            ...missing('differentials', index, 'differential.width', 'fixedWidth', fixedWidth !== undefined),
          ],
    ),
    ...rapidRises.flatMap(({ rise, release, windowS, capS }, index) => [
      ...missing('rapidRises', index, 'rapidRise.rise', 'rise', rise !== undefined),
      ...missing('rapidRises', index, 'rapidRise.release', 'release', release !== undefined),
      ...missing('rapidRises', index, 'rapidRise.windowS', 'windowS', windowS !== undefined),
      ...missing('rapidRises', index, 'rapidRise.capS', 'capS', capS !== undefined),
    ]),
    ...holdsAfterFall.flatMap(({ holdS }, index) => [
      ...missing('holdsAfterFall', index, 'holdAfterFall.armAbove', null, false),
      ...missing('holdsAfterFall', index, 'holdAfterFall.holdS', 'holdS', holdS !== undefined),
    ]),
    ...cycles.flatMap((_cycle, index) => [
      ...missing('cycles', index, 'cycle.onS', null, false),
      ...missing('cycles', index, 'cycle.periodS', null, false),
    ]),
  ]
}

/** Two settings for one part: nobody could say which of them counts. */
function checkTwice({ settings }: ControllerModel): Problem[] {
  const parts = settings.map((setting, index) => ({ setting, index })).filter(({ setting }) => isPart(setting))
  const otherOf = (means: string, slot: number, before: number) =>
    parts.find(({ setting, index }) => setting.means === means && setting.slot === slot && index < before)?.setting
  return parts.flatMap(({ setting: { means, slot, name }, index }): Problem[] => {
    const path = `settings.${index}.means`
    const twin = otherOf(means, slot, index)
    const other = ['differential.onAt', 'differential.offAt'].includes(means)
      ? (otherOf('differential.setPoint', slot, settings.length) ??
        otherOf('differential.width', slot, settings.length))
      : undefined
    return [
      ...(twin ? [{ code: 'same_part_twice' as const, path, name, other: twin.name, means }] : []),
      ...(other ? [{ code: 'two_ways_to_say' as const, path, name, other: other.name }] : []),
    ]
  })
}

/** What contradicts itself in a controller model: ids, ranges, defaults, choices, slots that do not exist or whose figures nothing sets, a panel with no way to a setting. */
export function checkModel(model: ControllerModel): Problem[] {
  const ids = model.settings.map(({ id }) => id)
  const slots: Record<string, number> = {
    ramp: model.ramps.length,
    switch: model.switches.length,
    follower: model.followers.length,
    differential: model.differentials?.length ?? 0,
    rapidRise: model.rapidRises?.length ?? 0,
    cycle: model.cycles?.length ?? 0,
    holdAfterFall: model.holdsAfterFall?.length ?? 0,
    stages: Math.max(1, (model.stages?.fixed ?? 0) + (model.stages?.inlets ? 1 : 0)),
    input: model.inputs?.length ?? 0,
    lost: model.inputs?.length ?? 0,
    reduction: model.abilities?.reductions ?? 0,
    skipBand: model.abilities?.skipBands ?? 0,
    target: model.abilities?.targets ?? 0,
    named: model.abilities?.speeds ?? 0,
    stepUp: model.abilities?.stepUps ?? 0,
    byAge: model.abilities?.byAge ?? 0,
    output: model.abilities?.otherOutputs ? 8 : 0,
  }
  const problems = model.settings.flatMap((setting, index): Problem[] => {
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
              code: 'slot_beyond' as const,
              path: `${path}.slot`,
              name: setting.name,
              group,
              slot: setting.slot,
              places,
            },
          ]
        : []),
      ...checkSetting(setting, path),
    ]
  })
  return [...problems, ...checkTwice(model), ...checkFigures(model), ...checkTerminals(model), ...checkPanel(model)]
}
