import type { Response, Rule, WeekSpan } from '@/core/response/schema'

/** One moment: when it was (s since power-up) and what every input read. */
export type Moment = { readonly atS: number; readonly values: Readonly<Record<string, number>> }

function isWithin({ days, startMin, endMin }: WeekSpan, weekS: number): boolean {
  const minute = weekS / 60
  return days.some((day) => {
    const start = day * 1440 + startMin
    const end = day * 1440 + endMin + (endMin <= startMin ? 1440 : 0)
    return (minute >= start && minute < end) || (minute + 10080 >= start && minute + 10080 < end)
  })
}

type Switching = { on: boolean; sinceS: number }

/** The response language written down a second time, straight from the description and as simply as can be: whole history kept, every
 *  figure found again from it, nothing fast. It shares no code with the machine it is compared with. */
export class NaiveInterpreter {
  private readonly history: Moment[] = []
  private readonly differentials = new Map<string, Switching>()
  private readonly surges = new Map<string, { on: boolean; base: number; sinceS: number; forgetBeforeS: number }>()
  private readonly armed = new Map<string, { armed: boolean; untilS: number }>()
  private readonly switches = new Map<string, { onSinceS: number | null; credit: number; creditAtS: number }>()
  private night: { isNight: boolean; otherSinceS: number | null } | null = null
  private runOn = { lastPct: 0, untilS: -1, wasAsked: false }
  private cameFromPct = 0
  private lastPct = 0
  private coolUntilS = -1
  private isHot = false
  private ladder = { running: 0, changedS: -Infinity }
  private kickUntilS = -1

  constructor(private readonly response: Response) {}

  /** Speed of every fan at this moment: the lead, its followers, the fixed fans of its stages. */
  at(said: Moment): number[] {
    const moment = this.withOffsets(said)
    this.history.push(moment)
    const { response } = this
    const { floor, ceiling, stages } = response
    const floorPct = stages ? 0 : floor.speedPct
    const isNight = this.mode(moment)
    const hasModes = response.light ?? response.dayByWeek
    const asks = response.rules
      .filter(({ off }) => !off)
      .map((rule) => ({
        pct: this.ask(this.atItsSetPoint(rule, moment.values.clock!), moment),
        speaks: !hasModes || !rule.modes || rule.modes.includes(isNight ? 'night' : 'day'),
      }))
      .flatMap(({ pct, speaks }) => (speaks && pct !== null && pct > 0 ? [pct] : []))
    const counted = response.wins === 'first' ? asks.slice(0, 1) : asks
    let pct = Math.max(floor.offAllowed && asks.length === 0 ? 0 : floorPct, ...counted)
    pct = Math.max(pct, this.runOnAsk(asks.length > 0, pct, moment.atS))
    if (pct > 0) pct = Math.max(pct, floorPct)
    pct = Math.min(pct, ceiling.speedPct)
    for (const { input, when, at, byPct, how } of response.reductions ?? []) {
      const x = moment.values[input]!
      if (pct > 0 && (when === 'at-or-below' ? x <= at : x >= at))
        pct = Math.max(floorPct, how === 'points' ? pct - byPct : pct - (pct * byPct) / 100, 0)
    }
    return this.fans(this.hold(pct, moment), moment)
  }

  private withOffsets(moment: Moment): Moment {
    const values: Record<string, number> = { ...moment.values }
    for (const input of this.response.inputs)
      if (input.kind !== 'switch') values[input.id] = values[input.id]! + (input.offset ?? 0)
    return { ...moment, values }
  }

  /** The rule with its points where the week puts them now. */
  private atItsSetPoint(rule: Rule, clock: number): Rule {
    if ((rule.kind !== 'ramp' && rule.kind !== 'differential') || !rule.setPoints) return rule
    const points = rule.setPoints.filter((span) => isWithin(span, clock)).map(({ at }) => at)
    if (points.length === 0) return rule
    if (rule.kind === 'ramp') {
      const startAt = rule.fullAt > rule.startAt ? Math.min(...points) : Math.max(...points)
      return { ...rule, startAt, fullAt: startAt + rule.fullAt - rule.startAt }
    }
    const onAt = rule.sense === 'cooling' ? Math.min(...points) : Math.max(...points)
    return { ...rule, onAt, offAt: onAt + rule.offAt - rule.onAt }
  }

