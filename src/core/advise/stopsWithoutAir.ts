import type { Duty } from '@/core/brief/duty'
import type { Judge } from '@/core/advise/judgement'
import { says } from '@/core/advise/words'

/** Where standing fans hurt: animals die without air in hours, flue gas comes into the room, machines and heaters overheat. */
const HURTS: ReadonlySet<Duty> = new Set(['livestock', 'stove-flue', 'electronics', 'door-curtain'])

/** An output that stops the fans, a filter stop for one: what it means that they stand. Common practice, no source. */
export const stopsWithoutAir: Judge = ({ brief }, { given }) =>
  (given.response.otherOutputs ?? []).flatMap((output, index) =>
    output.stopsFans
      ? [
          {
            id: `stops-without-air-${output.id}`,
            severity: HURTS.has(brief.duty) ? ('hurts' as const) : ('wears' as const),
            path: `response.otherOutputs.${index}`,
            says: says('stops-without-air', { output: output.name, delayS: output.delayS }),
            cure: {
              apply: (installation) => ({
                ...installation,
                response: {
                  ...installation.response,
                  otherOutputs: (installation.response.otherOutputs ?? []).map(({ stopsFans, ...other }) =>
                    other.id === output.id || stopsFans === undefined ? other : { ...other, stopsFans },
                  ),
                },
              }),
            },
          },
        ]
      : [],
  )
