import { readdirSync } from 'node:fs'
import { DUTIES } from '@/core/brief/duty'
import type { ControllerModel } from '@/core/controller/schema'
import { derive } from '@/core/derive/derive'
import { chooseController } from '@/core/installation/chooseController'
import type { Installation } from '@/core/installation/installation'
import { newInstallation } from '@/core/installation/newInstallation'
import { checkResponse } from '@/core/machine/check'
import type { Response } from '@/core/response/schema'
import { isMeasured } from '@/core/rules/input'
import type { Rule } from '@/core/rules/table'
import { startingResponse } from '@/core/start/startingResponse'
import { demoModel } from '@/testing/examples'
import { oneOf, seeded } from '@/testing/seeded'

export const demoModels: readonly ControllerModel[] = readdirSync('demo/controllers').map((file) =>
  demoModel(file.replace('.json', '')),
)

const between = (random: () => number, from: number, to: number, step: number): number =>
  Number((from + Math.round((random() * (to - from)) / step) * step).toFixed(3))

/** A rule as somebody else would have set it: its points moved together, its band and speeds and times another. */
function turned(rule: Rule, random: () => number): Rule {
  const speedPct = between(random, 45, 100, 5)
  switch (rule.kind) {
    case 'ramp': {
      const by = between(random, -3, 3, 0.5)
      const span = (rule.fullAt - rule.startAt) * between(random, 0.6, 2, 0.1)
      const startAt = rule.startAt + by
      return { ...rule, startAt, fullAt: Number((startAt + span).toFixed(1)), toPct: Math.max(rule.fromPct, speedPct) }
    }
    case 'switch':
      return {
        ...rule,
        speedPct,
        onDelayS: oneOf(random, [0, 0, 30, 60]),
        overrun: oneOf<typeof rule.overrun>(random, [
          { kind: 'none' },
          { kind: 'fixed', holdS: oneOf(random, [60, 300, 1200]) },
          { kind: 'matched', factor: oneOf(random, [1, 2]), floorS: 60, capS: 1200 },
        ]),
      }
    case 'differential': {
      const by = between(random, -2, 2, 0.5)
      const wider = between(random, 0, 2, 0.5) * (rule.action === 'direct' ? -1 : 1)
      return { ...rule, onAt: rule.onAt + by, offAt: rule.offAt + by + wider, speedPct }
    }
    case 'rapid-rise':
      return { ...rule, speedPct, rise: between(random, 5, 15, 1), capS: oneOf(random, [600, 1800]) }
    case 'week':
      return { ...rule, periods: rule.periods.map((period) => ({ ...period, speedPct })) }
    case 'cycle':
      return { ...rule, onS: oneOf(random, [30, 60]), periodS: oneOf(random, [240, 300]), speedPct }
    case 'hold-after-fall':
      return {
        ...rule,
        armAbove: rule.armAbove + between(random, -10, 10, 1),
        holdS: oneOf(random, [600, 2700]),
        speedPct,
      }
    case 'by-age':
      return { ...rule, rows: rule.rows.map((row) => ({ ...row, speedPct })) }
    case 'purge':
      return {
        ...rule,
        untilAt: rule.untilAt + between(random, -3, 3, 0.5),
        marginK: oneOf(random, [1, 3, 6]),
        speedPct,
      }
  }
}

const EXTRA: readonly ((response: Response, random: () => number) => Partial<Response>)[] = [
  ({ inputs, rules }, random) =>
    inputs.some(({ id }) => id === 'more')
      ? {}
      : {
          inputs: [...inputs, { id: 'more', kind: 'switch', name: 'more air' }],
          rules: [
            ...rules,
            {
              kind: 'switch',
              id: 'more',
              input: 'more',
              speedPct: between(random, 50, 100, 5),
              onDelayS: 0,
              overrun: { kind: 'fixed', holdS: oneOf(random, [120, 600]) },
            },
          ],
        },
  (_response, random) => ({ rate: { upPctPerS: oneOf(random, [1, 4]), downPctPerS: oneOf(random, [1, 4]) } }),
  (_response, random) => ({ finalRunOn: { holdS: oneOf(random, [60, 300]), speedPct: null } }),
  (_response, random) => ({ startKick: { speedPct: 100, holdS: oneOf(random, [3, 8, 15]) } }),
  (_response, random) => ({ scanS: oneOf(random, [2, 10]) }),
  ({ rules }, random) => ({
    rules: [
      ...rules,
      {
        kind: 'week',
        id: 'evening',
        periods: [{ days: [0, 1, 2, 3, 4], startMin: 1080, endMin: 1320, speedPct: between(random, 40, 80, 5) }],
      },
    ],
  }),
  ({ inputs, reductions = [] }, random) => {
    const cold = inputs.find((input) => isMeasured(input) && input.kind === 'temperature' && !input.combines)
    return cold
      ? {
          reductions: [
            ...reductions,
            { input: cold.id, when: 'at-or-below', at: between(random, -5, 5, 1), byPct: 15, how: 'points' },
          ],
        }
      : {}
  },
]

