import type { Response, Rule } from '@/core/response/schema'

/** One moment: when it was (s since power-up) and what every input read. */
export type Moment = { readonly atS: number; readonly values: Readonly<Record<string, number>> }

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
  private kickUntilS = -1

  constructor(private readonly response: Response) {}

  /** Speed of the lead at this moment. */
  at(moment: Moment): number {
    this.history.push(moment)
    const { response } = this
    const { floor, ceiling } = response
    const isNight = this.lookAtLight(moment)
    const asks = response.rules
      .filter(({ off }) => !off)
      .map((rule) => ({
        pct: this.ask(rule, moment),
        speaks: !response.light || !rule.modes || rule.modes.includes(isNight ? 'night' : 'day'),
      }))
      .flatMap(({ pct, speaks }) => (speaks && pct !== null && pct > 0 ? [pct] : []))
    let pct = Math.max(floor.offAllowed && asks.length === 0 ? 0 : floor.speedPct, ...asks)
    pct = Math.max(pct, this.runOnAsk(asks.length > 0, pct, moment.atS))
    if (pct > 0) pct = Math.max(pct, floor.speedPct)
    pct = Math.min(pct, ceiling.speedPct)
    for (const { input, when, at, byPct, how } of response.reductions ?? []) {
      const x = moment.values[input]!
      if (pct > 0 && (when === 'at-or-below' ? x <= at : x >= at))
        pct = Math.max(floor.speedPct, how === 'points' ? pct - byPct : pct - (pct * byPct) / 100)
    }
    return this.give(pct, moment.atS)
  }

  private give(wantedPct: number, atS: number): number {
    const { steps, restBands = [], startKick } = this.response
    let pct = wantedPct
    if (steps.stepPct > 0 && pct > 0 && pct < 100)
      pct = Math.min(100, Math.floor(pct / steps.stepPct + 0.5 + 1e-9) * steps.stepPct)
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
        const week = values.clock!
        const inside = rule.periods.filter(({ days, startMin, endMin }) =>
          days.some((day) => {
            const start = day * 1440 + startMin
            const end = day * 1440 + endMin + (endMin <= startMin ? 1440 : 0)
            const minute = week / 60
            return (minute >= start && minute < end) || (minute + 10080 >= start && minute + 10080 < end)
          }),
        )
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
