/** A rectangle of a picture, px. */
export type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number }

/** Where a label stands, seen from the point it speaks of. */
export type Side = 'right' | 'left' | 'above' | 'below' | 'above right' | 'above left' | 'below right' | 'below left'

export type LabelWish = {
  readonly text: string
  /** The point it speaks of, px. */
  readonly x: number
  readonly y: number
  /** Where it may stand, the best first. */
  readonly sides: readonly Side[]
  /** Written at its point or not at all: the figures of a scale. */
  readonly stays?: boolean
}

/** Middle of the line of text, px from the left and from the top. */
type Place = { readonly x: number; readonly y: number }

/** Width of a letter of the house’s mono face at 12 px, as measured. */
const LETTER_PX = 8
export const LABEL_HEIGHT_PX = 13
const GAP_PX = 4
/** How far a label goes from its point for want of room, in steps of its own height or two letters. */
const MOST_STEPS = 6

const range = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, index) => from + index)

export const labelWidthPx = (text: string): number => text.length * LETTER_PX

const touches = (one: Box, other: Box): boolean =>
  one.x < other.x + other.width &&
  other.x < one.x + one.width &&
  one.y < other.y + other.height &&
  other.y < one.y + one.height

/** With the room that two labels beside one another leave between them. */
const padded = ({ x, y, width, height }: Box): Box => ({ x: x - GAP_PX, y, width: width + 2 * GAP_PX, height })

const liesWithin = (one: Box, area: Box): boolean =>
  one.x >= area.x &&
  one.y >= area.y &&
  one.x + one.width <= area.x + area.width &&
  one.y + one.height <= area.y + area.height

/** The box of a label on a side of its point. */
function boxOn(side: Side, { x, y, text }: LabelWish): Box {
  const [width, height] = [labelWidthPx(text), LABEL_HEIGHT_PX]
  const left = side.endsWith('right') ? x + GAP_PX : side.endsWith('left') ? x - GAP_PX - width : x - width / 2
  const top = side.startsWith('above') ? y - GAP_PX - height : side.startsWith('below') ? y + GAP_PX : y - height / 2
  return { x: left, y: top, width, height }
}

/** How far a label is moved for want of room, the nearest first. */
const MOVES: readonly (readonly [across: number, down: number])[] = range(-MOST_STEPS, MOST_STEPS)
  .flatMap((across) =>
    range(-MOST_STEPS, MOST_STEPS).map((down) => [across * 2 * LETTER_PX, down * LABEL_HEIGHT_PX] as const),
  )
  .toSorted(([x1, y1], [x2, y2]) => Math.hypot(x1, y1) - Math.hypot(x2, y2))

/** The places it is tried at: its sides, then each a little higher, lower or to a side, ever further. */
function* places(wish: LabelWish): Generator<Box> {
  for (const [across, down] of wish.stays ? [[0, 0] as const] : MOVES)
    for (const side of wish.sides) {
      const box = boxOn(side, wish)
      yield { ...box, x: box.x + across, y: box.y + down }
    }
}

/** The places a label is tried at on one line: its sides, then pushed along it, ever further. */
function* placesOnLine(wish: LabelWish, area: Box): Generator<Box> {
  for (let pushed = 0; pushed <= (wish.stays ? 0 : area.width); pushed += LETTER_PX)
    for (const way of pushed === 0 ? [0] : [-pushed, pushed])
      for (const side of wish.sides) {
        const box = boxOn(side, wish)
        yield { ...box, x: box.x + way, y: area.y }
      }
}

/** Middles of the labels such that none crosses another or leaves the area, and none lies on what is to be kept off where there is a place beside
 *  it. The first of the list has the first choice; null where there is no room left. An area no higher than a line of text has one line of them. */
export function placeLabels(
  wishes: readonly LabelWish[],
  area: Box,
  keepOff: readonly Box[],
): readonly (Place | null)[] {
  const taken: Box[] = []
  const isOneLine = area.height < 2 * LABEL_HEIGHT_PX
  const isFree = (box: Box) => liesWithin(box, area) && !taken.some((other) => touches(padded(box), other))
  return wishes.map((wish) => {
    let free: Box | null = null
    let clear: Box | null = null
    for (const box of isOneLine ? placesOnLine(wish, area) : places(wish)) {
      if (!isFree(box)) continue
      free ??= box
      if (keepOff.some((other) => touches(box, other))) continue
      clear = box
      break
    }
    const found = clear ?? free
    if (!found) return null
    taken.push(found)
    return { x: found.x + found.width / 2, y: found.y + found.height / 2 }
  })
}
