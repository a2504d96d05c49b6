import type { Check } from '@/core/prove/plan'
import { formatPct, formatQuantity, formatTime, type UnitPreference } from '@/core/quantity/format'
import { inputQuantity } from '@/core/response/rules/kind'
import { OUTPUT_STATE } from '@/core/response/outputState'
import type { Condition, Response } from '@/core/response/schema'

type Named = (fanId: string) => string
type Seen = Omit<Extract<Check, { kind: 'seen' }>, 'kind'>
type Timed = Omit<Extract<Check, { kind: 'time' }>, 'kind' | 'fromReadingS'>

const seen = (check: Seen): Check => ({ kind: 'seen', ...check })
const timed = (check: Timed): Check => ({ kind: 'time', fromReadingS: null, ...check })

const METER = 'a meter or the display at the output'
const STOPWATCH = 'the stopwatch below'

const inputName = (response: Response, id: string): string =>
  response.inputs.find((input) => input.id === id)?.name ?? id

/** Every join of the ladder, up and down. */
function stageChecks({ stages, floor }: Response, named: Named): Check[] {
  if (!stages) return []
  const waitS = Math.max(30, stages.minStageS)
  return stages.fixed.flatMap(({ fan, joinsAtPct }, index) => [
    seen({
      id: `stage-${index + 1}-joins`,
      title: `Raise the demand slowly past ${formatPct(joinsAtPct)} % of the whole ladder.`,
      how: 'Warm the probe, or lower the set point and put it back after.',
      measureWith: 'your eyes, and a meter at the variable fan',
      waitS,
      ifFails: 'Wrong output, a join that was not kept, or a fan on its own isolator.',
      expect: `${named(fan)} joins, and the variable fan drops from 100 % to ${formatPct(floor.speedPct)} % and climbs again.`,
    }),
    seen({
      id: `stage-${index + 1}-leaves`,
      title: `Let the demand fall to ${formatPct(Math.max(0, joinsAtPct - stages.offBelowPct))} %.`,
      how: `Between the two it keeps running: ${formatPct(stages.offBelowPct)} points of differential.`,
      measureWith: 'your eyes, and a meter at the variable fan',
      waitS,
      ifFails: 'The differential going down was not kept: it will start and stop too often.',
      expect: `${named(fan)} leaves, and the variable fan climbs to make it good.`,
    }),
  ])
}

/** Each probe pulled, each switch that holds, the controller’s own heat. */
function holdChecks(response: Response): Check[] {
  const { inputs, holds = {}, coolDown } = response
  const { isolated, safetyStop, overheat, test } = holds
  return [
    ...inputs.flatMap((input) =>
      input.kind === 'switch' || input.lostPct === undefined
        ? []
        : [
            seen({
              id: `${input.id}-lost`,
              title: `Unplug the probe for ${input.name}.`,
              how: 'Plug it in again afterwards, and see that the reading comes back.',
              measureWith: METER,
              waitS: 60,
              ifFails: 'It does not do on a lost probe what it should: do not leave it alone like this.',
              expect: `It runs at ${formatPct(input.lostPct)} %.`,
            }),
          ],
    ),
    ...[
      { id: isolated, name: 'isolator', kind: 'isolated' },
      { id: safetyStop, name: 'safety stop', kind: 'safety-stop' },
    ].flatMap(({ id, name, kind }) =>
      id === undefined
        ? []
        : [
            seen({
              id: kind,
              title: `Turn the ${name} (${inputName(response, id)}) off while the fan runs fast.`,
              how: 'Stand clear: the fan restarts by itself when it is turned on again.',
              measureWith: kind === 'isolated' ? 'a proven tester at the terminals' : 'your eyes',
              waitS: 30,
              ifFails: 'It does not stop everything: do not work on it, and find the second supply.',
              expect: 'Every fan stands.',
            }),
          ],
    ),
    ...(overheat
      ? [
          seen({
            id: 'overheat',
            title: 'Look whether the heat lamp is lit, and what the leaflet says of its test.',
            how: 'Never heat the controller to try it.',
            measureWith: 'your eyes',
            waitS: 0,
            ifFails: 'It has been too hot since power came: move it to a cooler place.',
            expect: `The lamp is dark. Above ${formatQuantity(overheat.onAt, 'temperature')} it would run full until below ${formatQuantity(overheat.offBelow, 'temperature')}.`,
          }),
        ]
      : []),
    ...(test
      ? [
          seen({
            id: 'test',
            title: `Turn the test switch (${inputName(response, test.input)}) on, then off.`,
            how: 'It holds one speed while it is on.',
            measureWith: METER,
            waitS: 15,
            ifFails: 'The test speed was not kept, or the switch is on the wrong terminal.',
            expect: `It runs at ${formatPct(test.speedPct)} %, and goes back.`,
          }),
        ]
      : []),
    ...(coolDown && coolDown.holdS > 0
      ? [
          timed({
            id: 'cool-down',
            title: `Let it give heat (${inputName(response, coolDown.input)}), end it, and time how long the fan goes on.`,
            how: `Not less than ${formatPct(coolDown.speedPct)} %, even when it is switched off.`,
            measureWith: STOPWATCH,
            waitS: coolDown.holdS,
            ifFails: 'The heater would be left without air: do not leave it like this.',
            expectS: coolDown.holdS,
          }),
        ]
      : []),
  ]
}

