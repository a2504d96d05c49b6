import { withResponse, type Judge } from '@/core/advise/judgement'
import { formatQuantity } from '@/core/quantity/format'
import { isMeasured } from '@/core/response/rules/kind'

/** How far under the limit an alarm should be raised; common practice, no source. */
const MARGIN = { temperature: 1, humidity: 2 } as const

/** An alarm that is raised at the limit, or where the probe no longer survives, tells of harm that is done. */
export const alarmTooLate: Judge = ({ brief, kit, response }) =>
  (response.otherOutputs ?? []).flatMap((output, index) =>
    output.kind !== 'alarm'
      ? []
      : output.onWhen.flatMap((condition, place) => {
          if (condition.kind !== 'input' || condition.when !== 'at-or-above') return []
          const input = response.inputs.find(({ id }) => id === condition.input)
          if (!input || !isMeasured(input) || (input.kind !== 'temperature' && input.kind !== 'humidity')) return []
          const { kind } = input
          const target = brief.targets.find(({ quantity }) => quantity === kind)?.limitAbove ?? null
          const reads = [input.id, ...(input.combines?.of ?? [])]
          const survives =
            kind === 'temperature'
              ? kit.probes.filter((probe) => reads.includes(probe.input)).map((probe) => probe.survivesToC)
              : []
          const limits = [target, ...survives].filter((limit) => limit !== null)
          const limit = Math.min(...limits)
          if (limits.length === 0 || condition.at < limit) return []
          const at = limit - MARGIN[kind]
          return [
            {
              id: `alarm-too-late-${output.id}-${place}`,
              severity: 'hurts' as const,
              path: `response.otherOutputs.${index}.onWhen.${place}.at`,
              title: `“${output.name}” is raised too late.`,
              detail: `It is raised at ${formatQuantity(condition.at, kind)}; ${limit === target ? 'the limit is' : 'the probe survives to'} ${formatQuantity(limit, kind)}. Below that it would be a warning.`,
              cure: {
                label: `Raise it at ${formatQuantity(at, kind)}`,
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
