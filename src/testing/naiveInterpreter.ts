import { humidityRatio } from '@/core/physics/moistAir'
import type { Response } from '@/core/response/schema'
import type { PlainCondition } from '@/core/rules/condition'
import type { WeekSpan } from '@/core/rules/weekSpan'
import type { RapidRise } from '@/core/rules/rapidRise'
import type { Rule } from '@/core/rules/table'

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
  private readonly rapidRises = new Map<
    string,
    { on: boolean; base: number; sinceS: number; cappedAtS: number | null }
  >()
  private readonly armed = new Map<string, { armed: boolean; untilS: number }>()
  private readonly switches = new Map<string, { onSinceS: number | null; credit: number; creditAtS: number }>()
  private night: { isNight: boolean; otherSinceS: number | null } | null = null
  private finalRunOn = { lastPct: 0, untilS: -1, wasAsked: false }
  private cameFromPct = 0
  private lastPct = 0
  private coolUntilS = -1
  private isHot = false
  private ladder = { running: 0, changedS: -Infinity }
  private kickUntilS = -1
  private onTheWayPct = 0
  private lastS = 0
  /** Seconds for which the controller had power, at the last moment; null while it has none. */
  private poweredS: number | null = 0
  private keptS = 0

  constructor(private readonly response: Response) {}

  /** Speed of every fan at this moment: the lead, its followers, the fixed fans of its stages. */
  at(given: Moment): number[] {
    const { isolated } = this.response.overrides ?? {}
    const sinceS = given.atS - this.lastS
    this.lastS = given.atS
    if (isolated !== undefined && given.values[isolated] === 1) {
      this.losePower()
      return this.allAt(0)
    }
    this.poweredS = this.poweredS === null ? this.keptS : this.poweredS + sinceS
    const moment = this.withOffsets({ ...given, atS: this.poweredS })
    this.history.push(moment)
    const { response } = this
    const { floor, ceiling, stages } = response
    const floorPct = stages ? 0 : floor.speedPct
    const isNight = this.mode(moment)
    const hasModes = response.light ?? response.dayByWeek
    const asks = response.rules
      .filter(({ off }) => !off)
      .map((rule) => ({
        pct: this.ask(this.atItsTarget(this.atItsSetPoint(rule, moment.values.clock!), moment, isNight), moment),
        speaks:
          this.mayAsk(rule.id, rule.onlyWhile ?? [], moment, isNight) &&
          (!hasModes || !rule.modes || rule.modes.includes(isNight ? 'night' : 'day')),
      }))
      .flatMap(({ pct, speaks }) => (speaks && pct !== null && pct > 0 ? [pct] : []))
    const counted = response.wins === 'first' ? asks.slice(0, 1) : asks
    let pct = Math.max(floor.offAllowed && asks.length === 0 ? 0 : floorPct, ...counted)
    pct = Math.max(pct, this.finalRunOnAsk(asks.length > 0, pct, moment.atS))
    if (isNight) pct = Math.max(pct, floor.nightPct ?? 0)
    if (pct > 0) pct = Math.max(pct, floorPct)
    pct = this.steppedUp(pct, moment, isNight)
    pct = Math.min(pct, ceiling.speedPct, isNight ? (ceiling.nightPct ?? 100) : 100)
    for (const { input, when, at, byPct, how } of response.reductions ?? []) {
      const x = moment.values[input]!
      const isPast = { 'at-or-below': x <= at, below: x < at, 'at-or-above': x >= at, above: x > at }[when]
      if (pct > 0 && isPast) pct = Math.max(floorPct, how === 'points' ? pct - byPct : pct - (pct * byPct) / 100, 0)
    }
    const { cutOut } = response
    if (cutOut) {
      this.runsAboveCutOut = this.runsAboveCutOut ? pct >= cutOut.offBelowPct : pct >= cutOut.backAtPct
      if (!this.runsAboveCutOut) pct = 0
    }
    return this.fans(this.hold(pct, moment), moment, isNight)
  }
  private runsAboveCutOut = false

  /** The named speed so many above what is asked; of several that stand the most. */
  private steppedUp(pct: number, moment: Moment, isNight: boolean): number {
    const { speeds = [], stepUps = [] } = this.response
    const by = Math.max(
      0,
      ...stepUps.map((stepUp, index) => (this.mayAsk(`up${index}`, stepUp.onlyWhile, moment, isNight) ? stepUp.by : 0)),
    )
    if (by === 0) return pct
    const reached = speeds.filter((speed) => speed.pct <= pct + 1e-9).length
    return Math.max(pct, speeds[Math.min(reached + by, speeds.length) - 1]!.pct)
  }

  private seasonOf(values: Moment['values']): string | undefined {
    const { seasons = [], seasonNow } = this.response
    if (seasonNow !== undefined) return seasonNow
    if (Number.isNaN(values.date)) return undefined
    const today = new Date(Math.floor(values.date!) * 86_400_000).toISOString().slice(5, 10)
    return seasons.find(({ from, to }) => (from <= to ? today >= from && today <= to : today >= from || today <= to))
      ?.id
  }

  /** How far a target has moved from its own value. */
  private movedBy(id: string, moment: Moment, isNight: boolean): number {
    const { targets = [], placedOn = '' } = this.response
    const target = targets.find((candidate) => candidate.id === id)!
    const followed = target.follows === undefined ? 0 : this.movedBy(target.follows, moment, isNight)
    const change = (target.changes ?? []).find(
      ({ mode, season, spans }) =>
        (mode === undefined || (mode === 'night') === isNight) &&
        (season === undefined || season === this.seasonOf(moment.values)) &&
        (spans === undefined || spans.some((span) => isWithin(span, moment.values.clock!))),
    )
    if (change) return change.at - target.at + followed
    const at = target.byAge
      ? this.byAge(
          target.byAge.map(({ day, at: value }) => [day, value] as const),
          placedOn,
          moment.values,
        )
      : null
    return (at === null ? 0 : at - target.at) + followed
  }

  private byAge(
    rows: readonly (readonly [day: number, value: number])[],
    placedOn: string,
    values: Moment['values'],
  ): number | null {
    const day = Math.floor(values.date!) - Date.parse(placedOn) / 86_400_000
    if (Number.isNaN(day)) return null
    if (day <= rows[0]![0]) return rows[0]![1]
    for (const [index, [to, value]] of rows.entries()) {
      if (day > to) continue
      const [from, before] = rows[index - 1]!
      return before + ((value - before) * (day - from)) / (to - from)
    }
    return rows.at(-1)![1]
  }

  private atItsTarget(rule: Rule, moment: Moment, isNight: boolean): Rule {
    if ((rule.kind !== 'ramp' && rule.kind !== 'differential') || rule.target === undefined) return rule
    const by = this.movedBy(rule.target, moment, isNight)
    return rule.kind === 'ramp'
      ? { ...rule, startAt: rule.startAt + by, fullAt: rule.fullAt + by }
      : { ...rule, onAt: rule.onAt + by, offAt: rule.offAt + by }
  }

  private readonly stood = new Map<string, boolean>()

  /** Whether everything a rule hangs on stands; each is looked at, whatever the others are. */
  private mayAsk(id: string, onlyWhile: readonly PlainCondition[], moment: Moment, isNight: boolean): boolean {
    const { values } = moment
    const tied = (target: string | undefined) => (target === undefined ? 0 : this.movedBy(target, moment, isNight))
    const past = (when: string, x: number, at: number) =>
      ({ 'at-or-below': x <= at, below: x < at, 'at-or-above': x >= at, above: x > at })[when]!
    const isBack = (when: string, x: number, at: number, release: number) =>
      when.includes('above') ? !(x > at - release) : !(x < at + release)
    return onlyWhile
      .map((condition, index) => {
        switch (condition.kind) {
          case 'between':
            return (
              values[condition.input]! >= condition.from + tied(condition.target) &&
              values[condition.input]! <= condition.to + tied(condition.target)
            )
          case 'season':
            return this.seasonOf(values) === condition.season
          case 'drier': {
            const inside = humidityRatio(values[condition.input]!, values[condition.humidity]!)
            return (
              humidityRatio(values[condition.outdoor]!, values[condition.outdoorHumidity]!) <= inside - condition.by
            )
          }
          case 'switch':
            return (values[condition.input] === 1) === (condition.is === 'on')
          case 'clock':
            return condition.spans.some((span) => isWithin(span, values.clock!))
          case 'input':
          case 'difference': {
            const { when, release } = condition
            const [x, at] =
              condition.kind === 'input'
                ? [values[condition.input]!, condition.at + tied(condition.target)]
                : [Number((values[condition.input]! - values[condition.minus]!).toFixed(9)), condition.by]
            const key = `${id}.${index}`
            const stands = past(when, x, at) || (this.stood.get(key) === true && !isBack(when, x, at, release))
            this.stood.set(key, stands)
            return stands
          }
        }
      })
      .every(Boolean)
  }

  private allAt(pct: number): number[] {
    const { followers, stages } = this.response
    return [pct, ...followers.map(() => pct), ...(stages?.fixed ?? []).map(() => pct)]
  }

  /** Forgets all but what the controller keeps without power; the time of what it keeps stands still meanwhile. */
  private losePower(): void {
    const keeps = this.response.keeps ?? []
    if (this.poweredS !== null) this.keptS = this.poweredS
    this.poweredS = null
    this.lastPct = this.cameFromPct = this.onTheWayPct = 0
    this.kickUntilS = -1
    this.gaveAtS = this.keptS
    if (!keeps.includes('timers')) {
      this.history.length = 0
      for (const map of [this.rapidRises, this.armed, this.switches]) map.clear()
      this.finalRunOn = { lastPct: 0, untilS: -1, wasAsked: false }
      this.coolUntilS = -1
    }
    this.powerFromS = this.keptS
    if (!keeps.includes('latches')) {
      this.runsAboveCutOut = false
      this.differentials.clear()
      this.stood.clear()
      this.purging.clear()
      this.isHot = false
      this.ladder = { running: 0, changedS: -Infinity }
    }
    if (!keeps.includes('mode')) this.night = null
    if (!keeps.includes('cycle')) this.cycleFromS = this.keptS
  }
  private cycleFromS = 0
  private readonly purging = new Set<string>()

  private withOffsets(moment: Moment): Moment {
    const values: Record<string, number> = { ...moment.values }
    for (const input of this.response.inputs)
      if (input.kind !== 'switch')
        values[input.id] =
          values[input.id]! < (input.lostBelow ?? -Infinity) ? NaN : values[input.id]! + (input.offset ?? 0)
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
    const onAt = rule.action === 'direct' ? Math.min(...points) : Math.max(...points)
    return { ...rule, onAt, offAt: onAt + rule.offAt - rule.onAt }
  }

  private hold(wantedPct: number, { atS, values }: Moment): number {
    const { inputs, heaterPurge, overrides } = this.response
    let pct = wantedPct
    if (overrides?.test && values[overrides.test.input] === 1) pct = overrides.test.speedPct
    const lost = inputs.flatMap((input) =>
      input.kind !== 'switch' && input.lostPct !== undefined && Number.isNaN(values[input.id]) ? [input.lostPct] : [],
    )
    if (lost.length > 0) pct = Math.max(...lost)
    if (heaterPurge) {
      if (values[heaterPurge.input] === 1) this.coolUntilS = Infinity
      else if (this.coolUntilS === Infinity) this.coolUntilS = atS + heaterPurge.holdS
      if (atS < this.coolUntilS) pct = Math.max(pct, heaterPurge.speedPct)
    }
    if (overrides?.overheat) {
      const x = values[overrides.overheat.input]!
      if (x >= overrides.overheat.onAt) this.isHot = true
      if (x < overrides.overheat.offBelow) this.isHot = false
      if (this.isHot) pct = 100
    }
    return this.isStopped({ atS, values }) ? 0 : pct
  }

  private isStopped({ atS, values }: Moment): boolean {
    const { powerReturn } = this.response
    const { safetyStop } = this.response.overrides ?? {}
    return (
      (safetyStop !== undefined && values[safetyStop] === 1) ||
      (powerReturn !== undefined && atS - this.powerFromS < powerReturn.waitS)
    )
  }
  private powerFromS = 0

  private fans(pct: number, moment: Moment, isNight: boolean): number[] {
    const { atS } = moment
    const { floor, followers, stages, speeds = [] } = this.response
    const fixed = stages?.fixed ?? []
    // What a fan joins by is looked at while it is stopped too.
    const standing = fixed.map(({ joinsWhile }, index) =>
      joinsWhile ? this.mayAsk(`stage${index}`, [joinsWhile], moment, isNight) : false,
    )
    if (this.isStopped(moment)) {
      this.gaveAtS = atS
      this.lastPct = this.cameFromPct = this.onTheWayPct = 0
      this.kickUntilS = -1
      this.ladder = { running: 0, changedS: -Infinity }
      return this.allAt(0)
    }
    const lead = this.give(stages ? this.variable(pct, atS, standing) : pct, atS)
    return [
      lead,
      ...followers.map(({ fan, ratio, floorPct, atLeadFloor }) => {
        const trims = speeds.flatMap((speed) => {
          const own = speed.fans?.find((held) => held.fan === fan)
          return own ? [[speed.pct, own.pct] as const] : []
        })
        const next = trims.findIndex(([at]) => lead <= at)
        const [to, toPct] = trims[next] ?? [0, 0]
        const [from, fromPct] = trims[next - 1] ?? [0, 0]
        const [top, topPct] = trims.at(-1) ?? [1, ratio]
        const wanted = next < 0 ? (topPct * lead) / top : fromPct + ((toPct - fromPct) * (lead - from)) / (to - from)
        if (lead === 0 || this.isHot) return 0
        if (lead <= floor.speedPct && atLeadFloor === 'off') return 0
        const lowest = this.positions().find((step) => step >= floorPct - 1e-9) ?? (this.isStepless() ? floorPct : 100)
        if (lead <= floor.speedPct && atLeadFloor === 'floor') return lowest
        return Math.min(100, Math.max(lowest, this.stepped(wanted)))
      }),
      ...fixed.map((_, index) => (index < this.ladder.running ? 100 : 0)),
    ]
  }

  private variable(demand: number, atS: number, standing: readonly boolean[]): number {
    const { floor, stages } = this.response
    const { fixed, offBelowPct, minStageS, percentOf } = stages!
    const joins = fixed.map(({ joinsAtPct }) => joinsAtPct)
    const byReading = fixed[0]?.joinsWhile !== undefined
    let { running } = this.ladder
    if (byReading) {
      running = standing.includes(false) ? standing.indexOf(false) : standing.length
    } else {
      while (running < joins.length && demand >= joins[running]!) running++
      while (running > 0 && demand < joins[running - 1]! && demand <= joins[running - 1]! - offBelowPct) running--
    }
    if (running !== this.ladder.running && atS - this.ladder.changedS >= minStageS)
      this.ladder = {
        running: minStageS === 0 ? running : this.ladder.running + (running > this.ladder.running ? 1 : -1),
        changedS: atS,
      }
    const now = this.ladder.running
    if (demand === 0 && (now === 0 || byReading) && floor.offAllowed) return 0
    if (byReading) return Math.max(floor.speedPct, demand)
    if (percentOf === 'air') {
      const air = fixed.map(({ airPct }) => airPct ?? 100 / (fixed.length + 1))
      const sum = (list: readonly number[]) => list.reduce((total, each) => total + each, 0)
      if (demand === 0) return floor.speedPct
      return Math.min(100, Math.max(floor.speedPct, (100 * (demand - sum(air.slice(0, now)))) / (100 - sum(air))))
    }
    const foot = now === 0 ? 0 : joins[now - 1]!
    const top = joins[now] ?? 100
    const way = Math.min(1, Math.max(0, (demand - foot) / (top - foot)))
    return floor.speedPct + way * (100 - floor.speedPct)
  }

  private isStepless(): boolean {
    const { stepPct, levelsPct } = this.response.steps
    return stepPct === 0 && !levelsPct
  }

  /** Every speed the output can stand at, 0 first; none listed where it is stepless. */
  private positions(): number[] {
    const { stepPct, levelsPct } = this.response.steps
    if (levelsPct) return [0, ...levelsPct]
    if (stepPct === 0) return []
    const steps = Array.from({ length: Math.ceil(100 / stepPct) }, (_, index) => index * stepPct)
    return [...steps.filter((step) => step < 100 - 1e-9), 100]
  }

  private stepped(pct: number): number {
    const { rounding } = this.response.steps
    const all = this.positions()
    if (all.length === 0 || pct <= 0) return pct
    const below = all.findLast((step) => step <= pct + 1e-9) ?? 0
    const above = all.find((step) => step >= pct - 1e-9) ?? below
    if (rounding === 'nearest') {
      const middle = this.response.steps.levelsPct ? (below + above) / 2 : below + this.response.steps.stepPct / 2
      return pct >= Math.min(middle, above) - 1e-9 ? above : below
    }
    return rounding === 'up' ? above : below
  }

  /** The skip band around a speed: where bands overlap, all of them as one. */
  private bandAround(pct: number): { fromPct: number; toPct: number } | undefined {
    const { skipBands = [] } = this.response
    const around = skipBands.find(({ fromPct, toPct }) => pct > fromPct && pct < toPct)
    if (!around) return undefined
    let one = around
    for (let pass = 0; pass < skipBands.length; pass++)
      for (const { fromPct, toPct } of skipBands)
        if (fromPct < one.toPct && toPct > one.fromPct)
          one = { fromPct: Math.min(one.fromPct, fromPct), toPct: Math.max(one.toPct, toPct) }
    return one
  }

  /** Where the output goes: on a step, in no band, inside floor and ceiling. */
  private standsAt(wantedPct: number): number {
    if (wantedPct <= 0) return (this.cameFromPct = 0)
    const { floor, ceiling, stages, skipBands = [] } = this.response
    const high = stages || wantedPct > ceiling.speedPct ? 100 : ceiling.speedPct
    const isOpen = (pct: number) => pct >= floor.speedPct - 1e-9 && pct <= high + 1e-9 && !this.bandAround(pct)
    const step = this.stepped(wantedPct)
    const band = this.bandAround(step)
    const cameFrom = this.cameFromPct
    if (!band) this.cameFromPct = step
    if (isOpen(step)) return step
    const places = (
      this.isStepless()
        ? [floor.speedPct, high, ...skipBands.flatMap(({ fromPct, toPct }) => [fromPct, toPct])]
        : this.positions()
    ).filter(isOpen)
    const up = Math.min(...places.filter((place) => place >= step - 1e-9))
    const down = Math.max(...places.filter((place) => place <= step + 1e-9))
    const goesUp = band ? cameFrom <= band.fromPct : step < floor.speedPct
    return Number.isFinite(goesUp ? up : down) ? (goesUp ? up : down) : goesUp ? down : up
  }

  /** On its way there: no faster than the rate, waiting neither in a band nor below the lowest running speed, at a step it has reached. */
  private onItsWay(aimPct: number, dtS: number): number {
    const { rate, floor } = this.response
    const from = this.onTheWayPct
    if (!rate || aimPct === from) return (this.onTheWayPct = aimPct)
    const rises = aimPct > from
    const lowest = this.lowestRunning()
    let at = rises ? Math.min(aimPct, from + rate.upPctPerS * dtS) : Math.max(aimPct, from - rate.downPctPerS * dtS)
    if (at < lowest) at = rises ? lowest : aimPct
    const band = this.bandAround(at)
    if (band) at = rises ? band.toPct : band.fromPct
    this.onTheWayPct = at
    if (at === aimPct || this.isStepless()) return at
    const isOpen = (pct: number) => pct >= Math.max(lowest, floor.speedPct) - 1e-9 && !this.bandAround(pct)
    const steps = this.positions()
    const reached = rises ? steps.findLast((step) => step <= at + 1e-9)! : steps.find((step) => step >= at - 1e-9)!
    if (isOpen(reached)) return reached
    return rises
      ? steps.find((step) => step >= reached && isOpen(step))!
      : steps.findLast((step) => step <= reached && isOpen(step))!
  }

  private lowestRunning(): number {
    const { floor, skipBands = [] } = this.response
    const places = this.isStepless() ? [floor.speedPct, ...skipBands.map(({ toPct }) => toPct)] : this.positions()
    return Math.min(...places.filter((place) => place >= floor.speedPct - 1e-9 && !this.bandAround(place)))
  }

  private give(wantedPct: number, atS: number): number {
    const { startKick } = this.response
    const dtS = atS - this.gaveAtS
    this.gaveAtS = atS
    let pct = this.onItsWay(this.standsAt(wantedPct), dtS)
    if (startKick) {
      if (pct === 0) this.kickUntilS = -1
      else if (this.lastPct === 0) this.kickUntilS = atS + startKick.holdS
      const kick = this.isStepless()
        ? startKick.speedPct
        : (this.positions().find((step) => step >= startKick.speedPct - 1e-9) ?? 100)
      if (atS < this.kickUntilS) pct = Math.max(pct, kick)
    }
    this.lastPct = pct
    return pct
  }
  private gaveAtS = 0

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

  private finalRunOnAsk(isAsked: boolean, pct: number, atS: number): number {
    const { finalRunOn } = this.response
    if (!finalRunOn) return 0
    if (isAsked) this.finalRunOn = { lastPct: pct, untilS: -1, wasAsked: true }
    else if (this.finalRunOn.wasAsked)
      this.finalRunOn = { ...this.finalRunOn, untilS: atS + finalRunOn.holdS, wasAsked: false }
    return !isAsked && atS < this.finalRunOn.untilS ? (finalRunOn.speedPct ?? this.finalRunOn.lastPct) : 0
  }

  private askOfRise(rule: RapidRise, { atS, values }: Moment): number | null {
    const x = values[rule.input]!
    const held = this.rapidRises.get(rule.id) ?? { on: false, base: NaN, sinceS: 0, cappedAtS: null }
    const isBack = x <= held.base + rule.release
    if (held.on && isBack) held.on = false
    else if (held.on && atS - held.sinceS >= rule.capS) Object.assign(held, { on: false, cappedAtS: atS })
    else if (held.cappedAtS !== null && (isBack || atS - held.cappedAtS >= (rule.rearmS ?? 3600))) held.cappedAtS = null
    const lowest = Math.min(
      ...this.history
        .filter((past) => past.atS >= atS - rule.windowS)
        .map((past) => past.values[rule.input]!)
        .filter((past) => !Number.isNaN(past)),
    )
    if (!held.on && held.cappedAtS === null && x - lowest >= rule.rise)
      Object.assign(held, { on: true, base: lowest, sinceS: atS })
    this.rapidRises.set(rule.id, held)
    return held.on ? rule.speedPct : null
  }

  private ask(rule: Rule, moment: Moment): number | null {
    const { atS, values } = moment
    switch (rule.kind) {
      case 'ramp': {
        const x = values[rule.input]!
        if (Number.isNaN(x)) return null
        const { ceiling } = this.response
        const squeezed = (pct: number) => (ceiling.how === 'rescale' ? Math.min(pct, ceiling.speedPct) : pct)
        const [from, to] = [squeezed(rule.fromPct), squeezed(rule.toPct)]
        const rises = rule.fullAt > rule.startAt
        if (rises ? x < rule.startAt : x > rule.startAt) return rule.below === 'from' ? from : null
        if (rises ? x >= rule.fullAt : x <= rule.fullAt) return to
        return from + ((to - from) * (x - rule.startAt)) / (rule.fullAt - rule.startAt)
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
        const cooling = rule.action === 'direct'
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
      case 'rapid-rise':
        return this.askOfRise(rule, moment)
      case 'week': {
        const inside = rule.periods.filter((span) => isWithin(span, values.clock!))
        return inside.length > 0 ? Math.max(...inside.map(({ speedPct }) => speedPct)) : null
      }
      case 'cycle':
        return (atS - this.cycleFromS) % rule.periodS < rule.onS ? rule.speedPct : null
      case 'hold-after-fall': {
        const x = values[rule.input]!
        const held = this.armed.get(rule.id) ?? { armed: false, untilS: -Infinity }
        if (x > rule.armAbove) Object.assign(held, { armed: true, untilS: -Infinity })
        else if (held.armed && !Number.isNaN(x)) Object.assign(held, { armed: false, untilS: atS + rule.holdS })
        this.armed.set(rule.id, held)
        return held.armed || atS < held.untilS ? rule.speedPct : null
      }
      case 'by-age':
        return this.byAge(
          rule.rows.map(({ day, speedPct }) => [day, speedPct] as const),
          this.response.placedOn ?? '',
          values,
        )
      case 'purge': {
        const [room, outdoor] = [values[rule.input]!, values[rule.outdoor]!]
        const wasOn = this.purging.has(rule.id)
        this.purging.delete(rule.id)
        if (!rule.spans.some((span) => isWithin(span, values.clock!))) return null
        if (!(room - outdoor >= (wasOn ? rule.marginK / 2 : rule.marginK))) return null
        if (wasOn ? !(room > rule.untilAt) : !(room >= rule.untilAt + 1)) return null
        if (rule.notWetter) {
          const outside = humidityRatio(outdoor, values[rule.notWetter.outdoor]!)
          const inside = humidityRatio(room, values[rule.notWetter.room]!)
          if (!(outside <= inside)) return null
        }
        this.purging.add(rule.id)
        return rule.speedPct
      }
    }
  }

  private previousS(): number {
    return this.history[this.history.length - 2]?.atS ?? 0
  }
}