function modeChecks({ light, inputs, dayByWeek }: Response): Check[] {
  if (light) {
    const name = inputs.find(({ id }) => id === light.input)?.name ?? light.input
    return [
      timed({
        id: 'night-comes',
        title: `Cover ${name} and time how long it stays day.`,
        how: 'Any light starts the count anew: cover it well.',
        measureWith: STOPWATCH,
        waitS: light.delayS,
        ifFails: 'Level or delay was not kept, or stray light reaches the sensor.',
        expectS: light.delayS,
      }),
      seen({
        id: 'day-comes',
        title: `Uncover ${name}.`,
        how: `It waits ${formatTime(light.delayS)} again.`,
        measureWith: METER,
        waitS: light.delayS,
        ifFails: 'The level is above the light it gets.',
        expect: 'The rules of the day ask again.',
      }),
    ]
  }
  return dayByWeek
    ? [
        seen({
          id: 'modes-week',
          title: 'Set the clock to a minute before day begins, and before it ends.',
          how: 'Put the right time back afterwards.',
          measureWith: METER,
          waitS: 120,
          ifFails: 'A period of the day was not kept, or the clock is wrong.',
          expect: 'Day and night come at their minute.',
        }),
      ]
    : []
}

function conditionText(response: Response, condition: Condition, preference: UnitPreference): string {
  switch (condition.kind) {
    case 'input': {
      const input = response.inputs.find(({ id }) => id === condition.input)
      return `${input?.name ?? condition.input} ${condition.when === 'at-or-above' ? 'reaches' : 'falls to'} ${formatQuantity(condition.at, inputQuantity(input), preference)}`
    }
    case 'switch':
      return `${inputName(response, condition.input)} is ${condition.is}`
    case 'speed':
      return `the speed ${condition.when === 'at-or-above' ? 'reaches' : 'falls to'} ${formatPct(condition.atPct)} %`
    case 'lost':
      return `the probe for ${inputName(response, condition.input)} is unplugged`
    case 'overheated':
      return 'the controller has been too hot'
  }
}

/** Each other output on, off, and barred. */
function outputChecks(response: Response, preference: UnitPreference): Check[] {
  return (response.otherOutputs ?? []).flatMap((output) => {
    const [off, on] = OUTPUT_STATE[output.kind]
    const wait = output.delayS > 0 ? `, after ${formatTime(output.delayS)}` : ''
    const common = {
      measureWith: 'your eyes, or a tester at its terminals',
      waitS: Math.max(15, output.delayS),
      ifFails: 'Its point was not kept, or it is on another terminal.',
    }
    const reaches = output.kind === 'alarm' ? ' See that it reaches a person, not only a lamp.' : ''
    return [
      ...output.onWhen.map((condition, index) =>
        seen({
          ...common,
          id: `${output.id}-on-${index + 1}`,
          title: `${output.name}: bring it about that ${conditionText(response, condition, preference)}.`,
          how: `Then take it back again.${reaches}`,
          expect: `It is ${on}${wait}, and ${off} again afterwards.`,
        }),
      ),
      ...output.notWhile.map((condition, index) =>
        seen({
          ...common,
          id: `${output.id}-barred-${index + 1}`,
          title: `${output.name}: the same while ${conditionText(response, condition, preference)}.`,
          how: 'It has a reason to be on, and this bars it.',
          expect: `It stays ${off}.`,
        }),
      ),
    ]
  })
}

/** What stands beside the rules: run-on, reductions, rest bands. */
function otherChecks(response: Response, preference: UnitPreference): Check[] {
  const { runOn, reductions = [], restBands = [], inputs } = response
  return [
    ...(runOn
      ? [
          timed({
            id: 'run-on',
            title: 'Let everything stop asking and time how long it goes on.',
            how: `It keeps ${runOn.speedPct === null ? 'its last speed' : `${formatPct(runOn.speedPct)} %`} meanwhile.`,
            measureWith: STOPWATCH,
            waitS: runOn.holdS,
            ifFails: 'The run-on was not kept, or something still asks.',
            expectS: runOn.holdS,
          }),
        ]
      : []),
    ...reductions.map(({ input: id, when, at, byPct, how }, index) => {
      const input = inputs.find((candidate) => candidate.id === id)
      return seen({
        id: `reduction-${index + 1}`,
        title: `Bring ${input?.name ?? id} ${when === 'at-or-above' ? 'up' : 'down'} to ${formatQuantity(at, inputQuantity(input), preference)} while the fan runs fast.`,
        how: 'A probe in ice water reads near 0 °C; for less, shift the point for the trial and put it back.',
        measureWith: METER,
        waitS: 60,
        ifFails: 'The reduction was not kept, or it counts in the other way: points, or a share of the present value.',
        expect: `It runs ${formatPct(byPct)} ${how === 'points' ? 'points' : '% of its present speed'} slower, and not below its floor.`,
      })
    }),
    ...restBands.map(({ fromPct, toPct }, index) =>
      seen({
        id: `rest-band-${index + 1}`,
        title: `Bring the speed slowly up through ${formatPct(fromPct)} to ${formatPct(toPct)} %, and down again.`,
        how: 'Listen: the drone must not stand.',
        measureWith: METER,
        waitS: 60,
        ifFails: 'The band was not kept, or it lies elsewhere: find the resonance again.',
        expect: `It jumps from ${formatPct(fromPct)} to ${formatPct(toPct)} % going up, and back going down.`,
      }),
    ),
  ]
}

/** Everything to prove that is no rule: stages, modes, run-on, reductions, rest bands, holds, other outputs. */
export const partChecks = (response: Response, named: Named, preference: UnitPreference): Check[] => [
  ...stageChecks(response, named),
  ...modeChecks(response),
  ...otherChecks(response, preference),
  ...holdChecks(response),
  ...outputChecks(response, preference),
]