/** The temperature as the highest, lowest or average of two probes. */
function withTwoProbes(response: Response, random: () => number): Response {
  const one = response.inputs.find((input) => isMeasured(input) && input.kind === 'temperature' && !input.combines)
  if (!one || !isMeasured(one) || response.overrides?.overheat?.input === one.id) return response
  const leaves = [1, 2].map((index) => ({ ...one, id: `${one.id}-${index}`, name: `${one.name} ${index}` }))
  return {
    ...response,
    inputs: [
      ...leaves,
      ...response.inputs.map((input) =>
        input === one
          ? {
              ...one,
              combines: {
                of: leaves.map(({ id }) => id),
                how: oneOf(random, ['highest', 'lowest', 'average'] as const),
              },
            }
          : input,
      ),
    ],
  }
}

function turnedResponse(response: Response, random: () => number): Response {
  const floorPct = between(random, 10, 35, 1)
  const rules = response.rules.map((rule) => turned(rule, random))
  let next: Response = {
    ...response,
    rules: rules.map((rule) => (rule.kind === 'ramp' ? { ...rule, fromPct: Math.min(rule.toPct, floorPct) } : rule)),
    floor: { ...response.floor, speedPct: floorPct, reasons: [] },
    ceiling: { ...response.ceiling, speedPct: oneOf(random, [80, 90, 100, 100]) },
  }
  if (random() < 0.2) next = withTwoProbes(next, random)
  for (const extra of EXTRA) if (random() < 0.2) next = { ...next, ...extra(next, random) }
  return next
}

/** An installation as anybody might make it: one of the duties, its usual response with other figures, a controller or none, probes with
 *  data of their own. The same for the same seed. */
export function anyInstallation(seed: number): Installation {
  const random = seeded(seed)
  for (;;) {
    const installation = structuredClone(newInstallation('A place', oneOf(random, DUTIES)))
    const [fan] = installation.kit.fans
    if (random() < 0.35 && fan)
      for (let index = 2; index <= oneOf(random, [2, 2, 3, 4]); index++)
        installation.kit.fans.push({ ...fan, id: `fan-${index}`, name: `fan ${index}` })
    installation.response = turnedResponse(startingResponse(installation).response, random)
    if (checkResponse(installation.response).length > 0) continue
    chooseController(installation, random() < 0.25 ? null : oneOf(random, demoModels))
    installation.kit.probes = installation.response.inputs.flatMap((input) =>
      isMeasured(input) && !input.combines && (input.kind === 'temperature' || input.kind === 'humidity')
        ? [
            {
              id: `probe-${input.id}`.slice(0, 40),
              input: input.id,
              name: input.name,
              quantity: input.kind,
              survivesToC: null,
              resolution: input.kind === 'temperature' ? oneOf(random, [0.1, 0.1, 0.5]) : oneOf(random, [0.1, 1]),
              accuracy: input.kind === 'temperature' ? oneOf(random, [null, 0.2, 0.5, 1]) : oneOf(random, [null, 2, 3]),
              place: '',
            },
          ]
        : [],
    )
    if (random() < 0.3)
      installation.calibration.instruments = [
        {
          id: 'ref',
          name: 'reference thermometer',
          kind: 'thermometer',
          accuracyPct: null,
          accuracy: 0.1,
          calibratedOn: null,
        },
      ]
    const { given } = derive(installation)
    if (given.machine) return installation
  }
}
