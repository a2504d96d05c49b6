import { ruleInputId } from '@/core/response/rules/kind'
import type { ControllerModel, Setting } from '@/core/controller/schema'
import type { Ramp, Response, Rule, SwitchRule } from '@/core/response/schema'

/** Which rule and follower of a response sits in which slot of a model; `leftOver` found no place. */
export type Assignment = {
  readonly ramps: readonly (Ramp | null)[]
  readonly switches: readonly (SwitchRule | null)[]
  readonly leftOver: readonly Rule[]
}

const inputKind = (response: Response, rule: Rule) => response.inputs.find(({ id }) => id === ruleInputId(rule))?.kind

/** Rules take the first free slot of their kind, in the order in which they stand. */
export function assign(response: Response, model: ControllerModel): Assignment {
  const ramps = model.ramps.map((): Ramp | null => null)
  const switches = model.switches.map((): SwitchRule | null => null)
  const leftOver: Rule[] = []
  for (const rule of response.rules) {
    if (rule.off) continue
    if (rule.kind === 'ramp') {
      const slot = model.ramps.findIndex(
        ({ input }, index) => ramps[index] === null && input === inputKind(response, rule),
      )
      if (slot >= 0) ramps[slot] = rule
      else leftOver.push(rule)
    } else if (rule.kind === 'switch') {
      const slot = switches.indexOf(null)
      if (slot >= 0) switches[slot] = rule
      else leftOver.push(rule)
    } else leftOver.push(rule)
  }
  return { ramps, switches, leftOver }
}

/** The value a response wants of a setting; null when nothing in the response speaks of it. */
export function wantedValue(setting: Setting, response: Response, { ramps, switches }: Assignment): number | null {
  const ramp = ramps[setting.slot - 1]
  const rule = switches[setting.slot - 1]
  const follower = response.followers[setting.slot - 1]
  switch (setting.means) {
    case 'floor':
      return response.floor.speedPct
    case 'ceiling':
      return response.ceiling.speedPct
    case 'ramp.startAt':
      return ramp?.startAt ?? null
    case 'ramp.span':
      return ramp ? ramp.fullAt - ramp.startAt : null
    case 'ramp.fromPct':
      return ramp?.fromPct ?? null
    case 'ramp.toPct':
      return ramp?.toPct ?? null
    case 'switch.speedPct':
      return rule?.speedPct ?? null
    case 'switch.overrunS':
      if (!rule) return null
      return rule.overrun.kind === 'none' ? 0 : rule.overrun.kind === 'fixed' ? rule.overrun.holdS : rule.overrun.capS
    case 'follower.ratioPct':
      return follower ? follower.ratio * 100 : null
    case 'kick.speedPct':
      return response.startKick?.speedPct ?? null
    case 'kick.holdS':
      return response.startKick?.holdS ?? null
  }
}
