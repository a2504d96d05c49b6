import { nearestValue } from '@/core/controller/nearestValue'
import type { ControllerModel, Panel, PanelMove, PanelState, Setting } from '@/core/controller/schema'

/** A panel being used: the state it is in, what its settings are kept at, and a value that is changed but not yet kept. */
export type PanelNow = {
  readonly state: string
  readonly kept: Readonly<Record<string, number>>
  readonly pending: number | null
}

export type Touch = Pick<PanelMove, 'control' | 'act'>

export const panelState = (panel: Panel, id: string): PanelState | undefined =>
  panel.states.find((candidate) => candidate.id === id)

/** What a state of the panel shows; a reading stands for what is sensed. */
export const panelShows = ({ shows }: PanelState, value: string): string =>
  shows.replaceAll('{value}', value).replaceAll('{reading}', '18.4')

/** The setting whose value a state shows: the one that is open there, or the one that a touch opens from there. */
export function settingShownIn({ panel, settings }: ControllerModel, state: PanelState): Setting | undefined {
  const opens = [state, ...state.moves.flatMap(({ to }) => (panel && to ? (panelState(panel, to) ?? []) : []))]
  const id = opens.find(({ setting }) => setting !== undefined)?.setting
  return settings.find((setting) => setting.id === id)
}

/** The panel after power-up. `kept` by default: as it leaves the box. */
export const panelStart = (
  { settings, panel }: ControllerModel,
  kept: PanelNow['kept'] = Object.fromEntries(settings.map((setting) => [setting.id, setting.default])),
): PanelNow | null => (panel ? { state: panel.states[0]!.id, kept, pending: null } : null)

/** One step up or down from a value; it stays at the end of its range. */
function stepped(setting: Setting, value: number, way: 1 | -1): number {
  const { choices, min, max, step } = setting
  if (choices) {
    const place = choices.findIndex((choice) => choice.value === value) + way
    return choices[Math.min(Math.max(place, 0), choices.length - 1)]!.value
  }
  return nearestValue(setting, Math.min(max, Math.max(min, value + way * step)), 'nearest')
}

/** The panel after a touch. One that means nothing in this state changes nothing. */
export function touch(model: ControllerModel, now: PanelNow, { control, act }: Touch): PanelNow {
  const { panel, settings } = model
  const state = panel && panelState(panel, now.state)
  const move = state?.moves.find((candidate) => candidate.control === control && candidate.act === act)
  if (!state || !move) return now
  const setting = settings.find(({ id }) => id === state.setting)
  const to = move.to ?? now.state
  if (!setting || !move.does) return { ...now, state: to, ...(to === now.state ? {} : { pending: null }) }
  const value = now.pending ?? now.kept[setting.id] ?? setting.default
  switch (move.does) {
    case 'step-up':
    case 'step-down': {
      const next = stepped(setting, value, move.does === 'step-up' ? 1 : -1)
      // What is written at once has no pending value: a screw stands where it was turned to.
      return setting.written?.when === 'at-once'
        ? { state: to, kept: { ...now.kept, [setting.id]: next }, pending: null }
        : { ...now, state: to, pending: next }
    }
    case 'keep':
      return { state: to, kept: { ...now.kept, [setting.id]: value }, pending: null }
    case 'drop':
      return { ...now, state: to, pending: null }
  }
}

/** Moves that leave every setting as it is. */
const keepsNothing = ({ does }: PanelMove): boolean => does === undefined || does === 'drop'

/** The touches that lead from one state to another, the fewest; null where there is no way.
 *  @param isAllowed which moves may be made; those that change no setting where nothing is said */
export function wayTo(
  panel: Panel,
  from: string,
  to: string,
  isAllowed: (move: PanelMove) => boolean = keepsNothing,
): Touch[] | null {
  const ways = new Map<string, Touch[]>([[from, []]])
  for (const [at, way] of ways) {
    if (at === to) return way
    for (const move of panelState(panel, at)?.moves ?? []) {
      const { control, act, to: next } = move
      if (next !== undefined && !ways.has(next) && isAllowed(move)) ways.set(next, [...way, { control, act }])
    }
  }
  return null
}

/** The touches that put a setting from what it is kept at to a value and keep it, from a state of the panel; null where there is no way. */
export function touchesFor(model: ControllerModel, now: PanelNow, settingId: string, wanted: number): Touch[] | null {
  const { panel, settings } = model
  const setting = settings.find(({ id }) => id === settingId)
  const open = panel?.states.find(
    (state) => state.setting === settingId && state.moves.some(({ does }) => does === 'step-up'),
  )
  if (!panel || !setting || !open) return null
  const way = wayTo(panel, now.state, open.id)
  if (!way) return null
  const touches = [...way]
  let at: PanelNow = { state: open.id, kept: now.kept, pending: null }
  const value = () => at.pending ?? at.kept[settingId] ?? setting.default
  while (Math.abs(value() - wanted) > 1e-6) {
    const does = value() < wanted ? 'step-up' : 'step-down'
    const move = panelState(panel, at.state)?.moves.find((candidate) => candidate.does === does)
    const before = value()
    if (!move) return null
    at = touch(model, at, move)
    touches.push({ control: move.control, act: move.act })
    if (value() === before) return null
  }
  if (at.pending === null) return touches
  const keep = panelState(panel, at.state)?.moves.find(({ does }) => does === 'keep')
  return keep ? [...touches, { control: keep.control, act: keep.act }] : null
}
