import type { Judge, Judgement } from '@/core/advise/judgement'
import { type NamedPlace, says, type Says } from '@/core/advise/words'
import type { Duty } from '@/core/brief/duty'
import { roleOf } from '@/core/duty/role'
import type { Installation } from '@/core/installation/installation'
import { isMeasured, type MeasuredInput, type Role } from '@/core/rules/input'
import { ruleInputId, ruleKind } from '@/core/rules/table'
import { ruleName } from '@/core/sentences/words'

const inC = (tempF: number) => ((tempF - 32) * 5) / 9

/** What such a place can be (°C); common practice, no source. */
const PLAUSIBLE: Partial<Record<Role, readonly [low: number, high: number]>> = {
  room: [-15, 50],
  outdoor: [-45, 50],
  supply: [-40, 60],
  coil: [-10, 70],
  component: [10, 110],
  body: [10, 95],
}
/** The widest band, difference or offset (K) that is set on such a place. */
const WIDEST_K = 30

/** Duties whose room is one for people, animals or plants. */
const PEOPLES: readonly Duty[] = ['extract', 'livestock', 'grow-room', 'balanced', 'door-curtain']

type Named = { readonly id: string; readonly path: string; readonly of: NamedPlace }
type Point = Named & { readonly input: MeasuredInput; readonly at: number }
type Width = Named & { readonly widthK: number }

function figuresOf({ response }: Installation): { points: Point[]; widths: Width[] } {
  const points: Point[] = []
  const widths: Width[] = []
  const temperature = (id: string): MeasuredInput | null => {
    const input = response.inputs.find((candidate) => candidate.id === id)
    return input && isMeasured(input) && input.kind === 'temperature' ? input : null
  }
  const point = (named: Named, id: string, ...at: readonly number[]) => {
    const input = temperature(id)
    if (input) for (const x of at) points.push({ ...named, input, at: x })
  }
  const width = (named: Named, id: string, widthK: number) => {
    if (temperature(id)) widths.push({ ...named, widthK })
  }
  response.rules.forEach((rule, index) => {
    if (rule.off) return
    const named = {
      id: rule.id,
      path: `response.rules.${index}`,
      of: { kind: 'rule', name: ruleName(response, rule) } as const,
    }
    const input = ruleInputId(rule)
    if (input === null) return
    point(named, input, ...ruleKind(rule).points(rule))
    for (const widthK of ruleKind(rule).widths(rule)) width(named, input, widthK)
  })
  ;(response.reductions ?? []).forEach(({ input, at }, index) =>
    point({ id: `reduction-${index}`, path: `response.reductions.${index}`, of: { kind: 'reduction' } }, input, at),
  )
  ;(response.otherOutputs ?? []).forEach((output, index) => {
    const named = {
      id: output.id,
      path: `response.otherOutputs.${index}`,
      of: { kind: 'output', name: output.name } as const,
    }
    for (const condition of [...output.onWhen, ...output.notWhile]) {
      if (condition.kind !== 'input') continue
      point(named, condition.input, condition.at)
      width(named, condition.input, condition.release)
    }
  })
  const { overheat } = response.overrides ?? {}
  if (overheat)
    point(
      { id: 'overheat', path: 'response.overrides.overheat', of: { kind: 'overheat' } },
      overheat.input,
      overheat.onAt,
      overheat.offBelow,
    )
  for (const [index, input] of response.inputs.entries())
    if (isMeasured(input) && input.offset)
      width(
        { id: `offset-${input.id}`, path: `response.inputs.${index}.offset`, of: { kind: 'offset', name: input.name } },
        input.id,
        Math.abs(input.offset),
      )
  return { points, widths }
}

/** The range in which a point on this input makes sense: that of its place, never narrower than what the brief speaks of. */
function senseOf({ brief, response }: Installation, input: MeasuredInput): readonly [low: number, high: number] {
  const role = roleOf(input, { brief, response })
  const place = PLAUSIBLE[role]
  const ofBrief = brief.targets.flatMap(({ quantity, bandTo, limitAbove }) =>
    quantity === 'temperature' ? [bandTo, limitAbove ?? bandTo] : [],
  )
  const top = Math.max(...ofBrief)
  // A room for things may stand hotter than one for people: its limit says so.
  const roomTop = role === 'room' && !PEOPLES.includes(brief.duty) ? top : -Infinity
  if (place) return [Math.min(place[0], input.from), Math.max(place[1], roomTop)]
  return [input.from, Number.isFinite(top) ? Math.min(input.to, top) : input.to]
}

/** A point that its place can never be and would be as °F; a band, difference or offset that looks like one with 32 added. */
export const wrongUnit: Judge = (installation) => {
  const { points, widths } = figuresOf(installation)
  const wrong = ({ id, path }: Pick<Named, 'id' | 'path'>, words: Says): Judgement => ({
    id: `wrong-unit-${id}`,
    severity: 'fails',
    path,
    says: words,
    cure: null,
  })
  const ofPoints = points.flatMap((point): Judgement[] => {
    const [low, high] = senseOf(installation, point.input)
    const meant = inC(point.at)
    if (point.at <= high || meant < low || meant > high) return []
    return [wrong(point, says('wrong-unit-point', { of: point.of, at: point.at, input: point.input.name, meant }))]
  })
  const ofTargets = installation.brief.targets.flatMap(({ quantity, limitAbove, bandTo }, index): Judgement[] => {
    if (quantity !== 'temperature') return []
    const room = PLAUSIBLE.room!
    const isRoom = PEOPLES.includes(installation.brief.duty)
    const tooHot = [limitAbove, bandTo].find((x) => x !== null && isRoom && x > room[1] && inC(x) <= room[1])
    return tooHot === undefined || tooHot === null
      ? []
      : [
          wrong(
            { id: `target-${index}`, path: `brief.targets.${index}` },
            says('wrong-unit-target', { at: tooHot, meant: inC(tooHot) }),
          ),
        ]
  })
  const ofWidths = widths.flatMap((width): Judgement[] => {
    const without32 = ((width.widthK - 32) * 5) / 9
    const input = points.find(({ id }) => id === width.id)?.input
    const role = input && roleOf(input, { brief: installation.brief, response: installation.response })
    if (width.widthK <= WIDEST_K || without32 < 0 || without32 > WIDEST_K || (role && !PLAUSIBLE[role])) return []
    return [wrong(width, says('wrong-unit-width', { of: width.of, widthK: width.widthK, meantK: without32 }))]
  })
  const all = [...ofPoints, ...ofTargets, ...ofWidths]
  return all.filter((one, index) => all.findIndex(({ id }) => id === one.id) === index)
}
