import type { ControllerModel, Panel } from '@/core/controller/schema'

type Made = { readonly states: Panel['states']; readonly controls: Panel['controls'] }

const MOVES = {
  next: { control: 'more', act: 'press' },
  back: { control: 'less', act: 'press' },
  open: { control: 'set', act: 'press' },
  drop: { control: 'set', act: 'hold' },
} as const

/** A panel to begin with: a list of lines, one for each setting in their order, walked with two keys and opened with a third. It is changed to what
 *  the real one does; a setting of the maker has no line. */
export function makePanel({ settings }: Pick<ControllerModel, 'settings'>): Panel {
  const lines = settings.filter(({ who }) => who !== 'maker')
  const at = (index: number): string => (index < 0 ? 'front' : `at-${lines[index]!.id}`)
  const made: Made = {
    controls: [
      { id: 'set', name: 'set', kind: 'key' },
      { id: 'more', name: 'more', kind: 'key' },
      { id: 'less', name: 'less', kind: 'key' },
    ],
    states: [
      { id: 'front', shows: '{reading} and the speed', moves: lines.length > 0 ? [{ ...MOVES.next, to: at(0) }] : [] },
      ...lines.flatMap(({ id, name }, index): Panel['states'] => [
        {
          id: at(index),
          shows: `${name}: {value}`,
          moves: [
            { ...MOVES.open, to: `set-${id}` },
            ...(index + 1 < lines.length ? [{ ...MOVES.next, to: at(index + 1) }] : []),
            { ...MOVES.back, to: at(index - 1) },
          ],
        },
        {
          id: `set-${id}`,
          shows: `${name}: [{value}]`,
          setting: id,
          moves: [
            { ...MOVES.next, does: 'step-up' },
            { ...MOVES.back, does: 'step-down' },
            { ...MOVES.open, to: at(index), does: 'keep' },
            { ...MOVES.drop, to: at(index), does: 'drop' },
          ],
        },
      ]),
    ],
  }
  return { display: { kind: 'list', columns: 20, lines: 4 }, lamps: [], ...made }
}
