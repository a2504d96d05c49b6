import { emptyCalibration } from '@/core/calibration/empty'
import { DUTY_PLANS } from '@/core/duty/table'
import type { Installation } from '@/core/installation/installation'

/** Another installation set up like one there is. It takes over what was decided: brief, controller, fans, probes, response, days. What was read, looked
 *  at, entered or let pass over there is not so here: the map, the mounting, the wires, the answers on which somebody’s safety hangs, the dial, the
 *  reasons and the visits begin anew. */
export function anotherLike(installation: Installation, name: string): Installation {
  const { schema, brief, kit, calibration, response, space, scenarios } = installation
  const safety = DUTY_PLANS[brief.duty].questions.filter(({ isSafety }) => isSafety).map(({ id }) => id)
  const { answers, ...asked } = brief
  const { mounting: _looks, terminals: _wires, deratedToPct: _place, ...parts } = kit
  return {
    schema,
    name,
    brief: {
      ...asked,
      ...(answers && { answers: Object.fromEntries(Object.entries(answers).filter(([id]) => !safety.includes(id))) }),
    },
    kit: { ...parts, probes: kit.probes.map((probe) => ({ ...probe, place: '' })) },
    calibration: { schema: calibration.schema, fans: kit.fans.map(({ id }) => emptyCalibration(id)) },
    response,
    dial: { present: [], done: [] },
    ...(space && { space }),
    ...(scenarios && { scenarios }),
  }
}