  private hold(wantedPct: number, { atS, values }: Moment): number {
    const { inputs, coolDown, holds } = this.response
    let pct = wantedPct
    if (holds?.test && values[holds.test.input] === 1) pct = holds.test.speedPct
    const lost = inputs.flatMap((input) =>
      input.kind !== 'switch' && input.lostPct !== undefined && Number.isNaN(values[input.id]) ? [input.lostPct] : [],
    )
    if (lost.length > 0) pct = Math.max(...lost)
    if (coolDown) {
      if (values[coolDown.input] === 1) this.coolUntilS = Infinity
      else if (this.coolUntilS === Infinity) this.coolUntilS = atS + coolDown.holdS
      if (atS < this.coolUntilS) pct = Math.max(pct, coolDown.speedPct)
    }
    if (holds?.overheat) {
      const x = values[holds.overheat.input]!
      if (x >= holds.overheat.onAt) this.isHot = true
      if (x < holds.overheat.offBelow) this.isHot = false
      if (this.isHot) pct = 100
    }
    if (this.isStopped(values)) pct = 0
    return pct
  }

  private isStopped(values: Moment['values']): boolean {
    const { isolated, safetyStop } = this.response.holds ?? {}
    return [isolated, safetyStop].some((id) => id !== undefined && values[id] === 1)
  }

  private fans(pct: number, { atS, values }: Moment): number[] {
    const { floor, followers, stages } = this.response
    const fixed = stages?.fixed ?? []
    if (this.isStopped(values)) {
      this.lastPct = 0
      this.kickUntilS = -1
      this.ladder = { running: 0, changedS: -Infinity }
      return [0, ...followers.map(() => 0), ...fixed.map(() => 0)]
    }
    const lead = this.give(stages ? this.variable(pct, atS) : pct, atS)
    return [
      lead,
      ...followers.map(({ ratio, floorPct, atLeadFloor }) => {
        if (lead === 0 || this.isHot) return 0
        if (lead <= floor.speedPct && atLeadFloor === 'off') return 0
        if (lead <= floor.speedPct && atLeadFloor === 'floor') return floorPct
        return Math.min(100, Math.max(floorPct, this.stepped(ratio * lead)))
      }),
      ...fixed.map((_, index) => (index < this.ladder.running ? 100 : 0)),
    ]
  }

  private variable(demand: number, atS: number): number {
    const { floor, stages } = this.response
    const { fixed, offBelowPct, minStageS } = stages!
    const joins = fixed.map(({ joinsAtPct }) => joinsAtPct)
    let { running } = this.ladder
    while (running < joins.length && demand >= joins[running]!) running++
    while (running > 0 && demand < joins[running - 1]! && demand <= joins[running - 1]! - offBelowPct) running--
    if (running !== this.ladder.running && atS - this.ladder.changedS >= minStageS)
      this.ladder = {
        running: minStageS === 0 ? running : this.ladder.running + (running > this.ladder.running ? 1 : -1),
        changedS: atS,
      }
    const now = this.ladder.running
    if (demand === 0 && now === 0 && floor.offAllowed) return 0
    const foot = now === 0 ? 0 : joins[now - 1]!
    const top = joins[now] ?? 100
    const way = Math.min(1, Math.max(0, (demand - foot) / (top - foot)))
    return floor.speedPct + way * (100 - floor.speedPct)
  }

  private stepped(pct: number): number {
    const { steps } = this.response
    if (!(steps.stepPct > 0 && pct > 0 && pct < 100)) return pct
    return Math.min(100, Math.floor(pct / steps.stepPct + 0.5 + 1e-9) * steps.stepPct)
  }

  private give(wantedPct: number, atS: number): number {
    const { restBands = [], startKick } = this.response
    let pct = this.stepped(wantedPct)
    const band = restBands.find(({ fromPct, toPct }) => pct > fromPct && pct < toPct)
    if (band) pct = this.cameFromPct <= band.fromPct ? band.toPct : band.fromPct
    else this.cameFromPct = pct
    if (startKick) {
      if (pct === 0) this.kickUntilS = -1
      else if (this.lastPct === 0) this.kickUntilS = atS + startKick.holdS
      if (atS < this.kickUntilS) pct = Math.max(pct, startKick.speedPct)
    }
    this.lastPct = pct
    return pct
  }

  private mode(moment: Moment): boolean {
    const { light, dayByWeek } = this.response
    if (light) return this.lookAtLight(moment)
    return dayByWeek !== undefined && !dayByWeek.some((span) => isWithin(span, moment.values.clock!))
  }

  private lookAtLight({ atS, values }: Moment): boolean {
    const { light } = this.response
    if (!light) return false
    const x = values[light.input]!
    const isDark = Number.isNaN(x) ? (this.night?.isNight ?? false) : x < light.level
    this.night ??= { isNight: isDark, otherSinceS: null }
    if (isDark === this.night.isNight) this.night.otherSinceS = null
    else {
      this.night.otherSinceS ??= atS
      if (atS - this.night.otherSinceS >= light.delayS) this.night = { isNight: isDark, otherSinceS: null }
    }
    return this.night.isNight
  }

