import { freeId } from '@/core/json/freeId'
import type { Panel, PanelMove, PanelState } from '@/core/controller/schema'

/** A panel of one state and no control, to be walked from there. */
export const EMPTY_PANEL: Panel = {
  display: { kind: 'lines', columns: 16, lines: 2 },
  controls: [{ id: 'key', name: 'key', kind: 'key' }],
  lamps: [],
  states: [{ id: 'front', shows: '{reading}', moves: [] }],
}

const withState = (panel: Panel, id: string, change: (state: PanelState) => PanelState): Panel => ({
  ...panel,
  states: panel.states.map((state) => (state.id === id ? change(state) : state)),
})

/** What a state shows, or which setting is open in it, as somebody sees it there. */
export const describeState = (panel: Panel, id: string, seen: Pick<PanelState, 'shows' | 'setting'>): Panel =>
  withState(panel, id, ({ id: same, moves }) => ({
    id: same,
    shows: seen.shows,
    ...(seen.setting === undefined ? {} : { setting: seen.setting }),
    // Nothing happens to a setting that is not open.
    moves: moves.map(({ does, ...move }) =>
      does === undefined || seen.setting === undefined ? move : { ...move, does },
    ),
  }))

/** One step of a finger's path: what the hand does in a state and where that leads, a state that is there, the same, or a new one. The same
 *  act of the same control again takes the place of what was there.
 *  @returns the panel, and the state the hand is in then */
export function stepOn(
  panel: Panel,
  at: string,
  move: Pick<PanelMove, 'control' | 'act' | 'does'>,
  to: { readonly state: string } | 'stays' | 'new',
): { readonly panel: Panel; readonly at: string } {
  const ids = panel.states.map(({ id }) => id)
  const leads = to === 'stays' ? at : to === 'new' ? freeId(ids, 'state') : to.state
  const made: PanelMove = { ...move, ...(leads === at ? {} : { to: leads }) }
  const walked = withState(panel, at, (state) => ({
    ...state,
    moves: [...state.moves.filter(({ control, act }) => control !== move.control || act !== move.act), made],
  }))
  return {
    panel: to === 'new' ? { ...walked, states: [...walked.states, { id: leads, shows: '…', moves: [] }] } : walked,
    at: leads,
  }
}

/** Takes a step of the path away. */
export const stepBack = (panel: Panel, at: string, { control, act }: Pick<PanelMove, 'control' | 'act'>): Panel =>
  withState(panel, at, (state) => ({
    ...state,
    moves: state.moves.filter((move) => move.control !== control || move.act !== act),
  }))
