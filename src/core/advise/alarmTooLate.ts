import { withResponse, type Judge, type Judgement } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'
import { isUpward } from '@/core/machine/past'
import { isMeasured } from '@/core/rules/input'

/** How far under the limit an alarm should be raised at the least; common practice, no source. */
const MARGIN = { temperature: 1, humidity: 2 } as const

/** An alarm that is raised at the limit, or where the probe no longer survives, tells of harm that is done; one that is nearer to it than its probe
 *  is good for may do so. */
export const alarmTooLate: Judge = ({ brief, kit, response }) =>
  (response.otherOutputs ?? []).flatMap((output, index) =>
    output.kind !== 'alarm'
      ? []
      : output.onWhen.flatMap((condition, place): Judgement[] => {
          if (condition.kind !== 'input' || !isUpward(condition.when)) return []
          const input = response.inputs.find(({ id }) => id === condition.input)
          if (!input || !isMeasured(input) || (input.kind !== 'temperature' && input.kind !== 'humidity')) return []
          const { kind } = input
          const target = brief.targets.find(({ quantity }) => quantity === kind)?.limitAbove ?? null
          const reads = [input.id, ...(input.combines?.of ?? [])]
          const probes = kit.probes.filter((probe) => reads.includes(probe.input))
          const survives = kind === 'temperature' ? probes.map((probe) => probe.survivesToC) : []
          const limits = [target, ...survives].filter((limit) => limit !== null)
          const limit = Math.min(...limits)
          const half = Math.max(0, ...probes.map(({ accuracy }) => accuracy ?? 0))
          if (limits.length === 0 || condition.at + half < limit) return []
          const at = Number((limit - half - MARGIN[kind]).toFixed(1))
          const isPast = condition.at >= limit
          return [
            {
              id: `alarm-too-late-${output.id}-${place}`,
              severity: isPast ? 'hurts' : 'fails',
              path: `response.otherOutputs.${index}.onWhen.${place}.at`,
              says: says('alarm-too-late', {
                name: output.name,
                kind,
                at: condition.at,
                limit,
                isTarget: limit === target,
                half,
                isPast,
                wantedAt: at,
              }),
              figure: { value: condition.at, worse: 1, step: kind === 'temperature' ? 0.5 : 2 },
              cure: {
                apply: (installation) =>
                  withResponse(installation, {
                    otherOutputs: (installation.response.otherOutputs ?? []).map((held) =>
                      held.id === output.id
                        ? {
                            ...held,
                            onWhen: held.onWhen.map((other, where) =>
                              where === place && other.kind === 'input' ? { ...other, at } : other,
                            ),
                          }
                        : held,
                    ),
                  }),
              },
            },
          ]
        }),
  )