  private runOnAsk(isAsked: boolean, pct: number, atS: number): number {
    const { runOn } = this.response
    if (!runOn) return 0
    if (isAsked) this.runOn = { lastPct: pct, untilS: -1, wasAsked: true }
    else if (this.runOn.wasAsked) this.runOn = { ...this.runOn, untilS: atS + runOn.holdS, wasAsked: false }
    return !isAsked && atS < this.runOn.untilS ? (runOn.speedPct ?? this.runOn.lastPct) : 0
  }

  private ask(rule: Rule, moment: Moment): number | null {
    const { atS, values } = moment
    switch (rule.kind) {
      case 'ramp': {
        const x = values[rule.input]!
        if (Number.isNaN(x)) return null
        const rises = rule.fullAt > rule.startAt
        if (rises ? x < rule.startAt : x > rule.startAt) return rule.below === 'from' ? rule.fromPct : null
        if (rises ? x >= rule.fullAt : x <= rule.fullAt) return rule.toPct
        return rule.fromPct + ((rule.toPct - rule.fromPct) * (x - rule.startAt)) / (rule.fullAt - rule.startAt)
      }
      case 'switch': {
        const held = this.switches.get(rule.id) ?? { onSinceS: null, credit: 0, creditAtS: 0 }
        const isOn = values[rule.input]! >= 0.5
        const started = held.onSinceS !== null && this.previousS() - held.onSinceS >= rule.onDelayS
        // Credit runs down while the switch does not hold the fan.
        if (!started) held.credit = Math.max(0, held.credit - (atS - held.creditAtS))
        held.creditAtS = atS
        if (isOn && held.onSinceS === null) held.onSinceS = atS
        const onForS = held.onSinceS === null ? 0 : atS - held.onSinceS
        if (!isOn && held.onSinceS !== null) {
          if (onForS >= rule.onDelayS) {
            const { overrun } = rule
            if (overrun.kind === 'none') held.credit = 0
            if (overrun.kind === 'fixed') held.credit = overrun.holdS
            if (overrun.kind === 'matched')
              held.credit = Math.min(overrun.capS, Math.max(overrun.floorS, held.credit + overrun.factor * onForS))
          }
          held.onSinceS = null
        }
        this.switches.set(rule.id, held)
        return (isOn && onForS >= rule.onDelayS) || held.credit > 0 ? rule.speedPct : null
      }
      case 'differential': {
        const x = values[rule.input]!
        const held = this.differentials.get(rule.id) ?? { on: false, sinceS: -Infinity }
        const cooling = rule.sense === 'cooling'
        const reachesOn = cooling ? x >= rule.onAt : x <= rule.onAt
        const reachesOff = cooling ? x <= rule.offAt : x >= rule.offAt
        let wants = held.on
        if (Number.isNaN(x)) wants = false
        else if (rule.onAt === rule.offAt) wants = x === rule.onAt ? held.on : reachesOn
        else if (reachesOn) wants = true
        else if (reachesOff) wants = false
        if (wants !== held.on && atS - held.sinceS >= (held.on ? rule.minOnS : rule.minOffS))
          this.differentials.set(rule.id, { on: wants, sinceS: atS })
        else this.differentials.set(rule.id, held)
        return this.differentials.get(rule.id)!.on ? rule.speedPct : null
      }
      case 'surge': {
        const x = values[rule.input]!
        const held = this.surges.get(rule.id) ?? { on: false, base: NaN, sinceS: 0, forgetBeforeS: -Infinity }
        if (held.on && (x <= held.base + rule.release || atS - held.sinceS >= rule.capS)) {
          held.on = false
          held.forgetBeforeS = atS
        }
        const window = this.history
          .filter((past) => past.atS >= atS - rule.windowS && past.atS >= held.forgetBeforeS)
          .map((past) => past.values[rule.input]!)
        const lowest = Math.min(...window.filter((past) => !Number.isNaN(past)))
        if (!held.on && x - lowest >= rule.rise) Object.assign(held, { on: true, base: lowest, sinceS: atS })
        this.surges.set(rule.id, held)
        return held.on ? rule.speedPct : null
      }
      case 'week': {
        const inside = rule.periods.filter((span) => isWithin(span, values.clock!))
        return inside.length > 0 ? Math.max(...inside.map(({ speedPct }) => speedPct)) : null
      }
      case 'cycle':
        return atS % rule.periodS < rule.onS ? rule.speedPct : null
      case 'after-run': {
        const x = values[rule.input]!
        const held = this.armed.get(rule.id) ?? { armed: false, untilS: -Infinity }
        if (x > rule.armAbove) Object.assign(held, { armed: true, untilS: -Infinity })
        else if (held.armed && !Number.isNaN(x)) Object.assign(held, { armed: false, untilS: atS + rule.holdS })
        this.armed.set(rule.id, held)
        return held.armed || atS < held.untilS ? rule.speedPct : null
      }
    }
  }

  private previousS(): number {
    return this.history[this.history.length - 2]?.atS ?? 0
  }
}
